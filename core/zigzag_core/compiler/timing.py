"""From timing to clocks, and to the spans in which elements are there."""

from collections.abc import Iterable

from zigzag_core import program as p
from zigzag_core.course import Cue, Timing


def program_clock(timing: Timing) -> p.Clock | None:
    """Return the clock of a slide or overlay; None where nothing happens in time."""
    if not timing.length and not timing.cues and timing.follows is None:
        return None
    moments = [moment for cue in timing.cues for moment in _moments(cue)]
    last = max((moment.at for moment in moments), default=0)
    return p.Clock(
        length=max(timing.length, last), starts=timing.starts, repeats=timing.repeats,
        follows=timing.follows,
        cues=tuple(sorted(moments, key=lambda moment: moment.at)),
    )


def _moments(cue: Cue) -> Iterable[p.ClockCue]:
    match cue.does:
        case "appear":
            yield p.ClockCue(id=cue.id, at=cue.at, uncovers=cue.what)
            if cue.until is not None and cue.until > cue.at:
                yield p.ClockCue(id=f"{cue.id}_end", at=cue.until, uncovers=cue.what)
        case "move":
            yield p.ClockCue(id=cue.id, at=cue.at, element=cue.what, move=cue.move)
        case "play":
            yield p.ClockCue(id=cue.id, at=cue.at, element=cue.what, plays=True)
        case "moment":
            yield p.ClockCue(id=cue.id, at=cue.at)


def spans(timing: Timing) -> dict[str, list[p.Span]]:
    """Return, by element, when cues show it."""
    found: dict[str, list[p.Span]] = {}
    for cue in timing.cues:
        if cue.does == "appear" and cue.what:
            until = cue.until if cue.until is not None and cue.until > cue.at else None
            found.setdefault(cue.what, []).append(
                p.Span(at=cue.at, until=until, enters=cue.effect, leaves=cue.leaves_with)
            )
    return found
