"""Room for a question's buttons: its answers must not cover them, nor run off the slide."""

from collections.abc import Sequence
from itertools import pairwise
from math import floor
from typing import Any

from zigzag_core.course import Button, Element, Shape, Slide, SlideSize, Text
from zigzag_core.course import questions as q

from .geometry import around, box_of

_MARGIN, _AIR = 24, 24
_LEAST_GAP, _LEAST_HEIGHT = 8, 40
_WIDE = 480
"""A column as wide as this can be two."""


def with_room(slide: Slide, question: str, size: SlideSize) -> Slide:
    """Return `slide` with the buttons of a question below its parts, where they were covered.

    A column of answers that then no longer fits on the slide stands closer, and each is lower,
    as far as words can still be read.
    """
    asked = next(other for other in slide.questions if other.id == question)
    by_id = {e.id: e for e in slide.elements}
    parts = [by_id[name] for name in q.answer_elements(asked)]
    buttons = [by_id[name] for name in (asked.submit, asked.reset) if name in by_id]
    if not parts or not any(_touch(button, part) for button in buttons for part in parts):
        return slide
    column = _column(asked, by_id)
    others = [part for part in parts if part.id not in {e.id for e in column}]
    placed = column
    limit = size.h - _MARGIN - (around(box_of(b) for b in buttons).h + _AIR)
    over = around(box_of(part) for part in parts).bottom - limit
    if column and over > 0:
        placed = _closer(column, over)
        if placed[-1].y + placed[-1].h > limit and column[0].w > _WIDE:
            left, right = _two_columns(column)
            over = left[-1].y + left[-1].h - limit
            placed = _closer(left, over) + _closer(right, over, rows=len(left))
    moved = _below(buttons, around(box_of(e) for e in (*placed, *others)).bottom)
    changed = {e.id: e for e in (*placed, *moved)}
    return slide.model_copy(update={
        "elements": tuple(changed.get(e.id, e) for e in slide.elements)})


def _touch(a: Element, b: Element) -> bool:
    one, other = box_of(a), box_of(b)
    return (one.x < other.right and other.x < one.right
            and one.y < other.bottom and other.y < one.bottom)


def _below(buttons: Sequence[Element], bottom: float) -> list[Element]:
    by = bottom + _AIR - min(button.y for button in buttons)
    return [button.model_copy(update={"y": button.y + by}) for button in buttons]


def _column(asked: q.Question, by_id: dict[str, Element]) -> list[Element]:
    """The words that stand below each other, from the top; none where they stand otherwise."""
    for where in ("choices", "items"):
        found = [by_id[part.element] for part in getattr(asked, where, ())]
        if len(found) > 1 and all(isinstance(e, Text | Shape | Button) for e in found) \
                and len({round(e.x) for e in found}) == 1:
            return sorted(found, key=lambda e: e.y)
    return []


def _two_columns(column: list[Element]) -> tuple[list[Element], list[Element]]:
    """The column as two, each half as wide; the second one read after the first."""
    half = (len(column) + 1) // 2
    w = (column[0].w - _AIR) / 2
    left = [e.model_copy(update={"w": w}) for e in column[:half]]
    right = [
        e.model_copy(update={"w": w, "x": e.x + w + _AIR, "y": beside.y, "h": beside.h})
        for e, beside in zip(column[half:], left, strict=False)]
    return left, right


def _closer(column: list[Element], over: float, rows: int | None = None) -> list[Element]:
    """The column shorter by `over` px, if it can be: gaps first, then heights. With `rows` it is
    as one with so many."""
    if over <= 0 or not column:
        return column
    if rows is not None and rows > len(column):
        last = column[-1]
        step = last.y - column[-2].y if len(column) > 1 else last.h + _LEAST_GAP
        longer = [*column, *(last.model_copy(update={"y": last.y + step * n})
                             for n in range(1, rows - len(column) + 1))]
        return _closer(longer, over)[: len(column)]
    gaps: list[float] = [b.y - a.y - a.h for a, b in pairwise(column)]
    heights = [e.h for e in column]
    spare = sum(max(gap - _LEAST_GAP, 0) for gap in gaps)
    share = min(over / spare, 1) if spare else 0
    gaps = [floor(gap - max(gap - _LEAST_GAP, 0) * share) for gap in gaps]
    left = max(over - spare, 0)
    room = sum(max(h - _LEAST_HEIGHT, 0) for h in heights)
    lower = min(left / room, 1) if room else 0
    heights = [floor(h - max(h - _LEAST_HEIGHT, 0) * lower) for h in heights]
    found: list[Any] = []
    y = column[0].y
    for element, h, gap in zip(column, heights, [*gaps, 0.0], strict=True):
        found.append(element.model_copy(update={"y": y, "h": h}))
        y += h + gap
    return found
