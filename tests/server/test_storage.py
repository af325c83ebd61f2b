"""Files are whole or absent, whatever happens while they are written."""

import hashlib
import signal
import subprocess
import sys
from datetime import timedelta
from pathlib import Path

import pytest
from django.conf import settings
from django.core.files.base import ContentFile
from django.core.files.storage import default_storage
from django.core.management import call_command
from django.utils import timezone
from zigzag_server.courses import files
from zigzag_server.storage import BEING_WRITTEN, WholeFileStorage
from zigzag_server.upkeep.cleaning import clean
from zigzag_server.upkeep.verifying import verify

from .test_courses import png
from .test_practice import ELSEWHERE

WRITE = """
import resource, signal, sys, time
import django
from django.conf import settings
settings.configure()
django.setup()
from django.core.files.base import ContentFile
from zigzag_server.storage import WholeFileStorage

class Slow(ContentFile):
    def chunks(self, size=None):
        for _ in range(100):
            yield b"x" * 10_000
            print("written", flush=True)
            {then}

{before}
WholeFileStorage(location=sys.argv[1]).save("media/whole", Slow(b""))
"""
FULL = ("signal.signal(signal.SIGXFSZ, signal.SIG_IGN);"
        "resource.setrlimit(resource.RLIMIT_FSIZE, (300_000, 300_000))")


@pytest.fixture
def folder(tmp_path):
    return tmp_path / "kept"


def stored(folder: Path):
    return sorted(str(path.relative_to(folder)) for path in folder.rglob("*") if path.is_file())


def test_a_disk_that_is_full_leaves_nothing(folder):
    code = WRITE.format(before=FULL, then="pass")
    done = subprocess.run([sys.executable, "-c", code, str(folder)], capture_output=True,
                          text=True, check=False)
    assert done.returncode == 1 and "OSError" in done.stderr
    assert stored(folder) == []


def test_what_is_killed_while_it_writes_leaves_no_file_under_the_name(folder):
    code = WRITE.format(before="", then="time.sleep(0.05)")
    with subprocess.Popen([sys.executable, "-c", code, str(folder)], stdout=subprocess.PIPE,
                          text=True) as process:
        for _ in range(3):
            assert process.stdout.readline()
        process.send_signal(signal.SIGKILL)
    left = stored(folder)
    assert len(left) == 1 and left[0].startswith(BEING_WRITTEN)
    storage = WholeFileStorage(location=folder)
    assert storage.save("media/whole", ContentFile(b"all of it")) == "media/whole"
    assert (folder / "media/whole").read_bytes() == b"all of it"


def test_a_name_that_is_taken_stays_and_the_new_file_gets_another(folder, monkeypatch):
    storage = WholeFileStorage(location=folder)
    storage.save("a/b", ContentFile(b"first"))
    # Another process was quicker, after it was looked whether the name is free.
    free = storage.get_available_name
    answers = iter(["a/b"])
    monkeypatch.setattr(storage, "get_available_name",
                        lambda name, max_length=None: next(answers, None) or free(name, max_length))
    second = storage.save("a/b", ContentFile(b"second"))
    assert second != "a/b"
    assert [(folder / name).read_bytes() for name in ("a/b", second)] == [b"first", b"second"]
    storage.put("a/b", ContentFile(b"third"))
    assert (folder / "a/b").read_bytes() == b"third"
    assert len(stored(folder)) == 2


def test_a_disk_without_second_names_will_do(folder, monkeypatch):
    def refused(*given):
        raise PermissionError("no links here")

    monkeypatch.setattr("os.link", refused)
    storage = WholeFileStorage(location=folder)
    assert storage.save("a", ContentFile(b"first")) == "a"
    assert storage.save("a", ContentFile(b"second")) != "a"
    assert (folder / "a").read_bytes() == b"first" and len(stored(folder)) == 2


@pytest.fixture
def cut(mika, course):
    """The hash of a picture of a course whose stored file was cut."""
    data = png((64, 64))
    taken = mika("post", f"/courses/{course}/media", file=("a.png", data), status=201)
    sha256 = taken["file"]["sha256"]
    path = Path(default_storage.path(f"media/{sha256[:2]}/{sha256}"))
    path.write_bytes(path.read_bytes()[:40])
    return sha256, data, course


def test_a_file_that_was_cut_is_stored_again_when_it_is_sent_again(mika, cut):
    sha256, data, course = cut
    assert not files.is_whole(sha256)
    mika("post", f"/courses/{course}/media", file=("a.png", data), status=201)
    assert files.is_whole(sha256)
    assert hashlib.sha256(files.read(sha256)).hexdigest() == sha256


def test_what_is_not_whole_is_found_and_healed(mika, cut, capsys):
    sha256, *_ = cut
    assert verify().wrong == [f"Media {sha256}: not the bytes that it was."]
    with pytest.raises(SystemExit):
        call_command("verify")
    call_command("verify", "--heal")
    assert "send the file again" in capsys.readouterr().out
    assert not default_storage.exists(f"media/{sha256[:2]}/{sha256}")
    call_command("verify")
    assert "there and whole" in capsys.readouterr().out


def test_what_was_left_unfinished_goes_after_a_day(db):
    default_storage.save(f"{BEING_WRITTEN}/old", ContentFile(b"x"))
    default_storage.save("practice/gone/a/start.html", ContentFile(b"x"))
    assert clean().files == 0
    assert clean(now=timezone.now() + timedelta(days=2)).files == 2
    assert stored(Path(settings.MEDIA_ROOT)) == []


def test_a_practice_package_that_lost_a_file_is_named(mika, practice_package):
    (path,) = Path(settings.MEDIA_ROOT).glob("practice/*/start.html")
    path.unlink()
    (wrong,) = verify().wrong
    assert f"Practice package {practice_package}: 1 of its 2 files" in wrong


@pytest.fixture
def practice_package(mika):
    return mika.job("post", "/practice/packages", file=("p.zip", ELSEWHERE))["practice_package"]
