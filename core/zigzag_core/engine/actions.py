"""What each action does to a run."""

from collections.abc import Callable, Mapping
from typing import Any

from zigzag_core import program as p

from . import leaving, moving, questions, quizzes
from .run import Run
from .state import Time


def act(run: Run, action: p.Action) -> bool:
    """Do one action at once, and return whether those after it are to be done.

    A *wait* is for `following` to heed.
    """
    if action.do == "draw":
        return quizzes.draw_again(run, action.quiz) or not action.stops
    do = _DO.get(action.do)
    if do is not None:
        do(run, action)
    return True


def _entrance(run: Run, slide: str | None) -> str | None:
    """Where a way leads that the author has set to `slide`."""
    return slide if slide is None else run.index.ordered(run.state.draws).entrance(slide)


def _give_look(run: Run, action: p.SetLook) -> None:
    looks = {k: v for k, v in run.state.looks.items() if k != action.element}
    if action.look is not None and action.element in run.index.elements:
        looks[action.element] = action.look
    run.update(looks=looks)


def _media(run: Run, action: p.PlayMedia) -> None:
    run.effects.append({
        "effect": "media", "element": action.element, "run": action.run, "at": action.at,
    })


def _show(run: Run, name: str, how: str) -> None:
    if name in run.index.overlays:
        if name in run.state.overlays and how != "show":
            moving.close_overlay(run, name)
        elif how != "hide":
            moving.open_overlay(run, name)
    elif name in run.index.elements:
        shown = ["shown", name]
        hide = run.holds(shown) if how == "toggle" else how == "hide"
        run.update(hidden={**run.state.hidden, name: hide})


def _enable(run: Run, name: str) -> None:
    run.update(disabled={k: v for k, v in run.state.disabled.items() if k != name})


def _disable(run: Run, name: str) -> None:
    if name in run.index.elements:
        run.update(disabled={**run.state.disabled, name: True})


def _pick(run: Run, action: p.PickNumber) -> None:
    if action.texts:
        run.set_variable(action.variable, action.texts[run.draw(len(action.texts))])
    else:
        low, high = sorted((int(action.low), int(action.high)))
        run.set_variable(action.variable, float(low + run.draw(high - low + 1)))


def _run_clock(run: Run, owner: str, how: str) -> None:
    if owner not in run.index.clocks or (
        owner != run.state.slide and owner not in run.state.overlays
    ):
        return
    clock = run.index.clocks[owner]
    if clock.follows is not None:
        _run_leader(run, clock.follows, how)
        return
    now = run.state.clocks.get(owner, Time(runs=False))
    if how == "stop":
        moving.set_clock(run, owner, Time(at=now.at, runs=False))
    elif how == "restart" or (now.at >= clock.length and not now.runs):
        moving.set_clock(run, owner, Time())
    elif not now.runs:
        moving.set_clock(run, owner, Time(at=now.at))


def _run_leader(run: Run, element: str, how: str) -> None:
    """Start, stop or restart a timing: what leads it is what starts and stops."""
    if how == "restart":
        run.effects.append({"effect": "media", "element": element, "run": "seek", "at": 0})
    run.effects.append({"effect": "media", "element": element, "at": 0,
                        "run": "pause" if how == "stop" else "play"})


def _mark(run: Run, status: str) -> None:
    if status == "completed":
        run.update(completed=True)
    elif run.state.marked != "passed":
        run.update(marked=status)


_DO: Mapping[str, Callable[[Run, Any], None]] = {
    "go": lambda run, a: leaving.go(run, a.to, _entrance(run, a.slide), offer_back=a.back),
    "stay": lambda run, a: run.update(leaving=None),
    "enter": lambda run, a: moving.enter(run, _entrance(run, a.slide) or a.slide),
    **dict.fromkeys(("show", "hide", "toggle"), lambda run, a: _show(run, a.element, a.do)),
    "enable": lambda run, a: _enable(run, a.element),
    "disable": lambda run, a: _disable(run, a.element),
    "look": _give_look,
    "set": lambda run, a: run.set_variable(a.variable, a.value),
    "pick": _pick,
    "open": lambda run, a: moving.open_overlay(run, a.overlay),
    "close": lambda run, a: moving.close_overlay(run, a.overlay),
    "choose": lambda run, a: questions.choose(run, a.question, a.part),
    "submit": lambda run, a: questions.submit(run, a.question),
    "reset": lambda run, a: questions.reset(run, a.question, a.answer_only),
    "clear": lambda run, a: moving.clear(run, a),
    "move": lambda run, a: moving.start_move(run, a.element, a.move),
    "clock": lambda run, a: _run_clock(run, a.of, a.run),
    "mark": lambda run, a: _mark(run, a.status),
    "media": _media,
    "sound": lambda run, a: run.effects.append({"effect": "sound", "media": a.media}),
    "link": lambda run, a: run.effects.append({"effect": "link", "address": a.address}),
    "print": lambda run, a: run.effects.append({"effect": "print"}),
    "announce": lambda run, a: run.effects.append({"effect": "announce", "text": a.text}),
}
"""What each action of a program does, by its name."""
