"""`manage.py questions`: makes slides of the questions in a file."""

import json
from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from zigzag_core import course as core
from zigzag_core.editing.quizzes.making import plant_questions
from zigzag_core.editing.quizzes.reading import LONGEST, read_questions
from zigzag_core.editing.quizzes.written import Misread, Written
from zigzag_core.errors import Refusal
from zigzag_core.words import say_in

from zigzag_server.courses import store
from zigzag_server.courses.management import arguments
from zigzag_server.courses.quiz_edits_api import read_out
from zigzag_server.courses.saving import Stale, Versions, write

_MOST_BYTES = 4 * LONGEST


class Command(BaseCommand):
    help = ("Make a slide of each question in a text or CSV file (docs/questions.md). What is no "
            "question is named with its line; nothing is made then, unless with --some.")

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("slug")
        parser.add_argument("file", type=Path)
        parser.add_argument("--quiz", help="the title of the section that they go into")
        parser.add_argument("--some", action="store_true", help="leave out what is no question")
        parser.add_argument("--json", action="store_true", help="tell what was read, as JSON")

    def handle(self, *args: Any, **options: Any) -> None:
        row = arguments.course(options["slug"])
        try:
            found = read_questions(_text(options["file"]))
        except Refusal as refusal:
            raise CommandError(str(refusal)) from None
        misread = [one for one in found if isinstance(one, Misread)]
        written = [one for one in found if isinstance(one, Written)]
        if options["json"]:
            self.stdout.write(json.dumps([read_out(one).model_dump() for one in found], indent=1))
        if not written or (misread and not options["some"]):
            reasons = "".join(f"\nLine {one.line}: {one.why}" for one in misread)
            raise CommandError(f"Nothing was made.{reasons}" if reasons
                               else "Nothing was made: there are no questions in the file.")
        settings = store.settings_of(row)
        section = _section(settings, options["quiz"])
        try:
            planted = plant_questions(
                settings, written, None, core.system_ids(), section,
                say_in(settings.language, settings.words))
        except Refusal as refusal:
            raise CommandError(str(refusal)) from None
        try:
            write(row.owner, row, Versions(row.version, {}), planted.course,
                  {slide.id: slide for slide in planted.slides})
        except Stale:
            raise CommandError("Somebody has saved the course meanwhile. Nothing was made; "
                               "run the command again.") from None
        if not options["json"]:
            left = f" Left out: {len(misread)}." if misread else ""
            self.stdout.write(f"Slides made: {len(planted.slides)}.{left}")


def _text(path: Path) -> str:
    try:
        if path.stat().st_size > _MOST_BYTES:
            raise CommandError(f"The file is larger than {_MOST_BYTES // 1_000_000} MB.")
        return path.read_text(encoding="utf-8-sig")
    except OSError as error:
        raise CommandError(f"The file cannot be read: {error.strerror}.") from None
    except UnicodeDecodeError:
        raise CommandError("The file is not text in UTF-8. Save it as UTF-8 and try again."
                           ) from None


def _section(course: core.Course, title: str | None) -> str | None:
    if title is None:
        return None
    found = [one.id for one in course.sections if one.quiz and one.title == title]
    if len(found) != 1:
        named = ", ".join(f"“{one.title}”" for one in course.sections if one.quiz) or "none"
        raise CommandError(f"There is no quiz “{title}” in the course, or more than one. "
                           f"Its quizzes: {named}.")
    return found[0]
