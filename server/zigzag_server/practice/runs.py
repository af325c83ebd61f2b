"""Launching, and what comes back: the LMS's side of SCORM 1.2's data model."""

import re
import threading
from typing import Any

from django.db import transaction
from django.utils import timezone
from zigzag_core.tracking.recorded12 import listed
from zigzag_core.tracking.scorm12 import timespan

from .learners import LEARNERS
from .models import Attempt, Launch, Sco

_TIMESPAN = re.compile(r"^([0-9]{2,4}):([0-9]{2}):([0-9]{2})(?:\.([0-9]{1,2}))?$")
MOST_OBJECTIVES = 1_000
_WRITING = threading.Lock()
_STATUS = {"passed", "completed", "failed", "incomplete", "browsed", "not attempted"}


@transaction.atomic
def launch(sco: Sco, learner: str) -> Launch:
    """Begin a visit: of the attempt that was suspended, else of a new one."""
    latest = sco.attempts.filter(learner=learner).order_by("-number").first()
    if latest is None or (latest.exit != "suspend" and latest.core):
        number = latest.number + 1 if latest else 1
        latest = Attempt.objects.create(sco=sco, learner=learner, number=number)
    return Launch.objects.create(attempt=latest)


def starting_data(visit: Launch) -> dict[str, Any]:
    """Return the data model with which the run-time API starts, nested as in the standard."""
    attempt, sco = visit.attempt, visit.attempt.sco
    learner = LEARNERS[attempt.learner]
    before = attempt.core
    resumed = bool(before)
    core: dict[str, Any] = {
        "student_id": learner.key, "student_name": learner.name, "credit": "credit",
        "lesson_mode": "normal", "entry": "resume" if resumed else "ab-initio",
        "lesson_status": attempt.status, "total_time": timespan(total_milliseconds(attempt)),
        "lesson_location": attempt.location,
    }
    if attempt.score is not None:
        core["score"] = before.get("core", {}).get("score", {})
    data: dict[str, Any] = {"core": core, "launch_data": sco.launch_data}
    if resumed:
        data["suspend_data"] = before.get("suspend_data", "")
        data["comments"] = before.get("comments", "")
        data["objectives"] = before.get("objectives", [])
    if sco.mastery_score is not None:
        data["student_data"] = {"mastery_score": f"{sco.mastery_score:g}"}
    return {"cmi": data}


def commit(token: str, cmi: dict[str, Any], finished: bool) -> bool:
    """Keep what the run-time API has sent; return whether the visit is known.

    Values that are not what they should be are left out.
    """
    sent = cmi.get("core")
    core = sent if isinstance(sent, dict) else {}
    score = core.get("score")
    attempt: dict[str, Any] = {
        "core": {
            "core": {k: v for k, v in core.items() if isinstance(v, str | int | float | dict)},
            "suspend_data": str(cmi.get("suspend_data") or "")[:65_536],
            "comments": str(cmi.get("comments") or "")[:4_096],
            "objectives": objectives(cmi.get("objectives")),
        },
        "score": _number(score.get("raw")) if isinstance(score, dict) else None,
        "location": str(core.get("lesson_location") or "")[:255],
        "changed": timezone.now(),
    }
    status = str(core.get("lesson_status") or "")
    if status in _STATUS:
        attempt["status"] = status
    visit: dict[str, Any] = {
        "milliseconds": milliseconds(str(core.get("session_time") or "")),
        "seen": attempt["changed"], "interactions": listed(cmi.get("interactions")),
    }
    if finished:
        attempt["exit"] = str(core.get("exit") or "")[:20]
        visit["finished"] = True
    # One at a time: who waits here is let in at once, who waits for the database's lock sleeps.
    with _WRITING, transaction.atomic():
        Attempt.objects.filter(launches__token=token).update(**attempt)
        return bool(Launch.objects.filter(token=token).update(**visit))


def total_milliseconds(attempt: Attempt) -> int:
    """Return the time over all visits of an attempt, in ms."""
    return sum(attempt.launches.values_list("milliseconds", flat=True))


def objectives(sent: object) -> list[dict[str, Any]]:
    """Return what the run-time API has sent of objectives, without what is no text or number.

    The standard's elements are ``id``, ``score`` (``raw``, ``min``, ``max``) and ``status``.
    """
    found = []
    for row in listed(sent)[:MOST_OBJECTIVES]:
        score = row.get("score")
        own = score if isinstance(score, dict) else {}
        found.append({
            "id": _text(row.get("id"), 255), "status": _text(row.get("status"), 20),
            "score": {key: _text(own[key], 20) for key in ("raw", "min", "max") if key in own}})
    return [one for one in found if one["id"]]


def _text(value: object, longest: int) -> str:
    return str(value)[:longest] if isinstance(value, str | int | float) else ""


def milliseconds(text: str) -> int:
    """Return a CMITimespan ``HHHH:MM:SS.SS`` in ms; 0 for anything else."""
    match = _TIMESPAN.match(text)
    if match is None:
        return 0
    hours, minutes, seconds, part = match.groups()
    hundredths = int((part or "0").ljust(2, "0"))
    return (int(hours) * 3_600 + int(minutes) * 60 + int(seconds)) * 1_000 + hundredths * 10


def _number(value: object) -> float | None:
    if not isinstance(value, str | int | float):
        return None
    try:
        number = float(value)
    except (ValueError, OverflowError):
        return None
    return number if -1e6 < number < 1e6 else None
