"""Giving copies ids of their own, with everything inside that names them."""

from collections.abc import Iterator, Mapping
from typing import Any, TypeVar

from zigzag_core.course import Element, Question, Rule, Slide, Timing
from zigzag_core.course.model import Model
from zigzag_core.course.questions.question import part_ids
from zigzag_core.course.style.style import Look

M = TypeVar("M", bound=Model)


def rewired(model: M, ids: Mapping[str, str]) -> M:
    """Return `model` with every id among `ids` replaced, wherever it stands."""
    def put(value: Any) -> Any:
        if isinstance(value, str):
            return ids.get(value, value)
        if isinstance(value, dict):
            return {ids.get(key, key): put(part) for key, part in value.items()}
        if isinstance(value, list | tuple):
            return [put(part) for part in value]
        return value

    return type(model).model_validate(put(model.model_dump()))


def own_ids(slide: Slide) -> Iterator[str]:
    """Yield the ids of everything that is on `slide` and may be named."""
    for element in slide.elements:
        yield from element_ids(element)
    for question in slide.questions:
        yield from question_ids(question)
    for overlay in slide.overlays:
        yield overlay.id
        yield from _rule_ids(overlay.rules)
        yield from _cue_ids(overlay.timing)
    for pattern in slide.patterns:
        yield pattern.id
    yield from _rule_ids(slide.rules)
    yield from _cue_ids(slide.timing)


def element_ids(element: Element) -> Iterator[str]:
    """Yield the ids of an element, its rules, moves and own looks."""
    yield element.id
    yield from _rule_ids(element.rules)
    yield from (move.id for move in element.moves)
    yield from (look for look in element.looks if look not in GIVEN_LOOKS)


def question_ids(question: Question) -> Iterator[str]:
    """Yield the ids of a question and its parts."""
    yield question.id
    yield from part_ids(question)


GIVEN_LOOKS = frozenset(Look.__args__)


def _rule_ids(rules: tuple[Rule, ...]) -> Iterator[str]:
    yield from (rule.id for rule in rules)


def _cue_ids(timing: Timing) -> Iterator[str]:
    yield from (cue.id for cue in timing.cues)
