"""What the documentation says of bounds is what the code holds to."""

import importlib
import re
from pathlib import Path

import pytest

TABLE = (Path(__file__).resolve().parents[2] / "docs" / "bounds.md").read_text()
ROWS = re.findall(r"^\| [^|]+ \| ([0-9,]+)[^|]* \| `([\w.]+)` \|$", TABLE, re.MULTILINE)


def test_every_row_of_the_table_is_looked_at():
    assert len(ROWS) == TABLE.count("`zigzag_") > 30


@pytest.mark.parametrize(("figure", "place"), ROWS, ids=lambda one: one)
def test_the_table_of_bounds_says_what_holds(figure, place):
    module, _, name = place.rpartition(".")
    if module.endswith(".Limits"):
        holder = importlib.import_module(module.removesuffix(".Limits")).Limits
    else:
        holder = importlib.import_module(module)
    assert getattr(holder, name) == int(figure.replace(",", ""))
