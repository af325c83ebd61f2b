"""The forms of single values in statements.

Source: ADL, *xAPI 1.0.3*, part 2 (statements) and part 2, 4.1 to 4.6 (special data types).
"""

import re
from collections.abc import Callable, Mapping
from datetime import datetime
from typing import Any
from uuid import UUID

from zigzag_core.errors import BadStatement

Check = Callable[[str, object], None]
"""Raises `BadStatement` where a value, at this path, has not the form that it must have."""

_IRI = re.compile(r"^[A-Za-z][A-Za-z0-9+.-]*:[^\s<>\"{}|\\^`]+$")
_TAG = re.compile(r"^(?:[A-Za-z]{1,8})(?:-[A-Za-z0-9]{1,8})*$")
_UUID = re.compile(r"^[0-9a-fA-F]{8}(?:-[0-9a-fA-F]{4}){3}-[0-9a-fA-F]{12}$")
_SHA1 = re.compile(r"^[0-9a-f]{40}$", re.IGNORECASE)
_SHA2 = re.compile(r"^(?:[0-9a-f]{2}){28,64}$", re.IGNORECASE)
_MAILTO = re.compile(r"^mailto:[^\s@]+@[^\s@]+$")
_MOMENT = re.compile(
    r"^\d{4}-\d\d-\d\dT\d\d:\d\d(?::\d\d(?:[.,]\d+)?)?(?:Z|[+-]\d\d(?::?\d\d)?)?$")
_DURATION = re.compile(
    r"^P(?=\d|T\d)(?:\d+W|(?:\d+(?:\.\d+)?Y)?(?:\d+(?:\.\d+)?M)?(?:\d+(?:\.\d+)?D)?"
    r"(?:T(?:\d+(?:\.\d+)?H)?(?:\d+(?:\.\d+)?M)?(?:\d+(?:\.\d+)?S)?)?)$")


def wrong(at: str, why: str) -> BadStatement:
    """Return the error that names the value at a path."""
    return BadStatement(at, why)


def fields(
    at: str, value: object, known: Mapping[str, Check], required: tuple[str, ...] = ()
) -> dict[str, Any]:
    """Return an object whose fields are all `known` and in form; none is null (part 2, 2.2)."""
    found = an_object(at, value)
    for name in required:
        if name not in found:
            raise wrong(at, f"“{name}” is missing")
    for name, held in found.items():
        if name not in known:
            raise wrong(at, f"“{name}” is not a field of the standard here")
        known[name](f"{at}.{name}" if at else name, held)
    return found


def an_object(at: str, value: object) -> dict[str, Any]:
    """Return an object with fields."""
    if not isinstance(value, dict):
        raise wrong(at, "this is to be an object")
    return value


def a_list(of: Check) -> Check:
    """Return the check of a list of such values."""
    def check(at: str, value: object) -> None:
        if not isinstance(value, list):
            raise wrong(at, "this is to be a list")
        for number, one in enumerate(value):
            of(f"{at}[{number}]", one)
    return check


def one_or_list(of: Check) -> Check:
    """Return the check of a list, for which a single value may stand (part 2, 2.4.6.2)."""
    several = a_list(of)
    return lambda at, value: (several if isinstance(value, list) else of)(at, value)


def matching(pattern: re.Pattern[str], what: str) -> Check:
    """Return the check of a text that matches."""
    def check(at: str, value: object) -> None:
        if not isinstance(value, str) or not pattern.match(value):
            raise wrong(at, f"this is to be {what}")
    return check


def one_of(*words: str) -> Check:
    """Return the check of one of these words."""
    def check(at: str, value: object) -> None:
        if value not in words:
            raise wrong(at, f"this is to be one of {', '.join(words)}")
    return check


def a_text(at: str, value: object) -> None:
    """A text."""
    if not isinstance(value, str):
        raise wrong(at, "this is to be a text")


def a_truth(at: str, value: object) -> None:
    """True or false."""
    if not isinstance(value, bool):
        raise wrong(at, "this is to be true or false")


def a_number(at: str, value: object) -> None:
    """A number."""
    if isinstance(value, bool) or not isinstance(value, int | float):
        raise wrong(at, "this is to be a number")


def a_whole(at: str, value: object) -> None:
    """A whole number that is not below 0."""
    if isinstance(value, bool) or not isinstance(value, int) or value < 0:
        raise wrong(at, "this is to be a whole number")


def a_moment(at: str, value: object) -> None:
    """A moment (ISO 8601; part 2, 4.5); an offset of -00:00 says nothing and is refused."""
    a_text(at, value)
    text = str(value)
    if not _MOMENT.match(text) or text.endswith(("-00", "-0000", "-00:00")):
        raise wrong(at, "this is to be a moment as 2026-11-28T12:00:00Z")
    try:
        datetime.fromisoformat(text.replace(",", "."))
    except ValueError:
        raise wrong(at, "there is no such moment") from None


a_duration: Check = matching(_DURATION, "a duration as PT1H30M")
an_iri: Check = matching(_IRI, "an IRI")
a_mailbox: Check = matching(_MAILTO, "an address as mailto:ines@example.org")
a_sha1: Check = matching(_SHA1, "a SHA-1 sum in hexadecimal")
a_sha2: Check = matching(_SHA2, "a SHA-2 sum in hexadecimal")
a_language: Check = matching(_TAG, "a language tag (RFC 5646)")
a_uuid: Check = matching(_UUID, "a UUID")


def in_languages(at: str, value: object) -> None:
    """A text in languages (part 2, 4.2)."""
    for tag, words in an_object(at, value).items():
        a_language(at, tag)
        a_text(f"{at}.{tag}", words)


def extensions(at: str, value: object) -> None:
    """Values by IRI (part 2, 4.1)."""
    for name in an_object(at, value):
        an_iri(at, name)


def plain_uuid(text: str) -> str:
    """Return a UUID in the form in which ids are compared."""
    return str(UUID(text))
