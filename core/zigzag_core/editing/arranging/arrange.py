"""Arranging: align, distribute, match sizes, turn, flip, restack. Exact to the pixel.

A group counts as one thing, and its members move with it. Turned elements count by the upright
box that they cover. What is locked stays where it is, but may be aligned to.
"""

import math
from collections.abc import Iterable, Sequence
from operator import attrgetter
from typing import Literal

from zigzag_core.course import Element, Group, Slide, SlideSize
from zigzag_core.course.elements.geometry import Box, around, box_of
from zigzag_core.errors import CannotMake

from .groups import boxed, outermost, with_members

Edge = Literal["left", "center", "right", "top", "middle", "bottom"]
Axis = Literal["across", "down"]
Spacing = Literal["gaps", "centres"]
Side = Literal["width", "height", "both"]
Level = Literal["front", "forward", "backward", "back"]

_ALONG = {"across": (attrgetter("x"), attrgetter("w")), "down": (attrgetter("y"), attrgetter("h"))}


def align(
    slide: Slide, ids: Iterable[str], edge: Edge, within: Box | None = None
) -> Slide:
    """Return `slide` with the elements lined up at an edge or centre of what is around them.

    `within` is what they are lined up to instead, for example the slide. Places are whole px.
    """
    units = _units(slide, ids)
    if not units:
        return slide
    frame = within or around(units.values())
    moves = {name: _to_edge(box, edge, frame) for name, box in units.items()}
    return _moved(slide, moves)


def distribute(
    slide: Slide, ids: Iterable[str], axis: Axis, by: Spacing, within: Box | None = None
) -> Slide:
    """Return `slide` with the elements spaced evenly along an axis: equal gaps, or centres.

    The outermost two stay, or go to the edges of `within`. Places are whole px, each at most
    half a px from the exact one; so gaps that cannot be equal differ by one px.
    """
    units = _units(slide, ids)
    if len(units) < (2 if within else 3):
        return slide
    start, length = _ALONG[axis]
    order = sorted(units, key=lambda name: (start(units[name]) + length(units[name]) / 2))
    frame = within or around(units.values())
    first, last = units[order[0]], units[order[-1]]
    positions: dict[str, float] = {}
    if by == "gaps":
        room = length(frame) - sum(length(units[name]) for name in order)
        gap = room / (len(order) - 1)
        at = start(frame)
        for name in order:
            positions[name] = at
            at += length(units[name]) + gap
    else:
        if within:
            low = start(frame) + length(first) / 2
            high = start(frame) + length(frame) - length(last) / 2
        else:
            low, high = start(first) + length(first) / 2, start(last) + length(last) / 2
        step = (high - low) / (len(order) - 1)
        for number, name in enumerate(order):
            positions[name] = low + step * number - length(units[name]) / 2
    moves = {}
    for name, position in positions.items():
        by_px = _half_up(position) - start(units[name])
        moves[name] = (by_px, 0.0) if axis == "across" else (0.0, by_px)
    return _moved(slide, moves)


def match_size(slide: Slide, ids: Sequence[str], side: Side) -> Slide:
    """Return `slide` with all `ids` as wide, as high, or both, as the first of them."""
    by_id = {e.id: e for e in slide.elements}
    model = by_id.get(ids[0]) if ids else None
    if model is None:
        return slide
    part = {"width": {"w": model.w}, "height": {"h": model.h},
            "both": {"w": model.w, "h": model.h}}[side]
    wanted = set(ids)
    return _with_elements(slide, (
        e.model_copy(update=part)
        if e.id in wanted and not e.locked and not isinstance(e, Group) else e
        for e in slide.elements
    ))


def side_by_side(slide: Slide, ids: Sequence[str], size: SlideSize) -> Slide:
    """Return `slide` with elements in one row within it, all as wide and high as each other.

    They are no wider than the widest was, and keep the shape of the first one; their order is the
    one from left to right. Groups, rotated and locked elements stay as they are. Places are whole
    px. Raises `CannotMake` where fewer than two are left.
    """
    wanted = set(ids)
    row = sorted((e for e in slide.elements if e.id in wanted and not e.locked and not e.turn
                  and not isinstance(e, Group)), key=attrgetter("x", "y"))
    if len(row) < 2:
        raise CannotMake("Select two or more elements that are not locked, rotated or groups.")
    first = next(e for name in ids for e in row if e.id == name)
    gap = math.floor(min(_GAP, size.w / len(row) / 4))
    room = size.w - 2 * min(_MARGIN, size.w / 16) - (len(row) - 1) * gap
    wide = max(math.floor(min(room / len(row), max(e.w for e in row))), 1)
    high = max(min(round(first.h * wide / first.w), size.h), 1)
    middle = sum(e.y + e.h / 2 for e in row) / len(row)
    top = _half_up(min(max(middle - high / 2, 0), size.h - high))
    left = _half_up((size.w - len(row) * wide - (len(row) - 1) * gap) / 2)
    places = {e.id: left + n * (wide + gap) for n, e in enumerate(row)}
    return _with_elements(slide, (
        e.model_copy(update={"x": places[e.id], "y": top, "w": wide, "h": high})
        if e.id in places else e for e in slide.elements
    ))


_MARGIN, _GAP = 48, 24
"""Room (px) beside and between elements in a row, where there is enough."""


def turn(slide: Slide, ids: Iterable[str], degrees: float) -> Slide:
    """Return `slide` with the elements turned clockwise, together around the mean of their middles.

    That point stays where it is however far they are turned, so turning back undoes turning.
    """
    chosen = _movable(slide, ids)
    members = [e for e in slide.elements if e.id in chosen and not isinstance(e, Group)]
    if not members:
        return slide
    middles = [box_of(e).middle for e in members]
    mx, my = (sum(axis) / len(members) for axis in zip(*middles, strict=True))
    angle = math.radians(degrees)
    c, s = math.cos(angle), math.sin(angle)

    def turned(element: Element) -> Element:
        ex, ey = element.x + element.w / 2 - mx, element.y + element.h / 2 - my
        x, y = mx + ex * c - ey * s - element.w / 2, my + ex * s + ey * c - element.h / 2
        return element.model_copy(update={
            "x": _tidy(x), "y": _tidy(y), "turn": _tidy((element.turn + degrees) % 360),
        })

    ids_of = {e.id for e in members}
    return _with_elements(slide, (turned(e) if e.id in ids_of else e for e in slide.elements))


def flip(slide: Slide, ids: Iterable[str], axis: Axis) -> Slide:
    """Return `slide` with the elements mirrored, together around their common middle."""
    chosen = _movable(slide, ids)
    members = [e for e in slide.elements if e.id in chosen and not isinstance(e, Group)]
    if not members:
        return slide
    frame = around(box_of(e) for e in members)

    def flipped(element: Element) -> Element:
        turned = {"turn": _tidy(-element.turn % 360)}
        if axis == "across":
            x = 2 * frame.x + frame.w - element.x - element.w
            return element.model_copy(update={"x": x, "flip_x": not element.flip_x, **turned})
        y = 2 * frame.y + frame.h - element.y - element.h
        return element.model_copy(update={"y": y, "flip_y": not element.flip_y, **turned})

    ids_of = {e.id for e in members}
    return _with_elements(slide, (flipped(e) if e.id in ids_of else e for e in slide.elements))


def restack(slide: Slide, ids: Iterable[str], level: Level) -> Slide:
    """Return `slide` with the elements painted further up or down, keeping their own order."""
    chosen = with_members(slide.elements, ids)
    order = [e.id for e in sorted(slide.elements, key=lambda e: e.z)]
    picked = [name for name in order if name in chosen]
    rest = [name for name in order if name not in chosen]
    if not picked:
        return slide
    match level:
        case "front":
            order = [*rest, *picked]
        case "back":
            order = [*picked, *rest]
        case "forward":
            above = [name for name in order[order.index(picked[-1]) + 1:] if name not in chosen]
            index = rest.index(above[0]) + 1 if above else len(rest)
            order = [*rest[:index], *picked, *rest[index:]]
        case "backward":
            below = [name for name in order[: order.index(picked[0])] if name not in chosen]
            index = rest.index(below[-1]) if below else 0
            order = [*rest[:index], *picked, *rest[index:]]
    levels = {name: z for z, name in enumerate(order)}
    return slide.model_copy(update={"elements": tuple(
        e if e.z == levels[e.id] else e.model_copy(update={"z": levels[e.id]})
        for e in slide.elements
    )})


def slide_box(size: SlideSize) -> Box:
    """Return the whole slide as a box."""
    return Box(0, 0, size.w, size.h)


def _units(slide: Slide, ids: Iterable[str]) -> dict[str, Box]:
    """The boxes of the things that `ids` name; a group is one thing."""
    chosen = set(outermost(slide.elements, ids))
    return {e.id: box_of(e) for e in boxed(slide.elements) if e.id in chosen}


def _movable(slide: Slide, ids: Iterable[str]) -> set[str]:
    locked = {e.id for e in slide.elements if e.locked}
    return with_members(slide.elements, ids) - with_members(slide.elements, locked)


def _moved(slide: Slide, moves: dict[str, tuple[float, float]]) -> Slide:
    """Move units, and with each group its members."""
    by_id: dict[str, tuple[float, float]] = {}
    for name, move in moves.items():
        for member in _movable(slide, [name]):
            by_id[member] = move
    return _with_elements(slide, (
        e.model_copy(update={"x": _tidy(e.x + by_id[e.id][0]), "y": _tidy(e.y + by_id[e.id][1])})
        if by_id.get(e.id, (0, 0)) != (0, 0) else e
        for e in slide.elements
    ))


def _with_elements(slide: Slide, elements: Iterable[Element]) -> Slide:
    return slide.model_copy(update={"elements": boxed(tuple(elements))})


def _to_edge(box: Box, edge: Edge, frame: Box) -> tuple[float, float]:
    match edge:
        case "left":
            return _half_up(frame.x) - box.x, 0
        case "center":
            return _half_up(frame.x + (frame.w - box.w) / 2) - box.x, 0
        case "right":
            return _half_up(frame.right - box.w) - box.x, 0
        case "top":
            return 0, _half_up(frame.y) - box.y
        case "middle":
            return 0, _half_up(frame.y + (frame.h - box.h) / 2) - box.y
        case "bottom":
            return 0, _half_up(frame.bottom - box.h) - box.y


def _half_up(value: float) -> float:
    """Round to a whole px, halves up: the same everywhere, unlike rounding halves to even."""
    return math.floor(value + 0.5)


def _tidy(value: float) -> float:
    """Keep what arithmetic has left over after the fourth decimal out of the document."""
    return round(value, 4) + 0.0
