"""What comes from outside: what the learner does, and what videos and audio report."""

from zigzag_core.course import Input
from zigzag_core.program import COURSE
from zigzag_core.program.limits import LIMITS

from . import moving
from .at_hand import at_hand
from .geometry import Offset, middle
from .run import Run
from .values import Value, admitted, number, to_number


def click(run: Run, element: str) -> None:
    """A learner clicks an element, if it is at hand; the sets that it is in may be seen in full."""
    if not at_hand(run, element):
        return
    before = run.state.clicked
    if element not in before:
        run.update(clicked=before | {element})
    run.raised("clicked", element)
    if element not in before:
        for seen in run.index.sets_of.get(element, ()):
            if all(other in run.state.clicked for other in seen.of):
                run.raised("all_seen", seen.id)


def point(run: Run, element: str, away: bool) -> None:
    """A learner points at an element, or `away` from it."""
    if at_hand(run, element):
        run.raised("pointed_away" if away else "pointed_at", element)


def double_click(run: Run, element: str) -> None:
    """A learner clicks an element twice, if it is at hand."""
    if at_hand(run, element):
        run.raised("double_clicked", element)


def press_key(run: Run, key: str) -> None:
    """A key goes to the overlays from the top, to the slide unless one blocks it, to the course."""
    blocked = False
    for overlay in reversed(run.state.overlays):
        run.raised("key_pressed", overlay, key)
        if run.index.overlays[overlay].blocks:
            blocked = True
            break
    if not blocked:
        run.raised("key_pressed", run.state.slide or "", key)
    run.raised("key_pressed", COURSE, key)


def enter_value(run: Run, element: str, value: Value) -> None:
    """Keep what was entered, as far as the input and its variable can hold it."""
    if not at_hand(run, element):
        return
    found = run.index.elements[element]
    kept: Value
    if found.control == "wiper":
        name, kept = found.variable, min(max(to_number(value), 0.0), 100.0)
    elif isinstance(found.draw, Input):
        name, kept = found.draw.variable, admitted(found.draw, value)
    else:
        return
    if name in run.index.variables:
        before = run.state.variables.get(name)
        run.set_variable(name, kept)
        if run.state.variables.get(name) != before:
            run.raised("entered", element)


def drop(run: Run, element: str, on: str | None, x: float, y: float) -> None:
    """An element is dropped at the offset (`x`, `y`) px from its place, on a target or not."""
    if not at_hand(run, element):
        return
    drag = run.index.elements[element].draw.drag
    if drag is None:
        return
    offset: Offset | None = (number(x), number(y))
    hit = on in drag.targets and at_hand(run, on or "", to_click=False)
    lies_on = on if hit else None
    if hit and drag.on_target == "snap":
        offset = middle(run.index, run.state, on or "", element)
    elif hit and drag.on_target == "place":
        draw = run.index.elements[element].draw
        offset = (number(drag.x - draw.x), number(drag.y - draw.y))
    elif hit and drag.on_target == "return":
        offset, lies_on = None, None
    elif not hit and drag.elsewhere == "return":
        offset = None
    offsets = {k: v for k, v in run.state.offsets.items() if k != element}
    dropped = {k: v for k, v in run.state.dropped.items() if k != element}
    if offset is not None:
        offsets[element] = offset
    if lies_on is not None:
        dropped[element] = lies_on
    run.update(
        offsets=offsets, dropped=dropped,
        moves={k: v for k, v in run.state.moves.items() if k != element},
    )
    if hit and drag.on_target == "overlay":
        run.update(hidden={**run.state.hidden, element: True})
        moving.open_overlay(run, drag.overlay or "")
    if hit:
        run.raised("dropped", element, on)
    else:
        run.raised("dropped_elsewhere", element)


def media_event(run: Run, element: str, what: str) -> None:
    """A video or sound of the slide has *started*, *paused* or *ended*."""
    if run.index.home.get(element) == run.state.slide and what in ("started", "paused", "ended"):
        if what == "ended":
            run.update(positions={k: v for k, v in run.state.positions.items() if k != element})
        run.raised(f"media_{what}", element)


def played(run: Run, element: str, since: int, until: int) -> tuple[int, int] | None:
    """A video or audio really played from `since` to `until` ms: seeking does not count.

    Returns the stretch; None where it is none, or not on the slide that is shown.
    """
    if run.index.home.get(element) != run.state.slide:
        return None
    since, until = max(int(since), 0), int(until)
    if not 0 < until - since <= LIMITS.longest_stretch:
        return None
    run.update(positions={**run.state.positions, element: until})
    before = run.state.watched.get(element, ())
    watched = merged(before, since, until)
    if watched != before and run.index.keeps_watched(element):
        run.update(watched={**run.state.watched, element: watched})
    for moment in run.index.media_moments.get(element, ()):
        if since <= moment < until:
            run.raised("media_reached", element, str(moment))
    return since, until


def merged(
    stretches: tuple[tuple[int, int], ...], since: int, until: int
) -> tuple[tuple[int, int], ...]:
    """Return `stretches`, in order and apart, with one more."""
    apart = [s for s in stretches if s[1] < since or s[0] > until]
    touched = [s for s in stretches if s[1] >= since and s[0] <= until]
    whole = (min([since, *(s[0] for s in touched)]), max([until, *(s[1] for s in touched)]))
    return tuple(sorted([*apart, whole]))
