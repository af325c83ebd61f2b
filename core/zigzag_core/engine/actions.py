"""What each action does to a run."""

from typing import Any

from . import moving, questions
from .run import Run
from .state import Time


def act(run: Run, action: Any) -> None:
    """Do one action at once; a *wait* is for `following` to heed."""
    match action.do:
        case "go":
            moving.go(run, action.to, action.slide, offer_back=action.back)
        case "enter":
            moving.enter(run, action.slide)
        case "show" | "hide" | "toggle":
            _show(run, action.element, action.do)
        case "look":
            looks = {k: v for k, v in run.state.looks.items() if k != action.element}
            if action.look is not None and action.element in run.index.elements:
                looks[action.element] = action.look
            run.update(looks=looks)
        case "set":
            run.set_variable(action.variable, action.value)
        case "pick":
            _pick(run, action)
        case "open":
            moving.open_overlay(run, action.overlay)
        case "close":
            moving.close_overlay(run, action.overlay)
        case "choose":
            questions.choose(run, action.question, action.choice)
        case "submit":
            questions.submit(run, action.question)
        case "reset":
            questions.reset(run, action.question, action.answer_only)
        case "clear":
            moving.clear(run, action)
        case "move":
            moving.start_move(run, action.element, action.move)
        case "clock":
            _run_clock(run, action.of, action.run)
        case "mark":
            _mark(run, action.status)
        case "media":
            run.effects.append({
                "effect": "media", "element": action.element, "run": action.run, "at": action.at,
            })
        case "sound":
            run.effects.append({"effect": "sound", "media": action.media})
        case "link":
            run.effects.append({"effect": "link", "address": action.address})
        case "announce":
            run.effects.append({"effect": "announce", "text": action.text})


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


def _pick(run: Run, action: Any) -> None:
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
    now = run.state.clocks.get(owner, Time(runs=False))
    length = run.index.clocks[owner].length
    if how == "stop":
        moving.set_clock(run, owner, Time(at=now.at, runs=False))
    elif how == "restart" or (now.at >= length and not now.runs):
        moving.set_clock(run, owner, Time())
    elif not now.runs:
        moving.set_clock(run, owner, Time(at=now.at))


def _mark(run: Run, status: str) -> None:
    if status == "completed":
        run.update(completed=True)
    elif run.state.marked != "passed":
        run.update(marked=status)
