"""`manage.py quiz`: the numbers behind the settings of a course's quizzes."""

import json
from argparse import ArgumentParser
from collections.abc import Mapping
from dataclasses import asdict
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from zigzag_core.errors import Refusal
from zigzag_core.quiz.measures import QuizNumbers

from zigzag_server.courses.management import arguments
from zigzag_server.publishing.programs import compiled_now
from zigzag_server.publishing.quizzes import numbers_of


class Command(BaseCommand):
    help = "Say what the settings of each quiz of a course come to."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("slug")
        parser.add_argument("--json", action="store_true", help="as JSON, with every number")

    def handle(self, *args: Any, **options: Any) -> None:
        row = arguments.course(options["slug"])
        try:
            compiled = compiled_now(row)
        except Refusal as refusal:
            raise CommandError(str(refusal)) from None
        found = numbers_of(compiled)
        if options["json"]:
            self.stdout.write(json.dumps([asdict(numbers) for numbers in found], indent=1))
            return
        names = {section.id: section.title for section in compiled.course.sections}
        names |= {one.id: one.name for section in compiled.course.sections if section.quiz
                  for one in section.quiz.sets}
        for numbers in found:
            self.stdout.write("\n".join(_lines(numbers, names)))
        if not found:
            self.stdout.write("The course has no quiz.")


def _lines(numbers: QuizNumbers, names: Mapping[str, str]) -> list[str]:
    figure, power = numbers.quizzes.figure, numbers.quizzes.power
    many = f"{round(figure * 10**power):,}" if power < 9 else f"{figure:.2f} × 10^{power}"
    low, high = numbers.lowest, numbers.highest
    points = f"{high:g}" if high - low < 1e-9 else f"{low:g} to {high:g}"
    safe = f"less than 1 % from {numbers.safe_mark} % on" if numbers.safe_mark else (
        "more than 1 % at any pass mark")
    return [
        names[numbers.quiz],
        f"  {many} different quizzes, orders counted",
        f"  two learners share {numbers.shared:.1f} of {numbers.asked:.1f} questions on average",
        f"  {points} points can be reached",
        *([] if numbers.passing is None else [
            f"  guessing passes with {numbers.passing:.4%}; {safe}"]),
        *(f"  nothing can be drawn from the set “{names[one]}” as it asks: all of it is taken"
          for one in numbers.impossible),
    ]
