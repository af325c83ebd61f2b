"""Asking for jobs, and ending them."""

import json
from typing import Any

from django.conf import settings
from django.contrib.auth.models import User
from django.db import IntegrityError, transaction
from django.utils import timezone

from zigzag_server.problems import Problem

from .kinds import KINDS
from .models import UNFINISHED, Job, State

MOST_OF_ONE_AUTHOR = 50
"""So many unfinished jobs may one author have."""


def start(
    owner: User, kind: str, arguments: dict[str, Any], *, course: int | None = None,
    equal: str | None = None,
) -> Job:
    """Return a job that does the work, or the unfinished one that does the same already.

    `course` is the key of the course it works on. Jobs of one kind with the same arguments are
    the same; `equal` says so in other words, where the arguments alone do not tell. Raises a 429
    `Problem` for more jobs than one author may have.
    """
    key = f"{kind}:{equal if equal is not None else json.dumps(arguments, sort_keys=True)}"
    found = Job.objects.filter(owner=owner, key=key, state__in=UNFINISHED).first()
    if found is None:
        found = _made(owner, kind, key, arguments, course)
    return found


def known(owner: User, kind: str, equal: str) -> Job | None:
    """Return the last job of this kind that did the same and came to its end, if it is kept."""
    key = f"{kind}:{equal}"
    return Job.objects.filter(
        owner=owner, key=key, state__in=(State.DONE, State.FAILED)).order_by("-pk").first()


def _made(
    owner: User, kind: str, key: str, arguments: dict[str, Any], course: int | None
) -> Job:
    if Job.objects.filter(owner=owner, state__in=UNFINISHED).count() >= MOST_OF_ONE_AUTHOR:
        raise Problem(429, "too_many_jobs", "You have too many jobs running already. "
                      "Nothing was started: wait until some of them are done.")
    if KINDS[kind].replaced and course is not None:
        for older in Job.objects.filter(
                owner=owner, kind=kind, course__pk=course, state__in=UNFINISHED):
            end(older, State.CANCELLED)
    try:
        with transaction.atomic():
            job = Job.objects.create(
                owner=owner, kind=kind, key=key, arguments=arguments, course_id=course)
    except IntegrityError:
        # Another window has asked for the same at the same moment.
        return Job.objects.get(owner=owner, key=key, state__in=UNFINISHED)
    try:
        _enqueue(job)
    except Exception:
        end(job, State.CANCELLED)
        raise
    return job


def _enqueue(job: Job) -> None:
    from . import running
    if settings.JOBS_AT_ONCE:
        running.run_here(job)
        job.refresh_from_db()
    else:
        enqueue(job)


def enqueue(job: Job) -> None:
    """Hand a queued job to the workers."""
    from . import queue
    queue.put(job)


def end(job: Job, state: State, problem: dict[str, Any] | None = None) -> bool:
    """End an unfinished job as cancelled or failed; return False where it has ended before."""
    ended = Job.objects.filter(pk=job.pk, state__in=UNFINISHED).update(
        state=state, problem=problem, ended=timezone.now())
    if ended:
        clean_up(job)
    return bool(ended)


def clean_up(job: Job) -> None:
    """Remove what a job that has ended needed only while it ran."""
    cleanup = KINDS[job.kind].cleanup if job.kind in KINDS else None
    if cleanup:
        cleanup(job.arguments)
