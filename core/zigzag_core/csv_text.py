"""Tables as CSV for spreadsheets."""

import csv
import io
import re
from collections.abc import Iterable, Sequence

_COMPUTES = ("=", "+", "-", "@", "\t", "\r")
_NUMBER = re.compile(r"-?[0-9]{1,12}(\.[0-9]{1,6})?", re.ASCII)


def csv_text(rows: Iterable[Sequence[str]]) -> str:
    """Return `rows` as CSV (RFC 4180). No cell is taken for a formula."""
    out = io.StringIO(newline="")
    csv.writer(out).writerows([_no_formula(cell) for cell in row] for row in rows)
    return out.getvalue()


def is_number(cell: str) -> bool:
    """Return whether a spreadsheet may take a cell for a number."""
    return _NUMBER.fullmatch(cell) is not None


def _no_formula(cell: str) -> str:
    """A cell that a spreadsheet takes for a text, or a number: nothing is computed there."""
    return f"'{cell}" if cell.startswith(_COMPUTES) and not is_number(cell) else cell
