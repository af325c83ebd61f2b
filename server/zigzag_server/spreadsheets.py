"""Tables as files for spreadsheets."""

import io
import re
from collections.abc import Sequence
from typing import Literal

import xlsxwriter
from django.http import HttpResponse
from zigzag_core.csv_text import csv_text, is_number

Form = Literal["csv", "xlsx"]

TYPES: dict[Form, str] = {
    "csv": "text/csv; charset=utf-8",
    "xlsx": "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"}
_CONTROL = re.compile(r"[\x00-\x08\x0b\x0c\x0e-\x1f]")


def table(rows: Sequence[Sequence[str]], form: Form, name: str) -> tuple[bytes, str]:
    """Return `rows`, of which the first is the heading, as a file, and its media type.

    No text is taken for a formula. `name` is that of the sheet.
    """
    # Spreadsheets tell by the first mark that it is UTF-8.
    data = f"\ufeff{csv_text(rows)}".encode() if form == "csv" else _xlsx(rows, name)
    return data, TYPES[form]


def download(rows: Sequence[Sequence[str]], form: Form, name: str, file: str) -> HttpResponse:
    """Return the table as an answer that the browser saves as `file`, without its ending."""
    data, type_ = table(rows, form, name)
    return HttpResponse(data, content_type=type_, headers={
        "Content-Disposition": f'attachment; filename="{file}.{form}"'})


def _xlsx(rows: Sequence[Sequence[str]], name: str) -> bytes:
    out = io.BytesIO()
    with xlsxwriter.Workbook(out, {"in_memory": True}) as book:
        sheet = book.add_worksheet(name)
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
