"""Question banks: keeping, finding, taking into other courses, and what arrives of a change."""

import pytest
from django.contrib.auth.models import User
from zigzag_core.course import CourseDocument
from zigzag_core.editing.changes import Change, apply
from zigzag_server.banks.keeping import media_of_banks
from zigzag_server.banks.models import BankQuestion
from zigzag_server.courses import store
from zigzag_server.post.models import PostKey, Report

from tests.core.quiz_course import FIRE, keys_course
from tests.demo_courses import hut_warden_basics


@pytest.fixture
def keys(mika):
    """A course with a quiz, as the API gives it, and its slides by title."""
    return sent(store.create(User.objects.get(username="mika"), keys_course()), mika)


def sent(row, author):
    found = author("get", f"/courses/{row.slug}", status=200)
    return found["course"], {one["slide"]["title"]: one["slide"] for one in found["slides"]}


def changed(before, answer):
    """The documents after the change that an edit answered."""
    made = apply(Change.model_validate(answer["change"]), before)
    assert not made.conflicts
    return made.document


@pytest.fixture
def bank(mika, keys):
    """A bank with the questions about fire: its number, and the refs by title."""
    course, slides = keys
    made = mika("post", "/banks", {"name": "Huts"}, status=201)
    kept = mika("post", f"/banks/{made['id']}/questions", {
        "course": course, "slides": [slides[title] for title in FIRE]}, status=200)
    return made["id"], {title: kept["refs"][slides[title]["id"]] for title in FIRE}


def test_questions_are_kept_listed_found_described_and_deleted(mika, bank):
    number, refs = bank
    assert mika("get", "/banks", status=200) == [{"id": number, "name": "Huts", "count": 4}]
    page = mika("get", f"/banks/{number}/questions", status=200)
    assert [one["title"] for one in page["questions"]] == list(FIRE) and page["count"] == 4
    assert {one["version"] for one in page["questions"]} == {1}
    key = refs[FIRE[1]]["question"]
    told = mika("patch", f"/banks/{number}/questions/{key}", {
        "notes": "From the winter of the great snow", "source": "Old hut book",
        "tags": ["wood", "night"], "level": "hard"}, status=200)
    assert (told["tags"], told["level"], told["version"]) == (["wood", "night"], "hard", 1)
    for search in ("great snow", "OLD hut", "wet wood", "single choice hard"):
        found = mika("get", f"/banks/{number}/questions?search={search}", status=200)
        assert [one["key"] for one in found["questions"]] == [key], search
    mika("delete", f"/banks/{number}/questions/{key}", status=204)
    assert mika("get", f"/banks/{number}/questions", status=200)["count"] == 3
    mika("put", f"/banks/{number}", {"name": "Ridge"}, status=200)
    mika("delete", f"/banks/{number}", status=204)
    assert mika("get", "/banks", status=200) == [] and not BankQuestion.objects.exists()


def test_banks_are_their_owner_s_alone(mika, other, bank, keys):
    number, refs = bank
    course, slides = keys
    assert other("get", "/banks", status=200) == []
    key = refs[FIRE[0]]["question"]
    for method, path, body in (
        ("get", f"/banks/{number}/questions", None), ("delete", f"/banks/{number}", None),
        ("put", f"/banks/{number}", {"name": "Mine"}),
        ("delete", f"/banks/{number}/questions/{key}", None),
        ("patch", f"/banks/{number}/questions/{key}", {"notes": "x"}),
        ("post", f"/banks/{number}/questions", {"course": course, "slides": [slides[FIRE[0]]]}),
        ("post", "/edits/bank-questions", {"course": course, "section": "secquiz",
                                           "into": "setfire", "questions": [key]}),
    ):
        other(method, path, body, status=404)
    there = {**slides[FIRE[0]], "bank": refs[FIRE[0]]}
    [state] = other("post", "/edits/bank-states", {"course": course, "slides": [there]}, status=200)
    assert not state["there"]


def test_a_change_arrives_in_all_courses_with_a_version(mika, bank):
    number, refs = bank
    elsewhere, _ = sent(store.create(User.objects.get(username="mika"), keys_course()), mika)
    keys = [refs[title]["question"] for title in FIRE[:2]]
    taken = mika("post", "/edits/bank-questions", {
        "course": elsewhere, "section": "secquiz", "into": "setweather", "questions": keys},
        status=200)
    after = changed({"course": elsewhere, "slides": {}}, taken)
    course, slides = after["course"], list(after["slides"].values())
    assert [slide["bank"]["version"] for slide in slides] == [1, 1]
    row = BankQuestion.objects.get(key=keys[0])
    assert row.uses == 1 and row.used

    def states():
        return [(one["newer"], one["changed"]) for one in mika(
            "post", "/edits/bank-states", {"course": course, "slides": slides}, status=200)]

    assert states() == [(False, False)] * 2
    # Changed here, and given back: the bank has a second version.
    mine = {**slides[0], "title": "Ash, asked anew"}
    slides[0] = mine
    assert states() == [(False, True), (False, False)]
    given = mika("post", f"/banks/{number}/questions", {"course": course, "slides": [mine]},
                 status=200)["refs"][mine["id"]]
    assert given == {"question": keys[0], "version": 2, "from_here": False}
    slides[0] = {**mine, "bank": given}
    assert states() == [(False, False)] * 2
    # Another course still has the first: it is told, and brought up to date.
    again = mika("post", "/edits/bank-questions", {
        "course": elsewhere, "section": "secquiz", "into": "setweather", "questions": keys[:1]},
        status=200)
    assert next(iter(changed({"course": elsewhere, "slides": {}}, again)["slides"].values()))[
        "title"] == "Ash, asked anew"
    old = {**slides[0], "title": "Ash in the stove", "bank": {**given, "version": 1}}
    [state] = mika("post", "/edits/bank-states", {"course": course, "slides": [old]}, status=200)
    assert (state["newer"], state["version"]) == (True, 2)
    brought = mika("post", "/edits/bank-updates", {"course": course, "slides": [old]}, status=200)
    now = changed({"course": course, "slides": {old["id"]: old}}, brought)["slides"][old["id"]]
    assert (now["title"], now["bank"]["version"]) == ("Ash, asked anew", 2)
    assert now["questions"][0]["id"] == old["questions"][0]["id"]


def test_copies_have_no_bank_and_a_bank_takes_only_questions(mika, bank, keys):
    number, refs = bank
    course, slides = keys
    taken = mika("post", "/edits/bank-questions", {
        "course": course, "section": "secquiz", "into": "setfire", "reference": False,
        "questions": [refs[FIRE[0]]["question"]]}, status=200)
    [copy] = changed({"course": course, "slides": {}}, taken)["slides"].values()
    assert copy["bank"] is None
    refused = mika("post", f"/banks/{number}/questions", {
        "course": course, "slides": [{**slides[FIRE[0]], "questions": []}]}, status=422)
    assert refused["code"] == "asks_nothing" and "asks nothing" in refused["message"]
    mika("post", "/edits/bank-questions", {
        "course": course, "section": "nowhere", "into": "setfire",
        "questions": [refs[FIRE[0]]["question"]]}, status=422)
    assert mika("post", "/banks", {"name": ""}, status=422)


def test_files_of_banked_questions_stay_and_nobody_names_those_of_others(mika, other):
    document, media = hut_warden_basics()
    row = store.create(User.objects.get(username="mika"), CourseDocument(
        course=document.course, slides=document.slides))
    course, slides = sent(row, mika)
    asked = next(slide for slide in slides.values() if slide["title"] == "Question: the sky")
    made = other("post", "/banks", {"name": "Theirs"}, status=201)
    refused = other("post", f"/banks/{made['id']}/questions", {
        "course": course, "slides": [asked]}, status=422)
    assert refused["code"] == "no_such_file"
    own = mika("post", "/banks", {"name": "Skies"}, status=201)
    mika("post", f"/banks/{own['id']}/questions", {"course": course, "slides": [asked]},
         status=200)
    kept = {file["sha256"] for file in BankQuestion.objects.get().document["media"]}
    assert len(kept) == 3 and kept <= media.keys()
    assert kept == set(media_of_banks())


def test_reports_tell_how_a_question_was_answered(mika, bank, keys):
    number, _ = bank
    asked = BankQuestion.objects.order_by("pk").first().asked
    row = store.course_of(User.objects.get(username="mika"), "before-you-get-the-keys")
    key = PostKey.objects.create(course=row, quiz="secquiz", title="Keys", post={})
    for n, result in enumerate(("right", "wrong", "right")):
        Report.objects.create(
            course=row, key=key, name=f"report{n}", quiz="secquiz", title="Keys", attempt=1,
            fields=[], words="", answers=[{"question": asked, "given": "", "result": result,
                                           "points": 1, "of": 1}])
    first = mika("get", f"/banks/{number}/questions", status=200)["questions"][0]
    assert (first["right"], first["of"]) == (2, 3)
