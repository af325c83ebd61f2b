"""Format 6 names the cells of answer tables by their parts; before, they were a list.

Before: ``"cells": [{"part": "abcd", "given": true, "value": null}]``, where `value` says what is
in the part. Now: ``"cells": {"abcd": true}``, where the value stands for itself, and
``{"value": …}`` for anything but it.
"""

from typing import Any

Raw = dict[str, Any]


def slide(raw: Raw) -> Raw:
    """Return the slide with the answer tables of its questions in the new form."""
    questions = raw.get("questions")
    if not isinstance(questions, list):
        return raw
    return {**raw, "questions": [_question(one) for one in questions]}


def _question(raw: Any) -> Any:
    if not isinstance(raw, dict) or not isinstance(raw.get("table"), list):
        return raw
    return {**raw, "table": [_row(row) for row in raw["table"]]}


def _row(raw: Any) -> Any:
    if not isinstance(raw, dict) or not isinstance(raw.get("cells"), list):
        return raw
    cells = [cell for cell in raw["cells"] if isinstance(cell, dict) and "part" in cell]
    return {**raw, "cells": {cell["part"]: _cell(cell) for cell in cells}}


def _cell(raw: Raw) -> Any:
    given, value = raw.get("given", True), raw.get("value")
    if value is None:
        return given
    return value if given else {"value": value}
