"""`manage.py draws`: what learners get of a course's quizzes."""

import json
from argparse import ArgumentParser
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from zigzag_core.errors import Refusal

from zigzag_server.courses.management import arguments
from zigzag_server.publishing.programs import compiled_now
from zigzag_server.publishing.quizzes import draws_of, quizzes_of

MOST = 1_000_000


class Command(BaseCommand):
    help = "Say what each of so many learners gets of each quiz of a course, in order."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("slug")
        parser.add_argument("--seeds", type=int, default=10, metavar="N",
                            help=f"learners with the seeds from 0 to N - 1; {MOST:,} at most")
        parser.add_argument("--json", action="store_true", help="a JSON object for each learner")

    def handle(self, *args: Any, **options: Any) -> None:
        seeds = options["seeds"]
        if not 0 < seeds <= MOST:
            raise CommandError(f"--seeds takes a number from 1 to {MOST:,}.")
        row = arguments.course(options["slug"])
        try:
            compiled = compiled_now(row)
        except Refusal as refusal:
            raise CommandError(str(refusal)) from None
        titles = {section.id: section.title for section in compiled.course.sections}
        for quiz in quizzes_of(compiled):
            for seed, slides in enumerate(draws_of(compiled, quiz, range(seeds))):
                if options["json"]:
                    self.stdout.write(json.dumps(
                        {"quiz": titles[quiz.id], "seed": seed, "slides": slides},
                        ensure_ascii=False))
                else:
                    self.stdout.write(f"{titles[quiz.id]}, learner {seed}: {' · '.join(slides)}")
