"""`manage.py dialogue`: reads the script of a dialogue, and says what its ways come to."""

import json
from argparse import ArgumentParser
from collections.abc import Callable, Iterator
from dataclasses import asdict
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from zigzag_core.dialogue.graph import graph_of
from zigzag_core.dialogue.hints import Hint, hints
from zigzag_core.dialogue.reading import LONGEST, Mistake, read_script
from zigzag_core.dialogue.ways import Range, Ways, ways_of
from zigzag_core.dialogue.writing import written
from zigzag_core.errors import Refusal

_MOST_BYTES = 4 * LONGEST


class Command(BaseCommand):
    help = ("Read the script of a dialogue (docs/dialogue.md) from a file, and say what its ways "
            "come to and what is wrong. Nothing is stored.")

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("--read", type=Path, metavar="FILE", required=True)
        parser.add_argument("--json", action="store_true", help="as JSON, with every figure")
        parser.add_argument("--script", action="store_true", help="the script as Zigzag writes it")

    def handle(self, *args: Any, **options: Any) -> None:
        try:
            read = read_script(_text(options["read"]))
        except Refusal as refusal:
            raise CommandError(str(refusal)) from None
        graph = graph_of(read.script)
        if graph is None:
            raise CommandError("There is nothing in the file.")
        if options["script"]:
            self.stdout.write(written(read.script), ending="")
            return
        ways = ways_of(graph)
        told = hints(graph, ways)
        if options["json"]:
            self.stdout.write(json.dumps({
                **asdict(ways), "mistakes": [asdict(one) for one in read.mistakes],
                "hints": [asdict(one) for one in told]}, indent=1))
            return
        self.stdout.write("\n".join(_lines(len(read.script.turns), ways, read.mistakes, told)))


def _text(file: Path) -> str:
    try:
        data = file.read_bytes()[:_MOST_BYTES + 1]
        return data.decode("utf-8-sig")
    except OSError as error:
        raise CommandError(f"{file} cannot be read: {error.strerror}.") from None
    except UnicodeDecodeError:
        raise CommandError(f"{file} is no text in UTF-8.") from None


def _lines(
    turns: int, ways: Ways, mistakes: tuple[Mistake, ...], told: tuple[Hint, ...]
) -> Iterator[str]:
    yield f"{_many(turns, 'turn')}, {_many(len(ways.endings), 'ending')}"
    yield (f"{_many(ways.count, 'way')}: {_range(ways.turns)} turns, "
           f"{_range(ways.seconds, _minutes)} of listening, {_range(ways.replies)} of "
           f"{ways.all_replies} replies to choose from")
    yield f"{_range(ways.points)} points"
    for name, kind, count in ways.endings:
        yield f"  ends with “{name}” ({kind}): {_many(count, 'way')}"
    for mistake in mistakes:
        meant = f" Meant: {' or '.join(mistake.meant)}?" if mistake.meant else ""
        yield f"Line {mistake.line}: {mistake.words}{meant}"
    for hint in told:
        yield f"{hint.level}: {hint.words}"


def _many(count: int, what: str) -> str:
    return f"{count:,} {what}{'' if count == 1 else 's'}"


def _minutes(seconds: float) -> str:
    whole = round(seconds)
    return f"{whole // 60}:{whole % 60:02}"


def _range(found: Range, said: Callable[[float], str] = "{:g}".format) -> str:
    least = "any number" if found.least is None else said(found.least)
    if found.most == found.least:
        return least
    return f"{least} to {'any number' if found.most is None else said(found.most)}"
