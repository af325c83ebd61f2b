"""Launching, and keeping what comes back."""

import threading
from typing import Any

from django.db import transaction
from django.utils import timezone

from . import data12, data2004, sessions5
from .learners import LEARNERS
from .models import Attempt, Launch, Sco

_WRITING = threading.Lock()


@transaction.atomic
def launch(sco: Sco, learner: str, mode: str = "normal") -> Launch:
    """Begin a visit: of the attempt that was suspended, else of a new one.

    Who browses or reviews looks at the newest attempt, whatever became of it.
    """
    latest = sco.attempts.filter(learner=learner).order_by("-number").first()
    ended = latest and latest.exit != "suspend" and latest.core and mode == "normal"
    if latest is None or ended:
        number = latest.number + 1 if latest else 1
        latest = Attempt.objects.create(sco=sco, learner=learner, number=number)
    visit = Launch.objects.create(
        attempt=latest, answered_before=len(_answered(latest)), mode=mode)
    if sco.package.standard == "cmi5":
        sessions5.open_session(visit)
    return visit


def starting_data(visit: Launch) -> dict[str, Any]:
    """Return the data model with which the run-time API starts, nested as in the standard."""
    attempt = visit.attempt
    learner, total = LEARNERS[attempt.learner], total_milliseconds(attempt)
    if is_2004(visit):
        answered = _answered(attempt)
        return {"cmi": data2004.starting(attempt, learner, visit.mode, total, answered)}
    return {"cmi": data12.starting(attempt, learner, visit.mode, total)}


def commit(token: str, cmi: dict[str, Any], finished: bool) -> bool:
    """Keep what the run-time API has sent; return whether the visit is known."""
    visit = Launch.objects.select_related("attempt__sco__package").filter(token=token).first()
    if visit is None:
        return False
    later = is_2004(visit)
    kept = data2004.kept(cmi) if later else data12.kept(cmi)
    now = timezone.now()
    fields: dict[str, Any] = {"milliseconds": kept.milliseconds, "seen": now}
    attempt: dict[str, Any] = {}
    if visit.mode == "normal":
        # What is only looked at changes nothing; how long it took is kept all the same.
        attempt = {
            "core": kept.core, "score": kept.score, "location": kept.location, "changed": now,
            **({} if kept.status is None else {"status": kept.status}),
            **({"exit": kept.exit} if finished else {})}
        # In 2004 an attempt keeps its records over all visits, in 1.2 each visit has its own.
        fields["interactions"] = kept.interactions[visit.answered_before if later else 0:]
    if finished:
        fields["finished"] = True
    # One at a time: who waits here is let in at once, who waits for the database's lock sleeps.
    with _WRITING, transaction.atomic():
        if attempt:
            Attempt.objects.filter(pk=visit.attempt_id).update(**attempt)
        return bool(Launch.objects.filter(pk=visit.pk).update(**fields))


def is_2004(visit: Launch) -> bool:
    """Whether a visit is to a package of SCORM 2004."""
    return visit.attempt.sco.package.standard.startswith("scorm2004")


def total_milliseconds(attempt: Attempt) -> int:
    """Return the time over all visits of an attempt, in ms."""
    return sum(attempt.launches.values_list("milliseconds", flat=True))


def _answered(attempt: Attempt) -> list[dict[str, Any]]:
    """The records of all visits of an attempt, in their order."""
    visits = attempt.launches.order_by("pk").values_list("interactions", flat=True)
    return [record for records in visits for record in records]
