"""Edits of questions. Nothing is stored: they answer with what would be."""

from collections.abc import Callable, Iterable
from typing import Any, Literal

from django.http import HttpRequest
from ninja import Field, Router, Schema
from pydantic import Base64Bytes
from zigzag_core import course as core
from zigzag_core.course.questions.answer_row import MOST_TABLE_BYTES, AnswerRow
from zigzag_core.course.questions.descriptors import QuestionKind
from zigzag_core.editing.questions.converting import converted
from zigzag_core.editing.questions.making import (
    guessed_roles,
    question_from,
    with_button,
    with_elements_as_parts,
)
from zigzag_core.editing.questions.parts import with_new_parts
from zigzag_core.editing.questions.pasted_table import left_out, with_table
from zigzag_core.editing.questions.roles import (
    Roles,
    dissolved,
    one_place,
    own_places,
    swapped,
    with_role,
    without_part,
)
from zigzag_core.grading import answer_table as table
from zigzag_core.grading import table_file
from zigzag_core.words import say_in

from .edited import Edited, edited_slide

router = Router(tags=["questions"])


class PartsIn(Schema):
    """Words for new parts of a question; `where` names the list that they join."""

    slide: core.Slide
    question: str
    where: str
    words: list[str] = Field(min_length=1, max_length=60)
    size: core.SlideSize = core.SlideSize()


class PastedIn(Schema):
    """Rows of cells that become the parts of a question from number `at` (from 0) on."""

    slide: core.Slide
    question: str
    where: str
    at: int = Field(ge=0, le=60)
    rows: list[list[str]] = Field(min_length=1, max_length=10_000)
    size: core.SlideSize = core.SlideSize()


class JoinIn(Schema):
    """Elements that are to be parts of a question; `where` names the list that they join."""

    slide: core.Slide
    question: str
    where: str
    elements: list[str]


class ButtonIn(Schema):
    """A question that is to get a button."""

    slide: core.Slide
    course: core.Course
    question: str
    does: Literal["submit", "reset"]


class ConvertIn(Schema):
    """A question, and the kind it is to be."""

    slide: core.Slide
    course: core.Course
    question: str
    kind: QuestionKind


class RolesIn(Schema):
    """Elements of which a question is to be made."""

    slide: core.Slide
    elements: list[str] = Field(max_length=500)


class QuestionFrom(Schema):
    """Elements to make a question of."""

    slide: core.Slide
    course: core.Course
    elements: list[str] = Field(max_length=500)
    kind: QuestionKind
    roles: Roles | None = None


RoleChange = Literal[
    "swap", "dissolve", "take_out", "items", "targets", "one_place", "own_places"]


class RoleIn(Schema):
    """What part an element is to play in a question, or what becomes of all of them.

    `one_place` makes a place one more area of the place that the element `to` is.
    """

    slide: core.Slide
    question: str
    does: RoleChange
    element: str = ""
    to: str = ""


class TableIn(Schema):
    """Parts with their words, and the rows of a table."""

    parts: list[tuple[str, str]] = Field(max_length=60)
    table: list[AnswerRow] = Field(default=[], max_length=4_096)
    tried: list[str] = Field(default=[], max_length=60)


class TableFileIn(Schema):
    """A file that is to be the answer table of a question with these parts, in place of `table`."""

    parts: list[tuple[str, str]] = Field(max_length=60)
    table: list[AnswerRow] = Field(default=[], max_length=4_096)
    file: Base64Bytes = Field(max_length=MOST_TABLE_BYTES)


class TableOut(Schema):
    """The rows of an answer table."""

    table: list[AnswerRow]


class TableReadOut(Schema):
    """The rows that a file came to, the lines that could not be read, and what is worth knowing."""

    table: list[AnswerRow]
    refused: list[str]
    notes: list[str]


class TableFacts(Schema):
    """Combinations that no row covers (as many as are worth showing), and rows never taken.

    `row` is the one that the combination tried takes, from 1; 0 where none does.
    """

    uncovered: list[list[str]]
    more: int
    unreachable: list[int]
    row: int


class TableText(Schema):
    """An answer table as CSV."""

    text: str


@router.post("/parts", response=Edited)
def more_parts(request: HttpRequest, data: PartsIn) -> dict[str, Any]:
    """Add parts to a question, one for each of the words."""
    return _asked(data.slide, lambda: with_new_parts(
        data.slide, data.question, data.where, data.words, core.system_ids(), data.size))


@router.post("/convert", response=Edited)
def convert(request: HttpRequest, data: ConvertIn) -> dict[str, Any]:
    """Turn a question into another kind."""
    return _asked(data.slide, lambda: (converted(
        data.slide, data.question, data.kind, core.system_ids(), data.course.styles,
        data.course.size), ()))


@router.post("/parts/table", response=Edited)
def parts_table(request: HttpRequest, data: PastedIn) -> dict[str, Any]:
    """Take a pasted table as the parts of a question."""
    where = data.slide, data.question, data.where, data.at, data.rows
    found = _asked(data.slide, lambda: (with_table(*where, core.system_ids(), data.size), ()))
    return {**found, "left_out": left_out(*where)}


@router.post("/parts/join", response=Edited)
def parts_join(request: HttpRequest, data: JoinIn) -> dict[str, Any]:
    """Let elements of the slide be parts of a question."""
    return _asked(data.slide, lambda: (with_elements_as_parts(
        data.slide, data.question, data.where, data.elements, core.system_ids()), ()))


@router.post("/question/button", response=Edited)
def question_button(request: HttpRequest, data: ButtonIn) -> dict[str, Any]:
    """Add a button that submits or clears a question."""
    return _asked(data.slide, lambda: with_button(
        data.slide, data.question, data.does, core.system_ids(), data.course.styles,
        say_in(data.course.language, data.course.words)))


@router.post("/question", response=Edited)
def question_of(request: HttpRequest, data: QuestionFrom) -> dict[str, Any]:
    """Make a question of elements that are on the slide."""
    return _asked(data.slide, lambda: question_from(
        data.slide, data.elements, data.kind, core.system_ids(), data.course.styles, data.roles,
        say_in(data.course.language, data.course.words)))


@router.post("/question/roles", response=Roles)
def question_roles(request: HttpRequest, data: RolesIn) -> Roles:
    """Say which elements would be things and which targets."""
    return guessed_roles(data.slide, data.elements)


@router.post("/question/part", response=Edited)
def question_part(request: HttpRequest, data: RoleIn) -> dict[str, Any]:
    """Give a part another role, take it out, swap items and targets, or dissolve the question."""
    def made() -> core.Slide:
        match data.does:
            case "swap":
                return swapped(data.slide, data.question)
            case "dissolve":
                return dissolved(data.slide, data.question)
            case "take_out":
                return without_part(data.slide, data.question, data.element)
            case "one_place":
                return one_place(data.slide, data.question, data.element, data.to)
            case "own_places":
                return own_places(data.slide, data.question, data.element, core.system_ids())
        return with_role(data.slide, data.question, data.element, data.does, core.system_ids())

    return _asked(data.slide, lambda: (made(), ()))


@router.post("/table/rows", response=TableOut)
def table_rows(request: HttpRequest, data: TableIn) -> dict[str, Any]:
    """Return a row for every combination of the parts."""
    return {"table": table.all_rows([part for part, _ in data.parts], core.system_ids())}


@router.post("/table/facts", response=TableFacts)
def table_facts(request: HttpRequest, data: TableIn) -> dict[str, Any]:
    """Say which combinations have no row, which rows are never taken, what the tried one takes."""
    parts = [part for part, _ in data.parts]
    found = table.coverage(parts, data.table)
    return {
        "uncovered": [sorted(given, key=parts.index) for given in found.uncovered[:20]],
        "more": max(len(found.uncovered) - 20, 0), "unreachable": found.unreachable,
        "row": table.row_for(data.table, frozenset(data.tried)),
    }


@router.post("/table/text", response=TableText)
def table_text(request: HttpRequest, data: TableIn) -> dict[str, Any]:
    """Write a table as CSV."""
    return {"text": table_file.to_csv(data.parts, data.table)}


@router.post("/table/read", response=TableReadOut)
def table_read(request: HttpRequest, data: TableFileIn) -> dict[str, Any]:
    """Read a table from CSV; nothing is changed yet."""
    found = table_file.from_csv(
        table_file.decoded(data.file), data.parts, data.table, core.system_ids())
    return {"table": found.table, "refused": found.refused, "notes": found.notes}


def _asked(
    before: core.Slide, make: Callable[[], tuple[core.Slide, Iterable[str]]]
) -> dict[str, Any]:
    slide, selected = make()
    return edited_slide(before, slide, selected)
