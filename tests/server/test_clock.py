"""The server's clock goes back by a day: nothing is lost, mixed up, or stuck."""

from datetime import timedelta

import pytest
from django.utils import timezone
from zigzag_server.courses.models import Course
from zigzag_server.jobs import running, starting
from zigzag_server.jobs.models import Job, State
from zigzag_server.upkeep.cleaning import clean

from .test_courses import opened

A_DAY = timedelta(days=1)


@pytest.fixture
def back(monkeypatch):
    """Sets the clock back."""
    def turn():
        now = timezone.now
        monkeypatch.setattr(timezone, "now", lambda: now() - A_DAY)
    return turn


def test_states_stay_in_the_order_in_which_they_were_saved(mika, course, back):
    mika("patch", f"/courses/{course}", {"title": "Before"}, status=200)
    back()
    mika("patch", f"/courses/{course}", {"title": "After"}, status=200)
    listed = mika("get", f"/courses/{course}/history", status=200)
    assert [one["title"] for one in listed[:2]] == ["After", "Before"]
    assert listed[0]["created"] < listed[1]["created"]
    assert opened(mika, course)["course"]["title"] == "After"
    at = mika("get", f"/courses/{course}/history/{listed[1]['id']}", status=200)
    assert at["course"]["title"] == "Before"


def test_checks_see_the_course_as_it_is_now(mika, course, back):
    mika("get", f"/courses/{course}/check")
    back()
    mika("patch", f"/courses/{course}", {"title": ""}, status=422)
    found = opened(mika, course)
    settings = {**found["course"], "slides": found["course"]["slides"][:2]}
    mika("put", f"/courses/{course}", {"base": found["version"], "course": settings}, status=200)
    mika("get", f"/courses/{course}/check")
    assert mika("get", f"/courses/{course}/check", status=200)["slides"] == 2


def test_a_job_of_a_process_that_is_gone_is_given_back_all_the_same(
        mika, course, back, monkeypatch):
    given = []
    monkeypatch.setattr(starting, "enqueue", given.append)
    row = Course.objects.get(slug=course)
    job = Job.objects.create(
        owner=mika.user, course=row, kind="export", key="export:x", arguments={"course": row.pk},
        state=State.RUNNING, tries=1, worker=f"{running.worker_name().split(':')[0]}:{2**22 + 1}",
        seen=timezone.now())
    back()
    running.give_back_lost()
    job.refresh_from_db()
    assert job.state == State.QUEUED and given == [job]


def test_cleaning_takes_nothing_that_seems_to_come_from_tomorrow(mika, course, back):
    mika.job("post", f"/courses/{course}/packages", {"kind": "web"})
    back()
    cleaned = clean()
    assert (cleaned.courses, cleaned.states, cleaned.packages, cleaned.files) == (0, 0, 0, 0)
    assert mika("get", f"/courses/{course}/packages", status=200)


def test_tokens_and_sessions_go_on(mika, back):
    mika("get", "/courses", status=200)
    mika.client.force_login(mika.user)
    back()
    mika("get", "/courses", status=200)
    assert mika.client.get("/api/sessions").status_code == 200
