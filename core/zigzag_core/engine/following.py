"""Following up: the rules that an event runs, one after the other, and the events they raise."""

from typing import Literal

from zigzag_core.program.limits import LIMITS

from .actions import act
from .index import BoundRule
from .run import Run
from .state import Waiting


def follow_up(run: Run) -> None:
    """Run the rules for all that was raised, first in first out, until nothing is left."""
    while run.queue:
        event, target, detail = run.queue[0]
        matching = run.index.matching(event, target, detail)
        if run.handled >= LIMITS.follow_ups:
            run.queue.clear()
            run.effects.append(
                {"effect": "loop", "rules": [bound.rule.id for bound in matching]}
            )
            return
        run.handled += 1
        run.queue.popleft()
        here = run.state.slide
        for bound in matching:
            if bound.slide is not None and bound.slide != here and event != "slide_left":
                continue
            held = run.holds(bound.rule.condition)
            if run.log is not None:
                run.log.append({
                    "event": event, "target": target, "rule": bound.rule.id, "held": held,
                })
            go_on(run, bound, "then" if held else "otherwise", 0)


def go_on(
    run: Run, bound: BoundRule, branch: Literal["then", "otherwise"], start: int
) -> None:
    """Do the actions of one branch from number `start`, up to a wait."""
    rule = bound.rule
    actions = rule.then if branch == "then" else rule.otherwise
    for number in range(start, len(actions)):
        action = actions[number]
        if action.do == "wait":
            owner = bound.slide or "course"
            if bound.slide is None or bound.slide == run.state.slide:
                wait = Waiting(
                    due=run.state.time + max(action.ms, 1), owner=owner, rule=rule.id,
                    branch=branch, index=number + 1,
                )
                run.update(waiting=(*run.state.waiting, wait))
            return
        if not act(run, action):
            return
