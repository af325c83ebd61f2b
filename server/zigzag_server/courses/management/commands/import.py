"""`manage.py import`: a course from an archive."""

from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from zigzag_core.packaging.safe_zip import BadArchive

from zigzag_server.courses.importing import take_in
from zigzag_server.courses.management import arguments


class Command(BaseCommand):
    help = "Take in a course archive (.zigzag) and print the slug of the new course."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("file", metavar="FILE.zigzag")
        parser.add_argument("--owner", help="login name of the author who gets it")

    def handle(self, *args: Any, **options: Any) -> None:
        user = arguments.owner(options["owner"])
        try:
            row = take_in(user, Path(options["file"]).read_bytes())
        except OSError as error:
            raise CommandError(f"{options['file']}: {error.strerror}.") from None
        except BadArchive as error:
            raise CommandError(f"{options['file']}: {error} Nothing was taken in.") from None
        self.stdout.write(row.slug)
