"""Where a new question goes on a slide that has something on it already."""

from collections.abc import Container, Iterator, Sequence

from zigzag_core.course import (
    Element,
    Group,
    IdSource,
    Picture,
    Slide,
    SlideSize,
    Text,
    plain,
)
from zigzag_core.course.elements.geometry import Box, around, box_of
from zigzag_core.course.questions import question as q

from ..copies.copying import Clipping, paste
from .fitting import MARGIN, SIDE, with_room
from .grid import AIR

_APART = 40
"""How far a question is from what it stands beside (px)."""
_LEAST_WIDTH, _LEAST_HEIGHT = 440, 280
"""A question goes into no smaller place (px)."""
_LEAST_SHARE = 0.4
"""A picture or field is made no lower than this share of its height."""


def put_where_free(
    slide: Slide, clipping: Clipping, fresh: IdSource, size: SlideSize, overlay: str | None
) -> tuple[Slide, tuple[str, ...]]:
    """Return `slide` with the question of `clipping` where it covers nothing, and the ids of its
    elements: where it was made to stand, else below all, to the right or to the left of it,
    smaller if need be. Where there is no such place it stands where it was made to.

    What fills more than half of the slide is a ground, and may be covered.
    """
    own = around(map(box_of, clipping.elements))
    usual = Box(own.x, own.y, own.w, size.h - MARGIN - own.y)
    there = [box for e in slide.elements if e.overlay == overlay and _is_seen(e, size)
             if (box := box_of(e)).touches(usual)]
    for region in _regions(usual, there) if there else ():
        if region.w < _LEAST_WIDTH or region.h < _LEAST_HEIGHT:
            continue
        made, ids = _put_in(region, slide, clipping, fresh, size, overlay)
        new = [box_of(e) for e in made.elements[len(slide.elements):]]
        if all(box.bottom <= size.h and not any(box.touches(other) for other in there)
               for box in new):
            return made, ids
    return paste(slide, clipping, fresh, onto=overlay)


def covers_others(slide: Slide, new: Sequence[str], size: SlideSize) -> bool:
    """Return whether one of the elements `new` covers another of the slide that is no ground."""
    by_id = {e.id: e for e in slide.elements}
    boxes = [(box_of(by_id[name]), by_id[name].overlay) for name in new if name in by_id]
    others = [e for e in slide.elements if e.id not in set(new) and _is_seen(e, size)]
    return any(box.touches(box_of(e)) for box, overlay in boxes for e in others
               if e.overlay == overlay)


def _is_seen(element: Element, size: SlideSize) -> bool:
    """Whether something would be missed if it were covered: no ground, no place left empty."""
    if isinstance(element, Group) or element.w * element.h >= size.w * size.h / 2:
        return False
    if isinstance(element, Text):
        return bool(plain(element.text))
    return not isinstance(element, Picture) or element.media is not None


def _regions(usual: Box, there: Sequence[Box]) -> Iterator[Box]:
    taken = around(there)
    below = taken.bottom + AIR
    yield Box(usual.x, below, usual.w, usual.bottom - below)
    right = taken.right + _APART
    yield Box(right, usual.y, usual.right - right, usual.h)
    yield Box(usual.x, usual.y, taken.x - _APART - usual.x, usual.h)


def _put_in(
    region: Box, slide: Slide, clipping: Clipping, fresh: IdSource, size: SlideSize,
    overlay: str | None,
) -> tuple[Slide, tuple[str, ...]]:
    [asked] = clipping.questions
    buttons = {name for name in (asked.submit, asked.reset) if name}
    elements = fitted(clipping.elements, region, buttons)
    limit = size.h - MARGIN - sum(AIR + e.h for e in elements if e.id == asked.submit)
    elements = _lower(elements, asked, limit)
    elements = [e.model_copy(update={"y": min(e.y, size.h - MARGIN - e.h)})
                if e.id in buttons else e for e in elements]
    small = Clipping(elements=tuple(elements), questions=clipping.questions)
    made, ids = paste(slide, small, fresh, onto=overlay)
    return with_room(made, made.questions[-1].id, size), ids


def fitted(
    elements: Sequence[Element], region: Box, keep: Container[str] = ()
) -> list[Element]:
    """Return `elements` from the upper left corner of `region` on, narrower if it is; those that
    are named in `keep` stay as wide as they are."""
    own = around(map(box_of, elements))
    narrower = min(region.w / own.w, 1)
    return [e.model_copy(update={
        "x": region.x + (e.x - own.x) * narrower, "y": region.y + e.y - own.y,
        "w": e.w if e.id in keep else e.w * narrower,
    }) for e in elements]


def beside(ground: Box, size: SlideSize) -> Box | None:
    """Return the larger place (px) to the right or to the left of `ground`, from its top on, if
    one is wide enough for a question."""
    x = ground.right + _APART
    right = Box(x, ground.y, size.w - SIDE - x, ground.h)
    left = Box(SIDE, ground.y, ground.x - _APART - SIDE, ground.h)
    wider = max(right, left, key=lambda box: box.w)
    return wider if wider.w >= _LEAST_WIDTH else None


def _lower(elements: list[Element], asked: q.Question, limit: float) -> list[Element]:
    """A text, a field or a picture with its places so low that it ends at `limit` (px); lists of
    parts find room by themselves."""
    if any(getattr(asked, where, ()) for where in q.PART_LISTS if where != "spots"):
        return elements
    names = {name for name in (*q.answer_elements(asked), getattr(asked, "on", None)) if name}
    frame = around(box_of(e) for e in elements if e.id in names)
    share = max((limit - frame.y) / frame.h, _LEAST_SHARE)
    if share >= 1:
        return elements
    return [e.model_copy(update={"y": frame.y + (e.y - frame.y) * share, "h": e.h * share})
            if e.id in names else e for e in elements]
