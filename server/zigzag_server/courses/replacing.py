"""Replacing what was found in a whole course: at once, or by a job where there is much of it."""

from typing import Any

from ninja import Field, Schema
from zigzag_core.course import CourseDocument
from zigzag_core.course.reporting import Progress, untold
from zigzag_core.editing import search as finding

from zigzag_server.problems import Problem

from .edited import between

AT_ONCE = 100
"""In a course of so many slides what is replaced is worked out while somebody waits for it."""


class FindIn(Schema):
    """What to search for in a course."""

    what: finding.What
    text: str = Field(max_length=1_000)
    match_case: bool = False
    whole_words: bool = False


class ReplaceIn(FindIn):
    """`places` are the keys of what was found; None replaces everywhere but in those of `but`."""

    by: str = Field(max_length=1_000)
    places: list[str] | None = Field(default=None, max_length=100_000)
    but: list[str] = Field(default=[], max_length=100_000)


def replaced(
    before: CourseDocument, asked: ReplaceIn, progress: Progress = untold
) -> dict[str, Any]:
    """Return the answer of an edit that replaces what is asked for; raises a 422 `Problem`."""
    try:
        after = finding.replace(
            before, asked.what, asked.text, asked.by, asked.places, asked.match_case,
            asked.whole_words, frozenset(asked.but), progress,
        )
    except ValueError:
        raise Problem(
            422, "bad_replacement",
            f"“{asked.by}” cannot stand there. Nothing was changed.",
        ) from None
    return between(before, after)
