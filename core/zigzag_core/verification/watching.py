"""The events by which a video or audio is watched."""

from collections.abc import Iterator

from zigzag_core.program.events import Event
from zigzag_core.program.limits import LIMITS


def watching(element: str, since: int, until: int, ends: bool) -> Iterator[Event]:
    """Yield the events of playing `element` from `since` to `until` (ms): there it `ends`, or is
    paused."""
    step = LIMITS.longest_stretch
    yield {"event": "media", "target": element, "what": "started"}
    for start in range(since, until, step):
        yield {"event": "played", "target": element, "since": start,
               "until": min(start + step, until)}
    yield {"event": "media", "target": element, "what": "paused"}
    if ends:
        yield {"event": "media", "target": element, "what": "ended"}
