"""The coder that saved progress is written with."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from zigzag_core.errors import Damaged
from zigzag_core.tracking.coder import Reader, Writer

NUMBERS = st.one_of(st.integers(0, 3), st.integers(0, 300), st.integers(0, 2**53 - 2))
SETS = st.sets(st.integers(0, 5_000), max_size=60).map(sorted)
THINGS = st.lists(st.one_of(
    st.tuples(st.just("number"), NUMBERS, st.sampled_from("ab")),
    st.tuples(st.just("signed"), st.integers(-(2**51), 2**51), st.sampled_from("ab")),
    st.tuples(st.just("text"), st.text(max_size=60), st.sampled_from("cd")),
    st.tuples(st.just("members"), SETS, st.sampled_from("ef")),
    st.tuples(st.just("plain"), st.integers(0, 2**32 - 1), st.just(32)),
), max_size=60)


@settings(max_examples=300, deadline=None, derandomize=True)
@given(THINGS)
def test_what_is_written_is_read(things):
    out = Writer()
    for method, value, where in things:
        getattr(out, method)(value, where)
    source = Reader(out.done())
    for method, value, where in things:
        got = source.plain(where) if method == "plain" else getattr(source, method)(where)
        assert got == value


def test_what_repeats_costs_almost_nothing():
    out = Writer()
    for _ in range(1_000):
        out.number(3, "same")
    assert len(out.done()) < 12
    out = Writer()
    out.members(range(800), "all")
    assert len(out.done()) < 10


def test_evenly_drawn_numbers_cost_what_they_hold():
    """A thousand numbers below 256: 1,000 bytes hold no less; learning costs little more."""
    out = Writer()
    for n in range(1_000):
        out.number((n * 2_654_435_761 >> 7) % 256, "even")
    assert 990 < len(out.done()) < 1_060


@settings(max_examples=300, deadline=None, derandomize=True)
@given(st.binary(max_size=40))
def test_any_bytes_are_read_to_an_end(data):
    source = Reader(data)
    try:
        for _ in range(50):
            source.number("a")
            source.text("b")
            source.members("c")
    except Damaged:
        pass


def test_reading_on_past_the_end_ends():
    source = Reader(b"")
    with pytest.raises(Damaged, match="ends too early"):
        for _ in range(1_000):
            source.plain(32)
