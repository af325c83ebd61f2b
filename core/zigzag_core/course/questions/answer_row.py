"""Rows of answer tables: combinations of answers, and what comes of each."""

from typing import Annotated

from pydantic import Field

from ..kinds import Is, PartRef, Refers
from ..model import Id, Model
from ..rules.rule import Actions
from ..text.rich_text import RichText

PartPoints = Annotated[float, Field(ge=-10_000, le=10_000)]
Count = Annotated[int, Field(ge=0, le=1_000)]
Value = Annotated[str, Field(max_length=500), Refers(("part",), of_pairs=True)]


MOST_PARTS = 12
"""So many answers can be combined: 4,096 rows."""
MOST_TABLE_BYTES = 2_000_000
"""A file with a table is not larger."""


class OtherThan(Model):
    """Anything but `value` in a part, or nothing."""

    value: Value


Cell = bool | Value | OtherThan
"""What a row of an answer table asks of one part: that it is given or not, or what is in it: the
target of an item, the words in a blank. Without a cell it may be anything."""


class AnswerRow(Model):
    """A combination of answers: its cells hold for the parts that they name, and at least so many
    answers are given.

    It has words, points and what it does.
    """

    id: Annotated[Id, Is("row")]
    cells: Annotated[dict[PartRef, Cell], Field(max_length=60)] = {}
    at_least: Count = 0
    words: RichText = RichText()
    points: PartPoints | None = None
    do: Actions = ()
