"""The slide that shows what a quiz came to, made in one step."""

from collections.abc import Iterator

from zigzag_core.course import (
    Block,
    Button,
    Course,
    Element,
    IdSource,
    RichText,
    Rule,
    Shape,
    Slide,
    Text,
    TextRun,
)
from zigzag_core.course.document import Section
from zigzag_core.course.elements.element import Meter
from zigzag_core.course.layouts.shipped import TITLE_ONLY
from zigzag_core.course.questions.new_questions import Maker
from zigzag_core.course.quizzes import Band, Quiz
from zigzag_core.course.rules.rule import Print, StartOver
from zigzag_core.course.sections import slides_by_section
from zigzag_core.course.style.style import Style
from zigzag_core.course.text.rich_text import with_values
from zigzag_core.errors import NoQuiz
from zigzag_core.words import Say, say_english

from ..layouts.following import slide_from, with_layout

_VALUES = {"points": "quiz_points", "most": "quiz_max_points", "right": "quiz_right",
           "questions": "quiz_judged", "mark": "quiz_pass_mark",
           "day": "quiz_day", "name": "learner_name"}
_WHO_AND_WHEN = "{day} {name}"
_TOP, _RING = 180.0, 220.0
_WORDS_LEFT, _WORDS_WIDTH = 360.0, 840.0


def with_outcome(
    course: Course, section: str, fresh: IdSource, say: Say = say_english
) -> tuple[Course, Slide]:
    """Return `course` with an outcome slide at the end of the quiz `section`, and the slide.

    It shows the score as a ring and in words, a panel for each band of the result, and buttons
    that begin the quiz again and print the slide. A quiz without bands gets two: passed, and not
    yet. `say` gives the words, in the course's language. Raises `NoQuiz` where the section is no
    quiz.
    """
    found = next((one for one in course.sections if one.id == section), None)
    if found is None or found.quiz is None:
        raise NoQuiz
    bands = found.quiz.bands or _two_bands(found.quiz, course, fresh, say)
    course, layout = with_layout(course, TITLE_ONLY)
    slide = slide_from(layout, course, say("outcome_title"), fresh)
    make = Maker(fresh, course.styles, say)
    slide = slide.model_copy(update={"elements": (
        *slide.elements, *_result(make), *(_panel(make, band) for band in bands),
        _again(make, section), _print(make))})
    quiz = found.quiz.model_copy(update={
        "bands": bands, "outcomes": (*found.quiz.outcomes, slide.id)})
    return placed_last(course, found.model_copy(update={"quiz": quiz}), slide.id), slide


def _two_bands(quiz: Quiz, course: Course, fresh: IdSource, say: Say) -> tuple[Band, ...]:
    mark = course.pass_mark if quiz.pass_mark is None else quiz.pass_mark
    passed = Band(id=fresh(), name=say("band_high"), least=mark)
    return (Band(id=fresh(), name=say("band_low"), least=0), passed) if mark else (passed,)


def placed_last(course: Course, section: Section, slide: str) -> Course:
    """Return `course` with the slide at the end of its `section`, as that is now.

    What begins behind it still does.
    """
    groups = slides_by_section(course.slides, course.sections)
    at = next(place for place, (one, _) in enumerate(groups)
              if one is not None and one.id == section.id)
    behind = sum(len(own) for _, own in groups[:at + 1])
    own = groups[at][1]
    sections = tuple(section if one.id == section.id else one for one in course.sections)
    if not own:
        sections = tuple(
            one.model_copy(update={"before": slide}) if one.id == section.id else one
            for one in sections)
    return course.model_copy(update={
        "slides": (*course.slides[:behind], slide, *course.slides[behind:]),
        "sections": sections})


def _result(make: Maker) -> Iterator[Element]:
    """The score as a ring, and what it comes to in words, with who took it and when."""
    yield Meter(
        id=make.fresh(), name="Score", alt="Score", meter="ring", of="quiz_score",
        x=make.left, y=_TOP, w=_RING, h=_RING, style=Style(
            fill="soft", text_colour="primary", size=40, bold=True, border_width=22))
    words = [make.say(key) for key in ("outcome_points", "outcome_right", "outcome_mark")]
    lines = (with_values(line, _VALUES, bold=True) for line in (*words, _WHO_AND_WHEN))
    yield Text(
        id=make.fresh(), name="Result in words", x=_WORDS_LEFT, y=_TOP, w=_WORDS_WIDTH,
        h=_RING, text=RichText(blocks=tuple(lines)), **make.follow("text", valign="middle"))


def _panel(make: Maker, band: Band) -> Element:
    return Shape(
        id=make.fresh(), name=band.name, x=make.left, y=_TOP + _RING + 32, w=make.width, h=120,
        shown=["in_band", band.id],
        text=RichText(blocks=(Block(runs=(TextRun(text=band.name, bold=True),)),)),
        **make.follow("shape"))


def with_panels(
    course: Course, section: str, slide: Slide, fresh: IdSource, say: Say = say_english
) -> tuple[Slide, tuple[str, ...]]:
    """Return `slide` with a panel for each band of the quiz that has none, and the new elements.

    They are designed as the first panel that there is, and lie where it does: one of them is
    shown. Raises `NoQuiz` where the section is no quiz.
    """
    found = next((one for one in course.sections if one.id == section), None)
    if found is None or found.quiz is None:
        raise NoQuiz
    shown = {str(e.shown[1]): e for e in slide.elements if _is_panel(e)}
    model = next((e for e in shown.values() if isinstance(e, Shape | Text)), None)
    make = Maker(fresh, course.styles, say)
    made = tuple(
        _panel(make, band) if model is None else _like(model, band, fresh)
        for band in found.quiz.bands if band.id not in shown)
    return (slide.model_copy(update={"elements": (*slide.elements, *made)}),
            tuple(element.id for element in made))


def _is_panel(element: Element) -> bool:
    return isinstance(element.shown, list | tuple) and element.shown[0] == "in_band"


def _like(model: Shape | Text, band: Band, fresh: IdSource) -> Element:
    """A panel for `band` that looks like the `model`, with the band's name on it."""
    return model.model_copy(update={
        "id": fresh(), "name": band.name, "shown": ["in_band", band.id], "rules": (), "moves": (),
        "group": None, "slot": None,
        "text": RichText(blocks=(Block(runs=(TextRun(text=band.name, bold=True),)),))})


def _again(make: Maker, section: str) -> Element:
    left = [">", ["quiz_attempts_left", section], 0]
    return Button(
        id=make.fresh(), name="Try again", label=make.say("outcome_again"),
        x=make.left, y=_TOP + _RING + 176, w=320, h=68,
        shown=["and", ["not", ["quiz_passed", section]], left],
        rules=(Rule(id=make.fresh(), do=(StartOver(what="quiz"),)),), **make.follow("button"))


def _print(make: Maker) -> Element:
    return Button(
        id=make.fresh(), name="Print", label=make.say("outcome_print"),
        x=make.left + make.width - 320, y=_TOP + _RING + 176, w=320, h=68,
        rules=(Rule(id=make.fresh(), do=(Print(),)),), **make.follow("button"))
