"""`manage.py serve`: run Zigzag for a small team or one person."""

import gc
import os
import socket
import sys
from argparse import ArgumentParser
from functools import partial
from typing import Any
from urllib.parse import urlsplit

from django.conf import settings
from django.core.management.base import BaseCommand, CommandError
from django.db import connections
from waitress.server import create_server

from zigzag_server.serving.processes import Run, keep_running
from zigzag_server.wsgi import application

THREADS = 4
"""Requests at the same time in one process. One that computes holds up the others of its process,
so there are few, and more processes."""
LARGEST_REQUEST = 320_000_000
"""In bytes: an archive of the largest size, and what stands around it."""


class Command(BaseCommand):
    help = "Serve the app and the learners' content at the addresses of the settings."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("--bind", default="127.0.0.1", help="address to listen at")
        parser.add_argument("--without-workers", action="store_true",
                            help="leave the work that takes time to workers on other hosts")

    def handle(self, *args: Any, **options: Any) -> None:
        port = urlsplit(settings.APP_ORIGIN).port or 8000
        try:
            listening = _listen(options["bind"], port)
        except OSError as error:
            raise CommandError(
                f"Port {port} cannot be used ({error.strerror}). Is Zigzag running already? "
                "Another one: make demo PORT=8010"
            ) from None
        runs: list[Run] = [partial(_answer, listening)] * settings.WEB_PROCESSES
        if not options["without_workers"]:
            runs.append(_work)
        self.stdout.write(f"Zigzag is at {settings.APP_ORIGIN}  (Ctrl+C ends it)")
        self.stdout.flush()
        connections.close_all()
        keep_running(runs)


def _listen(host: str, port: int) -> socket.socket:
    family = socket.AF_INET6 if ":" in host else socket.AF_INET
    return socket.create_server((host, port), family=family, backlog=1_024)


def _answer(listening: socket.socket) -> None:
    """Answer requests; each process takes its next connection from the same socket."""
    # Reading a large course makes many objects at once, none of which is garbage yet.
    gc.set_threshold(100_000, 50, 50)
    # Many short requests at once: a thread that comes back from the database waits 5 ms for
    # its turn otherwise, and all others with it.
    sys.setswitchinterval(0.0005)
    create_server(
        application, sockets=[listening], threads=THREADS,
        max_request_body_size=LARGEST_REQUEST, ident=None,
    ).run()


def _work() -> None:
    """Become the workers, which end with this process's parent."""
    # Only a new program: workers begun from here would inherit what belongs to the web server.
    os.execv(sys.executable, [sys.executable, sys.argv[0], "jobs"])
