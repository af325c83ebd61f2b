"""What a run tells a SCORM 1.2 LMS, in the forms that the standard asks for.

Source: ADL, *SCORM Version 1.2, The SCORM Run-Time Environment* (2001), section 3.4.
The twin is `web/player/tracking/scorm12.ts`.
"""

import math
from collections.abc import Mapping
from typing import Any

from zigzag_core.engine import results
from zigzag_core.engine.index import Index
from zigzag_core.engine.objectives import objectives, objectives_of
from zigzag_core.engine.state import State
from zigzag_core.program import Grader

from .records12 import decimal, record

Call = tuple[str, str]
"""A data element and the value it is set to."""

_RESULTS = {"right": "correct", "wrong": "wrong", "neutral": "neutral"}


def lesson_status(index: Index, state: State) -> str:
    """Return the one status in which SCORM 1.2 holds completion and success together.

    Where passing counts, or a rule has marked the course as passed or failed: *passed* when all is
    done, *failed* as soon as it is final. Where it does not: *completed*, whatever the score.
    """
    if not index.program.completion.passing and not state.marked:
        return "completed" if state.completed else "incomplete"
    if state.completed and state.success == "passed":
        return "passed"
    return "failed" if state.success == "failed" else "incomplete"


def status_calls(index: Index, state: State) -> list[Call]:
    """Return the calls that tell where the learner stands, but for the saved progress itself;
    `cmi.core.score` only once something was answered."""
    calls = [("cmi.core.lesson_status", lesson_status(index, state))]
    reached = results.score(index, state)
    if reached is not None and any(a.attempts for a in state.answers.values()):
        calls += [
            ("cmi.core.score.min", "0"), ("cmi.core.score.max", "100"),
            ("cmi.core.score.raw", decimal(reached)),
        ]
    return [*calls, ("cmi.core.lesson_location", state.slide or ""),
            *_objective_calls(index, state)]


def _objective_calls(index: Index, state: State) -> list[Call]:
    """The calls that tell how each quiz and each dialogue stands (section 3.4.4)."""
    calls: list[Call] = []
    for number, one in enumerate(objectives(index, state)):
        at = f"cmi.objectives.{number}."
        calls.append((at + "id", one.record))
        if one.score is not None:
            calls += [(at + "score.min", "0"), (at + "score.max", "100"),
                      (at + "score.raw", decimal(one.score))]
        calls.append((at + "status", one.status))
    return calls


def interaction_calls(
    index: Index, effect: Mapping[str, Any], number: int, clock: str
) -> list[list[Call]]:
    """Return the calls that record an ``answered`` effect, one list per interaction from `number`.

    It is one interaction, but for an open answer that is longer than a response may be: it goes
    on in further ones, whose ids end in ``.2``, ``.3`` …, and which weigh nothing. `clock` is the
    learner's time of day as ``HH:MM:SS``.
    """
    grader = index.questions[effect["question"]]
    answer = record(grader, tuple((part, value) for part, value in effect["given"]))
    weight = decimal(grader.points if grader.purpose == "scored" else 0)
    result, latency = _result(grader, effect), timespan(effect["latency"])
    interactions, of = [], objectives_of(index, grader.id)
    for position, response in enumerate((answer.response, *answer.more)):
        at = f"cmi.interactions.{number + position}."
        patterns = () if position else answer.patterns
        interactions.append([
            (at + "id", f"{grader.record}.{position + 1}" if position else grader.record),
            *((f"{at}objectives.{n}.id", name) for n, name in enumerate(of)),
            (at + "type", answer.type), (at + "time", clock),
            *((f"{at}correct_responses.{n}.pattern", p) for n, p in enumerate(patterns)),
            (at + "weighting", "0" if position else weight), (at + "student_response", response),
            (at + "result", result), (at + "latency", latency),
        ])
    return interactions


def _result(grader: Grader, effect: Mapping[str, Any]) -> str:
    if effect["result"] != "partly":
        return _RESULTS[effect["result"]]
    return share_of(grader, effect) or "neutral"


def share_of(grader: Grader, effect: Mapping[str, Any]) -> str | None:
    """Return the share of its points that an answer got which is partly right, as a decimal.

    Such an answer is neither *correct* nor *wrong* (1.2: CMIDecimal, section 3.4.4). None where
    there are no points.
    """
    if grader.purpose != "scored" or not grader.points:
        return None
    return decimal(math.floor(max(effect["points"] / grader.points, 0.0) * 100 + 0.5) / 100)


def timespan(milliseconds: int) -> str:
    """Return a CMITimespan ``HHHH:MM:SS.SS``; above 9999:59:59.99 it stays there."""
    hundredths = min(max(int(milliseconds), 0) // 10, 3_599_999_999)
    seconds, part = divmod(hundredths, 100)
    minutes, second = divmod(seconds, 60)
    hour, minute = divmod(minutes, 60)
    return f"{hour:04d}:{minute:02d}:{second:02d}.{part:02d}"
