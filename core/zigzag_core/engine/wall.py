"""What a clock on the wall shows during a run. The twin is `web/player/engine/wall.ts`."""

from datetime import UTC, datetime
from math import isfinite

from zigzag_core.program.limits import LIMITS

from .state import State


def now(state: State) -> int:
    """Return the seconds since 1970 (UTC); 0 where nobody has told them."""
    return (state.epoch + state.time) // 1_000 if state.epoch else 0


def set_to(state: State, seconds: float, zone: float) -> tuple[int, int]:
    """Return the `epoch` and `zone` of a state for which it is now `seconds` since 1970.

    A time that no calendar has is not known.
    """
    known = _is_number(seconds) and 0 < seconds <= LIMITS.last_second
    there = _is_number(zone) and abs(zone) <= LIMITS.farthest_zone
    return (int(seconds) * 1_000 - state.time if known else 0), (int(zone) if there else 0)


def day(state: State, seconds: int) -> str:
    """Return the day at the learner's place, as in ISO 8601; empty where it is not known."""
    if not seconds:
        return ""
    return datetime.fromtimestamp(seconds + state.zone * 60, UTC).date().isoformat()


def _is_number(value: object) -> bool:
    return isinstance(value, int | float) and not isinstance(value, bool) and isfinite(value)
