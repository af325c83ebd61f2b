"""Whatever goes wrong, the API says it in one form."""

import errno

import pytest
from django.db import OperationalError
from django.test import Client

from .conftest import APP


@pytest.mark.parametrize(("method", "path", "body", "status", "code"), [
    ("get", "/nothing", None, 404, "not_found"),
    ("get", "/", None, 404, "not_found"),
    ("put", "/courses", "{}", 405, "wrong_method"),
    ("post", "/courses", "{", 400, "unreadable"),
    ("post", "/courses", "", 422, "invalid"),
    ("post", "/courses", '{"title": "' + "x" * 21_000_000 + '"}', 413, "too_large"),
    ("get", "/courses/none", None, 404, "not_found"),
    ("get", "/jobs/" + "9" * 40, None, None, None),
    ("get", "/courses/\x00", None, 404, "not_found"),
])
def test_every_error_has_a_code_and_words(mika, method, path, body, status, code):
    extra = {} if body is None else {"data": body, "content_type": "application/json"}
    answer = getattr(mika.client, method)(f"/api{path}", headers=mika.headers, **extra)
    assert answer.status_code == (status or answer.status_code) and answer.status_code < 500
    told = answer.json()
    assert told["code"] == (code or told["code"]) and len(told["message"]) > 20


def test_a_session_without_its_token_is_told_to_load_the_page_again(mika):
    browser = Client(headers={"host": APP}, enforce_csrf_checks=True)
    browser.get("/api/session")
    token = browser.cookies["csrftoken"].value
    browser.post("/api/session", {"name": "mika", "password": "a good long one"},
                 content_type="application/json", headers={"x-csrftoken": token})
    answer = browser.post("/api/courses", {"title": "x"}, content_type="application/json")
    assert answer.status_code == 403 and answer.json()["code"] == "csrf"


def test_what_nobody_foresaw_is_told_in_the_same_form(mika, monkeypatch):
    def broken(*given):
        raise RuntimeError("unforeseen")

    monkeypatch.setattr("zigzag_server.courses.shelf.cards_of", broken)
    mika.client.raise_request_exception = False
    answer = mika.client.get("/api/courses", headers=mika.headers)
    assert answer.status_code == 500
    assert answer.json()["code"] == "failed" and "unforeseen" not in answer.content.decode()


@pytest.mark.parametrize(("error", "code"), [
    (OperationalError("database is locked"), "database"),
    (OperationalError("database or disk is full"), "database"),
    (OSError(errno.ENOSPC, "No space left on device"), "no_room"),
])
def test_a_database_or_disk_that_is_locked_or_full_asks_for_patience(
        mika, course, monkeypatch, error, code):
    def away(*given):
        raise error

    monkeypatch.setattr("zigzag_server.courses.saving.write", away)
    mika.client.raise_request_exception = False
    found = mika("get", f"/courses/{course}")["slides"][0]
    name = found["slide"]["id"]
    answer = mika.client.post(f"/api/courses/{course}/changes", {
        "base": {"slides": {name: found["version"]}}, "change": {"operations": [
            {"op": "set", "path": ["slides", name, "title"], "value": "New",
             "was": found["slide"]["title"]}]},
    }, content_type="application/json", headers=mika.headers)
    assert answer.status_code == 503 and answer["Retry-After"] == "5"
    assert answer.json()["code"] == code and str(error) not in answer.json()["message"]
    assert mika("get", f"/courses/{course}")["slides"][0] == found


def test_a_learner_s_commit_that_finds_no_room_is_told_to_come_again(learner, monkeypatch, db):
    def away(*given, **more):
        raise OperationalError("database or disk is full")

    monkeypatch.setattr("zigzag_server.practice.runs.commit", away)
    learner.raise_request_exception = False
    answer = learner.post("/launch/some/commit", {"cmi": {}}, content_type="application/json")
    assert answer.status_code == 503 and answer["Retry-After"] == "5"
