"""Running jobs: each in a process of its own, with limits, so that it can be ended at any time."""

import gc
import logging
import os
import resource
import signal
import socket
import time
from datetime import timedelta
from pathlib import Path
from typing import Any

from django.conf import settings
from django.db import connections, transaction
from django.db.models import F
from django.utils import timezone
from zigzag_core.errors import Refusal

from zigzag_server.problems import Problem, passing, problem_of
from zigzag_server.serving.parents import is_alive

from . import starting
from .kinds import KINDS, Again, Ended, Kind
from .models import UNFINISHED, Job, State

logger = logging.getLogger(__name__)

MOST_TRIES = 3
"""So often is a job begun that breaks off with its process."""
HEARTBEAT = 5.0
LOST_AFTER = timedelta(seconds=60)
_LOOK = 0.02
_NICER = (19, 6, 3)
"""What jobs of each priority add to their nice value, see *nice(2)*."""
_TO_SAY_SO = 100_000_000
"""So many bytes more a job may take once it has used up its memory, to tell of it."""
_LAST = 16_000_000
"""With so many bytes left, what fails has failed for want of memory."""
_FULL = 0.9
"""A process that breaks off having had this share of its memory did so for want of more."""
_LOOK_FOR_CANCEL = 0.3


def worker_name() -> str:
    """Return the host and the process of this worker."""
    return f"{socket.gethostname()}:{os.getpid()}"


def run(job_id: int) -> None:
    """Run a queued job in a process of its own, and wait for its end.

    The process is ended when the job is cancelled or runs for too long. A job whose process
    breaks off goes back into the queue, some times.
    """
    if not _claimed(job_id):
        return
    job = Job.objects.get(pk=job_id)
    # No connection to a database may cross a fork.
    connections.close_all()
    child = os.fork()
    if child == 0:
        _be_the_job(job)
    try:
        status, taken = _watch(job, child)
    except BaseException:
        _stopped(job, child)
        raise
    job.refresh_from_db()
    if job.state != State.RUNNING:
        return
    logger.error("job %s (%s) broke off with status %s", job.pk, job.kind, status)
    if taken > _FULL * _allowed():
        # Compiled libraries break off where there is no memory left.
        starting.end(job, State.FAILED, _too_large(KINDS[job.kind]))
    else:
        give_back(job)


def _stopped(job: Job, child: int) -> None:
    """The worker is asked to stop: its job goes back into the queue, for whoever comes next."""
    os.kill(child, signal.SIGKILL)
    os.waitpid(child, 0)
    if Job.objects.filter(pk=job.pk, state=State.RUNNING).update(tries=F("tries") - 1):
        job.refresh_from_db()
        give_back(job)


def run_here(job: Job) -> None:
    """Run a queued job in this process, as tests do (`JOBS_AT_ONCE`)."""
    if _claimed(job.pk):
        _perform(Job.objects.get(pk=job.pk))


def give_back(job: Job) -> None:
    """Put a job whose process is gone back into the queue; after some tries it has failed."""
    if job.tries >= MOST_TRIES:
        starting.end(job, State.FAILED, Problem(
            500, "broke_off", f"{KINDS[job.kind].title} broke off {MOST_TRIES} times and was "
            "given up. Nothing was changed.").body)
    elif Job.objects.filter(pk=job.pk, state=State.RUNNING, worker=job.worker).update(
            state=State.QUEUED, worker="", share=0, words=""):
        starting.enqueue(job)


def give_back_lost() -> None:
    """Put jobs back into the queue whose worker is gone: with its process, or not heard of."""
    here = socket.gethostname()
    for job in Job.objects.filter(state=State.RUNNING):
        host, _, process = job.worker.rpartition(":")
        silent = job.seen is None or timezone.now() - job.seen > LOST_AFTER
        if silent or (host == here and not is_alive(int(process))):
            give_back(job)


def _claimed(job_id: int) -> bool:
    return bool(Job.objects.filter(pk=job_id, state=State.QUEUED).update(
        state=State.RUNNING, worker=worker_name(), tries=F("tries") + 1, seen=timezone.now()))


def _watch(job: Job, child: int) -> tuple[int, int]:
    """Wait for the process of a job; return its wait status, and the most bytes it has taken."""
    kind, taken = KINDS[job.kind], 0
    begun = seen = looked = time.monotonic()
    while True:
        ended, status = os.waitpid(child, os.WNOHANG)
        if ended:
            return status, taken
        taken = max(taken, _taken(child))
        now = time.monotonic()
        if now - looked >= _LOOK_FOR_CANCEL:
            looked = now
            if now - begun > _seconds(kind):
                starting.end(job, State.FAILED, _too_long(kind))
            elif now - seen >= HEARTBEAT:
                seen = now
                Job.objects.filter(pk=job.pk).update(seen=timezone.now())
            if not Job.objects.filter(pk=job.pk, state=State.RUNNING).exists():
                os.kill(child, signal.SIGKILL)
        time.sleep(_LOOK)


def _be_the_job(job: Job) -> None:
    """The process of a job, from its first step to its last; it ends with its worker."""
    code = 1
    try:
        for number in (signal.SIGINT, signal.SIGTERM):
            signal.signal(number, signal.SIG_DFL)
        # Requests go first, then what somebody waits for.
        os.nice(_NICER[KINDS[job.kind].priority])
        gc.set_threshold(100_000, 50, 50)  # It makes much, and lets go of it all at its end.
        # Without memory, libraries written in Rust wait for ever where they trace an error back.
        os.environ["RUST_BACKTRACE"] = "0"
        most = _allowed()
        resource.setrlimit(resource.RLIMIT_AS, (most, most + _TO_SAY_SO))
        _perform(job)
        connections.close_all()
        code = 0
    finally:
        os._exit(code)


def _perform(job: Job) -> None:
    kind = KINDS[job.kind]
    try:
        while not _worked(job, kind):
            pass
    except Ended:
        return
    except Refusal as refusal:
        starting.end(job, State.FAILED, problem_of(refusal).body)
    except Problem as problem:
        starting.end(job, State.FAILED, problem.body)
    except Exception as error:
        if soon := passing(error, "Try again in a while."):
            starting.end(job, State.FAILED, soon.body)
            return
        # Libraries tell of the same in their own words: SQLite of an error of the disk.
        full = isinstance(error, MemoryError) or _is_full()
        _take_reserve()
        if not full:
            logger.exception("job %s (%s) failed", job.pk, job.kind)
        starting.end(job, State.FAILED, _too_large(kind) if full else _broken(kind))
    else:
        starting.clean_up(job)


def _is_full() -> bool:
    """Whether this process has all but the last of the memory that it may take."""
    allowed, _ = resource.getrlimit(resource.RLIMIT_AS)
    if allowed == resource.RLIM_INFINITY:
        return False
    return allowed - _taken("self") < _LAST


def _allowed() -> int:
    """Return the bytes of a job's process: what Zigzag itself has is not the job's."""
    return _taken("self") + settings.JOB_MEMORY


def _taken(process: int | str) -> int:
    """Return the bytes of address space that a process has, 0 where it has ended."""
    pages = int(Path(f"/proc/{process}/statm").read_text().split()[0])
    return pages * resource.getpagesize()


def _take_reserve() -> None:
    """Allow what it takes to say that a job has used up its memory."""
    _, most = resource.getrlimit(resource.RLIMIT_AS)
    resource.setrlimit(resource.RLIMIT_AS, (most, most))


def _worked(job: Job, kind: Kind) -> bool:
    """Do the work and store what comes of it; return False where it is to be done once more."""
    finish = kind.work(job.owner, _Reporter(job), **job.arguments)
    try:
        with transaction.atomic():
            if not Job.objects.filter(pk=job.pk, state=State.RUNNING).update(
                    state=State.DONE, share=1, ended=timezone.now()):
                raise Ended
            Job.objects.filter(pk=job.pk).update(result=finish())
    except Again:
        return False
    if kind.replaced:
        Job.objects.filter(
            owner=job.owner_id, course=job.course_id, kind=job.kind, pk__lt=job.pk,
        ).exclude(state__in=UNFINISHED).delete()
    return True


class _Reporter:
    """Keeps how far a job is, not more often than it can be seen."""

    EVERY = 0.25

    def __init__(self, job: Job) -> None:
        self._job = job
        self._last = 0.0
        self._words = ""

    def __call__(self, share: float, words: str) -> None:
        now = time.monotonic()
        if now - self._last < self.EVERY and words == self._words:
            return
        self._last, self._words = now, words
        still = Job.objects.filter(pk=self._job.pk, state=State.RUNNING)
        if not still.update(share=min(max(share, 0.0), 1.0), words=words[:200]):
            raise Ended


def _seconds(kind: Kind) -> int:
    return min(kind.seconds, settings.JOB_SECONDS)


def _too_long(kind: Kind) -> dict[str, Any]:
    return Problem(503, "too_long", f"{kind.title} took longer than {_seconds(kind)} seconds "
                   "and was ended. Nothing was changed.").body


def _too_large(kind: Kind) -> dict[str, Any]:
    return Problem(503, "too_much_memory", f"{kind.title} needs more than the "
                   f"{settings.JOB_MEMORY // 1_000_000:,} MB of memory that one job may take. "
                   "Nothing was changed.").body


def _broken(kind: Kind) -> dict[str, Any]:
    return Problem(500, "broken", f"{kind.title} failed because of an error in Zigzag. "
                   "Nothing was changed; the error is in the server's log.").body
