"""Work that takes time, in real workers: progress, cancelling, reloads, crashes, limits."""

import os
import signal
import sqlite3
from pathlib import Path

import pytest

from ..running import Author, Server
from .driver import WORK

LARGE = 1_100
"""Slides of a course that takes some seconds to pack."""
TOO_LARGE = 1_600
"""Slides of one that takes more than a job may have in the test of limits."""


@pytest.fixture
def large(server):
    return server.manage(
        "generate", "--slides", str(LARGE), "--questions", "100", "--single-choice")


def begin(page, slug, kind="scorm12"):
    """Ask for a package; return the job once it is at work."""
    job = page.call("POST", f"/courses/{slug}/packages", {"kind": kind})
    page.until(lambda: state(page, job) == "running", "the job to run")
    return job


def look(page, job):
    return page.call("GET", f"/jobs/{job['id']}")


def state(page, job):
    return look(page, job)["state"]


def worker_of(server, job):
    """The process that runs a job; 0 while none does."""
    with sqlite3.connect(f"{server.environment['ZIGZAG_DATA']}/zigzag.sqlite3") as database:
        found = database.execute("select worker from jobs_job where id = ?", (job["id"],))
        return int(found.fetchone()[0].rpartition(":")[2] or 0)


def process_of(server, job):
    """The process of a job, which its worker has begun."""
    worker = worker_of(server, job)
    return int(Path(f"/proc/{worker}/task/{worker}/children").read_text())


def test_publishing_is_seen_goes_on_after_a_reload_and_is_cancelled(page, server):
    large = server.manage("generate", "--slides", "1500", "--questions", "100", "--single-choice")
    page.go(f"/courses/{large}/publish")
    page.click("input[aria-label=web]")
    page.press("Publish as web")
    job = page.until(lambda: next(
        (job for job in page.call("GET", f"/jobs?course={large}")
         if job["kind"] == "publish" and job["words"] == "Compiling the slides"), None))
    # Held in the middle of its work, it is neither done nor broken off before it is cancelled.
    os.kill(process_of(server, job), signal.SIGSTOP)
    page.until(lambda: "Compiling the slides" in page.find("[data-job=publish]").text,
               "what is being done")
    # Others are not kept waiting: a save is through before the packing is.
    title = page.call("PATCH", f"/courses/{large}", {"title": "Saved meanwhile"})["title"]
    assert title == "Saved meanwhile" and page.find("[data-job=publish]")
    page.browser.refresh()
    page.find("[data-job=publish]")
    # Other work of the page may be shown beside it.
    page.click("[data-job=publish] button")
    page.gone("[data-job=publish]")
    assert "publish" not in [job["kind"] for job in page.call("GET", "/jobs")]
    assert page.call("GET", f"/courses/{large}/packages") == []


def test_a_job_whose_worker_is_killed_is_done_by_another(page, server, large):
    page.go("/")
    job = begin(page, large)
    killed = worker_of(server, job)
    os.kill(killed, signal.SIGKILL)
    page.until(lambda: state(page, job) == "done" or worker_of(server, job) not in (0, killed),
               "another worker to take it up")
    page.until(lambda: state(page, job) == "done", "another worker to do it", WORK)
    assert len(page.call("GET", f"/courses/{large}/packages")) == 1


def test_a_job_outlives_the_server(page, server, large):
    page.go("/")
    job = begin(page, large, "web")
    server.stop()
    server.start()
    page.go("/")
    page.until(lambda: state(page, job) == "done", "the job to be done after a restart", WORK)


def test_a_large_course_is_compiled_by_a_job_and_then_rehearsed(page, server):
    slug = server.manage("generate", "--slides", "400", "--questions", "40")
    page.go("/")
    asked = page.call("GET", f"/courses/{slug}/program")
    assert asked["title"] == "Compiling the course"
    page.go(f"/courses/{slug}/rehearse")
    page.frames("iframe[title='The course']")
    page.find("main .zz-element")
    # What was compiled is kept: a change of one slide is rehearsed at once.
    page.top()
    slide = page.call("GET", f"/courses/{slug}")["slides"][0]
    page.call("PUT", f"/courses/{slug}/slides/{slide['slide']['id']}", {
        "base": slide["version"], "slide": {**slide["slide"], "title": "Changed"}})
    program = page.call("GET", f"/courses/{slug}/program")
    assert program["slides"][0]["title"] == "Changed"


def test_a_job_that_takes_too_much_is_ended_with_a_reason(tmp_path):
    server = Server(tmp_path)
    server.manage("migrate", "--verbosity", "0")
    server.manage("demo")
    for limit, most, words in (
        ("ZIGZAG_JOB_MEMORY_MB", "60", "needs more than the 60 MB of memory"),
        ("ZIGZAG_JOB_SECONDS", "0", "took longer than 0 seconds"),
    ):
        # Each time another course: what is compiled of one is kept, and makes its next job small.
        slug = server.manage(
            "generate", "--slides", str(TOO_LARGE), "--questions", "100", "--single-choice")
        plain = server.environment
        server.environment = {**plain, limit: most, "RUST_BACKTRACE": "1"}
        server.start()
        try:
            mika = Author(server)
            job = mika.ask("POST", f"/courses/{slug}/packages", {"kind": "web"})
            # Jobs give way to all else: beside two browsers a large one takes its time.
            address = f"/jobs/{job['id']}"
            mika.until(
                lambda: mika.ask("GET", address)["state"] == "failed", patience=240)  # noqa: B023
            assert words in mika.ask("GET", f"/jobs/{job['id']}")["problem"]["message"]
        finally:
            server.stop()
            server.environment = plain
