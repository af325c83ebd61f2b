"""The LMS's side of SCORM 1.2's data model.

Source: ADL, *SCORM Version 1.2, The SCORM Run-Time Environment* (2001), section 3.4.
"""

import re
from typing import Any

from zigzag_core.tracking.recorded import listed
from zigzag_core.tracking.scorm12 import timespan

from .kept import MOST_OBJECTIVES, Kept, credit, number, short
from .learners import Learner
from .models import Attempt

_TIMESPAN = re.compile(r"^([0-9]{2,4}):([0-9]{2}):([0-9]{2})(?:\.([0-9]{1,2}))?$")
_STATUS = {"passed", "completed", "failed", "incomplete", "browsed", "not attempted"}


def starting(attempt: Attempt, learner: Learner, mode: str, total: int) -> dict[str, Any]:
    """Return the data with which the run-time API starts, nested as in the standard.

    `total` are the ms of the visits before. In another `mode` than *normal* nothing counts.
    """
    before = attempt.core
    core: dict[str, Any] = {
        "student_id": learner.key, "student_name": learner.name,
        "credit": credit(mode), "lesson_mode": mode, "entry": "resume" if before else "ab-initio",
        "lesson_status": attempt.status, "total_time": timespan(total),
        "lesson_location": attempt.location,
    }
    if attempt.score is not None:
        core["score"] = before.get("core", {}).get("score", {})
    data: dict[str, Any] = {"core": core, "launch_data": attempt.sco.launch_data}
    if before:
        data["suspend_data"] = before.get("suspend_data", "")
        data["comments"] = before.get("comments", "")
        data["objectives"] = before.get("objectives", [])
    if attempt.sco.mastery_score is not None:
        data["student_data"] = {"mastery_score": f"{attempt.sco.mastery_score:g}"}
    return data


def kept(cmi: dict[str, Any]) -> Kept:
    """Return what is kept of what the run-time API has sent.

    Values that are not what they should be are left out.
    """
    sent = cmi.get("core")
    core = sent if isinstance(sent, dict) else {}
    score = core.get("score")
    status = str(core.get("lesson_status") or "")
    return Kept(
        core={
            "core": {k: v for k, v in core.items() if isinstance(v, str | int | float | dict)},
            "suspend_data": str(cmi.get("suspend_data") or "")[:65_536],
            "comments": str(cmi.get("comments") or "")[:4_096],
            "objectives": objectives(cmi.get("objectives")),
        },
        status=status if status in _STATUS else None,
        score=number(score.get("raw")) if isinstance(score, dict) else None,
        location=str(core.get("lesson_location") or "")[:255],
        exit=str(core.get("exit") or "")[:20],
        milliseconds=milliseconds(str(core.get("session_time") or "")),
        interactions=listed(cmi.get("interactions")),
    )


def objectives(sent: object) -> list[dict[str, Any]]:
    """Return what the run-time API has sent of objectives, without what is no text or number.

    The standard's elements are ``id``, ``score`` (``raw``, ``min``, ``max``) and ``status``.
    """
    found = []
    for row in listed(sent)[:MOST_OBJECTIVES]:
        score = row.get("score")
        own = score if isinstance(score, dict) else {}
        found.append({
            "id": short(row.get("id"), 255), "status": short(row.get("status"), 20),
            "score": {key: short(own[key], 20) for key in ("raw", "min", "max") if key in own}})
    return [one for one in found if one["id"]]


def milliseconds(text: str) -> int:
    """Return a CMITimespan ``HHHH:MM:SS.SS`` in ms; 0 for anything else."""
    match = _TIMESPAN.match(text)
    if match is None:
        return 0
    hours, minutes, seconds, part = match.groups()
    hundredths = int((part or "0").ljust(2, "0"))
    return (int(hours) * 3_600 + int(minutes) * 60 + int(seconds)) * 1_000 + hundredths * 10
