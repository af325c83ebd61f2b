"""Several quizzes in one course: objectives for an LMS, and the score that they make."""

import pytest
from zigzag_core.course.document import Section
from zigzag_core.course.quizzes import QuestionSet, Quiz
from zigzag_core.engine.results import score
from zigzag_core.tracking import scorm12
from zigzag_core.tracking.plain import explain, promise
from zigzag_core.verification.findings.document import findings

from .making import Learner
from .samples import quiz_course
from .test_quiz_taking import Taker, taken_course


def two_quizzes(scoring="points", weights=(1, 3), points=(4, 1)):
    """A quiz of one question, and one of two, each with points of its own."""
    document = quiz_course(3, seed=3)
    slides = tuple(
        slide.model_copy(update={"questions": tuple(
            question.model_copy(update={"points": points[place > 1]})
            for question in slide.questions)})
        for place, slide in enumerate(document.slides))
    ids = [slide.id for slide in slides]
    sections = tuple(
        Section(id=name, title=title, before=own[0], quiz=Quiz(weight=weight, sets=(
            QuestionSet(id=f"set{name}", name="All", slides=own, shuffled=False),)))
        for name, title, own, weight in (
            ("secfire", "Fire & ash", (ids[1],), weights[0]),
            ("secradio", "Radio", tuple(ids[2:4]), weights[1])))
    course = document.course.model_copy(update={"sections": sections, "scoring": scoring})
    return document.model_copy(update={"course": course, "slides": slides})


class Two(Taker):
    """Somebody who answers the first question right, the second wrong, the third right."""

    def __init__(self, document):
        Learner.__init__(self, document)
        self.does("next").answers(True, False, True)


@pytest.mark.parametrize(("scoring", "weights", "reached"), [
    ("points", (1, 3), 83.33), ("weights", (1, 3), 62.5), ("weights", (1, 0), 100),
    ("best", (1, 3), 100), ("weights", (0, 0), None)])
def test_the_score_of_a_course_is_made_of_points_or_of_its_quizzes(scoring, weights, reached):
    learner = Two(two_quizzes(scoring, weights))
    assert score(learner.index, learner.state) == reached


def test_each_quiz_is_an_objective_with_its_own_status_and_score():
    learner = Taker(two_quizzes())
    calls = dict(scorm12.status_calls(learner.index, learner.state))
    assert calls["cmi.objectives.0.id"] == "fire-ash_secfire"
    assert calls["cmi.objectives.0.status"] == "not attempted"
    assert "cmi.objectives.0.score.raw" not in calls
    learner = Two(two_quizzes())
    calls = dict(scorm12.status_calls(learner.index, learner.state))
    assert [calls[f"cmi.objectives.{n}.{what}"] for n in (0, 1) for what in (
        "id", "score.raw", "score.min", "score.max", "status")] == [
        "fire-ash_secfire", "100", "0", "100", "passed",
        "radio_secradio", "50", "0", "100", "failed"]
    # An id comes before what is said of it: an LMS may refuse it otherwise.
    names = [name for name, _ in scorm12.status_calls(learner.index, learner.state)]
    assert names.index("cmi.objectives.1.id") < names.index("cmi.objectives.1.score.raw")


def test_a_quiz_without_points_is_completed_and_has_no_score():
    document = two_quizzes(points=(0, 0))
    learner = Two(document)
    calls = dict(scorm12.status_calls(learner.index, learner.state))
    assert (calls["cmi.objectives.0.status"], calls["cmi.objectives.1.status"]) == (
        "completed", "completed")
    assert not [name for name in calls if name.startswith("cmi.objectives") and "score" in name]


def test_an_answer_names_the_objective_of_its_quiz():
    learner = Taker(two_quizzes()).does("next")
    told = []
    question = learner.index.program.questions[0]
    right = next(p.id for p in question.parts if p.right)
    for element in learner.index.slides[learner.slide].elements:
        if element.part == right:
            learner.clicks(element.draw.id)
    submit = next(e.draw.id for e in learner.index.slides[learner.slide].elements
                  if e.question == question.id and e.control == "button")
    learner.clicks(submit)
    told = [e for e in learner.effects if e["effect"] == "answered"]
    [calls] = scorm12.interaction_calls(learner.index, told[0], 0, "10:00:00")
    assert calls[1] == ("cmi.interactions.0.objectives.0.id", "fire-ash_secfire")
    assert explain("LMSSetValue", list(calls[1]), "true") == (
        "The objective of answer 1 is fire-ash_secfire.")


def test_a_further_attempt_under_way_leaves_what_was_reached():
    learner = Taker(taken_course(pass_mark=80)).does("next").answers(True, True, False, True)
    learner.clicks("again")
    calls = dict(scorm12.status_calls(learner.index, learner.state))
    assert (calls["cmi.objectives.0.status"], calls["cmi.objectives.0.score.raw"]) == (
        "failed", "75")
    learner.answers(True, True, True, True)
    calls = dict(scorm12.status_calls(learner.index, learner.state))
    assert (calls["cmi.objectives.0.status"], calls["cmi.objectives.0.score.raw"]) == (
        "passed", "100")


@pytest.mark.parametrize(("name", "value", "words"), [
    ("cmi.objectives.0.status", "passed", "The status of objective 1 is passed."),
    ("cmi.objectives.1.score.raw", "50", "The score of objective 2 is 50."),
    ("cmi.objectives.1.id", "radio", "The name of objective 2 is radio.")])
def test_objectives_are_explained(name, value, words):
    assert explain("LMSSetValue", [name, value], "true") == words


def test_what_is_told_of_quizzes_is_said_in_sentences():
    words = promise(two_quizzes("best").course, 4, 3, 4)
    assert "The score is the best result of its quizzes." in words
    assert ("Each of the 2 quizzes is an objective of its own, with its score and whether it is "
            "passed.") in words
    one = promise(taken_course(pass_mark=60).course, 6, 4, 6)
    assert "It is passed only with “Keys” (60 %)." in one
    assert any(line.startswith("The quiz “Keys” is an objective") for line in one)
    assert not any("objective" in line for line in promise(quiz_course(1).course, 2, 1, 2))
    talks = promise(quiz_course(1).course, 2, 1, 2, dialogues=2)
    assert any(line.startswith("Each of the 2 dialogues is an objective") for line in talks)


def test_a_score_that_no_quiz_makes_is_found():
    def codes(document):
        return {finding.code for finding in findings(document)}

    assert "no_score" in codes(two_quizzes("weights", (0, 0)))
    assert "no_score" not in codes(two_quizzes("weights", (0, 1)))
    assert "no_score" not in codes(two_quizzes("points", (0, 0)))
    plain = quiz_course(1)
    course = plain.course.model_copy(update={"scoring": "best"})
    assert "no_score" in codes(plain.model_copy(update={"course": course}))
