"""The state of a run: everything that a learner's way through a course has come to."""

from dataclasses import dataclass, field
from typing import Any, Literal

from .values import Value

Success = Literal["unknown", "passed", "failed"]
Result = Literal["right", "wrong", "neutral"]


@dataclass(frozen=True, slots=True)
class Answer:
    """What was done with one question. `since` is the run's time (ms) at the last submission."""

    chosen: tuple[str, ...] = ()
    attempts: int = 0
    result: Result | None = None
    points: float = 0.0
    locked: bool = False
    since: int = 0


@dataclass(frozen=True, slots=True)
class State:
    """`time` is ms spent in the course, `entered` the time when the current slide was entered.

    `visited` lists slides in the order in which they were first seen, `path` those that the
    learner came by and can go back to, the last at its end; `hidden` holds only what
    differs from the program, `looks` only looks that a rule has given.
    """

    seed: int
    rng: int
    time: int = 0
    entered: int = 0
    slide: str | None = None
    visited: tuple[str, ...] = ()
    path: tuple[str, ...] = ()
    clicked: frozenset[str] = frozenset()
    hidden: dict[str, bool] = field(default_factory=dict)
    looks: dict[str, str] = field(default_factory=dict)
    variables: dict[str, Value] = field(default_factory=dict)
    overlays: tuple[str, ...] = ()
    answers: dict[str, Answer] = field(default_factory=dict)
    completed: bool = False
    success: Success = "unknown"
    ended: bool = False


def as_json(state: State) -> dict[str, Any]:
    """Return `state` as plain JSON values, sets sorted, for traces and for other processes."""
    return {
        "seed": state.seed, "rng": state.rng, "time": state.time,
        "entered": state.entered, "slide": state.slide,
        "visited": list(state.visited), "path": list(state.path), "clicked": sorted(state.clicked),
        "hidden": state.hidden, "looks": state.looks, "variables": state.variables,
        "overlays": list(state.overlays),
        "answers": {
            question: {
                "chosen": list(answer.chosen), "attempts": answer.attempts,
                "result": answer.result, "points": answer.points,
                "locked": answer.locked, "since": answer.since,
            }
            for question, answer in state.answers.items()
        },
        "completed": state.completed, "success": state.success, "ended": state.ended,
    }
