"""`manage.py speak`: machine voices for the dialogues of a course."""

from argparse import ArgumentParser
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from zigzag_core.course import MediaFile
from zigzag_core.course.document import valid_slide
from zigzag_core.errors import CannotSpeak
from zigzag_core.voice.dialogues import spoken, with_voices

from zigzag_server.courses import store
from zigzag_server.courses.management import arguments
from zigzag_server.courses.saving import Stale, Versions, write
from zigzag_server.courses.speaking import keeper


class Command(BaseCommand):
    help = ("Let machine voices speak the lines of a course's dialogues that have no voice yet, "
            "and those spoken by machine whose words were changed.")

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("slug")

    def handle(self, *args: Any, **options: Any) -> None:
        row = arguments.course(options["slug"])
        document, changed = store.document_of(row), {}
        files: list[MediaFile] = []
        try:
            for slide in document.slides:
                dialogues = []
                for dialogue in slide.dialogues:
                    voices = spoken(dialogue, document.course.language, keeper(row.owner))
                    files += voices.values()
                    dialogues.append(with_voices(dialogue, voices))
                if tuple(dialogues) != slide.dialogues:
                    changed[slide.id] = valid_slide(
                        slide.model_copy(update={"dialogues": tuple(dialogues)}))
        except CannotSpeak as refusal:
            raise CommandError(f"{refusal} Nothing was stored.") from None
        if changed:
            course = document.course.model_copy(
                update={"media": (*document.course.media, *files)})
            versions = dict(row.slide_rows.values_list("slide_id", "version"))
            base = Versions(row.version, {slide: versions[slide] for slide in changed})
            try:
                write(row.owner, row, base, course, changed)
            except Stale:
                raise CommandError("Somebody has saved the course meanwhile. Nothing was stored; "
                                   "run the command again.") from None
        self.stdout.write(f"{len(files)} line{'' if len(files) == 1 else 's'} spoken.")
