"""`manage.py quiz`: the numbers behind the settings of a course's quizzes."""

import json
from argparse import ArgumentParser
from collections.abc import Mapping
from dataclasses import asdict
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from zigzag_core.errors import Refusal
from zigzag_core.packaging.incremental import CompiledCourse
from zigzag_core.quiz.measures import QuizNumbers
from zigzag_core.quiz.proving import Proof, prove

from zigzag_server.courses.management import arguments
from zigzag_server.publishing.programs import compiled_now
from zigzag_server.publishing.quizzes import numbers_of, quizzes_of

MOST_PROVED = 1_000_000


class Command(BaseCommand):
    help = "Say what the settings of each quiz of a course come to."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("slug")
        parser.add_argument("--json", action="store_true", help="as JSON, with every number")

        parser.add_argument("--prove", type=int, metavar="SEEDS", help=(
            f"draw each quiz for so many learners (1 to {MOST_PROVED:,}), look at every limit, and "
            "test chance"))

    def handle(self, *args: Any, **options: Any) -> None:
        row = arguments.course(options["slug"])
        try:
            compiled = compiled_now(row)
        except Refusal as refusal:
            raise CommandError(str(refusal)) from None
        if options["prove"] is not None:
            self._prove(compiled, options["prove"], options["json"])
            return
        found = numbers_of(compiled)
        if options["json"]:
            self.stdout.write(json.dumps([asdict(numbers) for numbers in found], indent=1))
            return
        names = _names(compiled)
        for numbers in found:
            self.stdout.write("\n".join(_lines(numbers, names)))
        if not found:
            self.stdout.write("The course has no quiz.")


    def _prove(self, compiled: CompiledCourse, seeds: int, as_json: bool) -> None:
        if not 1 <= seeds <= MOST_PROVED:
            raise CommandError(
                f"A proof draws for 1 to {MOST_PROVED:,} learners. Nothing was drawn.")
        names = _names(compiled)
        proofs = [prove(quiz, seeds) for quiz in quizzes_of(compiled)]
        if as_json:
            self.stdout.write(json.dumps([asdict(proof) for proof in proofs], indent=1))
            return
        for proof in proofs:
            self.stdout.write("\n".join(_proof_lines(proof, names)))


def _names(compiled: CompiledCourse) -> dict[str, str]:
    names = {section.id: section.title for section in compiled.course.sections}
    return names | {one.id: one.name for section in compiled.course.sections if section.quiz
                    for one in section.quiz.sets}


def _proof_lines(proof: Proof, names: Mapping[str, str]) -> list[str]:
    return [
        names[proof.quiz],
        f"  drawn for {proof.seeds:,} learners: {proof.violating:,} break a limit",
        *(f"  learner {one.seed}: {one.why}" for one in proof.broken),
        *(f"  {names[test.set]}, {_TESTED[test.of]}: chi-square {test.statistic:.2f} with "
          f"{test.freedom} degrees of freedom; chance alone gives as much in {test.chance:.1%}"
          for test in proof.tests),
        "  as chance gives it" if proof.even else "  NOT as chance gives it",
    ]


_TESTED = {"drawn": "which questions", "order": "in which order"}


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
