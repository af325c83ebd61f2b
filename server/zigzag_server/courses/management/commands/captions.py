"""`manage.py captions`: makes captions of known words, and checks all captions."""

import json
from argparse import ArgumentParser
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from zigzag_core.media.captioning import with_captions
from zigzag_core.verification.findings.captions import caption_findings

from zigzag_server.courses import store
from zigzag_server.courses.management import arguments
from zigzag_server.courses.saving import Stale, Versions, write


class Command(BaseCommand):
    help = ("Make captions for files whose words and times are known and that have none, and say "
            "which captions do not fit or cannot be read. Ends with 1 where there are such.")

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("slug")
        parser.add_argument("--json", action="store_true", help="tell what was found, as JSON")

    def handle(self, *args: Any, **options: Any) -> None:
        row = arguments.course(options["slug"])
        document = store.document_of(row)
        files = tuple(map(with_captions, document.course.media))
        made = sum(new != old for new, old in zip(files, document.course.media, strict=True))
        course = document.course.model_copy(update={"media": files})
        if made:
            try:
                write(row.owner, row, Versions(row.version, {}), course, {})
            except Stale:
                raise CommandError("Somebody has saved the course meanwhile. Nothing was stored; "
                                   "run the command again.") from None
        media = {file.id: file for file in files}
        found = [one for slide in document.slides for one in caption_findings(slide, media)]
        if options["json"]:
            self.stdout.write(json.dumps(
                {"made": made, "found": [one.model_dump() for one in found]}, indent=1))
        else:
            self.stdout.write(f"Files that got captions: {made}.")
            for one in found:
                self.stdout.write(one.message)
        if found:
            raise CommandError(f"Captions that need a look: {len(found)}.", returncode=1)
