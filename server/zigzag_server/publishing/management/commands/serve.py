"""`manage.py serve`: run Zigzag for a small team or one person."""

import gc
import subprocess
import sys
import threading
from argparse import ArgumentParser
from typing import Any
from urllib.parse import urlsplit

from django.conf import settings
from django.core.management.base import BaseCommand, CommandError
from waitress.server import create_server

from zigzag_server.wsgi import application


class Command(BaseCommand):
    help = "Serve the app and the learners' content at the addresses of the settings."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("--bind", default="127.0.0.1", help="address to listen at")
        parser.add_argument("--without-workers", action="store_true",
                            help="leave the work that takes time to workers on other hosts")

    def handle(self, *args: Any, **options: Any) -> None:
        # Reading a large course makes many objects at once, none of which is garbage yet.
        gc.set_threshold(100_000, 50, 50)
        # Many short requests at once: a thread that comes back from the database waits 5 ms for
        # its turn otherwise, and all others with it.
        sys.setswitchinterval(0.0005)
        port = urlsplit(settings.APP_ORIGIN).port or 8000
        try:
            server = create_server(
                application, host=options["bind"], port=port, threads=8,
                max_request_body_size=320_000_000, ident=None,
            )
        except OSError as error:
            raise CommandError(
                f"Port {port} cannot be used ({error.strerror}). Is Zigzag running already? "
                "Another one: make demo PORT=8010"
            ) from None
        if not options["without_workers"]:
            threading.Thread(target=_keep_workers, daemon=True).start()
        self.stdout.write(f"Zigzag is at {settings.APP_ORIGIN}  (Ctrl+C ends it)")
        server.run()


def _keep_workers() -> None:
    """Run the workers in a process that ends with this one; begin it anew when it breaks off."""
    command = [sys.executable, sys.argv[0], "jobs", "--with-parent"]
    while True:
        with subprocess.Popen(command, stdin=subprocess.PIPE) as workers:
            workers.wait()
        threading.Event().wait(1)
