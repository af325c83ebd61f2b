"""Numbering what saved progress may name, once and for all."""

from collections.abc import Iterable, Iterator, Sequence
from typing import get_args

from zigzag_core.course import Course, Question, Remembered, Slide, Variable
from zigzag_core.course.document import RememberedKind
from zigzag_core.course.questions.question import PART_LISTS, Numeric, OpenAnswer, ShortText
from zigzag_core.program import ProgramOverlay, ProgramSlide

from .questions import field_part

_UNCLICKED = ("none", "input", "field", "blanks", "item", "target", "ranked", "spot", "ground")
"""Controls that are not clicked for themselves: what is done with them is an answer."""


def remembered_of(
    slide: Slide, made: ProgramSlide, variables: Iterable[Variable]
) -> Remembered:
    """Return, by kind, the ids that saved progress may name of `slide`, compiled to `made`.

    `variables` are those that its patterns keep.
    """
    return {
        "slides": (slide.id,),
        "questions": tuple(question.id for question in slide.questions),
        "choices": tuple(name for question in slide.questions for name in _answerable(question)),
        "variables": tuple(variable.id for variable in variables),
        "elements": tuple(_stateful(made)),
    }


def numbered(course: Course, slides: Sequence[Remembered]) -> Course:
    """Return the settings with every id of today added at the end of `remembered`.

    `slides` are the ids of each slide. What was published before keeps its number, even when it
    is gone from the course.
    """
    own: Remembered = {"variables": tuple(variable.id for variable in course.variables)}
    today = {
        kind: [name for ids in (own, *slides) for name in ids.get(kind, ())]
        for kind in get_args(RememberedKind)
    }
    lists = {kind: _extended(course.remembered.get(kind, ()), ids) for kind, ids in today.items()}
    return course.model_copy(update={"remembered": lists})


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
        if (name := action.held.get("element"))
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
