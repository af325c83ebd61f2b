"""`manage.py speak`: machine voices for what is spoken in a course."""

from argparse import ArgumentParser
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from zigzag_core.course.document import valid_slide
from zigzag_core.editing.narration.voices import with_course_voices
from zigzag_core.errors import CannotSpeak
from zigzag_core.voice.course import spoken

from zigzag_server.courses import store
from zigzag_server.courses.management import arguments
from zigzag_server.courses.saving import Stale, Versions, write
from zigzag_server.courses.speaking import keeper


class Command(BaseCommand):
    help = ("Let machine voices speak what has no voice yet in a course, and what they spoke "
            "before its words were changed.")

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("slug")

    def handle(self, *args: Any, **options: Any) -> None:
        row = arguments.course(options["slug"])
        document = store.document_of(row)
        try:
            voices = spoken(document, keeper(row.owner), self._told)
        except CannotSpeak as refusal:
            raise CommandError(f"{refusal} Nothing was stored.") from None
        after = with_course_voices(document, voices)
        changed = {new.id: valid_slide(new)
                   for old, new in zip(document.slides, after.slides, strict=True) if new != old}
        if changed:
            versions = dict(row.slide_rows.values_list("slide_id", "version"))
            base = Versions(row.version, {slide: versions[slide] for slide in changed})
            try:
                write(row.owner, row, base, after.course, changed)
            except Stale:
                raise CommandError("Somebody has saved the course meanwhile. Nothing was stored; "
                                   "run the command again.") from None
        self.stdout.write(f"{len(voices)} line{'' if len(voices) == 1 else 's'} spoken.")

    def _told(self, share: float) -> None:
        if self.stderr.isatty():
            self.stderr.write(f"\rSpeaking … {share:.0%} ", ending="")
