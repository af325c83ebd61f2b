"""Overlays that open when a condition comes to hold, and close when it holds no longer."""

from zigzag_core.course.rules.expression import Node
from zigzag_core.program.limits import LIMITS

from . import moving
from .expression import evaluate
from .following import follow_up
from .run import Run
from .state import State
from .values import to_yes_no


def open_and_close(run: Run) -> None:
    """Open and close the overlays of this slide whose conditions have changed in this step.

    What the learner has closed stays closed until the condition comes to hold anew. What follows
    from opening and closing may change conditions again, a few times over.
    """
    before = run.before
    for _ in range(LIMITS.deepest):
        now = run.state
        turned = [
            (overlay.id, held) for overlay in run.index.opening.get(now.slide or "", ())
            if (held := _holds(run, now, overlay.opens)) != (
                _same_visit(before, now) and _holds(run, before, overlay.opens))
        ]
        if not turned:
            return
        for name, held in turned:
            (moving.open_overlay if held else moving.close_overlay)(run, name)
        follow_up(run)
        before = now


def _same_visit(before: State, now: State) -> bool:
    return before.slide == now.slide and before.entered == now.entered


def _holds(run: Run, state: State, condition: Node) -> bool:
    return to_yes_no(evaluate(run.index, state, condition))
