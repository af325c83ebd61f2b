"""Finding and putting questions on a slide, and the words of their parts."""

from collections.abc import Sequence
from typing import Any

from zigzag_core.course import (
    Area,
    Button,
    Element,
    Group,
    IdSource,
    Input,
    Shape,
    Slide,
    SlideSize,
    Text,
    plain,
    rich,
)
from zigzag_core.course.questions import question as q
from zigzag_core.errors import CannotAsk

from ..arranging.groups import with_members
from ..copies.copying import Clipping, paste
from .fitting import with_room

_PARTS: dict[str, type[q.Part]] = {
    "choices": q.Choice, "targets": q.Target, "spots": q.Spot, "rows": q.Row,
}


_FAR = 10_000
"""New parts begin no farther (px) off the slide; then they are brought in."""


def part_of(question: q.Question, where: str, name: str, element: str, **more: Any) -> q.Part:
    """Return a part called `name` for the list `where` of `question`: `element` answers there."""
    make = _PARTS.get(where) or (q.InOrder if isinstance(question, q.Ordering) else q.Item)
    return make(id=name, element=element, **more)


def asked_on(slide: Slide, name: str) -> q.Question:
    """Return the question called `name`; raises `CannotAsk` where it is gone."""
    found = next((other for other in slide.questions if other.id == name), None)
    if found is None:
        raise CannotAsk("The question is no longer on the slide.")
    return found


def with_question(slide: Slide, question: q.Question) -> Slide:
    """Return `slide` with `question` in the place of the one of its id, or after all others."""
    others = [question if other.id == question.id else other for other in slide.questions]
    if question not in others:
        others.append(question)
    return slide.model_copy(update={"questions": tuple(others)})


def with_text(slide: Slide, name: str, words: str) -> Slide:
    """Return `slide` with the element `name` saying `words`; in a group its first text does."""
    element = next(e for e in slide.elements if e.id == name)
    if isinstance(element, Group):
        inside = with_members(slide.elements, [name])
        text = next((e for e in slide.elements if e.id in inside and isinstance(e, Text)), None)
        if text is not None:
            slide = with_text(slide, text.id, words)
        if text is not None and not element.alt:
            return slide
    changed = _with_text(element, words)
    return slide.model_copy(update={
        "elements": tuple(changed if e.id == name else e for e in slide.elements)})


def _with_text(element: Element, words: str) -> Element:
    name = words[:60] or element.name
    match element:
        case Text() | Shape():
            # A text alternative that said just the words would now say others.
            alt = "" if element.alt == plain(element.text) else element.alt
            return element.model_copy(update={"text": rich(words), "name": name, "alt": alt})
        case Button() | Input():
            return element.model_copy(update={"label": words, "name": name})
        case Area():
            return element.model_copy(update={"alt": words, "name": name})
    return element.model_copy(update={"alt": words})


def with_parts(
    slide: Slide, question: str, where: str, words: Sequence[str], fresh: IdSource,
    size: SlideSize = SlideSize(),
) -> tuple[Slide, tuple[str, ...]]:
    """Return `slide` with more parts in the list `where` of a question, one for each of `words`.

    Each looks like the last one, takes as many and can be used as often, and stands as far from
    it as that from the one before; where there is no room for that, parts stand closer, and free
    ones lie on the slide or their ground. Returns the new elements, too. Raises `CannotAsk` where
    there is no such list or nothing in it.
    """
    asked = asked_on(slide, question)
    parts = getattr(asked, where, ()) if where in q.PART_LISTS else ()
    if not parts:
        raise CannotAsk("There is no part yet that another could look like.")
    check_room(asked, where, len(words))
    by_id = {e.id: e for e in slide.elements}
    boxes = [by_id[part.element] for part in parts]
    last = boxes[-1]
    dx, dy = _step(boxes)
    family = with_members(slide.elements, [last.id])
    clipping = Clipping(elements=tuple(e for e in slide.elements if e.id in family))
    before = {e.id for e in slide.elements}
    made: list[str] = []
    for n, text in enumerate(words, 1):
        slide, (copy,) = paste(slide, clipping, fresh, _reached(last.x, dx * n),
                               _reached(last.y, dy * n), onto=last.overlay)
        made.append(copy)
        slide = with_text(slide, copy, text)
    slide = _after(slide, family, {e.id for e in slide.elements} - before)
    same = {name: getattr(parts[-1], name) for name in ("takes", "endless")
            if hasattr(parts[-1], name)}
    more = tuple(part_of(asked, where, fresh(), element, **same) for element in made)
    grown = asked.model_copy(update={where: (*parts, *more)})
    return with_room(with_question(slide, grown), question, size, made), tuple(made)


def with_new_parts(
    slide: Slide, question: str, where: str, words: Sequence[str], fresh: IdSource,
    size: SlideSize = SlideSize(),
) -> tuple[Slide, tuple[str, ...]]:
    """Return what `with_parts` does, with clicks for the places where they are places to find:
    the parts are as they stay, and nothing is said of them afterwards."""
    slide, made = with_parts(slide, question, where, words, fresh, size)
    return with_question(slide, q.with_enough_clicks(asked_on(slide, question))), made


def check_room(question: q.Question, where: str, more: int) -> None:
    """Raise `CannotAsk` unless the list `where` of `question` has room for so many `more`."""
    most = q.most_parts(type(question), where)
    if len(getattr(question, where)) + more > most:
        raise CannotAsk(f"The question has no more than {most} of them. Nothing was added.")


def _reached(start: float, way: float) -> float:
    """The way (px) from `start`, as far as a slide can reach."""
    return min(max(start + way, -_FAR), _FAR) - start


def _step(boxes: Sequence[Element]) -> tuple[float, float]:
    """How far the next part is from the last one: as the last two are apart, the first two where
    the last one begins a new row or column; else below."""
    for pair in (boxes[-2:], boxes[:2]):
        dx, dy = pair[-1].x - pair[0].x, pair[-1].y - pair[0].y
        if dx >= 0 and dy >= 0 and (dx or dy):
            return dx, dy
    return 0.0, boxes[-1].h + 16


def _after(slide: Slide, last: set[str], new: set[str]) -> Slide:
    """The slide with the elements `new` read right after those of `last`."""
    moved = [e for e in slide.elements if e.id in new]
    others = [e for e in slide.elements if e.id not in new]
    index = max(n for n, e in enumerate(others) if e.id in last) + 1
    return slide.model_copy(update={
        "elements": (*others[:index], *moved, *others[index:])})
