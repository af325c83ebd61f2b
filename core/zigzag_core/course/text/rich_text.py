"""Rich text: paragraphs and list items made of runs. Data, never markup."""

import re
from collections.abc import Mapping
from typing import Annotated, Literal

from pydantic import Field

from ..kinds import PartRef, Refers
from ..model import Model

_GAP = re.compile(r"\{([a-z]+)\}")

LiveValue = Literal[
    "points", "max_points", "score", "slides_seen", "slides", "slide_number", "slide_title",
    "minutes", "seconds", "learner_name", "result", "answered", "questions",
    "question_number", "question_count",
    "quiz_points", "quiz_max_points", "quiz_score", "quiz_right", "quiz_judged",
    "quiz_questions", "quiz_answered", "quiz_seconds", "quiz_attempt", "quiz_attempts_left",
    "quiz_best", "quiz_pass_mark", "quiz_result", "quiz_band", "quiz_wait", "quiz_day",
]
"""Values that the course itself keeps: points so far, points possible, score in per cent,
slides seen, slides in all, number (from 1) and title of the current slide, whole minutes and
seconds spent, the learner's name, the result (``passed``, ``failed`` or ``open``), questions
answered to their end, questions in all. Of the slides with questions that this learner gets, in
the quiz that the current slide is in or else in the course: how many there are up to it, and in
all. Those of a quiz tell of the quiz that the slide is in, else of the last one before it, what
the operators of these names tell (`engine.quiz_results`)."""


TAG = "tag:"
"""Begins the name of the score of all questions with a tag."""


class TextRun(Model):
    """A stretch of text with one emphasis."""

    kind: Literal["text"] = "text"
    text: str
    bold: bool = False
    italic: bool = False


class ValueFormat(Model):
    """How a value is written: numbers with `decimals` (None: as they are), words instead of a yes
    and a no, words for one and for other numbers (``#`` stands for the number)."""

    decimals: Annotated[int, Field(ge=0, le=6)] | None = None
    yes: Annotated[str, Field(max_length=100)] = ""
    no: Annotated[str, Field(max_length=100)] = ""
    one: Annotated[str, Field(max_length=100)] = ""
    many: Annotated[str, Field(max_length=100)] = ""


class ValueRun(Model):
    """The present value of a variable (by id) or of something the course keeps (by name).

    The id of a set of questions stands for its score in per cent, ``tag:`` and a tag for that of
    the questions with this tag.
    """

    kind: Literal["value"] = "value"
    of: Annotated[str, Refers(("variable", "set"), weak=True)] = Field(max_length=50)
    format: ValueFormat | None = None
    bold: bool = False
    italic: bool = False


class BlankRun(Model):
    """A gap to be filled: one of the blanks of the question that the text belongs to."""

    kind: Literal["blank"] = "blank"
    blank: PartRef
    bold: bool = False
    italic: bool = False


Run = Annotated[TextRun | ValueRun | BlankRun, Field(discriminator="kind")]


class Block(Model):
    """One paragraph, or one item of a list; adjacent items of a kind form one list."""

    kind: Literal["paragraph", "bullet", "number"] = "paragraph"
    runs: tuple[Run, ...] = Field(default=(), max_length=2_000)


class RichText(Model):
    """Text as blocks: paragraphs, headings and list items."""

    blocks: tuple[Block, ...] = Field(default=(), max_length=2_000)


def rich(text: str) -> RichText:
    """Return `text` as rich text: a paragraph for each line, ``- `` items, ``**bold**`` words."""
    blocks = []
    for line in text.split("\n"):
        kind: Literal["paragraph", "bullet"] = "bullet" if line.startswith("- ") else "paragraph"
        body = line[2:] if kind == "bullet" else line
        pieces = body.split("**")
        runs = tuple(
            TextRun(text=piece, bold=index % 2 == 1) for index, piece in enumerate(pieces) if piece
        )
        blocks.append(Block(kind=kind, runs=runs))
    return RichText(blocks=tuple(blocks) if text else ())


GAP = "____"
"""How a blank stands in plain words."""


def plain(text: RichText) -> str:
    """Return the words of `text`, a line for each block; values stand as ``{{ name }}``,
    blanks as `GAP`."""
    return "\n".join(
        "".join(
            _plain_run(run) for run in block.runs
        )
        for block in text.blocks
    )


def _plain_run(run: Run) -> str:
    match run:
        case TextRun():
            return run.text
        case BlankRun():
            return GAP
    return f"{{{{ {run.of} }}}}"


def with_values(words: str, values: Mapping[str, str], bold: bool = False) -> Block:
    """Return a paragraph of `words`, in which ``{name}`` shows the value that `values` names."""
    runs: list[TextRun | ValueRun] = []
    for place, piece in enumerate(_GAP.split(words)):
        if place % 2:
            runs.append(ValueRun(of=values[piece], bold=bold))
        elif piece:
            runs.append(TextRun(text=piece))
    return Block(runs=tuple(runs))
