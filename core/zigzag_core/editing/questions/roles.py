"""Which elements are the things of a question and which the targets; and other roles for them."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

from zigzag_core.course import Area, Element, IdSource, Shape, Slide
from zigzag_core.course.elements.geometry import box_of
from zigzag_core.course.questions import question as q
from zigzag_core.course.references import Identity
from zigzag_core.errors import CannotAsk

from ..removing import without_things
from .parts import asked_on, check_room, part_of, with_question

LARGER = 1.5
"""So many times the area of things makes targets of what is alike but for that."""
ALIKE = 1.3
"""Areas within this ratio are alike."""

PAIRS = "items", "targets"


@dataclass(frozen=True)
class Roles:
    """Elements as the things of a question, and as what these are put on."""

    items: tuple[str, ...]
    targets: tuple[str, ...]


def roles_of(parts: Sequence[Element]) -> Roles:
    """Return which of `parts` are things and which are targets, as far as their looks tell.

    Where there are both, shapes and areas are targets; else what is larger; what has another
    fill, and is larger or lower; the lowest rows or the right columns. What lies on a
    target is its label, a picture that targets lie on their ground: neither has a role.
    """
    targets = _targets(parts) if parts else []
    chosen = {e.id for e in targets}
    items = [e for e in parts if e.id not in chosen
             and not any(_lies_on(target, e) for target in targets)]
    if len(items) > 1:
        # Words on a box are its label, unless that leaves nothing to put there.
        loose = [e for e in items if not any(_lies_on(e, target) for target in targets)]
        items = loose or items
    return Roles(tuple(e.id for e in items), tuple(e.id for e in targets))


def _targets(parts: Sequence[Element]) -> list[Element]:
    boxes: list[Element] = [e for e in parts if isinstance(e, Shape | Area)]
    if boxes and len(boxes) < len(parts):
        return boxes
    for split in (_by_size, _by_fill, _by_place):
        found = split(parts)
        if found and len(found) < len(parts):
            return found
    return list(parts[len(parts) // 2:])


def _by_size(parts: Sequence[Element]) -> list[Element]:
    """The larger ones, where there are two sizes, each much alike."""
    rising = sorted(parts, key=_area)
    jumps = [(_area(b) / max(_area(a), 1), n) for n, (a, b) in enumerate(pairwise(rising), 1)]
    jump, at = max(jumps, default=(1.0, 0))
    small, large = rising[:at], rising[at:]
    if jump < LARGER or any(_area(group[-1]) > ALIKE * max(_area(group[0]), 1)
                            for group in (small, large)):
        return []
    names = {e.id for e in large}
    return [e for e in parts if e.id in names]


def _by_fill(parts: Sequence[Element]) -> list[Element]:
    """Those of one of two fills: the larger ones; the empty ones; the lower ones."""
    fills: dict[str, list[Element]] = {}
    for e in parts:
        fills.setdefault(repr(e.style.fill), []).append(e)
    if len(fills) != 2:
        return []
    one, other = fills.values()

    def rank(group: list[Element]) -> tuple[float, bool, float]:
        middle = sum(box_of(e).middle[1] for e in group) / len(group)
        return sum(map(_area, group)) / len(group), group[0].style.fill is None, middle

    return max(one, other, key=rank)


def _by_place(parts: Sequence[Element]) -> list[Element]:
    """The lowest rows or the right columns: those behind the widest gap."""
    rows = _bands(parts, lambda e: (e.y, e.y + e.h))
    columns = _bands(parts, lambda e: (e.x, e.x + e.w))
    gap, found = max(rows, columns, key=lambda each: each[0])
    names = {e.id for e in found}
    return [e for e in parts if e.id in names] if gap else []


def _bands(
    parts: Sequence[Element], span: Callable[[Element], tuple[float, float]]
) -> tuple[float, list[Element]]:
    """The widest gap (px) between the bands that the parts stand in, and what lies behind it.

    Of equal gaps the last one counts: targets are at the end.
    """
    ordered = sorted(parts, key=lambda e: span(e)[0])
    widest, at, end = 0.0, 0, span(ordered[0])[1]
    for n, e in enumerate(ordered[1:], 1):
        start, stop = span(e)
        if start - end >= max(widest, 1):
            widest, at = start - end, n
        end = max(end, stop)
    return widest, ordered[at:]


def _area(e: Element) -> float:
    return e.w * e.h


def _lies_on(box: Element, ground: Element) -> bool:
    """Whether the middle of `box` lies within the larger `ground`."""
    x, y = box_of(box).middle
    return box_of(ground).holds(x, y) and _area(box) < _area(ground)


def swapped(slide: Slide, question: str) -> Slide:
    """Return `slide` with the things of a question as its targets and the targets as its things.

    What belonged on what still does, the other way round. Raises `CannotAsk` where it has none.
    """
    asked = _pairing(slide, question)
    targets = tuple(q.Target(id=item.id, element=item.element, takes=None) for item in asked.items)
    items = tuple(
        q.Item(id=target.id, element=target.element,
               to=tuple(item.id for item in asked.items if target.id in item.to))
        for target in asked.targets)
    return with_question(slide, asked.model_copy(update={"items": items, "targets": targets}))


def with_role(
    slide: Slide, question: str, element: str, role: Literal["items", "targets"], fresh: IdSource
) -> Slide:
    """Return `slide` with a part of a question as a thing, or as a target, instead.

    Nothing belongs on it, and it belongs nowhere yet. Raises `CannotAsk` where it is none.
    """
    asked = _pairing(slide, question)
    other = PAIRS[role == "items"]
    found = next((part for part in getattr(asked, other) if part.element == element), None)
    if found is None:
        return slide
    if len(getattr(asked, other)) == 1:
        raise CannotAsk("It is the last one of its kind: the question needs items and targets.")
    check_room(asked, role, 1)
    without = without_things(slide, {Identity("part", found.id)})
    left = _pairing(without, question)
    more: dict[str, int | None] = {"takes": None} if role == "targets" else {}
    part = part_of(left, role, fresh(), element, **more)
    grown = left.model_copy(update={role: (*getattr(left, role), part)})
    return with_question(without, grown)


def without_part(slide: Slide, question: str, element: str) -> Slide:
    """Return `slide` with an element that is no longer part of a question, but still there.

    What named the part no longer does. Raises `CannotAsk` where nothing to answer would be left.
    """
    asked = asked_on(slide, question)
    parts = {Identity("part", part.id) for part in _parts(asked) if part.element == element}
    if parts:
        if sum(1 for _ in _parts(asked)) == len(parts):
            raise CannotAsk("It is the last one that answers the question. Dissolve the question "
                            "to keep the elements without it.")
        return without_things(slide, parts)
    freed = {name: None for name in ("prompt", "submit", "reset", "on")
             if getattr(asked, name, None) == element}
    if not freed:
        raise CannotAsk("The question cannot do without it. Dissolve the question to keep the "
                        "elements without it.")
    return with_question(slide, asked.model_copy(update=freed))


def one_place(slide: Slide, question: str, element: str, to: str) -> Slide:
    """Return `slide` with the place `element` of a hotspot as one more area of the place `to`.

    What named it as a place of its own no longer does. Raises `CannotAsk` where one is no place.
    """
    spot = _spot(_hotspot(slide, question), element)
    if spot == _spot(_hotspot(slide, question), to):
        return slide
    without = without_things(slide, {Identity("part", spot.id)})
    left = _hotspot(without, question)
    other = _spot(left, to)
    whole = other.model_copy(update={"also": (*other.also, *q.elements_of(spot))})
    spots = tuple(whole if each is other else each for each in left.spots)
    return with_question(without, left.model_copy(update={"spots": spots}))


def own_places(slide: Slide, question: str, element: str, fresh: IdSource) -> Slide:
    """Return `slide` with each area of the place `element` of a hotspot as a place of its own."""
    asked = _hotspot(slide, question)
    spot = _spot(asked, element)
    places = [spot.model_copy(update={"also": ()})]
    places += [places[0].model_copy(update={"id": fresh(), "element": area}) for area in spot.also]
    at = asked.spots.index(spot)
    spots = (*asked.spots[:at], *places, *asked.spots[at + 1:])
    return with_question(slide, asked.model_copy(update={"spots": spots}))


def dissolved(slide: Slide, question: str) -> Slide:
    """Return `slide` without a question and what named it; its elements stay."""
    return without_things(slide, {Identity("question", asked_on(slide, question).id)})


def _parts(asked: q.Question) -> Iterator[q.Part]:
    for where in q.PART_LISTS:
        yield from getattr(asked, where, ())


def _pairing(slide: Slide, question: str) -> q.Matching | q.DragToTarget:
    asked = asked_on(slide, question)
    if not isinstance(asked, q.Matching | q.DragToTarget):
        raise CannotAsk("Only items and targets can be swapped.")
    return asked


def _hotspot(slide: Slide, question: str) -> q.Hotspot:
    asked = asked_on(slide, question)
    if not isinstance(asked, q.Hotspot):
        raise CannotAsk("Only places on a picture can be one place.")
    return asked


def _spot(asked: q.Hotspot, element: str) -> q.Spot:
    found = next((spot for spot in asked.spots if element in q.elements_of(spot)), None)
    if found is None:
        raise CannotAsk("It is no place of this question.")
    return found
