"""Reading JSON from outside, and what a value in it may be.

JSON has no infinity and no not-a-number, but ``1e400`` is more than a double holds, and
``"\\ud800"`` is half a character: neither can be written again. Source: RFC 8259, 6 and 8.2.
"""

import json
import math

LARGEST_WHOLE = 2**53
"""Whole numbers up to here are the same in all languages; larger ones are read as doubles."""


class NotPlain(ValueError):
    """A text is no JSON, or a value in it could not be kept and given again."""


def read_json(data: bytes) -> object:
    """Return what a JSON text in UTF-8 says. Raises `NotPlain` where that cannot be kept."""
    try:
        text = data.decode()
        found: object = json.loads(
            text, parse_float=_double, parse_int=_whole, parse_constant=_refused)
    except UnicodeDecodeError:
        raise NotPlain("it is not text in UTF-8") from None
    except RecursionError:
        raise NotPlain("it is nested too deeply") from None
    except json.JSONDecodeError as error:
        raise NotPlain(f"it is not JSON: {error.msg.lower()}, at character {error.pos}") from None
    if "\\u" in text:
        _check_texts(found)
    return found


def check_plain(value: object) -> None:
    """Raise `NotPlain` where a number is not finite or a text holds half a character."""
    if isinstance(value, str):
        if not _is_whole_text(value):
            raise NotPlain("a text holds half a character")
    elif isinstance(value, float) and not math.isfinite(value):
        raise NotPlain("a number is too large")
    elif isinstance(value, int) and abs(value) > LARGEST_WHOLE:
        raise NotPlain("a whole number is too large")


def _double(text: str) -> float:
    value = float(text)
    if not math.isfinite(value):
        raise NotPlain("a number is too large")
    return value


def _whole(text: str) -> int | float:
    if len(text) > 400:
        raise NotPlain("a number is too large")
    value = int(text)
    return value if abs(value) <= LARGEST_WHOLE else _double(text)


def _refused(text: str) -> float:
    raise NotPlain(f"{text} is no number that could be kept")


def _check_texts(value: object) -> None:
    """Look through all texts, also the names of fields."""
    if isinstance(value, str):
        check_plain(value)
    elif isinstance(value, dict):
        for name, inner in value.items():
            check_plain(name)
            _check_texts(inner)
    elif isinstance(value, list):
        for inner in value:
            _check_texts(inner)


def _is_whole_text(text: str) -> bool:
    try:
        text.encode()
    except UnicodeEncodeError:
        return False
    return True
