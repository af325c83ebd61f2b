"""Parts of a question laid out anew in columns or rows, so that they fit."""

from collections.abc import Sequence
from itertools import accumulate, pairwise
from math import ceil, floor

from zigzag_core.course import Button, Element, Group, Input, Shape, Text
from zigzag_core.course.elements.geometry import Box, around, box_of

AIR = 24
_GAP = 8
"""No closer do parts stand."""
_LEAST_HEIGHT = 40
_LEAST_WIDTH = 200
"""No narrower are words made."""
_LEAST_INPUT = 600
"""So wide is a statement with the points to rate it on beside it."""
_NEAR = 1.5
"""Places (px) that differ by no more are the same."""


def as_column(parts: Sequence[Element]) -> list[Element]:
    """Return words or inputs that stand below each other, in one column or several as wide, in the
    order in which they are read; nothing where they stand otherwise."""
    if not _are_alike(parts, "w") or not all(_holds_words(e) for e in parts):
        return []
    lefts = sorted({round(e.x) for e in parts})
    if not all(abs(b - a - parts[0].w - AIR) <= _NEAR for a, b in pairwise(lefts)):
        return []
    return sorted(parts, key=lambda e: (round(e.x), e.y))


def as_rows(parts: Sequence[Element]) -> list[Element]:
    """Return parts that stand beside each other, in one row or several, in the order in which they
    are read; nothing where they stand otherwise. One alone is a row."""
    if not parts or any(isinstance(e, Group) for e in parts):
        return []
    if not _are_alike(parts, "w") or not _are_alike(parts, "h"):
        return []
    found = sorted(parts, key=lambda e: (round(e.y), e.x))
    steps = {"x": _step(found, "x"), "y": _step(found, "y")}
    for along, length in (("x", found[0].w), ("y", found[0].h)):
        step = steps[along]
        first = min(getattr(e, along) for e in found)
        if step and (step < length or any(
                abs((away := getattr(e, along) - first) - round(away / step) * step) > _NEAR
                for e in found)):
            return []
    return found


def _step(parts: Sequence[Element], along: str) -> float:
    """The least distance between places of `parts` along an axis; 0 where there is none."""
    places = sorted(getattr(e, along) for e in parts)
    return min((b - a for a, b in pairwise(places) if b - a > _NEAR), default=0)


def _are_alike(parts: Sequence[Element], length: str) -> bool:
    return bool(parts) and all(
        abs(getattr(e, length) - getattr(parts[0], length)) <= _NEAR for e in parts)


def _holds_words(element: Element) -> bool:
    return isinstance(element, Text | Shape | Button | Input)


def in_columns(column: Sequence[Element], limit: float) -> list[Element]:
    """Return a column as so many beside each other, in the width that it has, as it takes to end
    at `limit` (px); as far as words can still be read."""
    box = around(map(box_of, column))
    least = _LEAST_INPUT if any(isinstance(e, Input) for e in column) else _LEAST_WIDTH
    most = max(int((box.w + AIR) / (least + AIR)), 1)
    placed = list(column)
    for count in range(1, most + 1):
        placed = _so_many(column, box, count, limit)
        if around(map(box_of, placed)).bottom <= limit:
            break
    return placed


def _so_many(column: Sequence[Element], box: Box, count: int, limit: float) -> list[Element]:
    rows = ceil(len(column) / count)
    w = (box.w + AIR) / count - AIR
    gaps = [max(b.y - a.y - a.h, 0) if b.x == a.x else _GAP for a, b in pairwise(column)]
    places = _closer([e.h for e in column[:rows]], gaps[: rows - 1], limit - box.y)
    return [_put(e, box.x + n // rows * (w + AIR), w, box.y, places[n % rows])
            for n, e in enumerate(column)]


def in_rows(bands: Sequence[Sequence[Element]], right: float, limit: float) -> list[Element]:
    """Return bands of parts, one below the other as they are, each in as many rows as it takes to
    end at `right` (px); all of it to end at `limit`, as far as it can."""
    grids = [_cells(band, right) for band in bands]
    rows = [ceil(len(band) / each) for band, (each, _, _) in zip(bands, grids, strict=True)]
    between = [max(after[0].y - max(e.y + e.h for e in band), _GAP)
               for band, after in pairwise(bands)]
    heights = [band[0].h for band, count in zip(bands, rows, strict=True) for _ in range(count)]
    gaps = [gap for count, space in zip(rows, [*between, 0], strict=True)
            for gap in (*[_GAP] * (count - 1), space)]
    top = min(e.y for e in bands[0])
    places = iter(_closer(heights, gaps[:-1], limit - top))
    placed = []
    for band, (each, w, gap), count in zip(bands, grids, rows, strict=True):
        left = min(e.x for e in band)
        here = [next(places) for _ in range(count)]
        placed += [_put(e, left + n % each * (w + gap), w, top, here[n // each])
                   for n, e in enumerate(band)]
    return placed


def _cells(band: Sequence[Element], right: float) -> tuple[int, float, float]:
    """How many of `band` go into a row, how wide each is, and the gap between them. Words are
    made narrower, pictures and places are not."""
    w, count = band[0].w, len(band)
    gap = max(_step(band, "x") - w, _GAP)
    room = right - min(e.x for e in band) + gap
    least = min(w, _LEAST_WIDTH) if all(_holds_words(e) for e in band) else w
    each = max(min(int(room / (least + gap)), count), 1)
    each = ceil(count / ceil(count / each))
    return each, min(w, room / each - gap) if least < w else w, gap


def _put(
    element: Element, x: float, w: float, top: float, place: tuple[float, float]
) -> Element:
    return element.model_copy(update={"x": x, "w": w, "y": top + place[0], "h": place[1]})


def _closer(
    heights: list[float], gaps: list[float], most: float
) -> list[tuple[float, float]]:
    """Where parts with such heights and gaps begin, and how high they are, so that they are no
    longer than `most` px, if that can be: gaps give way first, then heights."""
    over = max(sum(heights) + sum(gaps) - most, 0)
    gaps, over = _shrunk(gaps, _GAP, over)
    heights, _ = _shrunk(heights, _LEAST_HEIGHT, over)
    starts = accumulate((h + gap for h, gap in zip(heights, gaps, strict=False)), initial=0.0)
    return list(zip(starts, heights, strict=True))


def _shrunk(lengths: list[float], least: float, over: float) -> tuple[list[float], float]:
    """The lengths shorter by `over` in all, none below `least`; and what is still over."""
    spare = sum(max(length - least, 0) for length in lengths)
    share = min(over / spare, 1) if spare else 0
    return ([floor(length - max(length - least, 0) * share) if share else length
             for length in lengths], max(over - spare, 0))
