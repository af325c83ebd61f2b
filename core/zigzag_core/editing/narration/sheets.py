"""The script as a table, for a studio and for translators; and read back with other words."""

import csv
import io
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from zigzag_core.errors import BadTable

from .script import ScriptRow

FILE, WORDS, KEY = "File", "Words", "Place"
HEADING = (FILE, "Slide", "Where", "Speaker", WORDS, "Voice", "Length (s)", KEY)
STATES = {"silent": "nothing said", "missing": "missing", "recorded": "recorded",
          "machine": "by machine", "changed": "words changed"}
LARGEST_SHEET = 5_000_000
"""Characters that a table may have."""


@dataclass(frozen=True)
class ReadSheet:
    """What a table says: new words by the key of their place.

    `unknown` are the lines (from 1) whose place is not in the course.
    """

    words: Mapping[str, str]
    unknown: tuple[int, ...]


def sheet_of(rows: Iterable[ScriptRow]) -> list[tuple[str, ...]]:
    """Return `rows` as the lines of a table, the heading first."""
    return [HEADING, *(
        (row.file, f"{row.number} {row.title}", row.name, row.speaker, row.words,
         STATES[row.state], f"{row.length / 1000:.1f}" if row.voice else "", row.place.key)
        for row in rows)]


def read_sheet(text: str, rows: Iterable[ScriptRow]) -> ReadSheet:
    """Return the words in `text`, CSV as `sheet_of` makes it, that differ from those of `rows`.

    Columns are known by their headings, in any order; a line is known by its place, or else by the
    name of its file. Raises `BadTable` where there is no column of words, or none to know them by.
    """
    if len(text) > LARGEST_SHEET:
        raise BadTable("The table is too long. Nothing was changed.")
    try:
        delimiter = csv.Sniffer().sniff(text[:2_000].split("\n")[0], ",;\t").delimiter
    except csv.Error:
        delimiter = ","
    try:
        lines = list(csv.reader(io.StringIO(text.lstrip("\ufeff")), delimiter=delimiter))
    except csv.Error as error:
        raise BadTable("The table cannot be read as CSV: a cell is too long, or a quotation mark "
                       "is missing. Nothing was changed.") from error
    heading = [cell.strip().casefold() for cell in lines[0]] if lines else []
    if WORDS.casefold() not in heading or not {KEY.casefold(), FILE.casefold()} & {*heading}:
        raise BadTable(f"The table needs the columns “{WORDS}” and “{FILE}” or “{KEY}”, as in the "
                       "one that is exported. Nothing was changed.")
    known = list(rows)
    by_key = {row.place.key: row for row in known} | {row.file: row for row in known}
    found, unknown = {}, []
    for number, line in enumerate(lines[1:], 2):
        cells = dict(zip(heading, line, strict=False))
        if not any(map(str.strip, line)):
            continue
        names = (cells.get(column.casefold(), "") for column in (KEY, FILE))
        row = next((by_key[name] for name in names if name in by_key), None)
        words = _unquoted(cells.get(WORDS.casefold(), ""))
        if row is None:
            unknown.append(number)
        elif words != row.words and row.plain:
            found[row.place.key] = words
    return ReadSheet(found, tuple(unknown))


def _unquoted(cell: str) -> str:
    """A cell without the mark that keeps spreadsheets from computing."""
    return cell[1:] if cell[:1] == "'" and cell[1:2] in tuple("=+-@") else cell
