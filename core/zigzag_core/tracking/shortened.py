"""What saved progress leaves out first where an LMS has no room for all of it.

Never left out is where the learner is, which slides were seen, what was answered where it counts,
variables, and the score. The twin is `web/player/tracking/shortened.ts`.
"""

from collections.abc import Mapping
from dataclasses import replace
from typing import TypeVar

from zigzag_core.engine.index import Index
from zigzag_core.engine.state import Answer, State

T = TypeVar("T")

LEVELS = 4
"""The forms: 0 is whole. Each of the next leaves out more."""

LEFT_OUT = (
    "texts in surveys and in answers that nobody judges, and flags on questions",
    "what was moved, dragged and made to look different on slides that are not shown",
    "what was clicked, shown, hidden and disabled there, and how far videos were watched",
)
"""What each level leaves out beside what the one before it does."""


def shortened(index: Index, state: State, level: int) -> State:
    """Return `state` without what is left out at `level`, from 0 to `LEVELS` - 1."""
    if level >= 1:
        state = replace(state, path=(), flagged=frozenset(), answers={
            question: _without_texts(index, question, answer)
            for question, answer in state.answers.items()
        })
    if level >= 2:
        state = replace(
            state, looks=_here(index, state, state.looks),
            offsets=_here(index, state, state.offsets),
            dropped=_here(index, state, state.dropped),
        )
    if level >= 3:
        state = replace(
            state, clicked=frozenset(_here(index, state, dict.fromkeys(state.clicked))),
            hidden=_here(index, state, state.hidden),
            disabled=_here(index, state, state.disabled),
            watched=_here(index, state, state.watched),
        )
    return state


def _without_texts(index: Index, question: str, answer: Answer) -> Answer:
    """The answer, without its words where it was sent and nothing is judged by them."""
    grader = index.questions.get(question)
    judged = grader is not None and grader.purpose == "scored" and grader.form != "free"
    if judged or not answer.locked:
        return answer
    return replace(answer, given=tuple(
        (part, value) for part, value in answer.given
        if grader and grader.form not in ("free", "texts")))


def _here(index: Index, state: State, values: Mapping[str, T]) -> dict[str, T]:
    """What there is of the slide that is shown."""
    return {name: value for name, value in values.items() if index.home.get(name) == state.slide}
