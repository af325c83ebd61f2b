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
