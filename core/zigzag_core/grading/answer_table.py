"""The answer table: all combinations, those that no row covers, and the table as CSV."""

import csv
import io
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import product
from typing import Any

from zigzag_core.course import IdSource, plain, rich
from zigzag_core.course.questions.answer_row import MOST_PARTS, AnswerRow
from zigzag_core.course.text.numbers import in_digits
from zigzag_core.errors import BadTable


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
        AnswerRow(id=fresh(), cells=dict(zip(parts, combination, strict=True)))
        for combination in combinations(parts)
    )


def takes(row: AnswerRow, given: frozenset[str]) -> bool:
    """Return whether `row` applies where just the parts `given` are chosen."""
    return len(given) >= row.at_least and all(
        (part in given) == (cell is True) for part, cell in row.cells.items())


def row_for(table: Sequence[AnswerRow], given: frozenset[str]) -> int:
    """Return the number (from 1) of the row that is taken for `given`, 0 where there is none."""
    return next((n for n, row in enumerate(table, 1) if takes(row, given)), 0)


@dataclass(frozen=True)
class Coverage:
    """The combinations, but for nothing at all, that no row takes; the numbers (from 1) of rows
    that none takes, those above coming first."""

    uncovered: list[frozenset[str]]
    unreachable: list[int]


def coverage(parts: Sequence[str], table: Sequence[AnswerRow]) -> Coverage:
    """Return what `table` leaves open, and what of it is in vain.

    Sets of combinations are whole numbers with a bit for each, so that a row is matched against
    all combinations at once: 4,096 rows of 12 parts take a tenth of a second.
    """
    every = list(combinations(parts))
    having = {
        part: sum(1 << n for n, combination in enumerate(every) if combination[position])
        for position, part in enumerate(parts)
    }
    counts = [sum(combination) for combination in every]
    enough = [sum(1 << n for n, count in enumerate(counts) if count >= least)
              for least in range(len(parts) + 2)]
    left = (1 << len(every)) - 1
    unreachable = []
    for number, row in enumerate(table, 1):
        taken = left & enough[min(row.at_least, len(parts) + 1)]
        for part, cell in row.cells.items():
            here = having.get(part, 0)
            taken &= here if cell is True else ~here
        if not taken:
            unreachable.append(number)
        left &= ~taken
    return Coverage(
        uncovered=[
            frozenset(p for p, chosen in zip(parts, combination, strict=True) if chosen)
            for n, combination in enumerate(every) if left >> n & 1 and any(combination)
        ],
        unreachable=unreachable,
    )


_GIVEN: dict[Any, str] = {True: "yes", False: "no", None: "any"}
_READ = {"yes": True, "x": True, "1": True, "no": False, "-": False, "0": False, "": None,
         "any": None}


def to_csv(parts: Sequence[tuple[str, str]], table: Sequence[AnswerRow]) -> str:
    """Return the table with a column for each of `parts` (id, words), *at least*, points, words."""
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow([*(_safe(words) for _, words in parts), "at least", "points", "words"])
    for row in table:
        writer.writerow([
            *(_GIVEN[row.cells.get(part)] for part, _ in parts), row.at_least or "",
            "" if row.points is None else in_digits(row.points), _safe(plain(row.words)),
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
    cells: dict[str, bool] = {}
    for part, word in zip(parts, line, strict=False):
        entry = word.strip().lower()
        if entry not in _READ:
            raise BadTable(f"Line {number} says “{word.strip()[:40]}” where yes, no or any is "
                           "wanted. Nothing was changed.")
        given = _READ[entry]
        if given is not None:
            cells[part] = given
    least, points, words = [*line[len(parts):], "", "", ""][:3]
    try:
        return AnswerRow(
            id=fresh(), cells=cells, at_least=int(least.strip() or 0), words=rich(words),
            points=float(points.replace(",", ".")) if points.strip() else None,
        )
    except ValueError as error:
        raise BadTable(f"Line {number} has no number where points or “at least” stand. "
                       "Nothing was changed.") from error


def _safe(text: str) -> str:
    """Text that a spreadsheet does not take for a formula."""
    return f"'{text}" if text[:1] in ("=", "+", "-", "@") else text
