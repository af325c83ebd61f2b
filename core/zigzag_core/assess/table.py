"""The answer table: all combinations, those that no row covers, and the table as CSV."""

import csv
import io
from collections.abc import Iterator, Sequence
from itertools import product

from zigzag_core.course import IdSource, plain, rich
from zigzag_core.course.questions import AnswerRow, Cell

MOST_PARTS = 12
"""So many answers can be combined: 4,096 rows."""


class BadTable(ValueError):
    """The text is no answer table; the message says what is wrong, for people."""


def combinations(parts: Sequence[str]) -> Iterator[tuple[bool, ...]]:
    """Yield every combination of `parts` being given or not, all given first.

    Raises `BadTable` for more than `MOST_PARTS`.
    """
    if len(parts) > MOST_PARTS:
        raise BadTable(f"More than {MOST_PARTS} answers give too many combinations for a table.")
    yield from product((True, False), repeat=len(parts))


def all_rows(parts: Sequence[str], fresh: IdSource) -> tuple[AnswerRow, ...]:
    """Return a row for each combination, with no words yet."""
    return tuple(
        AnswerRow(id=fresh(), cells=tuple(
            Cell(part=part, given=given) for part, given in zip(parts, combination, strict=True)))
        for combination in combinations(parts)
    )


def takes(row: AnswerRow, given: frozenset[str]) -> bool:
    """Return whether `row` applies where just the parts `given` are chosen."""
    return len(given) >= row.at_least and all(
        (cell.part in given) == cell.given for cell in row.cells)


def row_for(table: Sequence[AnswerRow], given: frozenset[str]) -> int:
    """Return the number (from 1) of the row that is taken for `given`, 0 where there is none."""
    return next((n for n, row in enumerate(table, 1) if takes(row, given)), 0)


def uncovered(parts: Sequence[str], table: Sequence[AnswerRow]) -> list[frozenset[str]]:
    """Return the combinations, but for nothing at all, that no row takes."""
    found = []
    for combination in combinations(parts):
        given = frozenset(p for p, chosen in zip(parts, combination, strict=True) if chosen)
        if given and not row_for(table, given):
            found.append(given)
    return found


def unreachable(parts: Sequence[str], table: Sequence[AnswerRow]) -> list[int]:
    """Return the numbers (from 1) of rows that no combination takes, those above coming first."""
    reached = set()
    for combination in combinations(parts):
        reached.add(row_for(
            table, frozenset(p for p, c in zip(parts, combination, strict=True) if c)))
    return [n for n in range(1, len(table) + 1) if n not in reached]


_GIVEN = {True: "yes", False: "no", None: "any"}
_READ = {"yes": True, "x": True, "1": True, "no": False, "-": False, "0": False, "": None,
         "any": None}


def to_csv(parts: Sequence[tuple[str, str]], table: Sequence[AnswerRow]) -> str:
    """Return the table with a column for each of `parts` (id, words), *at least*, points, words."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow([*(_safe(words) for _, words in parts), "at least", "points", "words"])
    for row in table:
        cells = {cell.part: cell.given for cell in row.cells}
        writer.writerow([
            *(_GIVEN[cells.get(part)] for part, _ in parts), row.at_least or "",
            "" if row.points is None else f"{row.points:g}", _safe(plain(row.words)),
        ])
    return out.getvalue()


def from_csv(text: str, parts: Sequence[str], fresh: IdSource) -> tuple[AnswerRow, ...]:
    """Return the rows of a table that was written by `to_csv`, perhaps changed since.

    Raises `BadTable` with the line that cannot be read.
    """
    head = text.split("\n", 1)[0]
    separator = ";" if head.count(";") > head.count(",") else ","
    lines = list(csv.reader(io.StringIO(text.lstrip("\ufeff")), delimiter=separator))
    rows = []
    for number, line in enumerate(lines[1:], 2):
        if not any(cell.strip() for cell in line):
            continue
        if len(line) < len(parts):
            raise BadTable(f"Line {number} has {len(line)} columns, but there are "
                           f"{len(parts)} answers. Nothing was changed.")
        rows.append(_row(line, number, parts, fresh))
    if not rows:
        raise BadTable("There are no rows below the first line. Nothing was changed.")
    if len(rows) > 2**MOST_PARTS:
        raise BadTable(f"There are more than {2**MOST_PARTS} rows. Nothing was changed.")
    return tuple(rows)


def _row(line: list[str], number: int, parts: Sequence[str], fresh: IdSource) -> AnswerRow:
    cells = []
    for part, word in zip(parts, line, strict=False):
        told = word.strip().lower()
        if told not in _READ:
            raise BadTable(f"Line {number} says “{word.strip()[:40]}” where yes, no or any is "
                           "wanted. Nothing was changed.")
        given = _READ[told]
        if given is not None:
            cells.append(Cell(part=part, given=given))
    least, points, words = [*line[len(parts):], "", "", ""][:3]
    try:
        return AnswerRow(
            id=fresh(), cells=tuple(cells), at_least=int(least.strip() or 0), words=rich(words),
            points=float(points.replace(",", ".")) if points.strip() else None,
        )
    except ValueError as error:
        raise BadTable(f"Line {number} has no number where points or “at least” stand. "
                       "Nothing was changed.") from error


def _safe(text: str) -> str:
    """Text that a spreadsheet does not take for a formula."""
    return f"'{text}" if text[:1] in ("=", "+", "-", "@") else text
