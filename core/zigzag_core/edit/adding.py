"""Adding to a slide."""

from zigzag_core.course import IdSource, Slide, SlideSize
from zigzag_core.course.blank import Addition, new_element, new_single_choice

from .copying import Clipping, paste


def add(
    slide: Slide, what: Addition, fresh: IdSource, size: SlideSize,
    at: tuple[float, float] | None = None,
) -> tuple[Slide, tuple[str, ...]]:
    """Return `slide` with `what` added, and the ids of the new elements.

    It is centred at the point `at` (px) as far as it then lies on the slide; without a point, in
    the middle, and a question below the title.
    """
    if what == "single_choice":
        elements, question = new_single_choice(fresh)
        clipping = Clipping(elements=elements, questions=(question,))
    else:
        clipping = Clipping(elements=(new_element(what, fresh),))
    left = min(element.x for element in clipping.elements)
    upper = min(element.y for element in clipping.elements)
    wide = max(element.x + element.w for element in clipping.elements) - left
    high = max(element.y + element.h for element in clipping.elements) - upper
    if at is None and what == "single_choice":
        return paste(slide, clipping, fresh)
    x, y = at if at is not None else (size.w / 2, size.h / 2)
    dx = min(max(round(x - wide / 2), 0), max(size.w - wide, 0)) - left
    dy = min(max(round(y - high / 2), 0), max(size.h - high, 0)) - upper
    return paste(slide, clipping, fresh, dx, dy)
