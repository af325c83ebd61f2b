"""The answer table: all combinations, and those that no row covers."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from itertools import product

from zigzag_core.course import IdSource
from zigzag_core.course.questions.answer_row import MOST_PARTS, AnswerRow
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
