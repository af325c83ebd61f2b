"""`manage.py import`: a course from an archive."""

from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandError

from zigzag_server.courses.importing import take_in_course
from zigzag_server.courses.management import arguments
from zigzag_server.jobs.kinds import silent
from zigzag_server.problems import Problem


class Command(BaseCommand):
    help = "Take in a course archive (.zigzag) and print the slug of the new course."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("file", metavar="FILE.zigzag")
        parser.add_argument("--owner", help="login name of the author who gets it")

    def handle(self, *args: Any, **options: Any) -> None:
        user = arguments.owner(options["owner"])
        try:
            with Path(options["file"]).open("rb") as archive:
                made = take_in_course(user, silent, archive)()
        except OSError as error:
            raise CommandError(f"{options['file']}: {error.strerror}.") from None
        except Problem as problem:
            raise CommandError(f"{options['file']}: {problem}") from None
        self.stdout.write(made["course"])
