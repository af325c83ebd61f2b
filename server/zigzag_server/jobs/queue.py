"""The queue between those who ask for work and the workers: Huey, in a file or with a broker."""

import multiprocessing

from django.conf import settings
from huey import Huey, PriorityRedisHuey, SqliteHuey, crontab

from . import running, starting
from .models import Job, State
from .parents import die_with_parent


def _huey() -> Huey:
    if settings.JOB_BROKER:
        return PriorityRedisHuey("zigzag", url=settings.JOB_BROKER, results=False)
    return SqliteHuey("zigzag", filename=str(settings.VAR / "jobs.sqlite3"), results=False)


huey = _huey()


@huey.task(name="work_on")
def work_on(job_id: int) -> None:
    """Run the job with this key."""
    running.run(job_id)


@huey.periodic_task(crontab(minute="*"))
def give_back_lost() -> None:
    """Each minute, give back the jobs of workers that are not heard of any more."""
    _give_back()


@huey.on_startup()
def _begin() -> None:
    """As a worker's process begins. It may stand in for one that was killed at its work."""
    if consumer := multiprocessing.parent_process():
        die_with_parent(consumer.pid or 0)
    _give_back()


def _give_back() -> None:
    running.give_back_lost()
    # What was asked for as the power went, or was put back from a backup, stands in no queue.
    # Beside jobs the queue holds this very task of each minute, which has no number.
    waiting = {task.args[0] for task in huey.pending() if task.args}
    for job in Job.objects.filter(state=State.QUEUED).exclude(pk__in=waiting):
        starting.enqueue(job)
