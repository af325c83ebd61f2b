"""Judging an answer."""

from dataclasses import dataclass
from typing import Literal

from zigzag_core.program import Grader


@dataclass(frozen=True)
class Judgement:
    """The result of one submission and the points it gives."""

    result: Literal["right", "wrong", "neutral"]
    points: float


def judge(grader: Grader, chosen: tuple[str, ...]) -> Judgement:
    """Judge the `chosen` choices (ids): right when they are exactly the right ones.

    A survey is neutral and gives no points; so does a question without a right answer.
    """
    if grader.purpose == "survey" or not grader.right:
        return Judgement("neutral", 0.0)
    if frozenset(chosen) == frozenset(grader.right):
        return Judgement("right", grader.points)
    return Judgement("wrong", 0.0)
