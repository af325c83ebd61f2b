"""`manage.py jobs`: the workers that do what takes time."""

import logging
from argparse import ArgumentParser
from functools import partial
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand
from django.db import connections
from huey import Huey
from huey.constants import WORKER_PROCESS
from huey.consumer import Consumer

from zigzag_server.jobs.kinds import KINDS
from zigzag_server.jobs.models import UNFINISHED, Job
from zigzag_server.jobs.queue import background, waited_for
from zigzag_server.serving.processes import keep_running


class Command(BaseCommand):
    help = "Run the workers that publish, import, check and try out courses. `serve` starts them."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("--workers", type=int, default=settings.JOB_WORKERS)

    def handle(self, *args: Any, **options: Any) -> None:
        logging.getLogger("huey").setLevel(logging.WARNING)
        # What another version of Zigzag has found is worked out again.
        worked_out = [kind.name for kind in KINDS.values() if kind.replaced]
        Job.objects.filter(kind__in=worked_out).exclude(state__in=UNFINISHED).delete()
        workers = options["workers"]
        connections.close_all()
        keep_running([
            partial(_work, waited_for, workers), partial(_work, background, max(1, workers // 3))])


def _work(queue: Huey, workers: int) -> None:
    """Do what comes into a queue with so many processes, until this one is stopped."""
    Consumer(
        queue, workers=workers, worker_type=WORKER_PROCESS, initial_delay=0.02, max_delay=0.2,
        backoff=1.3, health_check_interval=1,
    ).run()
