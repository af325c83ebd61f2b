"""Reports as a table for a spreadsheet."""

from collections.abc import Iterator

from django.db.models import QuerySet

from zigzag_server.spreadsheets import Form, table

from .models import Report

MOST_ROWS = 100_000


def written(reports: QuerySet[Report], form: Form) -> tuple[bytes, str]:
    """Return the table of `reports` and its media type: a line each, a column for each field.

    No text is taken for a formula. After 100,000 rows the table ends.
    """
    found = list(reports[:MOST_ROWS])
    names = list(dict.fromkeys(name for one in found for name, _ in one.fields))
    rows = [["Received", "Quiz", "Attempt", *names], *_rows(found, names)]
    return table(rows, form, "Reports")


def _rows(reports: list[Report], names: list[str]) -> Iterator[list[str]]:
    for one in reports:
        fields = dict(one.fields)
        yield [f"{one.received:%Y-%m-%d %H:%M:%S}", one.title, str(one.attempt),
               *(fields.get(name, "") for name in names)]
