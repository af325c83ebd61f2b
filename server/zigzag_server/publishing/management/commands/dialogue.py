"""`manage.py dialogue`: reads the script of a dialogue, and says what its ways come to."""

import json
from argparse import ArgumentParser
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import asdict
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandError
from zigzag_core import course as core
from zigzag_core.course.dialogues import Dialogue
from zigzag_core.course.document import valid_slide
from zigzag_core.course.names import Names, names_of
from zigzag_core.dialogue.graph import graph_of
from zigzag_core.dialogue.hints import hints
from zigzag_core.dialogue.pasting import pasted
from zigzag_core.dialogue.reading import LONGEST, ReadScript, read_script
from zigzag_core.dialogue.script import Script
from zigzag_core.dialogue.ways import Range, ways_of
from zigzag_core.dialogue.writing import written
from zigzag_core.editing.dialogues.placing import with_script
from zigzag_core.editing.dialogues.scripts import script_of
from zigzag_core.editing.dialogues.values import with_values
from zigzag_core.editing.dialogues.voices import lines_csv, voice_lines
from zigzag_core.errors import Refusal

from zigzag_server.courses import store
from zigzag_server.courses.management import arguments
from zigzag_server.courses.models import Course
from zigzag_server.courses.saving import Stale, Versions, write

_MOST_BYTES = 4 * LONGEST


class Command(BaseCommand):
    help = ("Say what the ways of a course's dialogues come to, and what is wrong in them; or of "
            "a script in a file (docs/dialogue.md), which a slide of the course takes in.")

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("slug", nargs="?", help="without it, nothing is stored")
        parser.add_argument("--read", type=Path, metavar="FILE", help=(
            "a script, or a table with a row of names: turn, speaker, line, reply, leads to"))
        parser.add_argument("--slide", type=int, metavar="NUMBER", help=(
            "the slide that takes it in, from 1 (else the first that has a dialogue)"))
        parser.add_argument("--json", action="store_true", help="as JSON, with every figure")
        parser.add_argument("--lines", action="store_true", help=(
            "the lines to be spoken, as CSV, with the names of the files to record"))
        parser.add_argument("--script", action="store_true", help="the script as Zigzag writes it")

    def handle(self, *args: Any, **options: Any) -> None:
        read = None
        if options["read"] is not None:
            try:
                read = read_script(_script(_text(options["read"])))
            except Refusal as refusal:
                raise CommandError(str(refusal)) from None
            if not read.script.turns:
                raise CommandError("There is nothing in the file.")
        if options["slug"] is None and read is None:
            raise CommandError("Say of which course, or with --read which file.")
        if options["slug"] is None and read is not None:
            self._tell([(None, read)], options, {})
            return
        row = arguments.course(options["slug"])
        if read is not None:
            title = _take_in(row, read.script, options["slide"])
            self._tell([(title, read)], options, _begins(row))
            return
        if options["lines"]:
            self.stdout.write("".join(
                lines_csv(voice_lines(dialogue)) for _, dialogue, _ in _dialogues(row)), ending="")
            return
        found = [(slide.title, ReadScript(script_of(dialogue, names), (), ()))
                 for slide, dialogue, names in _dialogues(row)]
        if not found:
            raise CommandError("The course has no dialogue.")
        self._tell(found, options, _begins(row))

    def _tell(
        self, found: Sequence[tuple[str | None, ReadScript]], options: Mapping[str, Any],
        begins: Mapping[str, float],
    ) -> None:
        if options["script"]:
            self.stdout.write("\n".join(written(read.script) for _, read in found), ending="")
        elif options["json"]:
            figures = [_figures(title, read, begins) for title, read in found]
            self.stdout.write(json.dumps(figures, indent=1))
        else:
            self.stdout.write("\n".join(
                line for title, read in found for line in _lines(title, read, begins)))


def _dialogues(row: Course) -> Iterator[tuple[core.Slide, Dialogue, Names]]:
    document = store.document_of(row)
    titles = {slide.id: slide.title for slide in document.slides}
    for slide in document.slides:
        for dialogue in slide.dialogues:
            yield slide, dialogue, names_of(document.course, slide, titles)


def _take_in(row: Course, script: Script, number: int | None) -> str:
    """Store the script in a slide; return the title of that."""
    document = store.document_of(row)
    slides = document.slides
    if number is None:
        slide = next((one for one in slides if one.dialogues), None)
        if slide is None:
            raise CommandError("No slide has a dialogue yet: say with --slide which is to have it.")
    elif 1 <= number <= len(slides):
        slide = slides[number - 1]
    else:
        raise CommandError(f"The course has slides 1 to {len(slides)}. Nothing was stored.")
    course, changed = with_script(
        document.course, slide, {one.id: one.title for one in slides}, script, core.system_ids(),
        slide.dialogues[0].id if slide.dialogues else None)
    version = row.slide_rows.values_list("version", flat=True).get(slide_id=slide.id)
    versions = Versions(row.version, {slide.id: version})
    try:
        write(row.owner, row, versions, course, {slide.id: valid_slide(changed)})
    except Stale:
        raise CommandError("Somebody has saved the course meanwhile. Nothing was stored; "
                           "run the command again.") from None
    return slide.title


def _script(text: str) -> str:
    """A table becomes a script; a script stays as it is, to the letter."""
    table = pasted(text)
    return table.text if table.rows else text


def _text(file: Path) -> str:
    try:
        data = file.read_bytes()[:_MOST_BYTES + 1]
        return data.decode("utf-8-sig")
    except OSError as error:
        raise CommandError(f"{file} cannot be read: {error.strerror}.") from None
    except UnicodeDecodeError:
        raise CommandError(f"{file} is no text in UTF-8.") from None


def _begins(row: Course) -> dict[str, float]:
    """With which numbers the values of a course begin."""
    return {one.name: one.default for one in store.document_of(row).course.variables
            if one.type == "number"}


def _figures(
    title: str | None, read: ReadScript, begins: Mapping[str, float]
) -> dict[str, Any]:
    graph = graph_of(read.script)
    found = with_values(graph, begins) if graph else None
    ways = ways_of(found.graph) if found else None
    return {"slide": title, **(asdict(ways) if ways else {}),
            "assumed": found.assumed if found else (), "followed": found is None or found.whole,
            "mistakes": [asdict(one) for one in read.mistakes],
            "hints": [asdict(one) for one in hints(graph, ways)] if graph and ways else []}


def _lines(
    title: str | None, read: ReadScript, begins: Mapping[str, float]
) -> Iterator[str]:
    if title is not None:
        yield title
    graph = graph_of(read.script)
    if graph is None:
        yield "Nothing is said yet."
        return
    found = with_values(graph, begins)
    ways = ways_of(found.graph)
    yield f"{_many(len(read.script.turns), 'turn')}, {_many(len(ways.endings), 'ending')}"
    yield (f"{_many(ways.count, 'way')}: {_range(ways.turns)} turns, "
           f"{_range(ways.seconds, _minutes)} of listening, {_range(ways.replies)} of "
           f"{ways.all_replies} replies to choose from")
    yield f"{_range(ways.points)} points"
    for value, by in ways.values:
        yield f"“{value}” changes by {_range(by, '{:+g}'.format)}"
    for name, kind, count in ways.endings:
        yield f"  ends with “{name}” ({kind}): {_many(count, 'way')}"
    for condition in found.assumed:
        yield f"Taken to hold: {condition}"
    if not found.whole:
        yield "There are too many values to follow: all conditions are taken to hold."
    for mistake in read.mistakes:
        meant = f" Meant: {' or '.join(mistake.meant)}?" if mistake.meant else ""
        yield f"Line {mistake.line}: {mistake.words}{meant}"
    for hint in hints(graph, ways):
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
