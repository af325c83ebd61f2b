"""`manage.py script`: all that is spoken in a course, as a table."""

from argparse import ArgumentParser
from typing import Any

from django.core.management.base import BaseCommand
from zigzag_core.editing.narration.script import script_of
from zigzag_core.editing.narration.sheets import sheet_of

from zigzag_server.courses import store
from zigzag_server.courses.management import arguments


class Command(BaseCommand):
    help = ("Write all that is spoken in a course as a table, with the names of the files to "
            "record.")

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("slug")
        parser.add_argument("--as", dest="form", choices=("csv", "xlsx"), default="csv")
        parser.add_argument("--out", help="a file; else it is printed")

    def handle(self, *args: Any, **options: Any) -> None:
        rows = script_of(store.document_of(arguments.course(options["slug"])))
        if arguments.write_table(sheet_of(rows), options["form"], "Script", options["out"]):
            self.stdout.write(f"{len(rows)} rows written.")
