"""Scripts of dialogues: read, and put on a slide. Nothing is stored, the answers say what would be.
"""

from dataclasses import asdict
from typing import Any, Literal

from django.http import HttpRequest, HttpResponse
from ninja import Field, Router, Schema
from pydantic_core import to_json
from zigzag_core import course as core
from zigzag_core.course.dialogues import Dialogue
from zigzag_core.course.names import names_of
from zigzag_core.dialogue.graph import graph_of
from zigzag_core.dialogue.hints import hints
from zigzag_core.dialogue.leading import leads_of
from zigzag_core.dialogue.pasting import pasted
from zigzag_core.dialogue.reading import LONGEST, LineKind, read_script
from zigzag_core.dialogue.script import EndingKind
from zigzag_core.dialogue.ways import Ways, ways_of
from zigzag_core.dialogue.writing import written
from zigzag_core.editing.dialogues.placing import with_script
from zigzag_core.editing.dialogues.scripts import script_of
from zigzag_core.editing.dialogues.values import with_values
from zigzag_core.editing.dialogues.voices import lines_csv, voice_lines

from zigzag_server.problems import not_found

from .edited import Edited, edited

router = Router(tags=["dialogues"])

_ROOM = 4 * LONGEST
"""A text that is too long is read so far as to say so."""


class ScriptText(Schema):
    """The script of a dialogue as text (`docs/dialogue.md`)."""

    text: str = Field(max_length=_ROOM)


class ScriptAsked(ScriptText):
    """The same, and with which numbers its values begin, by their names; the others with 0."""

    begins: dict[str, float] = Field(default={}, max_length=2_000)


class ScriptMistake(Schema):
    """What is wrong at a `line` (from 1), and words that may be meant instead."""

    line: int
    code: str
    words: str
    meant: list[str]


class ScriptHint(Schema):
    """Something to think of; an `error` keeps learners from an ending."""

    level: Literal["error", "warning"]
    code: str
    words: str
    turn: str | None


class ScriptTurn(Schema):
    """A turn, with the line of its name (from 1)."""

    name: str
    line: int
    ending: EndingKind | None


class Least(Schema):
    """The least and the most of something over all ways; None: there is no bound."""

    least: float | None
    most: float | None


class ScriptValue(Schema):
    """By how much a value changes on one way."""

    name: str
    by: Least


class ScriptFigures(Schema):
    """What the ways of a dialogue come to: see `zigzag_core.dialogue.ways`."""

    count: str = Field(description="so many ways, which may be more than fits into a number")
    turns: Least
    seconds: Least
    replies: Least
    all_replies: int
    points: Least
    values: list[ScriptValue]


class ScriptLine(Schema):
    """What the `line` (from 1) of a script was understood as, in the turn with this number."""

    line: int
    kind: LineKind
    turn: int
    words: str
    speaker: str
    mood: str


class ScriptLead(Schema):
    """From one turn to another, by their numbers, by these replies; none: by itself."""

    source: int
    target: int
    replies: list[str]
    conditional: bool


class ScriptRead(Schema):
    """What a script was understood as. It has `figures` where something is said in it.

    The figures follow the values, but for the conditions that are `assumed` to hold; all are where
    there are too many values to be `followed`.
    """

    turns: list[ScriptTurn]
    lines: list[ScriptLine]
    leads: list[ScriptLead]
    mistakes: list[ScriptMistake]
    hints: list[ScriptHint]
    figures: ScriptFigures | None
    assumed: list[str]
    followed: bool


class PastedScript(Schema):
    """What was copied elsewhere as a script, and so many rows of a table as were read."""

    text: str
    rows: int


class DialogueIn(Schema):
    """A slide with its course, and the titles of all slides by id; a dialogue of it by its id."""

    course: core.Course
    slide: core.Slide
    titles: dict[str, str] = {}
    dialogue: str | None = Field(default=None, max_length=40)


class SpokenLine(Schema):
    """A line to be spoken, and the name of the `file` to record (without its ending).

    One whose `voice` says other words than now is `old`.
    """

    id: str
    number: int
    speaker: str
    mood: str
    words: str
    file: str
    voice: str | None
    old: bool
    by_machine: bool


class ScriptVoices(Schema):
    """The lines of a dialogue that are to be spoken."""

    lines: list[SpokenLine]
    csv: str


class ScriptIn(DialogueIn):
    """The same, and what is said from now on."""

    text: str = Field(max_length=_ROOM)


@router.post("/dialogue/read", response=ScriptRead)
def dialogue_read(request: HttpRequest, data: ScriptAsked) -> HttpResponse:
    """Say what a script is understood as, what is wrong in it, and what its ways come to."""
    read = read_script(data.text)
    graph = graph_of(read.script)
    followed = with_values(graph, data.begins) if graph else None
    ways = ways_of(followed.graph) if followed else None
    found = {
        "turns": [{"name": turn.name, "line": line, "ending": turn.ending}
                  for turn, line in zip(read.script.turns, read.lines, strict=True)],
        "lines": [vars(one) for one in read.read],
        "leads": [vars(one) for one in leads_of(graph)] if graph else [],
        "mistakes": [asdict(one) for one in read.mistakes],
        "hints": [asdict(one) for one in hints(graph, ways)] if graph and ways else [],
        "figures": _figures(ways) if ways else None,
        "assumed": followed.assumed if followed else (),
        "followed": followed is None or followed.whole,
    }
    # Written at once: to check it again on its way out takes as long as to read the script.
    return HttpResponse(to_json(found), content_type="application/json")


@router.post("/dialogue/voices", response=ScriptVoices)
def dialogue_voices(request: HttpRequest, data: DialogueIn) -> dict[str, Any]:
    """Return the lines of a dialogue that are to be spoken, and as CSV for those who record them.
    """
    lines = voice_lines(_found(data))
    return {"lines": [vars(one) for one in lines], "csv": lines_csv(lines)}


def _found(data: DialogueIn) -> Dialogue:
    found = next((one for one in data.slide.dialogues if one.id == data.dialogue), None)
    if found is None:
        raise not_found("dialogue")
    return found


def _figures(ways: Ways) -> dict[str, Any]:
    return {**asdict(ways), "count": str(ways.count),
            "values": [{"name": name, "by": asdict(by)} for name, by in ways.values]}


@router.post("/dialogue/pasted", response=PastedScript)
def dialogue_pasted(request: HttpRequest, data: ScriptText) -> dict[str, Any]:
    """Return what was copied elsewhere, a table or a list, as the text of a script."""
    return vars(pasted(data.text))


@router.post("/dialogue/script", response=ScriptText)
def dialogue_script(request: HttpRequest, data: DialogueIn) -> dict[str, str]:
    """Return the script of a dialogue as text."""
    names = names_of(data.course, data.slide, data.titles)
    return {"text": written(script_of(_found(data), names))}


@router.post("/dialogue", response=Edited)
def edit_dialogue(request: HttpRequest, data: ScriptIn) -> dict[str, Any]:
    """Let a dialogue of the slide say what a script says; without one, the slide gets one."""
    course, slide = with_script(
        data.course, data.slide, data.titles, read_script(data.text).script, core.system_ids(),
        data.dialogue)
    known = {one.id for one in data.slide.dialogues}
    made = next((one.id for one in slide.dialogues if one.id not in known), data.dialogue)
    return edited({data.slide.id: data.slide}, (slide,), (), (data.course, course), made=made)
