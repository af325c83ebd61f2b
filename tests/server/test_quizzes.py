"""The numbers behind quizzes, and what learners get, by the API and by commands."""

import io
import json

import pytest
from django.core.management import CommandError, call_command
from zigzag_server.courses import store

from tests.core.quiz_course import check_drawn, keys_course


@pytest.fixture
def quiz(mika):
    """The slug of a course with a quiz, of the author Mika."""
    return store.create(mika.user, keys_course()).slug


def printed(*arguments) -> str:
    out = io.StringIO()
    call_command(*arguments, stdout=out)
    return out.getvalue()


def test_the_numbers_of_a_quiz_are_the_same_everywhere(mika, quiz):
    [numbers] = mika("get", f"/courses/{quiz}/quizzes", status=200)["quizzes"]
    assert (numbers["quizzes"], numbers["asked"]) == ({"figure": 3.456, "power": 4}, 10)
    assert len(numbers["seen"]) == 17 and numbers["impossible"] == []
    assert json.loads(printed("quiz", quiz, "--json")) == [numbers]
    text = printed("quiz", quiz)
    assert "34,560 different quizzes" in text and "10 points can be reached" in text


def test_what_a_learner_gets_is_the_same_everywhere(mika, quiz):
    title = {slide.id: slide.title for slide in keys_course().slides}
    lines = [json.loads(line) for line in printed("draws", quiz, "--seeds", "50", "--json")
             .splitlines()]
    assert [line["seed"] for line in lines] == list(range(50))
    for line in lines[:5]:
        check_drawn(["Hello, warden", *line["slides"]])
        drawn = mika("get", f"/courses/{quiz}/quizzes/secquiz/draw?seed={line['seed']}", status=200)
        assert [title[slide] for slide in drawn["slides"]] == line["slides"]
    assert len({tuple(line["slides"]) for line in lines}) > 45
    assert "learner 1: " in printed("draws", quiz)


def test_what_is_not_there_is_said(mika, quiz, course):
    mika("get", f"/courses/{quiz}/quizzes/nothing/draw?seed=1", status=404)
    mika("get", f"/courses/{quiz}/quizzes/secquiz/draw?seed=-1", status=422)
    assert mika("get", f"/courses/{course}/quizzes", status=200) == {"quizzes": []}
    assert printed("quiz", course) == "The course has no quiz.\n"
    with pytest.raises(CommandError, match="no course"):
        call_command("quiz", "nowhere")
    with pytest.raises(CommandError, match="from 1 to"):
        call_command("draws", quiz, "--seeds", "0")


def test_a_draw_is_proved_for_many_learners(mika, quiz, monkeypatch):
    proof = mika("get", f"/courses/{quiz}/quizzes/secquiz/proof", status=200)
    assert (proof["seeds"], proof["violating"], proof["even"]) == (10_000, 0, True)
    assert {(test["set"], test["of"]) for test in proof["tests"]} == {
        (name, of) for name in ("setweather", "setfire", "setguests") for of in ("drawn", "order")}
    # It is kept for as long as the course is the same.
    monkeypatch.setattr("zigzag_server.publishing.jobs.prove", None)
    assert mika("get", f"/courses/{quiz}/quizzes/secquiz/proof", status=200) == proof
    mika("get", f"/courses/{quiz}/quizzes/nothing/proof", status=404)
    assert "drawn for 300 learners: 0 break a limit" in printed("quiz", quiz, "--prove", "300")
    [short] = json.loads(printed("quiz", quiz, "--prove", "20", "--json"))
    assert (short["quiz"], short["seeds"]) == ("secquiz", 20)
    with pytest.raises(CommandError, match="for 1 to"):
        call_command("quiz", quiz, "--prove", "0")


TEXT = "What comes off first?\n- [x] Boots\n- [ ] Hats\n\nA riddle without an answer\n"



def test_an_outcome_slide_is_made_by_the_api(mika, quiz):
    row = store.course_of(mika.user, quiz)
    body = {"course": row.document, "section": "secquiz"}
    made = mika("post", "/edits/new-outcome", body, status=200)
    assert made["made"] in json.dumps(made["change"])
    refused = mika("post", "/edits/new-outcome", {**body, "section": "nothing"}, status=422)
    assert refused["code"] == "no_quiz"


def test_questions_are_read_before_they_are_made(mika, quiz):
    good, bad = mika("post", "/edits/read-questions", {"text": TEXT}, status=200)
    assert (good["line"], good["kind"], good["answers"][0]) == (
        1, "single_choice", {"words": "Boots", "right": True})
    assert (bad["line"], bad["kind"]) == (5, "") and "no answer" in bad["why"]
    row = store.course_of(mika.user, quiz)
    made = mika("post", "/edits/questions", {
        "text": TEXT, "course": row.document, "section": "secquiz"}, status=200)
    assert made["left_out"] == 1 and made["made"]
    refused = mika("post", "/edits/read-questions", {"text": "x" * 600_000}, status=422)
    assert refused["code"] == "too_long"


def test_questions_of_a_file_are_made_by_a_command(mika, quiz, tmp_path):
    file = tmp_path / "questions.txt"
    file.write_text(TEXT, encoding="utf-8")
    with pytest.raises(CommandError, match=r"Line 5: There is no answer"):
        call_command("questions", quiz, str(file))
    before = store.settings_of(store.course_of(mika.user, quiz))
    assert printed("questions", quiz, str(file), "--some", "--quiz", before.sections[0].title) == (
        "Slides made: 1. Left out: 1.\n")
    after = store.document_of(store.course_of(mika.user, quiz))
    assert len(after.course.slides) == len(before.slides) + 1
    made = after.course.sections[0].quiz.sets[-1].slides[-1]
    assert next(slide for slide in after.slides if slide.id == made).title == (
        "What comes off first?")
    file.write_bytes(b"\xff\xfe")
    with pytest.raises(CommandError, match="UTF-8"):
        call_command("questions", quiz, str(file))
    with pytest.raises(CommandError, match="cannot be read"):
        call_command("questions", quiz, str(tmp_path / "nowhere"))
    file.write_text("What?\nAnswer: 1", encoding="utf-8")
    with pytest.raises(CommandError, match="no quiz “Odd”"):
        call_command("questions", quiz, str(file), "--quiz", "Odd")
