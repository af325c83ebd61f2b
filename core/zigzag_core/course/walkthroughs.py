"""Walkthroughs: a path through the course that was played once and is played again as a test."""

from typing import Annotated, Any, Literal

from pydantic import BeforeValidator, Field

from .json_text import check_plain
from .kinds import Is, Kind, NamesInEvent, RefersBy
from .model import Id, Model, Name

EVENT_KINDS = frozenset({
    "start", "clicked", "double_clicked", "pointed", "key", "entered", "set", "answered", "dropped",
    "next", "previous", "slide", "close", "tick", "media", "played", "pause", "more_time", "speed",
    "resume", "leave", "flagged", "postpone", "finish", "sent",
})
"""All that a run can meet (`program.events`, which stands on a higher floor): all can be kept."""
LONGEST_TEXT = 1_000
"""So many characters an event's text may have; engines cut longer answers themselves."""


def _event(raw: object) -> object:
    """Return `raw` if it is an event of the engine: flat, small, of a known kind."""
    if not isinstance(raw, dict) or raw.get("event") not in EVENT_KINDS or len(raw) > 8:
        raise ValueError("a walkthrough holds something that is not an event")
    for name, value in raw.items():
        if not isinstance(name, str) or not isinstance(value, str | int | float | bool | None):
            raise ValueError("an event of a walkthrough holds something that it cannot")
        check_plain(name)
        check_plain(value)
        if isinstance(value, str) and len(value) > LONGEST_TEXT:
            raise ValueError("an event of a walkthrough holds too long a text")
    return raw


RunEvent = Annotated[dict[str, Any], BeforeValidator(_event), NamesInEvent()]


def _expected_of(expected: "Expected") -> tuple[Kind, ...]:
    match expected.what:
        case "slide":
            return ("slide",)
        case "variable":
            return ("variable",)
        case "points":
            return ("question",)
    return ("element", "overlay")


class Expected(Model):
    """What was so after the event number `after` (from 0): a thing, and how it was."""

    after: Annotated[int, Field(ge=0)]
    what: Literal["slide", "shown", "hidden", "open", "variable", "points", "status"]
    of: Annotated[str, Field(max_length=48), RefersBy(_expected_of, weak=True)] = ""
    value: Annotated[str, Field(max_length=250)] | float | bool | None = None


class Walkthrough(Model):
    """Events in order, and what was to be seen on the way. The first event is a start."""

    id: Annotated[Id, Is("walkthrough")]
    name: Name
    seed: Annotated[int, Field(ge=0, le=2**32 - 1)] = 1
    events: tuple[RunEvent, ...] = Field(default=(), max_length=2_000)
    expected: tuple[Expected, ...] = Field(default=(), max_length=20_000)
