"""Reports as a table for a spreadsheet."""

import io
import re
from collections.abc import Iterator
from typing import Literal

import xlsxwriter
from django.db.models import QuerySet
from zigzag_core.csv_text import csv_text, is_number

from .models import Report

Form = Literal["csv", "xlsx"]

MOST_ROWS = 100_000
TYPES: dict[Form, str] = {
    "csv": "text/csv; charset=utf-8",
    "xlsx": "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"}
_CONTROL = re.compile(r"[\x00-\x08\x0b\x0c\x0e-\x1f]")


def written(reports: QuerySet[Report], form: Form) -> tuple[bytes, str]:
    """Return the table of `reports` and its media type: a line each, a column for each field.

    No text is taken for a formula. After 100,000 rows the table ends.
    """
    found = list(reports[:MOST_ROWS])
    names = list(dict.fromkeys(name for one in found for name, _ in one.fields))
    rows = [["Received", "Quiz", "Attempt", *names], *_rows(found, names)]
    # Spreadsheets tell by the first mark that it is UTF-8.
    return (f"\ufeff{csv_text(rows)}".encode() if form == "csv" else _xlsx(rows)), TYPES[form]


def _rows(reports: list[Report], names: list[str]) -> Iterator[list[str]]:
    for one in reports:
        fields = dict(one.fields)
        yield [f"{one.received:%Y-%m-%d %H:%M:%S}", one.title, str(one.attempt),
               *(fields.get(name, "") for name in names)]


def _xlsx(rows: list[list[str]]) -> bytes:
    out = io.BytesIO()
    with xlsxwriter.Workbook(out, {"in_memory": True}) as book:
        sheet = book.add_worksheet("Reports")
        sheet.freeze_panes(1, 0)
        bold = book.add_format({"bold": True})
        for line, row in enumerate(rows):
            for column, cell in enumerate(row):
                if line and is_number(cell):
                    sheet.write_number(line, column, float(cell))
                else:
                    sheet.write_string(line, column, _CONTROL.sub("", cell),
                                       None if line else bold)
        sheet.autofit()
    return out.getvalue()
