"""What is read from outside can always be written again."""

import json
import math

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError
from zigzag_core.course.json_text import NotPlain, read_json
from zigzag_core.course.rules.rule import Calculate, Rule
from zigzag_core.course.walkthroughs import Walkthrough
from zigzag_core.errors import BadArchive
from zigzag_core.packaging.archive import import_archive

from .test_package import zipped

BAD = [
    b"1e400", b"-1e999", b"NaN", b"Infinity", b"-Infinity", b'"\\ud800"', b'"\xed\xa0\x80"',
    b'{"\\udfff": 1}', b'[["\\ud83d"]]', b"[" * 100_000, b"1" * 5_000, b'"\xff"', b"", b"{",
    b'{"a": 1} b', b"\xef\xbb\xbf1",
]


@pytest.mark.parametrize("data", BAD)
def test_what_could_not_be_given_again_is_not_taken(data):
    with pytest.raises(NotPlain):
        read_json(data)


def test_what_can_be_kept_is_read_as_it_is():
    data = '{"a": [0.1, -3, 1e308, "\\ud83d\\ude00", "\\u0000", true, null], '
    data += '"é": 12345678901234567890}'
    found = read_json(data.encode())
    assert found["a"] == [0.1, -3, 1e308, "\U0001f600", "\0", True, None]
    assert found["é"] == 12345678901234567890.0 and isinstance(found["é"], float)


values = st.recursive(
    st.none() | st.booleans() | st.integers() | st.floats() | st.text(st.characters()),
    lambda inner: st.lists(inner) | st.dictionaries(st.text(st.characters()), inner))


@given(values)
def test_whatever_is_read_can_be_written(value):
    try:
        found = read_json(json.dumps(value).encode())
    except NotPlain:
        return
    assert read_json(json.dumps(found, allow_nan=False, ensure_ascii=False).encode()) == found


@pytest.mark.parametrize("bad", [
    math.inf, -math.inf, math.nan, 10**400, "\ud800", "x" * 20_001, ["variable", "\ud800"],
    ["variable", "x" * 100], ["given", "question", "\udc00"], ["+", 1, math.inf],
])
def test_no_expression_holds_what_could_not_be_kept(bad):
    with pytest.raises(ValidationError):
        Rule(id="rule1", condition=bad)
    with pytest.raises(ValidationError):
        Calculate(variable="scorevar", value=bad)


@pytest.mark.parametrize("event", [
    {"event": "tick", "ms": math.inf}, {"event": "entered", "target": "a", "value": "\ud800"},
    {"event": "clicked", "\ud800": 1}, {"event": "tick", "ms": 10**400},
])
def test_no_walkthrough_holds_it_either(event):
    with pytest.raises(ValidationError):
        Walkthrough(id="walk", name="Walk", events=({"event": "start"}, event))


@pytest.mark.parametrize("data", BAD)
def test_an_archive_that_holds_it_is_refused(data):
    with pytest.raises(BadArchive):
        import_archive(zipped({"course.json": b'{"format": 1, "course": ' + data + b"}"}))
