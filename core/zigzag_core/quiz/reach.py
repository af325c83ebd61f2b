"""The fewest and the most points that can be reached, over all quizzes that can be drawn."""

from collections.abc import Mapping, Sequence
from itertools import accumulate

from zigzag_core.grading.grade import gives_points
from zigzag_core.program import Grader

from .drawing import Draws, SetDraws


def points_by_slide(questions: Sequence[Grader]) -> dict[str, float]:
    """Return the points that the questions of each slide give at most."""
    found: dict[str, float] = {}
    for question in questions:
        if gives_points(question):
            found[question.slide] = found.get(question.slide, 0.0) + question.points
    return found


def reachable(draws: Draws, points: Mapping[str, float]) -> tuple[float, float]:
    """Return the fewest and the most points that a quiz is worth; what opens and closes it counts.

    `points` are those of each slide.
    """
    fixed = _worth((*draws.quiz.opening, *draws.quiz.closing), points)
    lowest = sorted(_of_set(one, points, -1) for one in draws.sets)[:draws.take]
    highest = sorted((_of_set(one, points, 1) for one in draws.sets), reverse=True)[:draws.take]
    return fixed + sum(lowest), fixed + sum(highest)


def _worth(slides: Sequence[str], points: Mapping[str, float]) -> float:
    return sum(points.get(slide, 0.0) for slide in slides)


def _of_set(one: SetDraws, points: Mapping[str, float], sign: int) -> float:
    """The most (`sign` 1) or the fewest (-1) points that a permitted selection gives."""
    worth = [
        [0.0, *accumulate(sorted(
            (sign * _worth(one.drawn.units[place].slides, points) for place in alike.units),
            reverse=True))]
        for alike in one.selections.classes
    ]
    return sign * one.selections.best(worth)
