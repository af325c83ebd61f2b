"""The queues between those who ask for work and the workers: Huey, in a file or with a broker."""

from django.conf import settings
from huey import Huey, PriorityRedisHuey, SqliteHuey, crontab

from . import running, starting
from .kinds import KINDS
from .models import Job, State


def _queue(name: str) -> Huey:
    if settings.JOB_BROKER:
        return PriorityRedisHuey(name, url=settings.JOB_BROKER, results=False)
    return SqliteHuey(name, filename=str(settings.VAR / "jobs.sqlite3"), results=False)


waited_for = _queue("zigzag")
"""Holds the jobs that somebody waits for."""
background = _queue("zigzag-background")
"""Holds the jobs that nobody waits for, and that take long. They have workers of their own: with
the others' they would hold up what is waited for."""
QUEUES = (waited_for, background)


@background.task(name="work_on")
@waited_for.task(name="work_on")
def work_on(job_id: int) -> None:
    """Run the job with this key."""
    running.run(job_id)


def put(job: Job) -> None:
    """Put a job into the queue of its kind."""
    priority = KINDS[job.kind].priority
    queue = waited_for if priority > 0 else background
    queue.enqueue(work_on.s(job.pk, priority=priority))


@waited_for.periodic_task(crontab(minute="*"))
def give_back_lost() -> None:
    """Each minute, give back the jobs of workers that are not heard of any more."""
    _give_back()


@background.on_startup()
@waited_for.on_startup()
def _begin() -> None:
    """As a worker's process begins. It may stand in for one that was killed at its work."""
    _give_back()


def _give_back() -> None:
    running.give_back_lost()
    # What was asked for as the power went, or was put back from a backup, stands in no queue.
    # Beside jobs the queues hold the task of each minute, which has no number.
    waiting = {task.args[0] for queue in QUEUES for task in queue.pending() if task.args}
    for job in Job.objects.filter(state=State.QUEUED).exclude(pk__in=waiting):
        starting.enqueue(job)
