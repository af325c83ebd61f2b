"""What an LMS will be told: held against runs of learners that these tests play themselves."""

import pytest
from zigzag_core.course import Gate, Navigation, ToSlide
from zigzag_core.course.document import Completion, Nowhere
from zigzag_core.course.questions.descriptors import DESCRIPTORS
from zigzag_core.course.rules import rule as r
from zigzag_core.course.rules.gates import ConditionHolds, TimeSpent
from zigzag_core.course.rules.rule import GoTo
from zigzag_core.engine import results
from zigzag_core.grading.grade import judge
from zigzag_core.grading.solutions import wrong_responses
from zigzag_core.verification.endings.endings import beside, endings_of
from zigzag_core.verification.endings.learner import Fork, Learner

from tests.demo_courses import hut_warden_basics

from .making import button, course, slide
from .quiz_course import keys_course
from .samples import index_of, quiz_course
from .test_questions import document, slide_with

NO_MENU = Navigation(menu=False)
PASSING = Completion(passing=True)


def told(doc):
    """What is told, by the key of each ending."""
    return {one.key: one for one in endings_of(doc, index_of(doc)).endings}


def with_course(doc, **changes):
    return doc.model_copy(update={"course": doc.course.model_copy(update=changes)})


def test_all_right_and_all_wrong_are_told_in_each_standard():
    found = told(with_course(quiz_course(4), completion=PASSING, pass_mark=80))
    right, wrong = found["right"].told, found["wrong"].told
    assert (right.status, right.completion, right.success, right.measure) == (
        "passed", "completed", "passed", 1)
    assert set(right.verbs) == {"completed", "passed"} and right.score == 100
    assert (right.answers, wrong.score) == (4, 0)
    assert found["opened"].told.status == "incomplete" and found["opened"].told.verbs == ()
    assert found["opened"].told.score is None
    assert found["half"].slides == found["right"].slides // 2
    assert found["half"].told.completion == "incomplete"


def test_who_has_attempts_left_has_not_failed():
    doc = with_course(quiz_course(2), completion=PASSING, pass_mark=80)
    unlimited = doc.model_copy(update={"slides": tuple(
        one.model_copy(update={"questions": tuple(
            q.model_copy(update={"attempts": None}) for q in one.questions)})
        for one in doc.slides)})
    once = doc.model_copy(update={"slides": tuple(
        one.model_copy(update={"questions": tuple(
            q.model_copy(update={"attempts": 1}) for q in one.questions)})
        for one in doc.slides)})
    assert told(unlimited)["wrong"].told.status == "incomplete"
    assert told(once)["wrong"].told.status == "failed"
    assert set(told(once)["wrong"].told.verbs) == {"completed", "failed"}


@pytest.mark.parametrize("kind", sorted(DESCRIPTORS))
def test_every_kind_of_question_is_answered_right_and_wrong(kind):
    doc = document(slide_with(kind), attempts=2)
    index = index_of(doc)
    [grader] = index.program.questions
    for given in wrong_responses(grader):
        assert judge(grader, given, 1).result == "wrong"
    right, wrong = Learner(index, "right"), Learner(index, "wrong")
    right.takes()
    wrong.takes()
    judged = right.state.answers[grader.id].result
    assert judged in ("right", "neutral") and right.answers == 1
    expected = "neutral" if judged == "neutral" else "wrong"
    assert wrong.state.answers[grader.id].result == expected
    assert wrong.answers == (1 if judged == "neutral" or kind == "true_false" else 2)


def forked():
    return course(
        slide("slidea", button("toslideb", GoTo(go=r.ToSlide(slide="slideb"))),
              button("toslidec", GoTo(go=r.ToSlide(slide="slidec"))), onward=Nowhere()),
        slide("slideb", onward=ToSlide(slide="slidee")), slide("slidec"), slide("slided"),
        slide("slidee"), navigation=NO_MENU)


def test_each_way_of_a_fork_is_taken():
    found = told(forked())
    assert found["way slidea slideb"].slides == 3 and found["way slidea slidec"].slides == 4
    assert "way slideb slidee" not in found, "that is no fork"
    index = index_of(forked())
    nowhere = Learner(index, "right", Fork("slideb", "slided"))
    nowhere.takes()
    assert not nowhere.taken


def test_a_gate_that_waits_is_waited_for_and_one_that_never_opens_is_named():
    waits = course(slide("slidea", gate=Gate(wants=(TimeSpent(seconds=5),))), slide("slideb"))
    assert told(waits)["right"].slides == 2
    never = course(
        slide("slidea"), slide("slideb", gate=Gate(wants=(ConditionHolds(condition=False),))),
        slide("slidec"))
    found = told(never)["right"]
    assert (found.slides, found.stuck, found.told.completion) == (2, "slideb", "incomplete")


def test_a_quiz_is_taken_to_its_end_and_its_time_runs_out():
    found = told(keys_course(time_limit=60, attempts=1))
    assert found["right"].told.objectives[0].status == "passed"
    assert found["wrong"].told.objectives[0].status == "failed"
    late = found["late"].told
    assert late.objectives[0].status == "failed" and late.objectives[0].score == 0


def test_a_publication_stands_beside_what_is_now():
    before, now = quiz_course(3), with_course(quiz_course(3), completion=PASSING)
    held = endings_of(now, index_of(before))
    both = {one.key: one for one in beside(endings_of(now, index_of(now)), held).endings}
    assert both["right"].before.status == "completed" and both["right"].told.status == "passed"
    other = beside(endings_of(now, index_of(now)), held.model_copy(update={"endings": ()}))
    assert all(one.before is None for one in other.endings)


def test_the_demo_comes_to_what_the_engine_says():
    doc, _ = hut_warden_basics()
    index = index_of(doc)
    learner = Learner(index, "right")
    learner.takes()
    assert learner.state.success == "passed" and learner.state.completed and not learner.stuck
    assert results.score(index, learner.state) == 100
    found = told(doc)
    assert found["right"].told.status == "passed"
    assert found["wrong"].told.status == "failed"
    assert any(key.startswith("way ") for key in found)
