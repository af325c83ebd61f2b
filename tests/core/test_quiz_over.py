"""What rules do when an attempt at a quiz is over: passed, failed, finished."""

from zigzag_core.course.rules.rule import (
    Calculate,
    GoTo,
    Happens,
    Mark,
    Rule,
    StartOver,
    ToSlide,
)
from zigzag_core.course.rules.variables import NumberVariable
from zigzag_core.tracking.scorm12 import lesson_status
from zigzag_core.verification.findings.document import findings

from .test_quiz_taking import Taker, taken_course


def told(event, *actions, of=(), course=False, **settings):
    """The course of a quiz with a rule of its section, or of the course, for when it is over."""
    document = taken_course(**settings)
    rule = Rule(id="whenover", when=Happens(event=event, of=of), do=actions)
    sections = tuple(one.model_copy(update={"rules": () if course else (rule,)})
                     for one in document.course.sections)
    return document.model_copy(update={"course": document.course.model_copy(update={
        "sections": sections, "rules": (rule,) if course else (),
        "variables": (NumberVariable(id="ends", name="Ends"),)})})


COUNTED = Calculate(action="add", variable="ends", value=1)


def _ends(document, *right):
    return Taker(document).does("next").answers(*right).state.variables["ends"]


def test_an_attempt_is_passed_from_the_mark_on_and_finished_in_any_case():
    for event, ends in (
            ("quiz_passed", (1, 0)), ("quiz_failed", (0, 1)), ("quiz_finished", (1, 1))):
        document = told(event, COUNTED, pass_mark=60)
        assert (_ends(document, True, True, True, False),
                _ends(document, True, False, False, False)) == ends, event
        assert [one.code for one in findings(document) if one.level == "error"] == []


def test_it_is_the_attempt_that_counts_not_the_best_so_far():
    learner = Taker(told("quiz_failed", COUNTED, pass_mark=60)).does("next")
    learner.answers(True, True, True, True).clicks("again").answers(True, False, False, False)
    assert learner.quiz("passed") is True and learner.state.variables["ends"] == 1


def test_a_rule_of_the_course_hears_of_any_quiz_or_of_one():
    for of, ends in (((), 1), (("secquiz",), 1), (("secafter",), 0)):
        document = told("quiz_finished", COUNTED, of=of, course=True)
        assert _ends(document, True, True, True, True) == ends, of


def test_it_can_lead_on_mark_the_course_and_let_another_try_begin():
    document = taken_course()
    after = document.course.slides[-1]
    learner = Taker(told("quiz_passed", Mark(status="passed"), GoTo(go=ToSlide(slide=after)),
                          pass_mark=60)).does("next").answers(True, True, True, True)
    assert learner.title == "After" and learner.state.success == "passed"
    # No result counts for this course, but it is marked.
    assert lesson_status(learner.index, learner.state) == "passed"
    learner = Taker(told("quiz_failed", StartOver(what="quiz"), pass_mark=60))
    learner.does("next").answers(True, False, False, False)
    assert learner.quiz("attempt") == 2 and learner.title != "Your result"
    assert not any(answer.attempts for answer in learner.state.answers.values())


def test_it_ends_where_its_time_does():
    document = told("quiz_finished", COUNTED, time_limit=10, extendable=False)
    learner = Taker(document).does("next").does("tick", ms=10_000)
    assert learner.title == "Your result" and learner.state.variables["ends"] == 1
