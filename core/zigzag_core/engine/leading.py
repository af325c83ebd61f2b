"""Clocks that follow a video or audio: they are where it is, however it came there.

So cues keep to what is said or seen also where the sound begins late, stands still, is played
faster or is gone back in.
"""

from zigzag_core.program import Clock

from .following import follow_up
from .moving import reach, set_clock
from .run import Run
from .state import Time


def lead(run: Run, element: str, since: int, until: int) -> None:
    """What follows `element` goes along with what was played, from `since` to `until` (ms).

    Cues on the way are reached in turn; those that were jumped over as well. What is played once
    more is reached once more.
    """
    for owner, clock in _followers(run, element):
        if owner not in _open(run):
            continue
        time = run.state.clocks.get(owner)
        at = time.at if time else -1
        at = since - 1 if since < at else at
        moments = {cue.at for cue in clock.cues} | {clock.length}
        for moment in sorted(moments):
            if at < moment <= until and moment <= clock.length:
                _come_to(run, owner, moment)
                if run.state.ended or owner not in _open(run):
                    return
        set_clock(run, owner, Time(at=min(max(until, 0), clock.length), runs=False))


def lead_on(run: Run, element: str, what: str) -> None:
    """What follows `element` waits for it once it has started; where it is over, time goes on.

    So it does where the element cannot be played at all.
    """
    for owner, clock in _followers(run, element):
        time = run.state.clocks.get(owner)
        if what == "started" and time is not None:
            set_clock(run, owner, Time(at=time.at, runs=False))
        elif what in ("ended", "failed") and (time.at if time else 0) < clock.length:
            set_clock(run, owner, Time(at=time.at if time else 0))


def _open(run: Run) -> tuple[str, ...]:
    return (run.state.slide or "", *run.state.overlays)


def _followers(run: Run, element: str) -> list[tuple[str, Clock]]:
    """The clocks of the slide and of open overlays that follow `element`."""
    clocks = ((owner, run.index.clocks.get(owner)) for owner in _open(run))
    return [(owner, clock) for owner, clock in clocks if clock and clock.follows == element]


def _come_to(run: Run, owner: str, moment: int) -> None:
    clock = run.index.clocks[owner]
    set_clock(run, owner, Time(at=moment, runs=False))
    for cue in clock.cues:
        if cue.at == moment:
            reach(run, owner, cue)
    if moment == clock.length:
        run.raised("timing_ended", owner)
    follow_up(run)
