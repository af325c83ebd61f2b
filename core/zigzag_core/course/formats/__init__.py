"""Reading documents of every format that was ever written.

A format that only adds what may be absent has no step: older documents are valid in it as they
are. Every other format has a module with the functions that raise the JSON of the format before
it. Such a step is frozen: it knows no model, so that it does the same for ever.
"""

from collections.abc import Callable, Mapping
from typing import Any

from zigzag_core.errors import NewerFormat

from ..document import FORMAT
from . import to_6

Raw = dict[str, Any]
Step = Callable[[Raw], Raw]

_SLIDE_STEPS: Mapping[int, Step] = {6: to_6.slide}
"""By format: how a slide of the format before it is raised."""


def migrated(raw: Raw) -> Raw:
    """Return the raw course settings `raw` raised to the present format.

    Raises `NewerFormat` for a number above `FORMAT`, `ValueError` where there is none.
    """
    _format_of(raw)
    return {**raw, "format": FORMAT}


def migrated_slide(raw: Raw, since: int = 1) -> Raw:
    """Return the raw slide `raw` raised to the present format from the format `since`.

    Slides do not say which format they have. A step changes only what has the older form, so
    that a slide of unknown age is raised from the first format on.
    """
    for number, step in _SLIDE_STEPS.items():
        if number > since:
            raw = step(raw)
    return raw


def _format_of(raw: Raw) -> int:
    number = raw.get("format")
    if not isinstance(number, int) or isinstance(number, bool) or number < 1:
        raise ValueError("the course does not say which format it has")
    if number > FORMAT:
        raise NewerFormat(
            f"the course has format {number}; this Zigzag reads formats up to {FORMAT}"
        )
    return number
