"""Compiled courses, at once where that is quick, else by a job."""

from django.contrib.auth.models import User
from zigzag_core.packaging.incremental import CompiledCourse

from zigzag_server.courses import store
from zigzag_server.courses.models import Course
from zigzag_server.jobs.models import Job, State
from zigzag_server.jobs.starting import known, start
from zigzag_server.problems import Problem

from .programs import TakesLong, compiled_here


def job_of(user: User, row: Course, kind: str, of: str = "") -> Job:
    """Return the job that works something out of the course as it is now: the last one, or a new.

    `of` names what of the course it is about, where it is not about all of it.

    Raises a 503 `Problem` for one that has failed.
    """
    state = f"{store.state_of(row)}{of and ':'}{of}"
    about = {"of": of} if of else {}
    job = known(user, kind, state) or start(
        user, kind, {"course": row.pk, **about}, course=row.pk, equal=state)
    if job.state == State.FAILED and job.problem:
        # Asked once more, it is tried once more.
        job.delete()
        raise Problem(503, job.problem["code"], job.problem["message"])
    return job


def compiled_or_job(user: User, row: Course) -> CompiledCourse | Job:
    """Return a compiled course, or the job that compiles it, if that takes long."""
    try:
        return compiled_here(row)
    except TakesLong:
        pass
    job = job_of(user, row, "compile")
    if job.state == State.DONE:
        # What it kept is of an older Zigzag by now.
        job.delete()
        job = job_of(user, row, "compile")
    return job
