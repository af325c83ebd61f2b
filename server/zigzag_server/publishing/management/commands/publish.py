"""`manage.py publish`: a course as a package."""

import sys
from argparse import ArgumentParser
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from zigzag_core.errors import Refusal
from zigzag_core.packaging.package import KINDS
from zigzag_core.verification.findings.document import findings

from zigzag_server.courses import store
from zigzag_server.courses.management import arguments
from zigzag_server.jobs.kinds import Again, silent
from zigzag_server.problems import Problem
from zigzag_server.publishing.packaging import write_package


class Command(BaseCommand):
    help = "Publish a course as a package."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("slug")
        parser.add_argument("--as", dest="kind", required=True, choices=KINDS)
        parser.add_argument("--out", required=True, metavar="FILE.zip")

    def handle(self, *args: Any, **options: Any) -> None:
        row = arguments.course(options["slug"])
        for finding in findings(store.document_of(row)):
            if finding.level == "error":
                print(f"note: {finding.message}", file=sys.stderr)
        with arguments.writing(options["out"]) as into:
            try:
                write_package(row, options["kind"], silent, into).store(row)
            except (Problem, Refusal) as problem:
                raise CommandError(str(problem)) from None
            except Again:
                raise CommandError(
                    "The course was published elsewhere at the same moment, with other numbers of "
                    "its parts. Run the command again.") from None
            size = into.tell()
        slides = len(row.document["slides"])
        self.stdout.write(f"{options['out']}: {slides} slides, {size:,} bytes")
