"""Lines of dialogues that are longer than their place."""

import pytest
from zigzag_core.verification.findings.dialogue_room import lines_of, long_lines

from .test_dialogue_playing import course_of

REPLIES = "  > Come in. -> Well\n" * 3


def _long(line, replies=REPLIES, **settings):
    document = course_of(f"## Door\nPell: {line}\n{replies}\n## Well [ending good]\nPell: Good.\n",
                         **settings)
    return [one for one in long_lines(document.slides[0].dialogues[0]) if one.words != "Good."]


@pytest.mark.parametrize(("text", "lines"), [
    ("", 1), ("four", 1), ("four four", 1), ("four four five", 2), ("a" * 45, 5),
    ("\u4e16\u754c" * 5, 2), ("e\u0301" * 10, 1)])
def test_a_text_takes_so_many_lines(text, lines):
    # Ten letters of 10 px stand beside each other in 50 px.
    assert lines_of(text, 50, 10) == lines


def test_a_line_is_told_once_it_does_not_fit_above_its_replies():
    word = "lantern "
    fits = max(n for n in range(1, 200) if not _long(word * n, w=700, h=420))
    assert 10 < fits < 150
    [found] = _long(word * (fits + 1), w=700, h=420)
    assert found.needs == found.room + 1
    # More room, or fewer replies, and it fits.
    assert not _long(word * (fits + 1), w=700, h=520)
    assert not _long(word * (fits + 1), "  > Come in. -> Well\n", w=700, h=420)


def test_no_room_at_all_is_told_too():
    assert [one.room for one in _long("Yes.", w=120, h=120)] == [0]
