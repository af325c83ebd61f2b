"""Jobs as those who ask for them see them; each runs at once here (`JOBS_AT_ONCE`)."""

import pytest
from django.core.files.storage import default_storage
from zigzag_server.courses import store
from zigzag_server.courses.models import Course
from zigzag_server.jobs import kinds, queue, running, starting
from zigzag_server.jobs.models import Job, State
from zigzag_server.publishing import packaging
from zigzag_server.publishing.models import Publication


@pytest.fixture
def waiting(settings, monkeypatch):
    """Jobs wait for a worker: the numbers of those that were handed on."""
    settings.JOBS_AT_ONCE = False
    handed: list[int] = []
    monkeypatch.setattr(starting, "enqueue", lambda job: handed.append(job.pk))
    return handed


@pytest.fixture
def a_kind():
    """Declares a kind of job for a test."""
    def declare(work, **options):
        kinds.kind("of_test", "Testing", **options)(work)
    yield declare
    kinds.KINDS.pop("of_test", None)


def publish(mika, course, kind="scorm12"):
    return mika("post", f"/courses/{course}/packages", {"kind": kind}, status=202)


def test_what_stands_in_no_queue_is_handed_on_whatever_else_the_queue_holds(
        mika, course, waiting, monkeypatch):
    lost, queued = publish(mika, course), publish(mika, course, "web")
    tried = mika("get", f"/courses/{course}/tried", status=202)
    waiting.clear()
    monkeypatch.setattr(queue.waited_for, "pending", lambda: [
        queue.give_back_lost.s(), queue.work_on.s(queued["id"])])
    monkeypatch.setattr(queue.background, "pending", lambda: [queue.work_on.s(tried["id"])])
    queue.give_back_lost.call_local()
    assert waiting == [lost["id"]]


def test_equal_jobs_run_once_and_other_ones_beside_them(mika, course, waiting):
    first, second = publish(mika, course), publish(mika, course)
    assert first["id"] == second["id"] and first["state"] == "queued"
    other = publish(mika, course, "web")
    assert waiting == [first["id"], other["id"]]
    mika("patch", f"/courses/{course}", {"title": "Changed"}, status=200)
    assert publish(mika, course)["id"] not in waiting[:2]


def test_what_waits_is_listed_and_cancelled_by_its_owner_only(mika, other, course, waiting):
    job = publish(mika, course)
    assert [j["id"] for j in mika("get", "/jobs")] == [job["id"]]
    assert [j["id"] for j in mika("get", f"/jobs?course={course}")] == [job["id"]]
    assert other("get", "/jobs") == []
    for method in ("get", "delete"):
        other(method, f"/jobs/{job['id']}", status=404)
    other("get", f"/jobs/{job['id']}/file", status=404)
    mika("delete", f"/jobs/{job['id']}", status=204)
    assert mika("get", f"/jobs/{job['id']}")["state"] == "cancelled" and mika("get", "/jobs") == []
    running.run(job["id"])
    assert not Publication.objects.exists()


def test_a_check_of_a_newer_state_takes_the_place_of_an_older_one(mika, course, waiting):
    first = mika("get", f"/courses/{course}/check", status=202)
    assert mika("get", f"/courses/{course}/check", status=202)["id"] == first["id"]
    mika("patch", f"/courses/{course}", {"title": "Changed"}, status=200)
    second = mika("get", f"/courses/{course}/check", status=202)
    assert mika("get", f"/jobs/{first['id']}")["state"] == "cancelled"
    running.run_here(Job.objects.get(pk=second["id"]))
    assert mika("get", f"/courses/{course}/check", status=200)["slides"] == 3
    assert list(Job.objects.filter(kind="check").values_list("pk", flat=True)) == [second["id"]]


def test_an_upload_is_kept_until_its_job_has_ended(mika, course, waiting):
    first = mika("post", "/courses/import", file=("c.zigzag", b"junk"), status=202)
    again = mika("post", "/courses/import", file=("c.zigzag", b"junk"), status=202)
    assert first["id"] == again["id"]
    assert len(default_storage.listdir("uploads")[1]) == 1
    running.run_here(Job.objects.get(pk=first["id"]))
    failed = mika("get", f"/jobs/{first['id']}")
    assert failed["state"] == "failed" and failed["problem"]["code"] == "bad_archive"
    assert default_storage.listdir("uploads")[1] == []
    second = mika("post", "/courses/import", file=("c.zigzag", b"junk"), status=202)
    mika("delete", f"/jobs/{second['id']}", status=204)
    assert default_storage.listdir("uploads")[1] == []


def test_an_error_of_ours_ends_a_job_with_words_and_stores_nothing(mika, a_kind):
    def work(owner, report):
        def finish():
            Course.objects.create(owner=owner, slug="x", document={})
            raise KeyError("gone")
        return finish

    a_kind(work)
    job = starting.start(mika.user, "of_test", {})
    assert job.state == State.FAILED and "error in Zigzag" in job.problem["message"]
    assert not Course.objects.exists()


def test_too_little_memory_is_said(mika, a_kind):
    def work(owner, report):
        raise MemoryError

    a_kind(work)
    assert "memory" in starting.start(mika.user, "of_test", {}).problem["message"]


def test_a_job_that_was_cancelled_while_it_ran_stores_nothing(mika, a_kind):
    def work(owner, report):
        starting.end(Job.objects.get(), State.CANCELLED)
        return lambda: {"course": Course.objects.create(owner=owner, slug="x", document={}).slug}

    a_kind(work)
    assert starting.start(mika.user, "of_test", {}).state == State.CANCELLED
    assert not Course.objects.exists()


def test_an_author_cannot_fill_the_queue(mika, course, waiting, monkeypatch):
    monkeypatch.setattr(starting, "MOST_OF_ONE_AUTHOR", 1)
    publish(mika, course)
    answer = mika("post", f"/courses/{course}/packages", {"kind": "web"}, status=429)
    assert "Nothing was started" in answer["message"]
    mika("post", "/courses/import", file=("c.zigzag", b"junk"), status=429)
    assert not default_storage.exists("uploads") or default_storage.listdir("uploads")[1] == []


def test_jobs_whose_worker_is_gone_go_back_and_at_last_are_given_up(mika, course, waiting):
    job = publish(mika, course)
    for _ in range(running.MOST_TRIES):
        assert running._claimed(job["id"])
        Job.objects.filter(pk=job["id"]).update(worker="elsewhere:1", seen=None)
        running.give_back_lost()
    ended = mika("get", f"/jobs/{job['id']}")
    assert ended["state"] == "failed" and "given up" in ended["problem"]["message"]
    assert waiting == [job["id"]] * running.MOST_TRIES


def test_a_job_at_work_is_left_to_its_worker(mika, course, waiting):
    job = publish(mika, course)
    assert running._claimed(job["id"]) and not running._claimed(job["id"])
    running.give_back_lost()
    assert Job.objects.get().state == State.RUNNING


def test_two_publications_at_once_number_the_parts_alike(mika, course, monkeypatch):
    """One is published while the other is packed: the later one is packed anew."""
    build, seen = packaging.build_package, []

    def meanwhile(*given):
        row = Course.objects.get(slug=course)
        seen.append(row.document["remembered"])
        if len(seen) == 1:
            store.remember_publication(row, {}, {"slides": ("theirs",)})
        return build(*given)

    monkeypatch.setattr(packaging, "build_package", meanwhile)
    mika.job("post", f"/courses/{course}/packages", {"kind": "scorm12"})
    assert seen == [{}, {"slides": ["theirs"]}]
    assert Course.objects.get().document["remembered"]["slides"][0] == "theirs"
    assert Publication.objects.count() == 1
