"""Backups of a server that is in use, and putting them back."""

import sqlite3
import subprocess
import threading

import pytest
from zigzag_server.upkeep.backup import CannotBackUp, put_back

from ..core.test_package import zipped
from ..running import Author, Server


@pytest.fixture(scope="module")
def data(tmp_path_factory):
    return tmp_path_factory.mktemp("backups") / "data"


@pytest.fixture(scope="module")
def server(data):
    running = Server(data)
    running.manage("migrate", "--verbosity", "0")
    running.manage("demo")
    running.start()
    yield running
    running.stop()


def content(author):
    """What an author sees of courses, packages and the practice LMS, but addresses of media."""
    courses = [
        author.ask("GET", f"/courses/{slug}") for slug in ("the-tool-library", "hut-warden-basics")]
    return [(one["course"], one["slides"]) for one in courses], \
        author.ask("GET", "/practice/packages"), [
            author.ask("GET", f"/courses/{one['slug']}/packages") for one in courses]


def test_what_is_backed_up_while_it_is_in_use_is_all_there_when_put_back(server, tmp_path):
    mika = Author(server)
    made = mika.done("POST", "/courses/hut-warden-basics/packages", {"kind": "scorm12"})
    mika.done("POST", "/practice/packages/from-publication", {"publication": made["package"]})
    before = content(mika)
    other_course = mika.ask("POST", "/courses", {"title": "Renamed meanwhile"})["slug"]
    writing = threading.Event()
    writing.set()

    def write():
        while writing.is_set():
            mika.ask("PATCH", f"/courses/{other_course}", {"title": "Renamed meanwhile"})

    writer = threading.Thread(target=write)
    writer.start()
    try:
        server.manage("backup", str(tmp_path / "all.zip"))
    finally:
        writing.clear()
        writer.join()
    other = Server(tmp_path / "other")
    assert "were put back" in other.manage("restore", str(tmp_path / "all.zip"))
    assert other.manage("verify") == "All that is stored is there and whole."
    other.start()
    try:
        assert content(Author(other)) == before
    finally:
        other.stop()


def refused(server, *arguments):
    with pytest.raises(subprocess.CalledProcessError) as told:
        server.manage(*arguments)
    return told.value.stderr


def test_nothing_is_written_over(server, tmp_path):
    backup = tmp_path / "all.zip"
    server.manage("backup", str(backup))
    assert "is there already" in refused(server, "backup", str(backup))
    assert "There is data" in refused(server, "restore", str(backup))
    assert server.manage("verify") == "All that is stored is there and whole."


def test_what_is_no_whole_backup_is_refused_and_leaves_nothing(server, tmp_path):
    whole = tmp_path / "all.zip"
    server.manage("backup", str(whole))
    data = whole.read_bytes()
    nonsense = b"SQLite format 3\0" + b"x" * 9_000
    damaged = {
        "cut": data[:len(data) // 2], "no zip": b"no zip",
        "a package": zipped({"imsmanifest.xml": b"<manifest/>"}),
        "a way out": zipped({"../zigzag.sqlite3": nonsense, "zigzag.sqlite3": b""}),
        "another database": zipped({"zigzag.sqlite3": nonsense}),
    }
    folder = tmp_path / "other"
    folder.mkdir()
    backup = tmp_path / "damaged.zip"
    for name, content in damaged.items():
        backup.write_bytes(content)
        with pytest.raises(CannotBackUp, match="Nothing was changed"):
            put_back(backup, folder)
        assert not list(folder.iterdir()), name
    assert "Nothing was changed" in refused(Server(folder), "restore", str(backup))


def test_a_job_that_stands_in_no_queue_is_done_all_the_same(server):
    mika = Author(server)
    before = len(mika.ask("GET", "/courses"))
    server.stop()
    data = server.environment["ZIGZAG_DATA"]
    with sqlite3.connect(f"{data}/zigzag.sqlite3") as database:
        database.execute(
            "INSERT INTO jobs_job (owner_id, course_id, kind, key, arguments, state, share, words,"
            " worker, tries, created) SELECT owner_id, id, 'duplicate', 'x',"
            " json_object('course', id), 'queued', 0, '', '', 0, datetime() FROM courses_course"
            " WHERE slug = 'the-tool-library'")
    server.start()
    mika = Author(server)
    mika.until(lambda: len(mika.ask("GET", "/courses")) == before + 1)


def test_a_backup_that_names_what_is_gone_is_not_made(server, data, tmp_path):
    mika = Author(server)
    mika.done("POST", "/courses/hut-warden-basics/packages", {"kind": "web"})
    for file in (data / "files/packages").rglob("*.zip"):
        file.unlink()
    assert "not there" in refused(server, "backup", str(tmp_path / "all.zip"))
    assert not [path for path in tmp_path.iterdir() if "zip" in path.name]
