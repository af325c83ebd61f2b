"""`manage.py storyboard`: a course as a table, a slide a line."""

import sys
from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from zigzag_core.verification.storyboard import storyboard

from zigzag_server.courses import store
from zigzag_server.courses.management import arguments
from zigzag_server.spreadsheets import table


class Command(BaseCommand):
    help = "Write a course as a table: what each slide says, speaks, asks, and where it leads."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("slug")
        parser.add_argument("--as", dest="form", choices=("csv", "xlsx"), default="csv")
        parser.add_argument("--out", type=Path, help="a file; else it is printed")

    def handle(self, *args: Any, **options: Any) -> None:
        rows = storyboard(store.document_of(arguments.course(options["slug"])))
        data, _ = table(rows, options["form"], "Storyboard")
        if options["out"] is None:
            sys.stdout.buffer.write(data)
            return
        try:
            options["out"].write_bytes(data)
        except OSError as error:
            raise CommandError(f"The file cannot be written: {error.strerror}.") from None
        self.stdout.write(f"{len(rows) - 1} slides written.")
