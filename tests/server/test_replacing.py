"""Find and replace in whole courses, small and large."""

import json

import pytest
from zigzag_core.editing.changes import Change, apply
from zigzag_demo.generate import generated_course
from zigzag_server.courses import replacing, store
from zigzag_server.courses.models import Course

from .test_courses import opened

QUERY = {"what": "texts", "text": "e", "by": "E"}


def titles(documents):
    return [slide["title"] for slide in documents["slides"].values()]


@pytest.fixture
def large(mika):
    document, _ = generated_course(30, 5, 1)
    slides = document.course.model_copy(update={"media": ()})
    return store.create(mika.user, document.model_copy(update={"course": slides})).slug


def after(mika, slug, change):
    before = opened(mika, slug)
    made = apply(Change.model_validate(change), {
        "course": before["course"],
        "slides": {one["slide"]["id"]: one["slide"] for one in before["slides"]}})
    assert not made.conflicts
    return made.document


def test_a_large_course_is_replaced_by_a_job_with_the_same_outcome(mika, large, monkeypatch):
    at_once = mika("post", f"/edits/replace/{large}", QUERY, status=200)
    monkeypatch.setattr("zigzag_server.courses.whole_edits_api.AT_ONCE", 10)
    job = mika("post", f"/edits/replace/{large}", QUERY, status=202)
    file = mika("get", f"/jobs/{job['id']}/file")
    assert file["Content-Type"] == "application/json"
    by_job = json.loads(b"".join(file.streaming_content))
    assert by_job == at_once
    assert not any("e" in title for title in titles(after(mika, large, by_job["change"])))


def test_all_are_counted_some_are_told_and_some_are_left_out(mika, large):
    answer = mika("post", f"/edits/find/{large}", {"what": "texts", "text": "e"}, status=200)
    assert answer["total"] > len(answer["places"]) == 300
    kept = [place["key"] for place in answer["places"][:5]]
    change = mika("post", f"/edits/replace/{large}", {**QUERY, "but": kept}, status=200)["change"]
    before = opened(mika, large)
    versions = {one["slide"]["id"]: one["version"] for one in before["slides"]}
    mika("post", f"/courses/{large}/changes", {
        "base": {"course": before["version"], "slides": versions}, "change": change}, status=200)
    search = {"what": "texts", "text": "e", "match_case": True}
    left = mika("post", f"/edits/find/{large}", search, status=200)["places"]
    assert [place["key"] for place in left] == kept


def test_what_is_found_is_of_the_course_as_it_is_now(mika, large):
    search = {"what": "texts", "text": "Never said before"}
    assert mika("post", f"/edits/find/{large}", search, status=200)["total"] == 0
    mika("patch", f"/courses/{large}", {"title": "Never said before"}, status=200)
    assert mika("post", f"/edits/find/{large}", search, status=200)["total"] == 1


def test_several_questions_about_one_state_read_the_course_once(mika, large, monkeypatch):
    read = []
    whole = store.document_of
    monkeypatch.setattr(store, "document_of", lambda row: read.append(row) or whole(row))
    for letter in "abc":
        mika("post", f"/edits/find/{large}", {"what": "texts", "text": letter}, status=200)
    assert len(read) == 1


def test_what_cannot_be_replaced_is_told_by_the_job_too(mika, large, monkeypatch):
    monkeypatch.setattr("zigzag_server.courses.whole_edits_api.AT_ONCE", 10)
    query = {"what": "colours", "text": "primary", "by": "no colour"}
    problem = mika.job("post", f"/edits/replace/{large}", query)
    assert problem["code"] == "bad_replacement"
    assert Course.objects.get(slug=large).version == 1
    assert replacing.AT_ONCE == 100
