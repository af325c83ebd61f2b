"""The answer table as CSV, as spreadsheets write it: written, and read again with what changed."""

import csv
import io
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field

from zigzag_core.course import IdSource, plain, rich
from zigzag_core.course.questions.answer_row import MOST_PARTS, AnswerRow, Cell, OtherThan
from zigzag_core.course.text.numbers import in_digits, number_in
from zigzag_core.errors import BadTable

AT_LEAST, POINTS, WORDS, ROW = "at least", "points", "words", "row"
_DELIMITERS = ",;\t|"
_IS, _NOT = "is ", "not "
# Spreadsheets write TRUE and FALSE in the language that they speak.
_YES = frozenset(("yes", "y", "true", "t", "x", "1", "1.0", "✓", "✔", "wahr", "ja", "vrai", "oui",
                  "verdadero", "sí", "vero", "sì", "verdadeiro", "sim", "waar", "prawda", "tak"))
_NO = frozenset(("no", "n", "false", "f", "0", "0.0", "-", "–", "✗", "✕", "falsch", "nein", "faux",
                 "non", "falso", "não", "onwaar", "nee", "fałsz", "nie"))
_ANY = frozenset(("", "any", "*", "·"))

Parts = Sequence[tuple[str, str]]
"""The answers: the id of each, and its words."""


@dataclass(frozen=True)
class TableRead:
    """What a file came to: the rows, and in words what is worth knowing.

    `refused` are the lines that could not be read, `notes` what was understood in a certain way.
    """

    table: tuple[AnswerRow, ...]
    refused: tuple[str, ...] = ()
    notes: tuple[str, ...] = ()


def to_csv(parts: Parts, table: Sequence[AnswerRow]) -> str:
    """Return `table` with a column for each of `parts`, for *at least*, points, words, the row.

    By the last one a row is known again, with what it does and how its words are emphasised.
    """
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow([*(_safe(words) for _, words in parts), AT_LEAST, POINTS, WORDS, ROW])
    for row in table:
        writer.writerow([
            *(_word(row.cells.get(part)) for part, _ in parts), row.at_least or "",
            "" if row.points is None else in_digits(row.points), _safe(plain(row.words)), row.id,
        ])
    return out.getvalue()


def decoded(data: bytes) -> str:
    """Return the text of a file in UTF-8 or UTF-16, with a mark or without, or Windows-1252.

    Raises `BadTable` for what is none of these.
    """
    encodings = ["utf-8-sig", "windows-1252"]
    if data.startswith((b"\xff\xfe", b"\xfe\xff")):
        encodings = ["utf-16"]
    elif b"\0" in data[:200]:
        # Of letters as they are common here every other byte is zero.
        encodings = ["utf-16-le" if data[1:200:2].count(0) > data[:200:2].count(0) else "utf-16-be"]
    for encoding in encodings:
        try:
            text = data.decode(encoding)
        except UnicodeDecodeError:
            continue
        if "\0" not in text:
            return text
    raise BadTable("The file is not text in UTF-8, UTF-16 or Windows-1252. Save it as CSV in "
                   "UTF-8. Nothing was changed.")


def from_csv(
    text: str, parts: Parts, before: Sequence[AnswerRow], fresh: IdSource
) -> TableRead:
    """Return what a file comes to that `to_csv` wrote, perhaps changed since, or written by hand.

    Columns are found by their headings. A row that is among `before` keeps what it does, and the
    emphasis of words that are still the same. Raises `BadTable` if there is nothing to take.
    """
    lines = _lines(text.lstrip("\ufeff"), parts)
    head = next(lines, None)
    if head is None:
        raise BadTable("The file is empty. Nothing was changed.")
    columns = _Columns.found(head[1], parts)
    known = {row.id: row for row in before}
    rows: list[AnswerRow] = []
    refused: list[str] = []
    notes = list(columns.notes)
    for number, line in lines:
        if not any(cell.strip() for cell in line):
            continue
        if len(rows) == 2**MOST_PARTS:
            raise BadTable(f"There are more than {2**MOST_PARTS} rows. Nothing was changed.")
        try:
            row = columns.row(line, known, fresh)
        except BadTable as problem:
            refused.append(f"Line {number}: {problem}")
            continue
        rows.append(row)
        notes += (f"Line {number} {words}" for words in _remarks(row, parts, known))
        known.pop(row.id, None)
    if not rows:
        raise BadTable(" ".join(["No row could be read. Nothing was changed.", *refused[:5]]))
    return TableRead(tuple(rows), tuple(refused), tuple(notes))


def _lines(text: str, parts: Parts) -> Iterator[tuple[int, list[str]]]:
    """The lines of a file with their numbers, cut at what parts the first one best."""
    def heading(delimiter: str) -> list[str]:
        return next(csv.reader(io.StringIO(text), delimiter=delimiter), [])

    def fit(delimiter: str) -> tuple[int, int]:
        cells = heading(delimiter)
        names = {_heading(words) for _, words in parts} | {AT_LEAST, POINTS, WORDS, ROW}
        return sum(_heading(cell) in names for cell in cells), len(cells)

    try:
        delimiter = max(_DELIMITERS, key=fit)
        reader = csv.reader(io.StringIO(text), delimiter=delimiter)
        number = 1
        for line in reader:
            yield number, line
            number = reader.line_num + 1
    except csv.Error as error:
        raise BadTable(f"The file is no table: {error}. Nothing was changed.") from error


@dataclass(frozen=True)
class _Columns:
    """Where what stands in a line."""

    parts: dict[int, str]
    names: dict[str, int]
    notes: list[str] = field(default_factory=list)

    @classmethod
    def found(cls, head: Sequence[str], parts: Parts) -> "_Columns":
        """Find the columns by their headings: the answers' words, their letters, other names."""
        left = dict(enumerate(head))
        columns: dict[int, str] = {}
        for n, (part, words) in enumerate(parts):
            wanted = (_heading(words), _heading(part))
            at = next((at for at, cell in left.items() if _heading(cell) in wanted), None)
            if at is None:
                at = next((at for at, cell in left.items() if _heading(cell) == _letter(n)), None)
            if at is not None:
                columns[at] = part
                del left[at]
        if not columns:
            raise BadTable("No column is headed like an answer. The first line must name them: "
                           f"{', '.join(f'“{words}”' for _, words in parts[:6])}. "
                           "Nothing was changed.")
        names = {}
        for name in (AT_LEAST, POINTS, WORDS, ROW):
            at = next((at for at, cell in left.items() if _heading(cell) == name), None)
            if at is not None:
                names[name] = at
                del left[at]
        there = set(columns.values())
        missing = [words for part, words in parts if part not in there]
        unknown = [cell.strip() for cell in left.values() if cell.strip()]
        notes = [f"There is no column for “{words}”: it may be anything." for words in missing]
        notes += [f"The column “{cell[:40]}” is not known and was left out." for cell in unknown]
        return cls(columns, names, notes)

    def row(self, line: Sequence[str], known: dict[str, AnswerRow], fresh: IdSource) -> AnswerRow:
        """Return the row that a line comes to. Raises `BadTable` saying what cannot be read."""
        cells: dict[str, Cell] = {}
        for at, part in self.parts.items():
            given = _given(line[at] if at < len(line) else "")
            if given is not None:
                cells[part] = given
        least, points = self._number(line, AT_LEAST), self._number(line, POINTS)
        text = _unsafe(self._cell(line, WORDS))
        before = known.get(self._cell(line, ROW).strip())
        words = before.words if before and plain(before.words) == text else rich(text)
        try:
            return AnswerRow(
                id=before.id if before else fresh(), cells=cells, at_least=int(least or 0),
                words=words, points=points, do=before.do if before else ())
        except ValueError as error:
            raise BadTable("points or “at least” are out of bounds.") from error

    def _cell(self, line: Sequence[str], name: str) -> str:
        at = self.names.get(name)
        return line[at] if at is not None and at < len(line) else ""

    def _number(self, line: Sequence[str], name: str) -> float | None:
        text = self._cell(line, name).strip()
        number = number_in(text) if text else None
        if text and (number is None or (name == AT_LEAST and number != int(number))):
            raise BadTable(f"“{text[:40]}” stands where a number is wanted ({name}).")
        return number


def _word(cell: Cell | None) -> str:
    match cell:
        case None:
            return "any"
        case bool():
            return "yes" if cell else "no"
        case str():
            return _IS + cell
    return _NOT + cell.value


def _given(cell: str) -> Cell | None:
    entry = cell.strip().casefold()
    if entry.startswith(_IS):
        return cell.strip()[len(_IS):]
    if entry.startswith(_NOT):
        return OtherThan(value=cell.strip()[len(_NOT):])
    if entry in _YES:
        return True
    if entry in _NO:
        return False
    if entry in _ANY:
        return None
    raise BadTable(f"“{cell.strip()[:40]}” stands where yes, no or any is wanted.")


def _remarks(row: AnswerRow, parts: Parts, known: dict[str, AnswerRow]) -> Iterator[str]:
    if len(row.cells) == len(parts) and not any(row.cells.values()):
        yield "is the row for nothing chosen: it is taken only where time is up."
    before = known.get(row.id)
    if before and before.words != row.words and _is_emphasised(before):
        yield "has other words than before: they are no longer bold or italic."


def _is_emphasised(row: AnswerRow) -> bool:
    return any(run.bold or run.italic for block in row.words.blocks for run in block.runs)


def _letter(number: int) -> str:
    return chr(ord("a") + number) if number < 26 else ""


def _heading(text: str) -> str:
    return " ".join(_unsafe(text).split()).casefold()


def _safe(text: str) -> str:
    """Text that a spreadsheet does not take for a formula."""
    return f"'{text}" if text[:1] in ("=", "+", "-", "@") else text


def _unsafe(text: str) -> str:
    """`text` without the sign that `_safe` puts before it."""
    return text[1:] if text[:1] == "'" and text[1:2] in ("=", "+", "-", "@") else text
