"""A certificate for those who have passed a quiz, made in one step."""

from collections.abc import Iterator, Mapping, Sequence

from zigzag_core.course import (
    Block,
    Button,
    Course,
    Element,
    GoTo,
    IdSource,
    RichText,
    Rule,
    Shape,
    Slide,
    Style,
    Text,
    TextVariable,
    ToSlide,
    rich,
)
from zigzag_core.course.elements.geometry import around, box_of
from zigzag_core.course.layouts.shipped import TITLE_ONLY
from zigzag_core.course.questions.new_questions import Maker
from zigzag_core.course.rules.rule import Print
from zigzag_core.course.text.rich_text import with_values
from zigzag_core.errors import NoQuiz
from zigzag_core.words import Say, say_english

from ..layouts.following import slide_from, with_layout
from .outcome import placed_last

_EDGE = 48.0
"""How far (px) the frame is from the edge of the slide."""
_W, _H = 320.0, 60.0
"""The size (px) of its button."""


def with_certificate(
    course: Course, section: str, outcomes: Sequence[Slide], fresh: IdSource,
    say: Say = say_english,
) -> tuple[Course, Slide, tuple[Slide, ...]]:
    """Return `course` with a certificate at the end of the quiz `section`.

    And the new slide, and the `outcomes` with a button that leads there once the quiz is passed.
    The certificate names the learner as the details do, else as the LMS does. Whoever comes there
    without having passed reads so: the slide is seen by all who go on, and keeps nobody from
    completing the course. `say` gives the words, in the course's language. Raises `NoQuiz` where
    the section is no quiz.
    """
    found = next((one for one in course.sections if one.id == section), None)
    if found is None or found.quiz is None:
        raise NoQuiz
    course, layout = with_layout(course, TITLE_ONLY)
    slide = slide_from(layout, course, say("certificate_title"), fresh)
    make = Maker(fresh, course.styles, say)
    passed = ["quiz_passed", section]
    made = tuple(
        element.model_copy(update={"shown": passed})
        for element in _certificate(make, course, found.title))
    slide = slide.model_copy(update={
        "elements": (*(_middle(e) for e in slide.elements), *made, Text(
            id=fresh(), name="Not yet", x=make.left, y=300, w=make.width, h=80,
            text=rich(say("certificate_not_yet")), shown=["not", passed],
            **make.follow("text", align="center")))})
    return placed_last(course, found, slide.id), slide, tuple(
        _leading_there(one, slide.id, passed, make, course) for one in outcomes)


def _middle(element: Element) -> Element:
    """The title stands in the middle, large."""
    return element.model_copy(update={
        "y": 96.0, "style": element.style.model_copy(update={"align": "center", "size": 56}),
        "own": tuple({*element.own, "box", "align", "size"})}) if element.slot else element


def _certificate(make: Maker, course: Course, quiz: str) -> Iterator[Element]:
    size = course.size
    yield Shape(
        id=make.fresh(), name="Frame", decoration=True, x=_EDGE, y=_EDGE, w=size.w - 2 * _EDGE,
        h=size.h - 2 * _EDGE,
        style=Style(border_colour="primary", border_width=6, radius=24))
    name = next((one.id for one in course.variables
                 if isinstance(one, TextVariable) and one.from_lms), "learner_name")
    yield _line(make, "Name", 220, 90, "{name}", {"name": name}, size=52, bold=True, font="heading",
                text_colour="primary", fit="shrink")
    yield Shape(
        id=make.fresh(), name="Line", shape="line", decoration=True, x=size.w / 2 - 160, y=322,
        w=320, h=0, style=Style(border_colour="accent", border_width=5))
    says = make.say("certificate_says").replace("{quiz}", quiz)
    yield _line(make, "What was passed", 344, 100, says, {"score": "quiz_score"}, size=30,
                fit="shrink")
    yield _line(make, "Day", 456, 50, "{day}", {"day": "quiz_day"}, size=24, text_colour="quiet")
    yield Button(
        id=make.fresh(), name="Print", label=make.say("outcome_print"),
        x=(size.w - _W) / 2, y=size.h - _EDGE - _H - 56, w=_W, h=_H,
        rules=(Rule(id=make.fresh(), do=(Print(),)),), **make.follow("button"))


def _line(
    make: Maker, name: str, y: float, h: float, words: str, values: Mapping[str, str],
    **own: object,
) -> Text:
    blocks: tuple[Block, ...] = (with_values(words, values),)
    return Text(id=make.fresh(), name=name, x=make.left + 40, y=y, w=make.width - 80, h=h,
                text=RichText(blocks=blocks),
                **make.follow("text", align="center", valign="middle", **own))


def _leading_there(
    outcome: Slide, certificate: str, passed: list[str], make: Maker, course: Course
) -> Slide:
    """The outcome slide with a button to the certificate where *try again* would be, or below."""
    other = next((e for e in outcome.elements if isinstance(e, Button)), None)
    below = around(box_of(e) for e in outcome.elements).bottom if outcome.elements else 0.0
    x, y = (other.x, other.y) if other else (make.left, min(below + 24, course.size.h - 100))
    button = Button(
        id=make.fresh(), name="Certificate", label=make.say("certificate_open"),
        x=x, y=y, w=_W, h=68, z=max((e.z for e in outcome.elements), default=0) + 1, shown=passed,
        rules=(Rule(id=make.fresh(), do=(GoTo(go=ToSlide(slide=certificate)),)),),
        **make.follow("button"))
    return outcome.model_copy(update={"elements": (*outcome.elements, button)})
