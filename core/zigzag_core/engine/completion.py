"""When a run has completed its course. The twin is `web/player/engine/completion.ts`."""

import math

from . import ways
from .expression import gate_is_open
from .index import Index
from .state import State


def completed(index: Index, state: State) -> bool:
    """Return whether all holds that the course asks for: share of slides seen, passing."""
    if index.program.completion.passing and state.success != "passed":
        return False
    return _seen(index, state)


def gone_through(index: Index, state: State) -> bool:
    """Return whether the course is completed, leaving aside whether it was passed.

    Where only passing counts, it is once the result is final, whatever it is.
    """
    if state.completed:
        return True
    if index.program.completion.slides_share is None:
        return state.success != "unknown"
    return _seen(index, state)


def measure(index: Index, state: State) -> float:
    """Return how far the course was gone through: 0..1 in hundredths, 1 only when it is."""
    if gone_through(index, state):
        return 1.0
    asked = _asked(index, state) * (index.program.completion.slides_share or 1)
    return min(math.floor(100 * len(state.visited) / max(asked, 1) + 1e-9), 99) / 100


def _seen(index: Index, state: State) -> bool:
    """Whether so many slides were seen: of those on the learner's way, or of all.

    A course of one slide is seen when its gate is open.
    """
    share = index.program.completion.slides_share
    if share is None:
        return True
    if len(index.order) == 1 and not gate_is_open(index, state, index.order[0]):
        return False
    return len(state.visited) >= share * _asked(index, state) - 1e-9


def _asked(index: Index, state: State) -> int:
    everything = len(index.ordered(state.draws).slides)
    whole = index.program.completion.slides_of == "all"
    return everything if whole else ways.way(index, state)


def may_change(index: Index, before: State, state: State) -> bool:
    """Return whether what happened between two states can have completed or decided the course."""
    return not (
        state.visited is before.visited and state.answers is before.answers
        and state.slide == before.slide and state.marked == before.marked
        and state.completed == before.completed and len(index.order) > 1
    )
