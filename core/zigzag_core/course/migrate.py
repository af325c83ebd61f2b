"""Reading documents of every format that was ever written."""

from typing import Any

from .document import FORMAT


class NewerFormat(ValueError):
    """The document was written by a newer Zigzag than this one."""


def migrated(raw: dict[str, Any]) -> dict[str, Any]:
    """Return the raw course settings `raw` raised to the present format.

    Raises `NewerFormat` for a number above `FORMAT`, `ValueError` where there is none.
    Each older format has one function here that raises it by one; format 1 is the first.
    """
    number = raw.get("format")
    if not isinstance(number, int) or isinstance(number, bool) or number < 1:
        raise ValueError("the course does not say which format it has")
    if number > FORMAT:
        raise NewerFormat(
            f"the course has format {number}; this Zigzag reads formats up to {FORMAT}"
        )
    return raw
