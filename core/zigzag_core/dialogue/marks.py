"""The marks of a script: arrows, brackets, and the backslash that takes their meaning away."""

import re
from collections.abc import Iterator
from functools import cache

ARROWS = ("->", "→")
_SPECIAL = ("\\", "[", "]", "→")
_BEHIND_BACKSLASH = re.compile(r"\\(.)", re.DOTALL)


def places(text: str, *marks: str) -> Iterator[tuple[int, str]]:
    """Yield where `marks` stand in `text`, and which, but for those behind a backslash."""
    for found in _either(marks).finditer(text):
        if found[1]:
            yield found.start(), found[1]


@cache
def _either(marks: tuple[str, ...]) -> re.Pattern[str]:
    """A backslash with what stands behind it, or, as the group, one of `marks`."""
    return re.compile(rf"\\.?|({'|'.join(map(re.escape, marks))})", re.DOTALL)


def unmarked(text: str) -> str:
    """Return `text` without backslashes, and without blanks around it."""
    return _BEHIND_BACKSLASH.sub(r"\1", text).strip()


def marked(text: str) -> str:
    """Return `text` so that `unmarked` gives it back, and no mark is found in it."""
    for one in _SPECIAL:
        text = text.replace(one, f"\\{one}")
    return text.replace("->", "\\->")


def parted(text: str) -> tuple[str, str]:
    """Return `text` before its last arrow, and the name behind it (empty: there is none)."""
    found = list(places(text, *ARROWS))
    if not found:
        return text, ""
    at, mark = found[-1]
    return text[:at], unmarked(text[at + len(mark):])


def bracketed(text: str) -> tuple[str, str | None]:
    """Return `text` before the brackets at its end, and what stands in them (None: no brackets)."""
    text = text.rstrip()
    marks = list(places(text, "[", "]"))
    if len(marks) < 2 or marks[-1] != (len(text) - 1, "]") or marks[-2][1] != "[":
        return text, None
    at = marks[-2][0]
    return text[:at], text[at + 1:-1]
