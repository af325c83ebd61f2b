"""Backups of a server that is in use, and putting them back."""

import sqlite3
import subprocess
import threading
import zipfile

import pytest

from ..running import Author, Server


@pytest.fixture
def server(tmp_path):
    running = Server(tmp_path / "data")
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


def test_a_backup_that_names_what_is_gone_is_not_made(server, tmp_path):
    mika = Author(server)
    mika.done("POST", "/courses/hut-warden-basics/packages", {"kind": "web"})
    for file in (tmp_path / "data/files/packages").rglob("*.zip"):
        file.unlink()
    assert "not there" in refused(server, "backup", str(tmp_path / "all.zip"))
    assert not [path for path in tmp_path.iterdir() if "zip" in path.name]


@pytest.mark.parametrize("damage", ["cut", "no zip", "a package", "a way out", "database"])
def test_what_is_no_whole_backup_is_refused_and_leaves_nothing(tmp_path, damage):
    source = Server(tmp_path / "source")
    source.manage("migrate", "--verbosity", "0")
    backup = tmp_path / "all.zip"
    source.manage("backup", str(backup))
    data = backup.read_bytes()
    if damage == "cut":
        backup.write_bytes(data[:len(data) // 2])
    elif damage == "no zip":
        backup.write_bytes(b"no zip")
    else:
        with zipfile.ZipFile(backup, "w") as archive:
            archive.writestr(
                {"a package": "imsmanifest.xml", "a way out": "../zigzag.sqlite3"}.get(
                    damage, "zigzag.sqlite3"), b"SQLite format 3\0" + b"x" * 9_000)
            if damage == "a way out":
                archive.writestr("zigzag.sqlite3", b"")
    other = Server(tmp_path / "other")
    assert "Nothing was changed" in refused(other, "restore", str(backup))
    left = {path.name: path.stat().st_size for path in (tmp_path / "other").iterdir()}
    assert left.keys() == {"secret-key", "zigzag.sqlite3"} and not left["zigzag.sqlite3"]


def test_a_job_that_stands_in_no_queue_is_done_all_the_same(server):
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
    mika.until(lambda: len(mika.ask("GET", "/courses")) == 3)
