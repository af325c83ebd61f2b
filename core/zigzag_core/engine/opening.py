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

    What the learner has closed stays closed until the condition comes to hold anew, or the slide
    is entered again. What follows may change conditions again, as far as anything may follow.
    """
    before = run.before
    while run.handled < LIMITS.follow_ups:
        now, fresh = run.state, run.entered
        run.entered = False
        turned = [
            (overlay.id, held) for overlay in run.index.opening.get(now.slide or "", ())
            if (held := _holds(run, now, overlay.opens)) != (
                not fresh and _holds(run, before, overlay.opens))
        ]
        if not turned:
            return
        for name, held in turned:
            (moving.open_overlay if held else moving.close_overlay)(run, name)
        follow_up(run)
        before = now


def _holds(run: Run, state: State, condition: Node) -> bool:
    return to_yes_no(evaluate(run.index, state, condition))
