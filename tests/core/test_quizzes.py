"""Quizzes in a course: drawn for each learner, kept, drawn anew, checked."""

import pytest
from pydantic import ValidationError
from zigzag_core.course import Happens, Rule
from zigzag_core.course.document import Section
from zigzag_core.course.quizzes import Balance, QuestionSet, Quiz, Together
from zigzag_core.course.rules.rule import Announce
from zigzag_core.editing.removing import without_slides
from zigzag_core.engine import engine
from zigzag_core.engine.expression import live as engine_live
from zigzag_core.engine.results import score
from zigzag_core.grading.solutions import right_response
from zigzag_core.tracking.progress import pack, unpack
from zigzag_core.verification.findings.document import findings
from zigzag_core.verification.findings.runs import try_out

from .making import Learner
from .quiz_course import FIRE, check_drawn, keys_course


def taken(learner: Learner) -> list[str]:
    """The titles of the slides that *next* leads through, from the one that is shown."""
    found: list[str] = []
    while learner.slide not in found:
        found.append(learner.slide)
        learner.does("next")
    return [learner.index.slides[slide].title for slide in found]


def test_each_learner_goes_through_what_was_drawn():
    document, ways = keys_course(), set()
    for seed in range(40):
        titles = taken(Learner(document, seed))
        check_drawn(titles)
        ways.add(tuple(titles))
    assert len(ways) == 40


def test_points_slides_and_completion_are_those_of_the_draw():
    learner = Learner(keys_course(), 3)
    state, index = learner.state, learner.index
    assert engine.step(index, state, {"event": "start"})[0].draws == state.draws
    order = index.ordered(state.draws)
    assert len(order.slides) == 11 and order.max_points == 10
    assert learner.state.visited == (order.slides[0],) and not learner.state.completed
    for slide in order.slides[1:]:
        learner.does("next")
        question = next(q for q in index.program.questions if q.slide == slide)
        for part, _ in right_response(question):
            element = next(e.draw.id for e in index.slides[slide].elements if e.part == part)
            learner.clicks(element)
        submit = next(e.draw.id for e in index.slides[slide].elements
                      if e.question == question.id and e.control == "button")
        learner.clicks(submit)
    assert score(index, learner.state) == 100 and learner.state.success == "passed"
    assert learner.state.completed


def test_questions_are_numbered_as_this_learner_gets_them():
    learner = Learner(keys_course(), 4)

    def numbers():
        return [engine_live(learner.index, learner.state, name)
                for name in ("question_number", "question_count", "questions")]

    assert numbers() == [0, 10, 10]
    for number in range(1, 11):
        learner.does("next")
        assert numbers() == [number, 10, 10]


def test_a_draw_is_kept_over_leaving_and_a_changed_quiz():
    document = keys_course()
    learner = Learner(document, 11).does("next").does("next")
    text = pack(learner.index, learner.state)
    back = unpack(learner.index, text)
    assert back.draws == learner.state.draws and back.slide == learner.state.slide
    # What is drawn otherwise by now stays what it was for this learner.
    quiz = document.course.sections[0].quiz
    other = document.course.model_copy(update={
        "remembered": learner.index.program.remembered, "sections": (
            document.course.sections[0].model_copy(update={
                "quiz": quiz.model_copy(update={"order": "mixed"})}),)})
    changed = Learner(document.model_copy(update={"course": other}), 11)
    assert changed.state.draws != learner.state.draws
    assert unpack(changed.index, text).draws == learner.state.draws


@pytest.mark.parametrize("again", ["new", "unseen", "same"])
def test_again_draws_as_the_quiz_says(again):
    learner = Learner(keys_course(again=again), 5)
    first = taken(learner)
    learner.clicks("again")
    second = ["Hello, warden", *taken(learner)]
    check_drawn(second)
    assert learner.state.draws[0].attempt == 2
    fire = {title for title in FIRE if title in first}, {t for t in FIRE if t in second}
    if again == "same":
        assert first == second
    elif again == "unseen":
        assert not fire[0] & fire[1]
    else:
        assert first != second


def test_going_to_what_was_not_drawn_leads_to_the_quiz():
    learner = Learner(keys_course(), 2)
    order = learner.index.ordered(learner.state.draws)
    away = next(slide for slide in learner.index.order[2:] if slide not in order.position)
    assert order.landing(away) == order.slides[1]
    # Somebody who tries the course out from such a slide sees it, and the quiz whole.
    state = engine.start(learner.index, 2)
    for target, count in ((away, 18), (learner.index.order[1], 11)):
        there, _ = engine.step(learner.index, state, {"event": "start", "target": target})
        assert len(learner.index.ordered(there.draws).slides) == count
        assert count == 11 or there.slide == away


def test_a_quiz_that_came_later_is_drawn_for_who_has_not_begun_it():
    document = keys_course()
    plain = document.course.model_copy(update={"sections": (
        document.course.sections[0].model_copy(update={"quiz": None}),)})
    before = Learner(document.model_copy(update={"course": plain}), 9)
    text = pack(before.index, before.state)
    later = document.course.model_copy(update={"remembered": before.index.program.remembered})
    index = Learner(document.model_copy(update={"course": later}), 9).index
    assert len(unpack(index, text).draws) == 1
    before.does("next")
    assert unpack(index, pack(before.index, before.state)).draws == ()


def test_a_slide_that_is_taken_away_leaves_its_set():
    document = keys_course()
    guests = document.course.sections[0].quiz.sets[2]
    gone = (guests.first, guests.together[0].slides[0])
    course, _ = without_slides(document.course, document.slides, gone)
    left = course.sections[0].quiz.sets[2]
    assert left.first is None and left.together == ()
    assert left.slides == tuple(slide for slide in guests.slides if slide not in gone)


@pytest.mark.parametrize(("fields", "words"), [
    ({"slides": ("aaaa", "aaaa")}, "twice"),
    ({"slides": ("aaaa",), "first": "aaaa", "last": "aaaa"}, "first and last"),
    ({"slides": ("aaaa",), "first": "bbbb"}, "not in it"),
    ({"slides": ("aaaa", "bbbb"), "together": (Together(slides=("aaaa", "bbbb")),
                                               Together(slides=("bbbb", "aaaa")))}, "twice"),
    ({"balances": (Balance(least=200), Balance(level="easy", least=200))}, "too many to count"),
])
def test_a_set_that_contradicts_itself_is_refused(fields, words):
    with pytest.raises(ValidationError, match=words):
        QuestionSet(id="setone", name="One", **fields)


def test_a_slide_is_in_one_set_of_a_quiz():
    one = QuestionSet(id="setone", name="One", slides=("aaaa",))
    with pytest.raises(ValidationError, match="two sets"):
        Quiz(sets=(one, one.model_copy(update={"id": "settwo"})))


def codes(document) -> set[str]:
    return {finding.code for finding in findings(document)}


def with_quiz(document, **changes):
    section = document.course.sections[0]
    quiz = section.quiz.model_copy(update=changes)
    course = document.course.model_copy(update={
        "sections": (section.model_copy(update={"quiz": quiz}),)})
    return document.model_copy(update={"course": course})


def test_what_is_odd_about_a_quiz_is_found():
    document = keys_course()
    weather, fire, guests = document.course.sections[0].quiz.sets

    def found(*sets, **changes):
        return codes(with_quiz(document, sets=sets, **changes)) - codes(document)

    def change(one, **fields):
        return one.model_copy(update=fields)

    assert found(weather, fire, guests) == set()
    assert found(weather, change(fire, take=5), guests) == {"set_impossible"}
    assert found(weather, change(fire, slides=fire.slides[1:]), guests) == {"question_in_no_set"}
    assert found(weather, fire, change(guests, slides=(*guests.slides, document.slides[0].id))) == {
        "set_slide_outside"}
    assert found(weather, fire, change(guests, first=guests.together[0].slides[1])) == {
        "pin_in_group"}
    assert found(change(weather, first=weather.slides[0]), fire, guests, order="mixed") == {
        "two_pins"}
    assert found(weather, change(fire, slides=(), take=None), guests) >= {"set_empty"}
    assert found(weather, fire, guests, take=4) == {"too_few_sets"}
    empty = document.course.model_copy(update={"sections": (
        *document.course.sections, Section(id="later", title="Later", quiz=Quiz()))})
    assert "quiz_empty" in codes(document.model_copy(update={"course": empty}))


def test_nothing_is_claimed_never_to_happen_that_a_draw_brings():
    """The eleven slides of a draw, and an order that is not the course's."""
    document = keys_course()
    first, second = document.slides[1], document.slides[2]
    rules = tuple(
        Rule(id=f"rule{place}", when=Happens(event="slide_entered"), condition=condition,
             do=(Announce(text="Here."),))
        for place, condition in enumerate((["=", ["live", "slides"], 11], ["seen", second.id])))
    asking = first.model_copy(update={"rules": rules})
    changed = document.model_copy(update={
        "slides": (document.slides[0], asking, *document.slides[2:])})
    tried = try_out(changed)
    assert not [finding for finding in tried.findings if finding.slide == first.id]
    assert f"“{first.title}”" in tried.statement or not tried.whole


def test_a_draw_that_is_worth_more_than_another_is_found():
    document = keys_course()
    slide = document.slides[1]
    dear = slide.model_copy(update={"questions": tuple(
        question.model_copy(update={"points": 3}) for question in slide.questions)})
    changed = document.model_copy(update={
        "slides": (document.slides[0], dear, *document.slides[2:])})
    assert "draws_differ" in codes(changed) and "draws_differ" not in codes(document)
