"""Leaving a slide: what is judged then is judged first, and said. The twin is `leaving.ts`."""

from . import moving, questions
from .run import Run
from .state import Leaving


def go(run: Run, to: str, slide: str | None, offer_back: bool = False) -> None:
    """Go where a rule or the learner wants to, but for an answer that is judged on leaving.

    That is judged first, so that gates and forks know its result; the learner goes on when the
    feedback is closed.
    """
    stays = to == "slide" and slide in (None, run.state.slide)
    if not stays and not run.state.ended and questions.judge_on_leaving(run):
        run.update(leaving=Leaving(to, slide, offer_back, beside=run.state.overlays))
        return
    run.update(leaving=None)
    moving.go(run, to, slide, offer_back)


def goes_on(run: Run) -> bool:
    """Go on with what was held up, once the feedback is closed; return whether it was so."""
    way = run.state.leaving
    if way is None or not set(run.state.overlays) <= set(way.beside):
        return False
    run.update(leaving=None)
    moving.go(run, way.to, way.slide, way.offer_back)
    return True
