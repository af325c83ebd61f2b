"""Room for a question's buttons: its answers must not cover them, nor run off the slide."""

from collections.abc import Sequence
from itertools import accumulate, pairwise
from math import floor

from zigzag_core.course import Button, Element, Shape, Slide, SlideSize, Text
from zigzag_core.course import questions as q

from .geometry import Box, around, box_of

_MARGIN, _AIR = 24, 24
_LEAST_GAP, _LEAST_HEIGHT = 8, 40
_LEAST_WIDTH = 220
"""Columns are not made narrower than this."""


def with_room(slide: Slide, question: str, size: SlideSize) -> Slide:
    """Return `slide` with the buttons of a question below its parts, where they were covered.

    A column of answers that then no longer fits on the slide stands closer, and each is lower,
    as far as words can still be read.
    """
    asked = next(other for other in slide.questions if other.id == question)
    by_id = {e.id: e for e in slide.elements}
    parts = [by_id[name] for name in q.answer_elements(asked)]
    buttons = [by_id[name] for name in (asked.submit, asked.reset) if name in by_id]
    if not parts:
        return slide
    column = _column(asked, by_id)
    others = [part for part in parts if part.id not in {e.id for e in column}]
    taken = [*map(box_of, others), *([around(map(box_of, column))] if column else [])]
    if not any(_touch(box_of(button), box) for button in buttons for box in taken):
        return slide
    placed = column
    limit = size.h - _MARGIN - (around(box_of(b) for b in buttons).h + _AIR)
    over = around(taken).bottom - limit
    if column and over > 0:
        w = around(box_of(e) for e in column).w
        most = max(int((w + _AIR) / (_LEAST_WIDTH + _AIR)), 1)
        for count in range(1, most + 1):
            placed = _in_columns(column, count, limit)
            if around(box_of(e) for e in placed).bottom <= limit:
                break
    moved = _below(buttons, around(box_of(e) for e in (*placed, *others)).bottom)
    changed = {e.id: e for e in (*placed, *moved)}
    return slide.model_copy(update={
        "elements": tuple(changed.get(e.id, e) for e in slide.elements)})


def _touch(one: Box, other: Box) -> bool:
    return (one.x < other.right and other.x < one.right
            and one.y < other.bottom and other.y < one.bottom)


def _below(buttons: Sequence[Element], bottom: float) -> list[Element]:
    by = bottom + _AIR - min(button.y for button in buttons)
    return [button.model_copy(update={"y": button.y + by}) for button in buttons]


def _column(asked: q.Question, by_id: dict[str, Element]) -> list[Element]:
    """The words that stand below each other, in one column or several as wide, in the order in
    which they are read; none where they stand otherwise."""
    for where in ("choices", "items"):
        found = [by_id[part.element] for part in getattr(asked, where, ())]
        if len(found) < 2 or not all(isinstance(e, Text | Shape | Button) for e in found) \
                or len({round(e.w) for e in found}) > 1:
            continue
        columns = sorted({round(e.x) for e in found})
        if all(abs(b - a - found[0].w - _AIR) <= 1 for a, b in pairwise(columns)):
            return sorted(found, key=lambda e: (round(e.x), e.y))
    return []


def _in_columns(column: list[Element], count: int, limit: float) -> list[Element]:
    """The column as so many beside each other, read one after the other, as far down as `limit`."""
    rows = -(-len(column) // count)
    left, top = column[0].x, column[0].y
    w = (around(box_of(e) for e in column).right - left + _AIR) / count - _AIR
    gaps = [max(b.y - a.y - a.h, 0) if b.x == a.x else _LEAST_GAP for a, b in pairwise(column)]
    places = _closer([e.h for e in column[:rows]], gaps[: rows - 1], limit - top)
    return [
        e.model_copy(update={"w": w, "x": left + n // rows * (w + _AIR),
                             "y": top + places[n % rows][0], "h": places[n % rows][1]})
        for n, e in enumerate(column)]


def _closer(
    heights: list[float], gaps: list[float], most: float
) -> list[tuple[float, float]]:
    """Where parts with such heights and gaps begin, and how high they are, so that they are no
    longer than `most` px, if that can be: gaps give way first, then heights."""
    over = max(sum(heights) + sum(gaps) - most, 0)
    gaps, over = _shrunk(gaps, _LEAST_GAP, over)
    heights, _ = _shrunk(heights, _LEAST_HEIGHT, over)
    starts = accumulate((h + gap for h, gap in zip(heights, gaps, strict=False)), initial=0.0)
    return list(zip(starts, heights, strict=True))


def _shrunk(lengths: list[float], least: float, over: float) -> tuple[list[float], float]:
    """The lengths shorter by `over` in all, none below `least`; and what is still over."""
    spare = sum(max(length - least, 0) for length in lengths)
    share = min(over / spare, 1) if spare else 0
    return ([floor(length - max(length - least, 0) * share) if share else length
             for length in lengths], max(over - spare, 0))
