"""Judging a response: its result, its points, and the row of the answer table that it takes.

The twin is `web/player/engine/grade.ts`.
"""

import math
from dataclasses import dataclass, replace
from typing import Literal

from zigzag_core.program import Grader
from zigzag_core.words import Say, say_english

from .tally import Given, Tally, measure

Result = Literal["right", "partly", "wrong", "neutral"]


@dataclass(frozen=True)
class Judgement:
    """The result of one submission, the points it gives, and its row (from 1; 0 is none)."""

    result: Result
    points: float
    row: int
    tally: Tally


def judge(grader: Grader, given: Given, attempt: int, slips: int = 0) -> Judgement:
    """Judge the response `given` at its `attempt` (from 1), after so many wrong drops (`slips`).

    A survey is neutral and gives no points, and so does what has no right answer. It is *partly*
    right where some of several parts are. The points of a row of the answer table come before all
    others. Right minus wrong may be less than nothing, down to `floor`. An attempt after the first
    gives less: see `attempt_share`.
    """
    row = row_taken(grader, given)
    tally = measure(grader, given)
    tally = replace(tally, wrong=tally.wrong + slips)
    if grader.purpose == "survey" or not is_judged(grader):
        return Judgement("neutral", 0.0, row, tally)
    result: Result = (
        "right" if tally.complete else "partly" if tally.right and tally.of > 1 else "wrong"
    )
    own = grader.rows[row - 1].points if row else None
    earned = own if own is not None else _points(grader, tally, given)
    if earned > 0:
        earned *= attempt_share(grader, attempt)
    return Judgement(result, max(grader.floor, min(earned, grader.points)), row, tally)


def attempt_share(grader: Grader, attempt: int) -> float:
    """Return the share (0..1) of the points that an answer gives at its `attempt` (from 1).

    By the points set for each attempt after the first, the last of them for all further ones;
    else less by `attempt_loss` for each.
    """
    if attempt > 1 and grader.attempt_points:
        most = grader.attempt_points[min(attempt - 2, len(grader.attempt_points) - 1)]
        return min(most / grader.points, 1.0) if grader.points else 0.0
    return max(0.0, 1 - grader.attempt_loss * (attempt - 1))


def row_taken(grader: Grader, given: Given) -> int:
    """Return the number (from 1) of the first row of the answer table that holds; 0 for none.

    A part counts as given where anything is in it.
    """
    if not grader.rows:
        return 0
    inside = dict(given)
    plain = grader.form in ("choose", "spots")
    had = {part for part, value in inside.items() if plain or value}
    signs = ["y" if part.id in had else "n" for part in grader.parts]
    count = signs.count("y")
    for number, row in enumerate(grader.rows, 1):
        if count >= row.at_least and all(
            asked in (".", sign) for asked, sign in zip(row.asks, signs, strict=False)
        ) and all((inside.get(part, "") == value) == same for part, value, same in row.within):
            return number
    return 0


def is_judged(grader: Grader) -> bool:
    """Return whether anything can be right in it."""
    return grader.form not in ("free", "scale") and any(
        part.right or part.accepts is not None or grader.form == "order" for part in grader.parts
    )


def gives_points(grader: Grader) -> bool:
    """Return whether a question counts towards the points that can be reached.

    An open answer does not: it has none until it is marked.
    """
    return grader.purpose == "scored" and grader.points > 0 and is_judged(grader)


def most_of(grader: Grader) -> float:
    """Return what a question adds to the points that can be reached."""
    if not gives_points(grader):
        return 0.0
    return grader.points if grader.most is None else grader.most


def _points(grader: Grader, tally: Tally, given: Given) -> float:
    if grader.partial == "per_answer":
        chosen = {part for part, _ in given}
        total = 0.0
        for part in grader.parts:
            # A wrong answer or place may cost; of the other parts the right ones count.
            if part.id in (chosen if grader.form in ("choose", "spots") else tally.parts):
                total += part.points
        return total
    if tally.complete:
        return grader.points
    share = 0.0
    if tally.of and grader.partial == "right_parts":
        # Of all that was given: who ticks everything must not have it all.
        share = tally.right / max(tally.of, tally.right + tally.wrong)
    elif tally.of and grader.partial == "right_minus_wrong":
        share = (tally.right - tally.wrong) / tally.of
    return grader.points * share - (grader.penalty if share <= 0 else 0)


def verdict(
    grader: Grader, result: Result | None, points: float, tally: Tally, attempt: int = 1,
    say: Say = say_english,
) -> str:
    """Return in words how it was judged: ``3 of 4 right, 1 wrong: 2 of 4 points``.

    With one part only: ``Right: 5 of 5 points``. What a later `attempt` gives less is said. `say`
    gives the player's words.
    """
    if result in (None, "neutral"):
        return say("not_judged")
    words = _counted(result, tally, say)
    if grader.purpose != "scored":
        return words
    if points < 0:
        key = "taken_away_one" if points == -1 else "taken_away"
        return say(key, words=words, points=_hundredths(-points))
    key = "earned_of_one" if grader.points == 1 else "earned"
    words = say(key, words=words, points=_hundredths(points), full=_hundredths(grader.points))
    share = attempt_share(grader, attempt)
    if share == 1 or tally.right == 0:
        return words
    return say("attempt_gives", words=words, attempt=attempt, percent=_hundredths(share * 100))


def _counted(result: Result | None, tally: Tally, say: Say) -> str:
    """How much was right and wrong, in words."""
    if tally.of == 1 and tally.right + tally.wrong <= 1:
        return say("right" if result == "right" else "not_right")
    key = "right_and_wrong" if tally.wrong else "right_of"
    return say(key, right=tally.right, of=tally.of, wrong=tally.wrong)


def _hundredths(value: float) -> str:
    """The number with at most two decimals, halves rounded up."""
    text = f"{math.floor(value * 100 + 0.5) / 100:.2f}".rstrip("0").rstrip(".")
    return "0" if text == "-0" else text
