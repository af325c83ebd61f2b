"""Reading documents of every format that was ever written."""

from collections.abc import Callable
from typing import Any

from .document import FORMAT

Raw = dict[str, Any]


class NewerFormat(ValueError):
    """The document was written by a newer Zigzag than this one."""


def migrated(raw: Raw) -> Raw:
    """Return the raw course settings `raw` raised to the present format.

    Raises `NewerFormat` for a number above `FORMAT`, `ValueError` where there is none.
    """
    number = raw.get("format")
    if not isinstance(number, int) or isinstance(number, bool) or number < 1:
        raise ValueError("the course does not say which format it has")
    if number > FORMAT:
        raise NewerFormat(
            f"the course has format {number}; this Zigzag reads formats up to {FORMAT}"
        )
    for step in _STEPS[number - 1:]:
        raw = step(raw)
    return raw


def _to_2(raw: Raw) -> Raw:
    """Format 2 adds sections, theme, styles, layouts and guides; slides only gain settings."""
    return {**raw, "format": 2}


def _to_3(raw: Raw) -> Raw:
    """Format 3 adds overlays, timing, patterns, gates and navigation; all of it may be absent."""
    return {**raw, "format": 3}


def _to_4(raw: Raw) -> Raw:
    """Format 4 adds kinds of questions, captions and blanks; all of it may be absent."""
    return {**raw, "format": 4}


def _to_5(raw: Raw) -> Raw:
    """Format 5 adds the design of feedback and what comes with it; all of it may be absent."""
    return {**raw, "format": 5}


def _to_6(raw: Raw) -> Raw:
    """Format 6 names the cells of answer tables by their parts; the older list is read, too."""
    return {**raw, "format": 6}


_STEPS: tuple[Callable[[Raw], Raw], ...] = (_to_2, _to_3, _to_4, _to_5, _to_6)
"""The function at place n raises format n + 1 by one."""
