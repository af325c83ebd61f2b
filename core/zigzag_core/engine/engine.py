"""The reference engine: a run is a function of program, seed and events.

`step(index, state, event) -> (state, effects)` is pure. The twin of this folder is
`web/player/engine`; traces written from here hold the two together.
"""

from collections.abc import Iterable
from typing import Any

from zigzag_core.program import COURSE
from zigzag_core.program.limits import LIMITS

from . import clock, learner, moving, questions, results
from .expression import evaluate, gate_is_open, is_visible
from .following import follow_up
from .index import Index
from .moving import may_go, slide_before
from .run import Effect, Run
from .state import State
from .values import clipped, fitted, number, to_text, to_yes_no

__all__ = [
    "Effect",
    "Event",
    "choice_order",
    "gate_is_open",
    "is_enabled",
    "is_visible",
    "may_go",
    "run_all",
    "slide_before",
    "start",
    "step",
]

Event = dict[str, Any]


def start(index: Index, seed: int, learner_name: str = "") -> State:
    """Return the state before the first event: nothing seen, variables at their defaults."""
    seed &= 0xFFFFFFFF
    defaults = {v.id: fitted(v, v.default) for v in index.program.variables}
    return State(seed=seed, rng=seed, variables=defaults, learner=clipped(learner_name))


def step(
    index: Index, state: State, event: Event, log: list[dict[str, Any]] | None = None
) -> tuple[State, list[Effect]]:
    """Return the state after `event` and what the outside must do.

    Events: ``start`` (at slide `target`, or the first), ``clicked``, ``double_clicked``,
    ``pointed`` (`away` or at an element), ``key`` (pressed), ``entered`` (`value` into the input
    `target`), ``answered`` (`value` into a `part` of a
    `question`), ``dropped`` (`target` at the offset `x`, `y` px, `on` another element or None),
    ``next``, ``previous``, ``slide`` (to `target`), ``close`` (overlay), ``media`` (`what` is
    started, paused, ended), ``played`` (`since` .. `until` ms), ``pause`` (timing, or go `on`),
    ``tick`` (`ms` have passed), ``resume`` (saved progress goes on), ``more_time`` (limits are
    `factor` as long, 0 is none), ``leave``; and from a rehearsal ``set`` (a variable to a value).
    An event that means nothing here and now changes nothing. Every rule that runs is noted in
    `log`: event, target, rule, whether its condition held.
    """
    run = Run(index, state, log)
    _take(run, event)
    follow_up(run)
    _settle(run)
    return run.state, run.effects


def run_all(index: Index, seed: int, events: Iterable[Event]) -> State:
    """Return the state after all `events` from the beginning."""
    state = start(index, seed)
    for event in events:
        state, _ = step(index, state, event)
    return state


def choice_order(index: Index, state: State, question: str) -> tuple[str, ...]:
    """Return the parts of `question` in the order in which this learner sees them."""
    return questions.order_of(index.questions[question], state)


def is_enabled(index: Index, state: State, element: str) -> bool:
    """Return whether `element` can be clicked, as far as its own condition goes."""
    return to_yes_no(evaluate(index, state, index.elements[element].enabled))


def _take(run: Run, event: Event) -> None:
    kind = event["event"]
    if kind == "start":
        if run.state.slide is None and run.index.order:
            moving.start_timers(run, COURSE)
            moving.enter(run, event.get("target") or run.index.order[0])
        return
    if run.state.slide is None or run.state.ended:
        return
    match kind:
        case "resume":
            moving.resume(run)
        case "tick":
            clock.advance(run, min(max(int(event["ms"]), 0), LIMITS.longest_tick))
        case "clicked":
            learner.click(run, event["target"])
        case "double_clicked":
            learner.double_click(run, event["target"])
        case "pointed":
            learner.point(run, event["target"], event["away"])
        case "key":
            learner.press_key(run, to_text(event["key"]))
        case "entered":
            learner.enter_value(run, event["target"], event["value"])
        case "answered":
            questions.answer(run, event["question"], event["part"], event["value"])
        case "dropped":
            learner.drop(run, event["target"], event["on"], event["x"], event["y"])
        case "media":
            learner.media_event(run, event["target"], event["what"])
        case "played":
            learner.played(run, event["target"], event["since"], event["until"])
        case "next" | "previous":
            moving.go(run, kind, None)
        case "slide":
            _choose_slide(run, event["target"])
        case "close":
            overlay = run.index.overlays.get(event["target"])
            if overlay is not None and (overlay.on_escape or overlay.on_outside):
                moving.close_overlay(run, overlay.id)
        case "pause":
            run.update(paused=not event["on"])
        case "set":
            value = event["value"]
            run.set_variable(event["target"], value)
        case "more_time":
            run.update(more_time=min(max(number(event["factor"]), 0), LIMITS.most_time))
        case "leave":
            moving.go(run, "leave", None)


def _choose_slide(run: Run, slide: str) -> None:
    """The learner wants to go to a certain slide."""
    if may_go(run.index, run.state, slide):
        moving.go(run, "slide", slide)
    elif slide in run.index.position:
        moving.closed(run)


def _settle(run: Run) -> None:
    """Bring gate, completion and success up to date; once completed or passed stays so."""
    index, before = run.index, run.before
    here = run.state.slide
    if here is not None and here not in run.state.opened:
        gate = index.slides[here].gate
        if gate is not None and gate.for_good and run.holds(gate.condition):
            run.update(opened=run.state.opened | {here})
    state = run.state
    if (
        state.visited is before.visited and state.answers is before.answers
        and state.marked == before.marked and state.completed == before.completed
    ):
        return
    success = before.success
    if success != "passed":
        success = state.marked or results.success(index, state)
    if success != state.success:
        run.update(success=success)
    completed = before.completed or state.completed or results.completed(index, run.state)
    if completed != state.completed:
        run.update(completed=completed)
    if success != before.success or completed != before.completed:
        run.effects.append({"effect": "status", "completed": completed, "success": success})
