"""Room for the parts of a question: none off the slide, none on its buttons or on others."""

from collections.abc import Mapping, Sequence
from itertools import chain
from math import dist

from zigzag_core.course import Element, Group, Slide, SlideSize
from zigzag_core.course.elements.geometry import Box, around, box_of
from zigzag_core.course.questions import question as q

from .grid import AIR, as_column, as_rows, in_columns, in_rows

MARGIN, SIDE = 24, 80
"""What is left free below, and at most at the side (px)."""
_ASIDE = 24
"""How far apart (px) are the places that are tried for a part."""


def with_room(
    slide: Slide, question: str, size: SlideSize, new: Sequence[str] = ()
) -> Slide:
    """Return `slide` with the parts of a question within it, and its buttons below them.

    Columns and rows of parts that have become too long stand closer, then in more of them, and
    each part is smaller, as far as words can still be read. Parts that stand freely stay; those
    of the elements `new` that lie on others, or off the slide or their ground, find a free place.
    """
    asked = next(other for other in slide.questions if other.id == question)
    by_id = {e.id: e for e in slide.elements}
    buttons = [by_id[name] for name in (asked.submit, asked.reset) if name in by_id]
    ground = by_id.get(getattr(asked, "on", None) or "")
    columns, rows, free = _as_they_stand(asked, by_id)
    limit = _limit(size, buttons, (*columns, *rows))
    if any(_frame(column).bottom > limit or _is_crowded(column, buttons, size)
           for column in columns):
        columns = [in_columns(column, limit) for column in columns]
    if ground is None:
        rows = _rows_with_room(rows, buttons, size, limit)
    parts = {e.id: e for e in (*free, *chain(*columns, *rows))}
    frame = box_of(ground) if ground else Box(0, 0, size.w, size.h)
    parts |= {e.id: e for e in _brought_in(list(parts.values()), new, frame)}
    frames = [*map(box_of, parts.values()), *([frame] if ground else [])]
    changed = parts | {button.id: button for button in _below(buttons, frames)}
    return slide.model_copy(update={
        "elements": tuple(changed.get(e.id, e) for e in slide.elements)})


_Lists = list[list[Element]]


def _as_they_stand(
    asked: q.Question, by_id: Mapping[str, Element]
) -> tuple[_Lists, _Lists, list[Element]]:
    """The parts that stand in columns, those in rows from the top, and those that stand freely."""
    columns, rows = [], []
    for where in q.PART_LISTS:
        parts = [by_id[part.element] for part in getattr(asked, where, ())]
        column = as_column(parts) if len(parts) > 1 else []
        if column:
            columns.append(column)
        elif row := as_rows(parts):
            rows.append(row)
    standing = {e.id for e in chain(*columns, *rows)}
    free = [by_id[name] for name in q.answer_elements(asked) if name not in standing]
    return columns, sorted(rows, key=lambda row: row[0].y), free


def _rows_with_room(
    rows: _Lists, buttons: Sequence[Element], size: SlideSize, limit: float
) -> _Lists:
    """The rows, from the top, with those that are crowded laid out anew, and those that would then
    be covered; all of them where the others take too much room."""
    crowded = [n for n, row in enumerate(rows) if _is_crowded(row, buttons, size)]
    right = size.w - max(min([SIDE, *(row[0].x for row in rows)]), MARGIN)
    laid: list[Element] = []
    while crowded:
        laid = in_rows([rows[n] for n in crowded], right, limit)
        others = [n for n in range(len(rows)) if n not in crowded]
        if _frame(laid).bottom <= limit:
            others = [n for n in others if any(
                box_of(a).touches(box_of(b)) for a in laid for b in rows[n])]
        if not others:
            break
        crowded = sorted((*crowded, *others))
    return [laid, *(row for n, row in enumerate(rows) if n not in crowded)] if laid else rows


def _brought_in(
    parts: Sequence[Element], new: Sequence[str], frame: Box
) -> list[Element]:
    """Those of the `new` parts that lie outside `frame` or on other parts, as near as there is a
    free place within it; where there is none, within it."""
    boxes = {e.id: box_of(e) for e in parts}
    moved: list[Element] = []
    for element in parts:
        box = boxes[element.id]
        others = [other for name, other in boxes.items() if name != element.id]
        if element.id not in new or isinstance(element, Group) or not (
                _leaves(box, frame) or any(box.touches(other) for other in others)):
            continue
        places = [Box(x, y, box.w, box.h)
                  for x in _steps(frame.x, frame.right - box.w)
                  for y in _steps(frame.y, frame.bottom - box.h)]
        places.sort(key=lambda place: dist((place.x, place.y), (box.x, box.y)))
        free = (place for place in places if not any(place.touches(other) for other in others))
        place = next(free, places[0])
        boxes[element.id] = place
        moved.append(element.model_copy(update={"x": place.x, "y": place.y}))
    return moved


def _steps(first: float, last: float) -> list[float]:
    return [first + n * _ASIDE for n in range(max(int((last - first) // _ASIDE), 0) + 1)]


def _limit(
    size: SlideSize, buttons: Sequence[Element], grids: Sequence[Sequence[Element]]
) -> float:
    """How far down parts may go (px), with buttons that stand above or below some left room."""
    boxes = [_frame(parts) for parts in grids]
    below = [box_of(b) for b in buttons if any(
        b.x < box.right and box.x < b.x + b.w for box in boxes)]
    return size.h - MARGIN - (around(below).h + AIR if below else 0)


def _is_crowded(
    parts: Sequence[Element], buttons: Sequence[Element], size: SlideSize
) -> bool:
    """Whether a column or rows of parts lie on buttons, or run off the slide."""
    frame = _frame(parts)
    return _lie_on(buttons, [frame]) or _leaves(frame, Box(0, 0, size.w, size.h))


def _frame(parts: Sequence[Element]) -> Box:
    return around(map(box_of, parts))


def _leaves(box: Box, frame: Box) -> bool:
    return (box.x < frame.x or box.y < frame.y
            or box.right > frame.right or box.bottom > frame.bottom)


def _lie_on(buttons: Sequence[Element], boxes: Sequence[Box]) -> bool:
    return any(box_of(button).touches(box) for button in buttons for box in boxes)


def _below(buttons: Sequence[Element], frames: Sequence[Box]) -> list[Element]:
    """The buttons below all `frames`, if they lie on one of them."""
    if not _lie_on(buttons, frames):
        return []
    by = around(frames).bottom + AIR - min(button.y for button in buttons)
    return [button.model_copy(update={"y": button.y + by}) for button in buttons]
