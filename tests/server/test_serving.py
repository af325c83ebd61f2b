"""The processes of `manage.py serve`, run as they are for users."""

import http.client
import os
import signal
import time
from pathlib import Path

import pytest

from ..running import Author, Server


@pytest.fixture(scope="module")
def installed(tmp_path_factory):
    server = Server(tmp_path_factory.mktemp("serving"))
    server.environment["ZIGZAG_PROCESSES"] = "3"
    server.manage("migrate", "--verbosity", "0")
    return server


@pytest.fixture
def server(installed):
    installed.start()
    yield installed
    installed.stop()


def children(process: int) -> set[int]:
    text = Path(f"/proc/{process}/task/{process}/children").read_text()
    return {int(number) for number in text.split()}


def descendants(process: int) -> set[int]:
    return {each for one in children(process) for each in (one, *descendants(one))}


def lives(process: int) -> bool:
    try:
        return " Z " not in Path(f"/proc/{process}/stat").read_text()
    except OSError:
        return False


def until(true, what: str, seconds: float = 20) -> None:
    end = time.monotonic() + seconds
    while not true():
        assert time.monotonic() < end, f"waited for {what}"
        time.sleep(0.02)


def answers(server: Server) -> bool:
    connection = http.client.HTTPConnection("localhost", server.port, timeout=10)
    connection.request("GET", "/api/session")
    return connection.getresponse().status == 200


def test_a_process_that_breaks_off_is_begun_anew_and_the_others_go_on_answering(server):
    before = children(server.process.pid)
    assert len(before) == 4  # Three that answer, and the workers.
    first = min(before)
    os.kill(first, signal.SIGKILL)
    assert all(answers(server) for _ in range(20))
    until(lambda: len(children(server.process.pid)) == 4, "another process")
    assert first not in children(server.process.pid)
    assert all(answers(server) for _ in range(20))


@pytest.mark.parametrize("way", [signal.SIGTERM, signal.SIGINT, signal.SIGKILL])
def test_all_processes_end_with_the_first_and_its_port_is_free(server, way):
    # Three that answer; the workers: two groups, of three and one, each with one that minds the
    # time.
    until(lambda: len(descendants(server.process.pid)) == 3 + 1 + 2 + 4 + 2, "all to begin")
    started = descendants(server.process.pid)
    server.process.send_signal(way)
    assert server.process.wait(20) in (0, -way)
    until(lambda: not any(map(lives, started)), "all to end")
    server.start()
    assert answers(server)


def test_ctrl_c_does_not_wait_for_a_job_which_is_done_after_the_next_start(server):
    server.manage("demo")
    slug = server.manage("generate", "--slides", "2000", "--questions", "100", "--single-choice")
    author = Author(server)
    job = author.ask("POST", f"/courses/{slug}/packages", {"kind": "web"})

    def state():
        return author.ask("GET", f"/jobs/{job['id']}")["state"]

    until(lambda: state() == "running", "the job to begin")
    os.killpg(server.process.pid, signal.SIGINT)
    assert server.process.wait(10) == 0
    server.start()
    assert state() != "done"
    until(lambda: state() == "done", "the job to be done", 180)


def test_a_port_that_is_taken_is_told(server):
    with pytest.raises(Exception) as told:
        server.manage("serve")
    assert "Is Zigzag running already?" in told.value.stderr
