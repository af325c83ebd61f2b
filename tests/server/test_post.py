"""Reports: taken from packages, signed, once, bounded; mailed, listed, downloaded, deleted."""

import hashlib
import hmac
import io
import json
import zipfile
from datetime import timedelta

import pytest
import time_machine
from django.contrib.auth.models import User
from django.core import mail
from django.core.management import call_command
from django.utils import timezone
from zigzag_core.course.posts import Post, PostField
from zigzag_server.courses import store
from zigzag_server.post import mailing, taking
from zigzag_server.post.models import Letter, MailState, PostKey, Report

from tests.core.test_quiz_details import detailed

FIELDS = [["Name", "Ines Tarrow"], ["Per cent", "75"], ["Mail", "ines@huts.example"]]


@pytest.fixture
def posted(mika):
    """A published course whose quiz reports: its slug, and the key of its package."""
    document, _ = detailed()
    names = {variable.name: variable.id for variable in document.course.variables}
    post = Post(
        mail="trainer@huts.example", subject="{{ Name }}: {{ Per cent }} %", sender="Hut, School",
        before="Hello {{Name}}, {{ Nobody }}!", small_print="Larkspur Ridge Huts",
        copy_to=names["Mail"], fields=(
            PostField(name="Name", of="learner_name"), PostField(name="Per cent", of="quiz_score"),
            PostField(name="Mail", of=names["Mail"])))
    sections = tuple(
        one.model_copy(update={"quiz": one.quiz.model_copy(update={"post": post})})
        if one.quiz else one for one in document.course.sections)
    course = document.course.model_copy(update={"sections": sections})
    row = store.create(User.objects.get(username="mika"),
                       document.model_copy(update={"course": course}))
    mika.job("post", f"/courses/{row.slug}/packages", {"kind": "web"})
    return row.slug, PostKey.objects.get()


def report(name="1f-secquiz-1-0", **changes):
    return {"id": name, "quiz": "secquiz", "attempt": 1, "course": "Keys", "title": "Keys",
            "fields": FIELDS, "answers": [
                {"question": "Which key?", "given": "The brass one", "result": "right",
                 "points": 1, "of": 1}], **changes}


def signed(key, body):
    return hmac.new(bytes.fromhex(key.secret), body, hashlib.sha256).hexdigest()


def send(learner, key, body, signature=None, number=None):
    """Send a report as a package does."""
    data = body if isinstance(body, bytes) else json.dumps(body).encode()
    return learner.post(
        f"/post/{number or key.number}?signature={signature or signed(key, data)}", data=data,
        content_type="text/plain")


def test_a_report_is_kept_mailed_and_copied_to_the_learner(
    mika, posted, learner, django_capture_on_commit_callbacks
):
    slug, key = posted
    with django_capture_on_commit_callbacks(execute=True):
        answer = send(learner, key, report())
    assert answer.status_code == 200 and answer.json() == {"received": True, "new": True}
    assert answer["Access-Control-Allow-Origin"] == "*"
    found = mika("get", f"/courses/{slug}/reports", status=200)
    assert found["count"] == 1 and found["quizzes"] == [{"id": "secquiz", "title": "Keys"}]
    assert found["reports"][0]["fields"] == FIELDS and found["reports"][0]["mail"] == "sent"
    assert [one.to for one in mail.outbox] == [["trainer@huts.example"], ["ines@huts.example"]]
    letter = mail.outbox[0]
    assert letter.subject == "Ines Tarrow: 75 %"
    assert letter.from_email.startswith('"Hut, School" <')
    assert letter.body.startswith("Hello Ines Tarrow, {{ Nobody }}!\n\nName: Ines Tarrow\n")
    assert "1. Which key?\n   The brass one\n   right, 1 of 1" in letter.body
    assert letter.body.endswith("Larkspur Ridge Huts")


def test_what_comes_twice_is_kept_once(mika, posted, learner, django_capture_on_commit_callbacks):
    slug, key = posted
    for new in (True, False, False):
        with django_capture_on_commit_callbacks(execute=True):
            assert send(learner, key, report()).json()["new"] is new
    # A package that was published later is another key of the same course.
    mika.job("post", f"/courses/{slug}/packages", {"kind": "web"})
    later = PostKey.objects.order_by("-pk").first()
    assert later != key and send(learner, later, report()).json()["new"] is False
    assert Report.objects.count() == 1 and len(mail.outbox) == 2


def test_only_the_package_itself_can_send(mika, posted, learner):
    slug, key = posted
    body = json.dumps(report()).encode()
    assert send(learner, key, body, signature="0" * 64).status_code == 403
    assert send(learner, key, body + b" ", signature=signed(key, body)).status_code == 403
    assert send(learner, key, body, signature="ö").status_code == 403
    assert send(learner, key, body, number="nobody").status_code == 404
    mika("delete", f"/courses/{slug}", status=204)
    assert send(learner, key, body).status_code == 404
    assert Report.objects.count() == 0


@pytest.mark.parametrize("wrong", [
    b"", b"\xff", b"[]", b'{"id": NaN}', report(name="A B"), report(attempt=0),
    report(attempt=10**9), report(fields=[["a" * 251, "b"]]), report(fields=[["a", "b"]] * 52),
    report(fields=[["only"]]), report(answers=[{"question": "?"}]),
    report(answers=[{"question": "?", "given": "", "result": "", "points": 1e300, "of": 1}]),
    {**report(), "fields": {"__proto__": 1}},
])
def test_what_is_no_report_is_refused_in_words(posted, learner, wrong):
    answer = send(learner, posted[1], wrong)
    assert answer.status_code == 422 and answer.json()["message"] == "This is no report."
    assert answer["Access-Control-Allow-Origin"] == "*" and Report.objects.count() == 0


def test_size_and_rate_are_bounded(posted, learner, monkeypatch):
    _, key = posted
    assert send(learner, key, b"x" * (taking.LARGEST + 1)).status_code == 413
    monkeypatch.setattr(taking, "MOST_A_MINUTE", 2)
    with time_machine.travel(timezone.now(), tick=False) as clock:
        found = [send(learner, key, report(f"r-{n}")).status_code for n in range(3)]
        assert found == [200, 200, 429]
        clock.shift(61)
        assert send(learner, key, report("r-2")).status_code == 200


def test_other_methods_and_the_question_beforehand(posted, learner):
    _, key = posted
    assert learner.get(f"/post/{key.number}").status_code == 405
    asked = learner.options(f"/post/{key.number}")
    assert asked.status_code == 204 and asked["Access-Control-Allow-Methods"] == "POST"


def test_a_mail_that_cannot_be_handed_over_waits_and_goes_later(
    posted, learner, settings, django_capture_on_commit_callbacks
):
    _, key = posted
    settings.EMAIL_BACKEND, settings.POST_ROOM = "zigzag_server.post.room.RoomBackend", True
    call_command("post_room", "down")
    settings.POST_ROOM = False
    with django_capture_on_commit_callbacks(execute=True):
        assert send(learner, key, report()).status_code == 200
    kept = Report.objects.get()
    assert (kept.mail, kept.tries) == (MailState.WAITING, 1) and not Letter.objects.exists()
    call_command("post_room", "up")
    mailing.ask_for_due()
    assert not Letter.objects.exists(), "it is not due yet"
    with time_machine.travel(timezone.now() + timedelta(minutes=3)):
        mailing.ask_for_due()
    kept.refresh_from_db()
    assert kept.mail == MailState.SENT
    assert [one.to for one in Letter.objects.order_by("pk")] == [
        "trainer@huts.example", "ines@huts.example"]


def test_a_mail_is_given_up_in_the_end(posted, learner, settings):
    _, key = posted
    settings.EMAIL_BACKEND = "zigzag_server.post.room.RoomBackend"
    call_command("post_room", "down")
    send(learner, key, report())
    kept = Report.objects.get()
    for _ in range(mailing.MOST_TRIES):
        assert not mailing.send(kept)
    assert kept.mail == MailState.FAILED


@pytest.mark.parametrize("address", [
    "ines", "ines@huts.example\nBcc: all@huts.example", "a@b.example, c@d.example", ""])
def test_no_copy_goes_to_what_is_no_single_address(posted, learner, address):
    _, key = posted
    send(learner, key, report(fields=[["Name", "x\r\ny"], ["Mail", address]]))
    kept = Report.objects.get()
    assert mailing.send(kept)
    assert [one.to for one in mail.outbox] == [["trainer@huts.example"]]
    assert "\n" not in mail.outbox[0].subject


def test_copies_are_bounded(posted, learner, monkeypatch):
    _, key = posted
    monkeypatch.setattr(mailing, "MOST_COPIES_AN_HOUR", 2)
    for n in range(4):
        send(learner, key, report(f"r-{n}"))
    for kept in Report.objects.all():
        mailing.send(kept)
    assert sum(one.to == ["ines@huts.example"] for one in mail.outbox) == 2
    assert sum(one.to == ["trainer@huts.example"] for one in mail.outbox) == 4


@pytest.mark.parametrize(("manner", "status"), [("up", 200), ("down", 503), ("refuses", 403)])
def test_the_post_room_answers_as_its_switch_says(
    mika, posted, learner, settings, manner, status
):
    settings.POST_ROOM = True
    assert mika("put", "/post-room", {"manner": manner}, status=200)["manner"] == manner
    assert send(learner, posted[1], report()).status_code == status
    assert mika("get", "/post-room")["reports"] == (status == 200)


def test_without_the_demo_there_is_no_post_room(mika):
    mika("get", "/post-room", status=404)
    mika("put", "/post-room", {"manner": "down"}, status=404)


def test_reports_are_filtered_downloaded_and_deleted_by_their_author_only(
    mika, other, posted, learner
):
    slug, key = posted
    for n, name in enumerate(["Ines Tarrow", "=1+1", "Bo ÅS"]):
        send(learner, key, report(f"r-{n}", fields=[["Name", name], ["Per cent", str(n * -5)]]))
    assert mika("get", f"/courses/{slug}/reports?search=tarrow ines")["count"] == 1
    assert mika("get", f"/courses/{slug}/reports?search=ås")["count"] == 1
    assert mika("get", f"/courses/{slug}/reports?quiz=nowhere")["count"] == 0
    assert mika("get", f"/courses/{slug}/reports?page=2")["reports"] == []
    other("get", f"/courses/{slug}/reports", status=404)
    other("get", f"/courses/{slug}/reports.csv", status=404)
    text = mika("get", f"/courses/{slug}/reports.csv", status=200).content.decode("utf-8-sig")
    lines = text.splitlines()
    assert lines[0] == "Received,Quiz,Attempt,Name,Per cent" and len(lines) == 4
    assert lines[2].endswith(",'=1+1,-5"), "no formula, and numbers stay numbers"
    book = zipfile.ZipFile(io.BytesIO(
        mika("get", f"/courses/{slug}/reports.xlsx?search=bo", status=200).content))
    assert "Bo ÅS" in book.read("xl/sharedStrings.xml").decode()
    first = mika("get", f"/courses/{slug}/reports")["reports"][0]["id"]
    other("delete", f"/courses/{slug}/reports/{first}", status=404)
    mika("delete", f"/courses/{slug}/reports/{first}", status=204)
    assert mika("get", f"/courses/{slug}/reports")["count"] == 2


def test_a_package_has_the_receivers_address_and_nothing_of_the_mail(mika, posted):
    slug, key = posted
    made = mika("get", f"/courses/{slug}/packages")[0]["id"]
    file = mika("get", f"/packages/{made}/file")
    package = zipfile.ZipFile(io.BytesIO(b"".join(file.streaming_content)))
    page = package.read("index.html").decode()
    assert key.number in page and key.secret in page
    every = b"".join(package.read(name) for name in package.namelist() if "player" not in name)
    assert b"trainer@" not in every


def test_a_course_without_reports_carries_no_post(mika, course):
    made = mika.job("post", f"/courses/{course}/packages", {"kind": "web"})["package"]
    names = [one["path"] for one in mika("get", f"/packages/{made}")["files"]]
    assert "player/post.js" not in names and not PostKey.objects.exists()
