"""`manage.py told`: what an LMS will be told of a course, before it is published."""

import json
from argparse import ArgumentParser
from collections.abc import Iterator
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from zigzag_core.errors import Refusal
from zigzag_core.verification.endings.endings import Ending

from zigzag_server.courses.management import arguments
from zigzag_server.publishing.packaging import latest_of
from zigzag_server.publishing.telling import told_of


class Command(BaseCommand):
    help = ("Say what an LMS will hold of learners who take a course in several ways, by each "
            "standard, beside what it holds by what was published last.")

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("slug")
        parser.add_argument("--json", action="store_true", help="as JSON, with every figure")

    def handle(self, *args: Any, **options: Any) -> None:
        row = arguments.course(options["slug"])
        try:
            told, compared = told_of(row, latest_of(row))
        except Refusal as refusal:
            raise CommandError(str(refusal)) from None
        if options["json"]:
            self.stdout.write(json.dumps(
                {**told.model_dump(mode="json"), "compared": compared}, indent=1,
                ensure_ascii=False))
            return
        for ending in told.endings:
            self.stdout.write("\n".join(_lines(ending)))
        if told.left_out:
            self.stdout.write(f"Ways of forks that were not taken: {told.left_out}")


def _lines(ending: Ending) -> Iterator[str]:
    now = ending.told
    score = "no score" if now.score is None else f"{now.score:g} %"
    yield ending.name
    yield (f"  SCORM 1.2: {now.status}; SCORM 2004: {now.completion}, {now.success}; "
           f"cmi5: {', '.join(now.verbs) or 'nothing yet'}")
    answers = "1 answer" if now.answers == 1 else f"{now.answers} answers"
    yield f"  {score}, {answers}, {now.progress:,} characters of progress"
    for one in now.objectives:
        yield f"  “{one.title}”: {one.status}" + (
            "" if one.score is None else f", {one.score:g} %")
    if ending.stuck:
        yield f"  came no further than “{ending.stuck}”: its gate did not open"
    before = ending.before
    if before and before != now:
        held = "no score" if before.score is None else f"{before.score:g} %"
        yield f"  published last: {before.status}; {before.completion}, {before.success}; {held}"
