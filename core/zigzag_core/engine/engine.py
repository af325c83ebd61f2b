"""The reference engine: a run is a function of program, seed and events.

`step(index, state, event) -> (state, effects)` is pure. The twin of this folder is
`web/player/engine`; traces written from here hold the two together.
"""

from collections.abc import Callable, Iterable, Mapping
from typing import Any

from zigzag_core.program import COURSE
from zigzag_core.program.events import Effect, Event, On, Ran, Resume
from zigzag_core.program.limits import LIMITS

from . import (
    clock,
    completion,
    leading,
    learner,
    leaving,
    moving,
    questions,
    quiz_ways,
    quizzes,
    reports,
    results,
)
from .expression import gate_is_open, is_enabled, is_visible
from .following import follow_up
from .index import Index
from .moving import may_go, slide_before
from .opening import open_and_close
from .run import Run
from .state import State
from .values import clipped, first_value, number, to_text

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



def start(index: Index, seed: int, learner_name: str = "", retake: bool = False) -> State:
    """Return the state before the first event: nothing seen, quizzes drawn, variables as given."""
    seed &= 0xFFFFFFFF
    defaults = {v.id: first_value(v, learner_name) for v in index.program.variables}
    return State(seed=seed, rng=seed, draws=quizzes.first_draws(index, seed),
                 variables=defaults, learner=clipped(learner_name), retake=retake)


def step(
    index: Index, state: State, event: Event, log: list[Ran] | None = None
) -> tuple[State, list[Effect]]:
    """Return the state after `event` and what the outside must do.

    Events: ``start`` (at slide `target`, or the first; it is `now`, in a `zone`), ``clicked``,
    ``double_clicked``, ``pointed`` (`away` or at an element), ``key`` (pressed), ``entered``
    (`value` into the input `target`), ``answered`` (`value` into a `part` of a `question`),
    ``dropped`` (`target` at the offset `x`, `y` px, `on` another element or None), ``next``,
    ``previous``, ``slide`` (to `target`), ``close`` (overlay), ``flagged`` (the question on slide
    `target`, `on` or off), ``postpone`` (the question), ``finish`` (the quiz), ``media`` (`what` is
    started, paused, ended, failed), ``played`` (`since` .. `until` ms), ``pause`` (timing, or go
    `on`), ``tick`` (`ms` have passed), ``resume`` (the learner was away; it is `now`),
    ``more_time`` (limits are `factor` as long, 0 is none), ``speed`` (of clocks, in `percent`),
    ``sent`` (the report of an `attempt` at a `quiz` has arrived), ``leave``; and from a rehearsal
    ``set`` (a variable to a value).
    An event that means nothing here and now changes nothing. Every rule that runs is noted in
    `log`: event, target, rule, whether its condition held.
    """
    run = Run(index, state, log)
    _take(run, event)
    follow_up(run)
    if leaving.goes_on(run):
        follow_up(run)
    open_and_close(run)
    if run.index.posting:
        reports.tell_finished(run)
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


def _take(run: Run, event: Event) -> None:
    if event["event"] == "start":
        if run.state.slide is None and run.index.order:
            quizzes.come_back(run, event.get("now", 0), event.get("zone", 0))
            moving.start_timers(run, COURSE)
            wanted = event.get("target")
            if wanted:
                quizzes.leave_whole(run, wanted)
            moving.enter(run, wanted or run.index.ordered(run.state.draws).slides[0])
        return
    if run.state.slide is None or run.state.ended:
        return
    take = _TAKE.get(event["event"])
    if take is not None:
        take(run, event)


def _close(run: Run, event: On) -> None:
    """The learner closes an overlay, where it lets itself be closed."""
    overlay = run.index.overlays.get(event["target"])
    if overlay is not None and (overlay.on_escape or overlay.on_outside):
        moving.close_overlay(run, overlay.id)


def _choose_slide(run: Run, slide: str) -> None:
    """The learner wants to go to a certain slide."""
    if may_go(run.index, run.state, slide):
        leaving.go(run, "slide", slide)
    elif slide in run.index.position:
        moving.closed(run)


def _media(run: Run, element: str, what: str) -> None:
    """A video or audio was started, paused, has ended or cannot be played."""
    learner.media_event(run, element, what)
    leading.lead_on(run, element, what)


def _played(run: Run, element: str, since: int, until: int) -> None:
    """A stretch of a video or audio was played."""
    stretch = learner.played(run, element, since, until)
    if stretch is not None:
        leading.lead(run, element, *stretch)


def _resume(run: Run, event: Resume) -> None:
    """The learner has been away, from the course or only from a machine that slept."""
    if "now" in event:
        quizzes.come_back(run, event["now"], event.get("zone", 0))
    moving.resume(run)
    reports.tell_unsent(run)


def _go_past(run: Run, slide: str | None) -> None:
    """The learner leaves a question of a quiz where this is free, whatever its gate says."""
    if slide is not None:
        leaving.go(run, "slide", slide)


_TAKE: Mapping[str, Callable[[Run, Any], None]] = {
    "resume": _resume,
    "tick": lambda run, e: clock.advance(run, min(max(int(e["ms"]), 0), LIMITS.longest_tick)),
    "clicked": lambda run, e: learner.click(run, e["target"]),
    "double_clicked": lambda run, e: learner.double_click(run, e["target"]),
    "pointed": lambda run, e: learner.point(run, e["target"], e["away"]),
    "key": lambda run, e: learner.press_key(run, to_text(e["key"])),
    "entered": lambda run, e: learner.enter_value(run, e["target"], e["value"]),
    "answered": lambda run, e: questions.answer(run, e["question"], e["part"], e["value"]),
    "dropped": lambda run, e: learner.drop(run, e["target"], e["on"], e["x"], e["y"]),
    "media": lambda run, e: _media(run, e["target"], e["what"]),
    "played": lambda run, e: _played(run, e["target"], e["since"], e["until"]),
    "next": lambda run, e: leaving.go(run, "next", None),
    "previous": lambda run, e: leaving.go(run, "previous", None),
    "slide": lambda run, e: _choose_slide(run, e["target"]),
    "close": _close,
    "flagged": lambda run, e: quiz_ways.flag(run, e["target"], e["on"]),
    "postpone": lambda run, e: _go_past(run, quiz_ways.next_open(run.index, run.state)),
    "finish": lambda run, e: _go_past(run, quiz_ways.exit_of(run.index, run.state)),
    "sent": lambda run, e: quizzes.arrived(run, e["quiz"], int(e["attempt"])),
    "pause": lambda run, e: run.update(paused=not e["on"]),
    "set": lambda run, e: run.set_variable(e["target"], e["value"]),
    "more_time": lambda run, e: run.update(
        more_time=min(max(number(e["factor"]), 0), LIMITS.most_time)),
    "speed": lambda run, e: run.update(
        speed=int(min(max(number(e["percent"]), LIMITS.slowest), LIMITS.fastest))),
    "leave": lambda run, e: leaving.go(run, "leave", None),
}
"""What each event from outside does to a run, by its name; a *start* is taken before."""



def _settle(run: Run) -> None:
    """Bring gate, completion and success up to date; once completed or passed stays so."""
    index, before = run.index, run.before
    here = run.state.slide
    if here is not None and here not in run.state.opened:
        gate = index.slides[here].gate
        if gate is not None and gate.for_good and run.holds(gate.condition):
            run.update(opened=run.state.opened | {here})
    state = run.state
    if not completion.may_change(index, before, state):
        return
    success = before.success
    if success != "passed":
        success = state.marked or results.success(index, state)
    if success != state.success:
        run.update(success=success)
    completed = before.completed or state.completed or completion.completed(index, run.state)
    if completed != state.completed:
        run.update(completed=completed)
    if success != before.success or completed != before.completed:
        run.effects.append({"effect": "status", "completed": completed, "success": success})
