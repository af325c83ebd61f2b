"""Numbering what saved progress may name, once and for all."""

from collections.abc import Iterable, Iterator

from zigzag_core.course import Course, CourseDocument, Question, Variable
from zigzag_core.course.document import RememberedKind
from zigzag_core.course.questions.question import PART_LISTS, Numeric, OpenAnswer, ShortText
from zigzag_core.program import ProgramOverlay, ProgramSlide

from .questions import field_part

_UNCLICKED = ("none", "input", "field", "blanks", "item", "target", "ranked", "spot", "ground")
"""Controls that are not clicked for themselves: what is done with them is an answer."""


def remembered(
    document: CourseDocument, variables: Iterable[Variable], slides: Iterable[ProgramSlide]
) -> Course:
    """Return the course's settings with every id of today added at the end of `remembered`.

    What was published before keeps its number, even when it is gone from the course.
    """
    questions = [question for slide in document.slides for question in slide.questions]
    today: dict[RememberedKind, list[str]] = {
        "slides": [slide.id for slide in document.slides],
        "questions": [question.id for question in questions],
        "choices": [name for question in questions for name in _answerable(question)],
        "variables": [variable.id for variable in variables],
        "elements": [name for slide in slides for name in _stateful(slide)],
    }
    before = document.course.remembered
    lists = {kind: _extended(before.get(kind, ()), ids) for kind, ids in today.items()}
    return document.course.model_copy(update={"remembered": lists})


def _answerable(question: Question) -> Iterator[str]:
    """The names that an answer may hold: parts, what they are put on, the question for misses."""
    for name in (*PART_LISTS, "blanks"):
        yield from (part.id for part in getattr(question, name, ()))
    if isinstance(question, ShortText | Numeric | OpenAnswer):
        yield field_part(question)
    if question.kind == "hotspot":
        yield question.id


def _stateful(slide: ProgramSlide) -> Iterator[str]:
    """The elements of which a run may have something to remember."""
    rules = [*slide.rules]
    everywhere: tuple[ProgramSlide | ProgramOverlay, ...] = (slide, *slide.overlays)
    for part in everywhere:
        rules += [rule for element in part.elements for rule in element.rules]
    for overlay in slide.overlays:
        rules += overlay.rules
    named = {
        name for rule in rules for action in (*rule.then, *rule.otherwise)
        if (name := getattr(action, "element", None))
    }
    for part in everywhere:
        if isinstance(part, ProgramOverlay) and part.panel:
            continue
        for element in part.elements:
            draw = element.draw
            if (
                element.control not in _UNCLICKED or draw.id in named or draw.drag
                or draw.kind in ("video", "audio")
                or any(draw.id in other.draw.drag.targets
                       for other in part.elements if other.draw.drag)
            ):
                yield draw.id


def _extended(before: tuple[str, ...], ids: Iterable[str]) -> tuple[str, ...]:
    known = set(before)
    return before + tuple(name for name in ids if name not in known)
