"""What a run tells a cmi5 LMS: statements, without who says them, when, and in which session.

Sources: ADL, *cmi5 Specification Profile for xAPI* (Quartz, 2016), section 9; ADL, *xAPI
1.0.3*, part 2.
The twin is `web/player/tracking/cmi5.ts`.
"""

import math
from collections.abc import Collection, Mapping, Sequence
from typing import Any

from zigzag_core.engine import completion, results
from zigzag_core.engine.index import Index
from zigzag_core.engine.state import State
from zigzag_core.program import Grader

from .records2004 import interaction_definition, record2004
from .scorm2004 import interval

VERB = "http://adlnet.gov/expapi/verbs/"
CMI5 = "https://w3id.org/xapi/cmi5/context/categories/cmi5"
MOVE_ON = "https://w3id.org/xapi/cmi5/context/categories/moveon"
_SUCCESS = {"right": True, "wrong": False, "partly": False}


def statements(
    index: Index, state: State, effects: Sequence[Mapping[str, Any]], told: Collection[str],
    activity: str, duration: int,
) -> list[dict[str, Any]]:
    """Return what has come of an event: the answers, then what is said once in a registration.

    That are *completed*, *passed* and *failed* (section 9.3.3 to 9.3.5), but for those that were
    `told` before; nobody fails who has passed. `activity` is the id of what was launched,
    `duration` the time of the session in ms.
    """
    found = [_answered(index, effect, activity) for effect in effects
             if effect["effect"] == "answered"]
    if completion.gone_through(index, state) and "completed" not in told:
        found.append(_once("completed", activity, {
            "completion": True, "duration": interval(duration)}))
    judged = index.program.completion.passing or bool(state.marked)
    if judged and state.success != "unknown" and "passed" not in told and (
            state.success not in told):
        reached = results.score(index, state)
        score = {} if reached is None else {"score": {
            "scaled": _rounded(reached / 100), "raw": reached, "min": 0, "max": 100}}
        found.append(_once(state.success, activity, {
            "success": state.success == "passed", **score, "duration": interval(duration)}))
    return found


def defined(verb: str, activity: str, result: Mapping[str, Any] | None = None) -> dict[str, Any]:
    """Return a statement that cmi5 defines: *initialized*, *terminated* (9.3.2, 9.3.8)."""
    return {
        "verb": _verb(verb), "object": {"objectType": "Activity", "id": activity},
        **({"result": dict(result)} if result else {}),
        "context": {"contextActivities": {"category": [{"id": CMI5}]}},
    }


def _once(verb: str, activity: str, result: Mapping[str, Any]) -> dict[str, Any]:
    said = defined(verb, activity, result)
    said["context"]["contextActivities"]["category"].append({"id": MOVE_ON})
    return said


def _answered(index: Index, effect: Mapping[str, Any], activity: str) -> dict[str, Any]:
    grader = index.questions[effect["question"]]
    answer = record2004(grader, tuple((part, value) for part, value in effect["given"]))
    result: dict[str, Any] = {"duration": interval(effect["latency"])}
    if answer.response:
        result["response"] = answer.response
    if effect["result"] in _SUCCESS:
        result["success"] = _SUCCESS[effect["result"]]
    if grader.purpose == "scored" and grader.points:
        result["score"] = _score(grader, effect["points"])
    return {
        "verb": _verb("answered"),
        "object": {
            "objectType": "Activity", "id": f"{activity}/questions/{grader.record}",
            "definition": interaction_definition(grader, index.program.language)},
        "result": result,
        "context": {"contextActivities": {"parent": [{"id": activity}]}},
    }


def _score(grader: Grader, points: float) -> dict[str, float]:
    share = max(-1.0, min(points / grader.points, 1.0))
    return {"scaled": _rounded(share), "raw": points, "max": max(grader.points, points)}


def _rounded(share: float) -> float:
    return math.floor(share * 10_000 + 0.5) / 10_000


def _verb(name: str) -> dict[str, Any]:
    return {"id": VERB + name, "display": {"en": name}}
