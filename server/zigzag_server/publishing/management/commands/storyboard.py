"""`manage.py storyboard`: a course as a table, a slide a line."""

from argparse import ArgumentParser
from typing import Any

from django.core.management.base import BaseCommand
from zigzag_core.verification.storyboard import storyboard

from zigzag_server.courses import store
from zigzag_server.courses.management import arguments


class Command(BaseCommand):
    help = "Write a course as a table: what each slide says, speaks, asks, and where it leads."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("slug")
        parser.add_argument("--as", dest="form", choices=("csv", "xlsx"), default="csv")
        parser.add_argument("--out", help="a file; else it is printed")

    def handle(self, *args: Any, **options: Any) -> None:
        rows = storyboard(store.document_of(arguments.course(options["slug"])))
        if arguments.write_table(rows, options["form"], "Storyboard", options["out"]):
            self.stdout.write(f"{len(rows) - 1} slides written.")
