"""`manage.py generate`: a large course for measuring."""

import io
from argparse import ArgumentParser
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from zigzag_server.courses import files, store
from zigzag_server.courses.management import arguments

from zigzag_demo.generate import generated_course


class Command(BaseCommand):
    help = "Make a large course with real variety and print its slug."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("--slides", type=int, default=200)
        parser.add_argument("--questions", type=int, default=100)
        parser.add_argument("--variables", type=int, default=0)
        parser.add_argument("--single-choice", action="store_true",
                            help="only single choice, no patterns: as the budgets are measured")
        parser.add_argument("--seed", type=int, default=1)
        parser.add_argument("--owner", help="login name of the author who gets it")

    def handle(self, *args: Any, **options: Any) -> None:
        user = arguments.owner(options["owner"])
        slides = options["slides"]
        if not 1 <= slides <= 5_000:
            raise CommandError("--slides goes from 1 to 5000.")
        try:
            document, media = generated_course(
                slides, options["questions"], options["seed"], options["variables"],
                varied=not options["single_choice"],
            )
        except ValueError as error:
            raise CommandError(f"{error}.") from None
        for sha256, data in media.items():
            files.keep(sha256, io.BytesIO(data))
        self.stdout.write(store.create(user, document).slug)
