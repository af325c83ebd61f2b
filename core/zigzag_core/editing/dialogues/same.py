"""What of a list is still there in another: so that what is written anew keeps its identity."""

from collections.abc import Hashable, Sequence
from difflib import SequenceMatcher
from typing import TypeVar

from zigzag_core.course import IdSource

T = TypeVar("T")
_MANY = 1_500
"""From so many on, what stands there again and again is not looked at: it would take too long."""


def pairs(
    before: Sequence[T], old: Sequence[Hashable], new: Sequence[Hashable]
) -> list[T | None]:
    """Return for each of `new` the thing of `before` that it is; None where it is a new one.

    `old` are the keys of `before`. What has the same key in the same order is the same; what was
    replaced between two such is the same in its turn.
    """
    found: list[T | None] = [None] * len(new)
    matcher = SequenceMatcher(None, old, new, autojunk=len(new) > _MANY)
    for change, low, high, begin, end in matcher.get_opcodes():
        if change in ("equal", "replace"):
            for place in range(min(high - low, end - begin)):
                found[begin + place] = before[low + place]
    return found


def name_of(thing: T | None, fresh: IdSource) -> str:
    """Return the id of what was there, or a fresh one."""
    return fresh() if thing is None else str(thing.id)  # type: ignore[attr-defined]
