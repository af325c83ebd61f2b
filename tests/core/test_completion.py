"""When a course is complete: slides on the way, all slides, one slide with a gate."""

import pytest
from zigzag_core.course import Gate, Navigation, ToSlide
from zigzag_core.course.document import Completion, Nowhere
from zigzag_core.course.rules import rule as r
from zigzag_core.course.rules.gates import TimeSpent
from zigzag_core.course.rules.rule import GoTo
from zigzag_core.engine import ways
from zigzag_core.tracking.plain import promise

from .making import Learner, button, course, slide

NO_MENU = Navigation(menu=False)


def forked(**completion):
    """Two ways that meet again: a, then b or c and d, then e."""
    return course(
        slide("slidea", button("toslideb", GoTo(go=r.ToSlide(slide="slideb"))),
              button("toslidec", GoTo(go=r.ToSlide(slide="slidec"))), onward=Nowhere()),
        slide("slideb", onward=ToSlide(slide="slidee")), slide("slidec"), slide("slided"),
        slide("slidee"),
        navigation=NO_MENU, completion=Completion(**completion))


def test_only_the_slides_on_the_way_have_to_be_seen():
    learner = Learner(forked()).clicks("toslideb")
    assert not learner.state.completed
    assert ways.way(learner.index, learner.state) == 3
    learner.does("next")
    assert learner.state.slide == "slidee" and learner.state.completed
    other = Learner(forked()).clicks("toslidec").does("next")
    assert not other.state.completed and other.does("next").state.completed


def test_all_slides_or_a_share_of_them_where_the_author_says_so():
    assert not Learner(forked(slides_of="all")).clicks("toslideb").does("next").state.completed
    learner = Learner(forked(slides_of="all", slides_share=0.6)).clicks("toslideb").does("next")
    assert learner.state.completed


def test_with_a_menu_that_leads_on_everything_is_on_the_way():
    document = forked()
    document = document.model_copy(update={"course": document.course.model_copy(update={
        "navigation": Navigation()})})
    assert not Learner(document).clicks("toslideb").does("next").state.completed


def test_a_course_of_one_slide_is_complete_when_its_gate_is_open():
    gate = Gate(wants=(TimeSpent(seconds=5),))
    learner = Learner(course(slide("slidea", gate=gate), completion=Completion()))
    assert not learner.state.completed
    assert not learner.does("tick", ms=4_000).state.completed
    assert learner.does("tick", ms=1_500).state.completed
    assert Learner(course(slide("slidea"), completion=Completion())).state.completed


@pytest.mark.parametrize(("completion", "words"), [
    ({}, "all of the slides on the learner's way (on the shortest way 3 of 5) were seen"),
    ({"slides_share": 0.5}, "50 % of the slides on the learner's way (on the shortest way 2 of 5)"),
    ({"slides_of": "all"}, "completed when all slides were seen"),
])
def test_the_sentence_says_what_it_comes_to_on_the_shortest_way(completion, words):
    document = forked(**completion)
    learner = Learner(document)
    shortest = ways.shortest_way(learner.index)
    assert words in promise(document.course, 5, 0, shortest)[0]
