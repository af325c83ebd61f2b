"""Captions are read from what people have, and written so that they can be read again."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.course import Caption
from zigzag_core.errors import BadCaptions
from zigzag_core.media.captions import read_captions, write_captions, write_subrip

VTT = """WEBVTT

NOTE made here

intro
00:01.500 --> 00:03.250 align:start
<v Ilse>Shut the damper &amp; wait.

00:00:00.000 --> 00:00:01.000
The stove
is cold.
"""
SRT = "1\r\n00:00:01,500 --> 00:00:03,250\r\n<i>Shut</i> the damper.\r\n"


def test_both_formats_are_read_and_what_is_marked_up_becomes_plain():
    assert read_captions(VTT) == (
        Caption(since=0, until=1_000, text="The stove\nis cold."),
        Caption(since=1_500, until=3_250, text="Shut the damper & wait."),
    )
    assert read_captions(SRT) == (Caption(since=1_500, until=3_250, text="Shut the damper."),)


@pytest.mark.parametrize("text", ["", "Dear reader", "WEBVTT\n\n", "\x00\x01",
                                  "WEBVTT\n" + "x" * 2_000_000])
def test_what_holds_no_captions_is_refused_with_words(text):
    with pytest.raises(BadCaptions, match="nothing was changed"):
        read_captions(text)


WORDS = st.text(st.characters(categories=("L", "N", "P", "S")), min_size=1, max_size=40)


@given(st.lists(st.tuples(st.integers(0, 90_000_000), st.integers(1, 60_000), WORDS), min_size=1,
                max_size=8))
def test_what_is_written_is_read_again(found):
    captions = tuple(sorted((Caption(since=a, until=a + b, text=t) for a, b, t in found),
                            key=lambda c: (c.since, c.until, c.text)))
    assert read_captions(write_captions(captions)) == captions
    # SubRip cannot say that something is no mark of its own.
    if not any("<" in one.text or "-->" in one.text for one in captions):
        assert [(one.since, one.until) for one in read_captions(write_subrip(captions))] == [
            (one.since, one.until) for one in captions]


def test_subrip_counts_its_captions_and_has_commas_and_no_empty_lines():
    said = Caption(since=1_500, until=3_725_250, text="Shut\n\nthe damper & wait.")
    assert write_subrip((said,)) == (
        "1\n00:00:01,500 --> 01:02:05,250\nShut\nthe damper & wait.\n")
