"""`manage.py export`: a course as an archive."""

from argparse import ArgumentParser
from typing import Any

from django.core.management.base import BaseCommand
from zigzag_core.packaging.archive import export_archive

from zigzag_server.courses import files, store
from zigzag_server.courses.management import arguments


class Command(BaseCommand):
    help = "Write a course with its media as an archive (.zigzag)."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("slug")
        parser.add_argument("--out", required=True, metavar="FILE.zigzag")

    def handle(self, *args: Any, **options: Any) -> None:
        document = store.document_of(arguments.course(options["slug"]))
        with arguments.writing(options["out"]) as into:
            export_archive(document, files.opened_of, into)
            size = into.tell()
        self.stdout.write(f"{options['out']}: {len(document.slides)} slides, {size:,} bytes")
