"""Reading questions from plain text, from a table of a spreadsheet, or from CSV.

The forms are documented in `docs/questions.md`.
"""

import csv
import io
import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace

from zigzag_core.errors import NotAQuestion, TooLong

from .written import (
    MOST_QUESTIONS,
    SETTINGS,
    Misread,
    Written,
    counted,
    understood,
    with_setting,
)

LONGEST = 500_000
"""Characters of a text with questions."""

_CHOICE = re.compile(r"^[-*+•]\s*\[(.?)\]\s*(.*)$")
_ITEM = re.compile(r"^[-*+•]\s+(.*)$")
_STEP = re.compile(r"^\d{1,3}[.)]\s+(.*)$")
_SETTING = re.compile(r"^([A-Za-z ]{3,24}):\s*(.*)$")

Read = Written | Misread


def read_questions(text: str) -> tuple[Read, ...]:
    """Return what `text` holds, in order: questions, and what is none, each with its line.

    It may say only how many of each kind: “5 single choice, 3 true or false”. It is a table where
    its first line names the column *question*, else plain text. Raises
    `TooLong` for more than 500,000 characters or 500 questions.
    """
    if len(text) > LONGEST:
        raise TooLong(f"The text has {len(text):,} characters, and {LONGEST:,} are read at once. "
                      "Split it and take the parts one after the other.")
    text = text.lstrip("\ufeff").replace("\r\n", "\n").replace("\r", "\n")
    header = _header(text)
    found: tuple[Read, ...] = _counted(text)
    if not found:
        found = tuple(_from_table(text, header) if header else _from_lines(text.split("\n")))
    if len(found) > MOST_QUESTIONS:
        raise TooLong(f"The text has {len(found):,} questions, and {MOST_QUESTIONS} are made at "
                      "once. Split it and take the parts one after the other.")
    return found


def _counted(text: str) -> tuple[Read, ...]:
    try:
        return counted(text)
    except NotAQuestion as no:
        return (Misread(1, text.strip()[:200], str(no)),)


# Plain text


def _from_lines(lines: Sequence[str]) -> Iterator[Read]:
    block: list[tuple[int, str]] = []
    for number, line in enumerate(lines, 1):
        if line.strip():
            block.append((number, line.strip()))
        elif block and not _goes_on(lines[number:]):
            yield _from_block(block)
            block = []
    if block:
        yield _from_block(block)


def _goes_on(rest: Sequence[str]) -> bool:
    """Whether after an empty line the answers or settings of the same question follow."""
    line = next((line.strip() for line in rest if line.strip()), "")
    return bool(_CHOICE.match(line) or _ITEM.match(line) or _STEP.match(line) or _setting(line))


def _from_block(block: Sequence[tuple[int, str]]) -> Read:
    first = block[0][0]
    try:
        return understood(_written(block))
    except NotAQuestion as no:
        return Misread(first, block[0][1][:200], str(no))


def _written(block: Sequence[tuple[int, str]]) -> Written:
    made = Written(line=block[0][0])
    prompt: list[str] = []
    answers: list[tuple[str, bool]] = []
    boxed = False
    for number, line in block:
        choice, item, step = _CHOICE.match(line), _ITEM.match(line), _STEP.match(line)
        setting = _setting(line)
        if choice:
            if choice[1] not in ("x", "X", " ", ""):
                raise NotAQuestion(f"In line {number} stands “[{choice[1]}]”: write [x] or [ ].")
            boxed = True
            answers.append((choice[2].strip(), choice[1] in ("x", "X")))
        elif setting and prompt:
            if setting[0] == "answer":
                answers += ((words.strip(), True) for words in setting[1].split("|"))
            else:
                made = with_setting(made, *setting)
        elif step and prompt:
            made = replace(made, kind=made.kind or "ordering")
            answers.append((step[1].strip(), True))
        elif item and prompt:
            answers.append((item[1].strip(), True))
        elif answers:
            raise NotAQuestion(f"Line {number} is neither an answer nor a setting; "
                               "an empty line begins the next question.")
        else:
            prompt.append(re.sub(r"^#{1,6}\s+", "", line))
    if boxed and not made.kind and all(right for _, right in answers):
        # Without a wrong one among them they are no words to be typed.
        made = replace(made, kind="single_choice" if len(answers) == 1 else "multiple_response")
    return replace(made, prompt="\n".join(prompt),
                   answers=tuple(answer for answer in answers if answer[0]))


def _setting(line: str) -> tuple[str, str] | None:
    found = _SETTING.match(line)
    name = found[1].strip().lower() if found else ""
    return (name, found[2].strip()) if found and name in ("answer", *SETTINGS) else None


# Tables


_COLUMNS = ("question", "right", "wrong", *SETTINGS)


def _header(text: str) -> tuple[str, list[str]] | None:
    """What separates the columns of a table, and their names; None where it is none."""
    first = next((line for line in text.split("\n") if line.strip()), "")
    for mark in ("\t", ";", ","):
        names = [cell.strip().lower() for cell in next(csv.reader([first], delimiter=mark), [])]
        if len(names) > 1 and "question" in names:
            return mark, names
    return None


def _from_table(text: str, header: tuple[str, list[str]]) -> Iterator[Read]:
    mark, names = header
    rows = csv.reader(io.StringIO(text), delimiter=mark)
    begun = False
    while True:
        line = rows.line_num + 1
        try:
            row = next(rows, None)
        except csv.Error as error:
            yield Misread(line, "", f"The table cannot be read from here: {error}.")
            return
        if row is None:
            return
        if not any(cell.strip() for cell in row):
            continue
        if not begun:
            begun = True
            unknown = [name for name in names if name and name not in _COLUMNS]
            if unknown:
                yield Misread(line, ", ".join(unknown)[:200], (
                    "There are no such columns; they are left out. Columns are: "
                    + ", ".join(_COLUMNS) + "."))
            continue
        cells = {name: cell.strip() for name, cell in zip(names, row, strict=False)}
        try:
            yield understood(_of_row(line, cells))
        except NotAQuestion as no:
            yield Misread(line, cells.get("question", "")[:200], str(no))


def _of_row(line: int, cells: Mapping[str, str]) -> Written:
    made = Written(line=line, prompt=cells.get("question", ""))
    for name in SETTINGS:
        if cells.get(name):
            made = with_setting(made, name, cells[name])
    answers = [(words, right) for column, right in (("right", True), ("wrong", False))
               for cell in cells.get(column, "").split("|") if (words := cell.strip())]
    return replace(made, answers=tuple(answers))
