"""The LMS's side of SCORM 2004's data model.

Source: ADL, *SCORM 2004 4th Edition, Run-Time Environment* (2009), section 4.2.
"""

import re
from typing import Any

from zigzag_core.tracking.recorded import listed
from zigzag_core.tracking.scorm2004 import interval

from .kept import MOST_OBJECTIVES, Kept, credit, number, short
from .learners import Learner
from .models import Attempt

_INTERVAL = re.compile(
    r"^P(?:([0-9]{1,6})D)?(?:T(?:([0-9]{1,8})H)?(?:([0-9]{1,8})M)?"
    r"(?:([0-9]{1,10}(?:\.[0-9]{1,6})?)S)?)?$")
_COMPLETION = {"completed", "incomplete", "not attempted", "unknown"}
_SUCCESS = {"passed", "failed", "unknown"}
_SCORE = ("scaled", "raw", "min", "max")


def starting(
    attempt: Attempt, learner: Learner, mode: str, total: int, answered: list[dict[str, Any]]
) -> dict[str, Any]:
    """Return the data with which the run-time API starts, nested as in the standard.

    `total` are the ms of the visits before, `answered` the interactions that were recorded then.
    In another `mode` than *normal* nothing counts.
    """
    before, sco = attempt.core, attempt.sco
    data: dict[str, Any] = {
        "learner_id": learner.key, "learner_name": learner.name,
        "credit": credit(mode), "mode": mode, "entry": "resume" if before else "ab-initio",
        "completion_status": before.get("completion_status", "unknown"),
        "success_status": before.get("success_status", "unknown"),
        "total_time": interval(total), "location": attempt.location,
        "launch_data": sco.launch_data,
    }
    if before:
        data |= {key: before[key] for key in
                 ("suspend_data", "progress_measure", "score", "objectives") if key in before}
        data["interactions"] = answered
    if sco.mastery_score is not None:
        data["scaled_passing_score"] = f"{sco.mastery_score / 100:g}"
    if sco.threshold is not None:
        data["completion_threshold"] = f"{sco.threshold:g}"
    return {key: value for key, value in data.items() if value != ""}


def kept(cmi: dict[str, Any]) -> Kept:
    """Return what is kept of what the run-time API has sent.

    Values that are not what they should be are left out.
    """
    completion = _one_of(_COMPLETION, cmi.get("completion_status"))
    success = _one_of(_SUCCESS, cmi.get("success_status"))
    score = _score(cmi.get("score"))
    core: dict[str, Any] = {
        "completion_status": completion, "success_status": success, "score": score,
        "suspend_data": str(cmi.get("suspend_data") or "")[:65_536],
        "objectives": _objectives(cmi.get("objectives")),
    }
    if (measure := number(cmi.get("progress_measure"))) is not None:
        core["progress_measure"] = f"{measure:g}"
    return Kept(
        core=core, status=in_one(completion, success), score=_percent(score),
        location=str(cmi.get("location") or "")[:1_000], exit=str(cmi.get("exit") or "")[:20],
        milliseconds=milliseconds(str(cmi.get("session_time") or "")),
        interactions=[_plain(one) for one in listed(cmi.get("interactions"))],
    )


def in_one(completion: str, success: str) -> str:
    """Return completion and success in one word, as SCORM 1.2 has them."""
    if success in ("passed", "failed"):
        return success
    return "not attempted" if completion == "unknown" else completion


def milliseconds(text: str) -> int:
    """Return a timeinterval(second,10,2) ``P1DT2H3M4.56S`` in ms; 0 for anything else.

    Years and months, which have no fixed length, are not read.
    """
    match = _INTERVAL.match(text)
    if match is None:
        return 0
    days, hours, minutes, seconds = (float(part or 0) for part in match.groups())
    return min(round(((days * 24 + hours) * 60 + minutes) * 60_000 + seconds * 1_000), 10**12)


def _one_of(words: set[str], value: object) -> str:
    return value if isinstance(value, str) and value in words else "unknown"


def _score(sent: object) -> dict[str, str]:
    own = sent if isinstance(sent, dict) else {}
    return {key: short(own[key], 20) for key in _SCORE if own.get(key) not in (None, "")}


def _percent(score: dict[str, str]) -> float | None:
    """The scaled score in per cent; where only the raw one was sent, that."""
    scaled = number(score.get("scaled"))
    return number(score.get("raw")) if scaled is None else round(scaled * 100, 2)


def _objectives(sent: object) -> list[dict[str, Any]]:
    found = []
    for row in listed(sent)[:MOST_OBJECTIVES]:
        one = {key: short(row.get(key), 4_000)
               for key in ("id", "success_status", "completion_status", "progress_measure",
                           "description") if row.get(key) not in (None, "")}
        found.append({**one, "score": _score(row.get("score"))})
    return [one for one in found if one.get("id")]


def _plain(record: dict[str, Any]) -> dict[str, Any]:
    """A record without the fields that were never set: they are not to be set again as nothing."""
    return {key: listed(value) if key in ("objectives", "correct_responses") else value
            for key, value in record.items() if value not in (None, "")}
