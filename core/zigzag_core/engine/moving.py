"""Going from slide to slide, opening and closing overlays, beginning again."""

from typing import Any

from zigzag_core.program import COURSE, Clear, ClockCue
from zigzag_core.program.limits import LIMITS

from . import quiz_ways, quizzes
from .expression import gate_is_open
from .geometry import middle
from .index import Index
from .run import Run
from .state import State, Time, Waiting
from .values import first_value, number

_OF_ELEMENTS = ("hidden", "disabled", "looks", "offsets", "moves", "dropped", "positions")
"""The fields of the state that hold what elements have come to on a slide or overlay."""


def slide_before(index: Index, state: State) -> str | None:
    """Return the slide that *previous* leads to: where the learner came from, else the one before.

    After a resume of older progress only the order of the slides is known.
    """
    way = _way_back(index, state)
    return way[-1] if way else None


def _way_back(index: Index, state: State) -> tuple[str, ...]:
    """The slides that the learner can go back through, the nearest last."""
    here = quiz_ways.under_way(index, state)
    if here is not None and here.way == "onward":
        return ()
    path = state.path
    if not path:
        order = index.ordered(state.draws)
        position = order.position.get(state.slide or "", 0)
        path = order.slides[max(position - 1, 0):position]
    while path and quiz_ways.admitted(index, state, path[-1]) != path[-1]:
        path = path[:-1]
    return path


def go(run: Run, to: str, slide: str | None, offer_back: bool = False) -> None:
    """Go where a rule or the learner wants to; a closed gate says why *next* leads nowhere.

    `offer_back` remembers the present slide, for the learner to come back to.
    """
    state, index = run.state, run.index
    if state.ended:
        return
    if to == "leave":
        run.update(ended=True)
        run.effects.append({"effect": "leave"})
        return
    if to == "next":
        if closed(run):
            return
        slide = way_on(run)
    elif to == "previous":
        slide = slide_before(index, state)
    if slide is not None and slide != state.back:
        slide = quiz_ways.admitted(index, state, slide)
    if slide is not None and slide != state.slide:
        if to != "previous" and quizzes.holds_back(run, slide):
            return
        enter(run, slide, back=to == "previous")
        if offer_back and run.state.slide == slide:
            run.update(back=state.slide)


def closed(run: Run) -> bool:
    """Return whether the gate of this slide is closed, and say so."""
    here = run.state.slide or ""
    if gate_is_open(run.index, run.state, here):
        return False
    gate = run.index.slides[here].gate
    lacking = [field.label for field in gate.fields if not run.holds(field.condition)] \
        if gate else []
    message = run.index.say("fill_in_first", names=", ".join(lacking)) if lacking \
        else gate.message if gate else ""
    run.effects.append({"effect": "closed", "slide": here, "message": message})
    return True


def way_on(run: Run) -> str | None:
    """Return where *next* leads: the first fork that holds, else the slide's own way."""
    here = run.state.slide or run.index.order[0]
    order = run.index.ordered(run.state.draws)
    for fork in run.index.slides[here].forks:
        there = order.entrance(fork.slide)
        if there is not None and run.holds(fork.condition):
            return there
    return order.onward.get(here)


def may_go(index: Index, state: State, slide: str) -> bool:
    """Return whether the menu leads to `slide` now.

    What was seen stays open. Else it depends on the course's order, and on every gate before it.
    """
    opens, order = index.program.navigation.order, index.ordered(state.draws)
    if slide not in order.position:
        return False
    if slide != state.back and quiz_ways.admitted(index, state, slide) != slide:
        return False
    if slide in state.visited or quiz_ways.may_choose(index, state, slide):
        return True
    if opens == "seen":
        return False
    earlier = order.slides[:order.position[slide]]
    if any(not gate_is_open(index, state, before) for before in earlier):
        return False
    return opens == "free" or all(before in state.visited for before in earlier)


def enter(run: Run, slide: str, back: bool = False) -> None:
    """Leave the present slide, if there is one, and enter `slide`."""
    state = run.state
    landing = run.index.ordered(state.draws).landing(slide)
    if landing is None:
        return
    slide = landing
    if slide != state.slide:
        quizzes.finish_at(run, slide)
        state = run.state
    path = _way_back(run.index, state)[:-1] if back else state.path
    if state.slide is not None and state.slide != slide:
        if not back:
            path = (*path, state.slide)[-LIMITS.longest_path:]
        run.raised("slide_left", state.slide)
    visited = state.visited if slide in state.visited else (*state.visited, slide)
    run.update(
        slide=slide, visited=visited, path=path, overlays=(), entered=state.time, clocks={},
        moves={}, positions={}, leaving=None,
        waiting=tuple(wait for wait in state.waiting if wait.owner == COURSE),
        back=None if state.back == slide else state.back,
    )
    run.entered = True
    run.raised("slide_entered", slide)
    run.effects.append({"effect": "moved", "slide": slide})
    _begin_clock(run, slide)
    start_timers(run, slide)


def resume(run: Run) -> None:
    """Go on after having been away: with timing as it was, or from its beginning.

    Of a slide that was just entered no timing is known: older progress had none, or the slide that
    was shown is gone.
    """
    state, slide = run.state, run.state.slide
    if slide is not None and state.entered == state.time and not state.clocks and not state.waiting:
        start_timers(run, COURSE)
        _begin_clock(run, slide)
        start_timers(run, slide)


def _begin_clock(run: Run, owner: str) -> None:
    clock = run.index.clocks.get(owner)
    if clock is not None and clock.follows is None:
        set_clock(run, owner, Time(runs=clock.starts))


def open_overlay(run: Run, name: str) -> None:
    """Open an overlay of this slide, above those that are open."""
    if run.index.home.get(name) != run.state.slide or name in run.state.overlays:
        return
    overlay = run.index.overlays[name]
    if overlay.closes_others:
        for other in run.state.overlays:
            close_overlay(run, other)
    if overlay.resets:
        _forget(run, [element.draw.id for element in overlay.elements], _OF_ELEMENTS)
    run.update(overlays=(*run.state.overlays, name))
    run.raised("overlay_opened", name)
    if overlay.resets or name not in run.state.clocks:
        _begin_clock(run, name)
    start_timers(run, name)


def close_overlay(run: Run, name: str) -> None:
    """Close an overlay, if it is open."""
    if name in run.state.overlays:
        run.update(
            overlays=tuple(other for other in run.state.overlays if other != name),
            waiting=tuple(wait for wait in run.state.waiting if wait.owner != name),
        )
        run.raised("overlay_closed", name)


def clear(run: Run, action: Clear) -> None:
    """Bring the named things back to how the course begins."""
    elements = [*action.elements]
    for slide in action.slides:
        elements += run.index.on_slide.get(slide, ())
    _forget(run, elements, (*_OF_ELEMENTS, "watched"))
    state = run.state
    gone = set(elements)
    questions = set(action.questions) - quizzes.kept_answers(run)
    run.update(
        clicked=state.clicked - gone,
        visited=tuple(slide for slide in state.visited if slide not in action.slides),
        opened=state.opened - set(action.slides), flagged=state.flagged - set(action.slides),
        answers={q: answer for q, answer in state.answers.items() if q not in questions},
    )
    fresh = {
        name: first_value(run.index.variables[name], run.state.learner)
        for name in action.variables if name in run.index.variables
    }
    changed = [name for name, value in fresh.items() if run.state.variables.get(name) != value]
    run.update(variables={**run.state.variables, **fresh})
    for name in changed:
        run.raised("variable_changed", name)


def _forget(run: Run, elements: list[str], kinds: tuple[str, ...]) -> None:
    gone = set(elements)
    for kind in kinds:
        before: dict[str, Any] = getattr(run.state, kind)
        if not gone.isdisjoint(before):
            run.update(**{kind: {k: v for k, v in before.items() if k not in gone}})


def reach(run: Run, owner: str, cue: ClockCue) -> None:
    """A cue's moment has come."""
    if cue.uncovers:
        run.update(hidden={k: v for k, v in run.state.hidden.items() if k != cue.uncovers})
    if cue.element and cue.move:
        start_move(run, cue.element, cue.move)
    if cue.element and cue.plays:
        run.effects.append({"effect": "media", "element": cue.element, "run": "play", "at": 0})
    run.raised("cue_reached", owner, cue.id)


def set_clock(run: Run, owner: str, time: Time) -> None:
    """Put a clock to a time; at its very beginning its first cues are reached."""
    run.update(clocks={**run.state.clocks, owner: time})
    if time.at == 0 and time.runs:
        for cue in run.index.clocks[owner].cues:
            if cue.at == 0:
                reach(run, owner, cue)


def start_timers(run: Run, owner: str) -> None:
    """Set off the timers of a slide, an overlay or the course."""
    timers = run.index.timers.get(owner)
    if timers:
        fresh = tuple(
            Waiting(due=run.state.time + max(rule.after, 100), owner=owner, rule=rule.id)
            for rule in timers
        )
        run.update(waiting=(*run.state.waiting, *fresh))


def start_move(run: Run, element: str, name: str) -> None:
    """Begin a move from where the element is; where it ends, the element stays."""
    found = run.index.elements.get(element)
    move = next((m for m in found.draw.moves if m.id == name), None) if found else None
    if move is None:
        return
    x, y = run.state.offsets.get(element, (0.0, 0.0))
    run.update(moves={**run.state.moves, element: (name, run.state.time, x, y)})
    if not move.times:
        return
    end = (move.path[-1].x, move.path[-1].y)
    if move.goes == "by":
        end = (number(x + end[0]), number(y + end[1]))
    elif move.goes == "to":
        there = move.to is not None and move.to in run.index.elements
        end = middle(run.index, run.state, move.to or "", element) if there else (x, y)
    run.update(offsets={**run.state.offsets, element: end})
