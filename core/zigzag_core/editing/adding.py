"""Adding to a slide."""

import math
from collections.abc import Callable, Collection

from zigzag_core.course import (
    Audio,
    Element,
    IdSource,
    MediaFile,
    Picture,
    Slide,
    SlideSize,
    Variable,
    Video,
)
from zigzag_core.course.elements.blank import Addition, Styles, new_element
from zigzag_core.course.elements.geometry import Box, around, box_of
from zigzag_core.course.media import SMALL_PICTURE, SMALL_SHOWN
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.course.questions.new_questions import new_question
from zigzag_core.course.style.usual_styles import USUAL_STYLES
from zigzag_core.words import Say, say_english

from .copies.copying import Clipping, paste
from .questions.placement import put_where_free

_STEP = 24
_AIR, _MARGIN = 12, 24
_SMALLER = (1, 0.75, 0.5, 0.35, 0.25)
"""What shows a file may be so much smaller, to stand beside what is there and not on it."""


def add(
    slide: Slide, what: Addition, fresh: IdSource, size: SlideSize,
    at: tuple[float, float] | None = None, styles: Styles = USUAL_STYLES,
    overlay: str | None = None, name: str = "", file: MediaFile | None = None,
    beside: Collection[str] = (), say: Say = say_english,
) -> tuple[Slide, tuple[str, ...], tuple[Variable, ...]]:
    """Return `slide` with `what` added, the ids of the new elements, and new variables for them.

    It is centred at the point `at` (px) as far as it then lies on the slide; without a point, as
    near to the middle as it covers nothing, and a question below the title, or beside or below
    what is there. `styles` are the course's own. It comes onto `overlay` where one is named, and
    an element is called `name`, or by its kind, counted on where that is taken. It is as large
    as suits `file`, where it is to show one; then it lies beside the elements `beside`, and beside
    a picture or video in whose middle it would lie, as near to the point as it can. `say` gives the
    words of a question's button.
    """
    def place(box: Box) -> tuple[float, float] | None:
        if at is None:
            return _free_middle(slide, size, box, overlay)
        there = _within(at, box, size)
        return there if file is None else _beside(slide, there, box, size, overlay, beside)

    variables: tuple[Variable, ...] = ()
    if what in QUESTION_KINDS:
        elements, question = new_question(what, fresh, styles, say)
        clipping = Clipping(elements=elements, questions=(question,))
    else:
        element, variables = new_element(what, fresh, styles)
        named = element.model_copy(update={"name": name}) if name else element
        if file is not None:
            named = _fitting(_sized_for(named, file, size), place)
        clipping = Clipping(elements=(named,))
    box = around(box_of(element) for element in clipping.elements)
    if at is None and clipping.questions:
        return (*put_where_free(slide, clipping, fresh, size, overlay), variables)
    x, y = place(box) or _within(
        _free_centre(slide, overlay, at or (size.w / 2, size.h / 2), size.h), box, size)
    dx, dy = round(x - box.w / 2) - box.x, round(y - box.h / 2) - box.y
    return (*paste(slide, clipping, fresh, dx, dy, overlay), variables)


def _sized_for(element: Element, file: MediaFile, size: SlideSize) -> Element:
    """The element in the proportions of what it will show; small pictures stay small."""
    if not isinstance(element, Picture | Video) or not file.w or not file.h:
        return element
    small = isinstance(element, Picture) and file.w < SMALL_PICTURE
    w = SMALL_SHOWN if small else element.w
    w = min(w, size.h * file.w / file.h)
    return element.model_copy(update={"w": round(w), "h": round(w * file.h / file.w)})


def _fitting(
    element: Element, place: Callable[[Box], tuple[float, float] | None]
) -> Element:
    """The element, smaller where it then finds a place and would not find one otherwise."""
    for share in _SMALLER:
        smaller = element.model_copy(update={
            "w": round(element.w * share), "h": round(element.h * share)})
        if place(box_of(smaller)):
            return smaller
    return element


def _within(at: tuple[float, float], box: Box, size: SlideSize) -> tuple[float, float]:
    """The middle (px) nearest to `at` with which `box` lies on the slide, as far as it fits."""
    x = min(max(at[0], box.w / 2), max(size.w - box.w / 2, box.w / 2))
    y = min(max(at[1], box.h / 2), max(size.h - box.h / 2, box.h / 2))
    return x, y


def _beside(
    slide: Slide, at: tuple[float, float], box: Box, size: SlideSize, overlay: str | None,
    beside: Collection[str],
) -> tuple[float, float] | None:
    """The middle (px) nearest to `at` at which `box` covers no file that it must not cover."""
    here = Box(at[0] - box.w / 2, at[1] - box.h / 2, box.w, box.h)
    files = [(e.id in beside, box_of(e)) for e in slide.elements
             if isinstance(e, Picture | Video | Audio) and e.overlay == overlay]
    covered = any(math.dist(there.middle, at) < _STEP or (kept and there.touches(here))
                  for kept, there in files)
    if not covered:
        return at
    return _free_place([there for _, there in files], size, box, at)


def _boxes(slide: Slide, overlay: str | None) -> list[Box]:
    return [box_of(e) for e in slide.elements if e.overlay == overlay and e.kind != "group"]


def _free_middle(
    slide: Slide, size: SlideSize, box: Box, overlay: str | None
) -> tuple[float, float] | None:
    """The position (px) nearest to the middle at which `box` covers nothing; None without one."""
    return _free_place(_boxes(slide, overlay), size, box, (size.w / 2, size.h / 2))


def _free_place(
    boxes: list[Box], size: SlideSize, box: Box, near: tuple[float, float]
) -> tuple[float, float] | None:
    """The position (px) nearest to `near` at which `box` covers none of `boxes`; None without one.

    A ground that fills the slide covers nothing by being under it.
    """
    there = [b for b in boxes if b.w * b.h < size.w * size.h / 2]
    middle = size.w / 2, size.h / 2
    places = [
        (x, y)
        for x in _steps(middle[0], box.w / 2 + _MARGIN, size.w)
        for y in _steps(middle[1], box.h / 2 + _MARGIN, size.h)
    ]
    places.sort(key=lambda place: (math.dist(place, near), place))
    for x, y in places:
        around_it = Box(x - box.w / 2 - _AIR, y - box.h / 2 - _AIR,
                        box.w + 2 * _AIR, box.h + 2 * _AIR)
        if not any(around_it.touches(other) for other in there):
            return x, y
    return None


def _free_centre(
    slide: Slide, overlay: str | None, near: tuple[float, float], lowest: float
) -> tuple[float, float]:
    """The position (px) near to `near`, above `lowest`, at which nothing else is centred."""
    taken = {(round(x), round(y)) for x, y in (b.middle for b in _boxes(slide, overlay))}
    x, y = near
    while any(abs(x - tx) < _STEP and abs(y - ty) < _STEP for tx, ty in taken) and y < lowest:
        x, y = x + _STEP, y + _STEP
    return x, y


def _steps(middle: float, margin: float, length: float) -> list[float]:
    """Places from `margin` to `length` - `margin`, steps apart, with the middle among them."""
    n = max(int((length / 2 - margin) // _STEP), 0)
    return [middle + step * _STEP for step in range(-n, n + 1)]
