"""What a run has come to: points, score, completion and success."""

from typing import Literal

from . import quiz_results
from .index import Index
from .state import State


def points(index: Index, state: State) -> float:
    """Return the points earned so far in scored questions, of quizzes those that count."""
    total = 0.0
    for question, answer in state.answers.items():
        grader = index.questions.get(question)
        if grader is not None and grader.purpose == "scored":
            total += answer.points
    return total + quiz_results.counted_before(index, state)


def score(index: Index, state: State) -> float | None:
    """Return the score in per cent (0..100, two decimals), None where nothing is scored.

    Penalties may take the points below nothing, but never the score. It is the share of all points,
    or made of the results of quizzes.
    """
    if index.program.scoring != "points":
        return quiz_results.course_score(index, state)
    most = index.ordered(state.draws).max_points
    if not most:
        return None
    return int(max(points(index, state) / most, 0) * 10_000 + 0.5) / 100


def slides_seen(index: Index, state: State) -> int:
    """Return how many of the program's slides were visited."""
    return len(state.visited)


def success(index: Index, state: State) -> Literal["unknown", "passed", "failed"]:
    """Return *passed* from the pass mark on, *failed* when no scored question is open any more."""
    reached = score(index, state)
    if reached is None:
        return "unknown"
    if reached >= index.program.pass_mark and not any(
            quiz_results.keeps_from_passing(index, state, quiz)
            for quiz in index.program.quizzes):
        return "passed"
    for grader in index.ordered(state.draws).scored:
        answer = state.answers.get(grader.id)
        is_open = answer is None or not answer.locked
        if is_open and not quiz_results.is_closed(state, grader):
            return "unknown"
    return "failed"
