"""When a run has completed its course. The twin is `web/player/engine/completion.ts`."""

from . import ways
from .expression import gate_is_open
from .index import Index
from .state import State


def completed(index: Index, state: State) -> bool:
    """Return whether all holds that the course asks for: share of slides seen, passing.

    The share is of the slides on the learner's way, or of all. A course of one slide is seen when
    its gate is open.
    """
    rule = index.program.completion
    if rule.passing and state.success != "passed":
        return False
    if rule.slides_share is None:
        return True
    if len(index.order) == 1 and not gate_is_open(index, state, index.order[0]):
        return False
    everything = len(index.ordered(state.draws).slides)
    of = everything if rule.slides_of == "all" else ways.way(index, state)
    return len(state.visited) >= rule.slides_share * of - 1e-9


def may_change(index: Index, before: State, state: State) -> bool:
    """Return whether what happened between two states can have completed or decided the course."""
    return not (
        state.visited is before.visited and state.answers is before.answers
        and state.slide == before.slide and state.marked == before.marked
        and state.completed == before.completed and len(index.order) > 1
    )
