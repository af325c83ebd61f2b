"""Adding to a slide."""

from zigzag_core.course import IdSource, Slide, SlideSize, Variable
from zigzag_core.course.blank import Addition, Styles, new_element, new_single_choice
from zigzag_core.course.usual_styles import USUAL_STYLES

from .copying import Clipping, paste
from .geometry import around, box_of

_STEP = 24


def add(
    slide: Slide, what: Addition, fresh: IdSource, size: SlideSize,
    at: tuple[float, float] | None = None, styles: Styles = USUAL_STYLES,
    overlay: str | None = None,
) -> tuple[Slide, tuple[str, ...], tuple[Variable, ...]]:
    """Return `slide` with `what` added, the ids of the new elements, and new variables for them.

    It is centred at the point `at` (px) as far as it then lies on the slide; without a point, in
    the middle or a step beside what is there already, and a question below the title. `styles`
    are the course's own. It comes onto `overlay` where one is named.
    """
    variables: tuple[Variable, ...] = ()
    if what == "single_choice":
        elements, question = new_single_choice(fresh, styles=styles)
        clipping = Clipping(elements=elements, questions=(question,))
    else:
        element, variables = new_element(what, fresh, styles)
        clipping = Clipping(elements=(element,))
    box = around(box_of(element) for element in clipping.elements)
    if at is None and what == "single_choice":
        return (*paste(slide, clipping, fresh, onto=overlay), variables)
    x, y = at if at is not None else _free_middle(slide, size)
    dx = min(max(round(x - box.w / 2), 0), max(size.w - box.w, 0)) - box.x
    dy = min(max(round(y - box.h / 2), 0), max(size.h - box.h, 0)) - box.y
    return (*paste(slide, clipping, fresh, dx, dy, overlay), variables)


def _free_middle(slide: Slide, size: SlideSize) -> tuple[float, float]:
    """The middle of the slide, or as near to it as nothing else is centred."""
    taken = {(round(x), round(y)) for x, y in (box_of(e).middle for e in slide.elements)}
    x, y = size.w / 2, size.h / 2
    while any(abs(x - tx) < _STEP and abs(y - ty) < _STEP for tx, ty in taken) and y < size.h:
        x, y = x + _STEP, y + _STEP
    return x, y
