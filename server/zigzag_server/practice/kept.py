"""What of a visit is kept, in the same form for each standard."""

from dataclasses import dataclass
from typing import Any

MOST_OBJECTIVES = 1_000


@dataclass(frozen=True)
class Kept:
    """How an attempt stands after a commit: `core` is the data model with which it goes on.

    `status` is one word for completion and success, as in SCORM 1.2; None where the run-time API
    has sent no such word. `score` is in per cent, `milliseconds` are those of the visit.
    `interactions` are all that the run-time API has, `exit` is how the package leaves.
    """

    core: dict[str, Any]
    status: str | None
    score: float | None
    location: str
    exit: str
    milliseconds: int
    interactions: list[dict[str, Any]]


def number(value: object) -> float | None:
    """Return a number that was sent as a number or as text; None for anything else."""
    if not isinstance(value, str | int | float):
        return None
    try:
        found = float(value)
    except (ValueError, OverflowError):
        return None
    return found if -1e6 < found < 1e6 else None


def short(value: object, longest: int) -> str:
    """Return a text or a number that was sent, as text that is at most so long."""
    return str(value)[:longest] if isinstance(value, str | int | float) else ""


def credit(mode: str) -> str:
    """Return whether a visit in this mode counts, in the words of SCORM."""
    return "credit" if mode == "normal" else "no-credit"
