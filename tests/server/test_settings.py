"""Settings that would make an installation unsafe do not start."""

import os
import stat
import subprocess
import sys
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path

import pytest

ROOT = Path(__file__).resolve().parents[2]
KEY = "from zigzag_server.settings import SECRET_KEY; print(SECRET_KEY)"


def python(folder, code, **environment):
    clean = {name: value for name, value in os.environ.items() if not name.startswith("ZIGZAG_")}
    return subprocess.run(
        [sys.executable, "-c", code], cwd=ROOT, capture_output=True, text=True, check=False,
        env={**clean, "ZIGZAG_DATA": str(folder), **environment})


@pytest.mark.parametrize(("given", "words"), [
    ({"ZIGZAG_CONTENT_ORIGIN": "http://localhost:9000"}, "on one host"),
    ({"ZIGZAG_APP_ORIGIN": "https://LOCALHOST", "ZIGZAG_CONTENT_ORIGIN": "https://localhost"},
     "on one host"),
    ({"ZIGZAG_APP_ORIGIN": "localhost:8000"}, "should be like"),
    ({"ZIGZAG_CONTENT_ORIGIN": "https://content.example.org/zigzag"}, "should be like"),
    ({"ZIGZAG_CONTENT_ORIGIN": "http://localhost:9000", "ZIGZAG_ONE_HOST": "1"}, None),
    ({}, None),
])
def test_app_and_content_are_apart_but_for_an_explicit_word(tmp_path, given, words):
    done = python(tmp_path, KEY, **given)
    if words is None:
        assert done.returncode == 0, done.stderr
    else:
        assert done.returncode and words in done.stderr


def test_the_key_is_made_once_however_many_start_and_is_private(tmp_path):
    folder = tmp_path / "data"
    with ThreadPoolExecutor(6) as pool:
        keys = {done.stdout for done in pool.map(lambda _: python(folder, KEY), range(6))}
    assert len(keys) == 1 and len(keys.pop().strip()) == 64
    assert sorted(path.name for path in folder.iterdir()) == ["secret-key", "zigzag.sqlite3"]
    assert stat.S_IMODE((folder / "secret-key").stat().st_mode) == 0o600
    assert stat.S_IMODE(folder.stat().st_mode) == 0o700


def test_the_framework_s_list_for_servers_that_all_can_reach_is_kept_to(tmp_path):
    code = "from django.core.management import execute_from_command_line as run; " \
        "run(['', 'check', '--deploy', '--fail-level', 'WARNING'])"
    done = python(
        tmp_path, code, ZIGZAG_APP_ORIGIN="https://app.example.org",
        ZIGZAG_CONTENT_ORIGIN="https://content.example.org", ZIGZAG_PROXIES="1",
        DJANGO_SETTINGS_MODULE="zigzag_server.settings")
    assert done.returncode == 0, done.stderr


def test_the_database_is_its_user_s_alone(tmp_path):
    code = "from django.core.management import execute_from_command_line as run; " \
        "run(['', 'migrate', '--verbosity', '0'])"
    assert python(tmp_path, code, DJANGO_SETTINGS_MODULE="zigzag_server.settings").returncode == 0
    assert stat.S_IMODE((tmp_path / "zigzag.sqlite3").stat().st_mode) & 0o077 == 0
