"""What a run tells a SCORM 2004 LMS, in the forms that the standard asks for.

Sources: ADL, *SCORM 2004 4th Edition, Run-Time Environment* (2009), section 4.2; IEEE 1484.11.1.
The twin is `web/player/tracking/scorm2004.ts`.
"""

from collections.abc import Mapping, Sequence
from typing import Any

from zigzag_core.engine import completion, results
from zigzag_core.engine.index import Index
from zigzag_core.engine.objectives import Objective, objectives, objectives_of
from zigzag_core.engine.state import State

from .records12 import decimal
from .records2004 import SHORT, record2004
from .scorm12 import Call, share_of

_RESULTS = {"right": "correct", "wrong": "incorrect", "neutral": "neutral"}
_OF_OBJECTIVE = {
    "passed": ("completed", "passed"), "failed": ("completed", "failed"),
    "completed": ("completed", "unknown"), "incomplete": ("incomplete", "unknown"),
    "not attempted": ("not attempted", "unknown"),
}
"""By the word for both in SCORM 1.2: completion, and success."""


def status_calls(index: Index, state: State, held: Sequence[str] = ()) -> list[Call]:
    """Return the calls that tell where the learner stands, but for the saved progress itself.

    Completion and success are told apart; success only where passing counts, or a rule has marked
    the course. `held` are the names of the objectives that the LMS has already, in its order.
    """
    judged = index.program.completion.passing or bool(state.marked)
    through = completion.gone_through(index, state)
    calls = [
        ("cmi.completion_status", "completed" if through else "incomplete"),
        ("cmi.success_status", state.success if judged else "unknown"),
        ("cmi.progress_measure", decimal(completion.measure(index, state))),
    ]
    reached = results.score(index, state)
    if reached is not None and any(a.attempts for a in state.answers.values()):
        calls += _score("cmi.", reached)
    return [*calls, ("cmi.location", state.slide or ""),
            *_objective_calls(objectives(index, state), held)]


def _score(at: str, percent: float) -> list[Call]:
    return [(f"{at}score.scaled", f"{percent / 100:.4f}".rstrip("0").rstrip(".")),
            (f"{at}score.min", "0"), (f"{at}score.max", "100"),
            (f"{at}score.raw", decimal(percent))]


def _objective_calls(stand: Sequence[Objective], held: Sequence[str]) -> list[Call]:
    """The calls that tell how each quiz and each dialogue stands (section 4.2.17)."""
    names = [*held, *(one.record for one in stand if one.record not in held)]
    calls: list[Call] = []
    for one in stand:
        at = f"cmi.objectives.{names.index(one.record)}."
        if one.record not in held:
            calls.append((at + "id", one.record))
        if one.score is not None:
            calls += _score(at, one.score)
        completed, success = _OF_OBJECTIVE[one.status]
        calls += [(at + "completion_status", completed), (at + "success_status", success)]
    return calls


def interaction_calls(
    index: Index, effect: Mapping[str, Any], number: int, moment: str
) -> list[list[Call]]:
    """Return the calls that record an ``answered`` effect as the interaction `number`, as one list.

    `moment` is when, as ``YYYY-MM-DDThh:mm:ss.ssZ`` with hundredths (section 4.1.1.6).
    """
    grader = index.questions[effect["question"]]
    answer = record2004(grader, tuple((part, value) for part, value in effect["given"]))
    at = f"cmi.interactions.{number}."
    weight = grader.points if grader.purpose == "scored" else 0
    result = share_of(grader, effect) if effect["result"] == "partly" else None
    return [[
        (at + "id", grader.record), (at + "type", answer.type),
        *((f"{at}objectives.{n}.id", name)
          for n, name in enumerate(objectives_of(index, grader.id))),
        (at + "timestamp", moment),
        *((f"{at}correct_responses.{n}.pattern", p) for n, p in enumerate(answer.patterns)),
        (at + "weighting", decimal(weight)),
        # Nothing at all is no answer of most types.
        *([(at + "learner_response", answer.response)] if answer.response else []),
        (at + "result", result or _RESULTS.get(effect["result"], "neutral")),
        (at + "latency", interval(effect["latency"])),
        *([(at + "description", grader.prompt[:SHORT])] if grader.prompt else []),
    ]]


def interval(milliseconds: int) -> str:
    """Return a timeinterval(second,10,2) ``PT1H2M3.45S`` (IEEE 1484.11.1; ISO 8601)."""
    seconds, part = divmod(max(int(milliseconds), 0) // 10, 100)
    minutes, second = divmod(seconds, 60)
    hours, minute = divmod(minutes, 60)
    fraction = f".{part:02d}".rstrip("0") if part else ""
    return (f"PT{f'{hours}H' if hours else ''}{f'{minute}M' if minute else ''}"
            f"{second}{fraction}S")
