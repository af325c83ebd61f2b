"""Scripts of dialogues by the command."""

import io
import json

import pytest
from django.core.management import CommandError, call_command

from tests.core.test_dialogue_script import LATE_GUEST


@pytest.fixture
def script(tmp_path):
    file = tmp_path / "guest.txt"
    file.write_text(LATE_GUEST, encoding="utf-8")
    return file


def _printed(*arguments) -> str:
    out = io.StringIO()
    call_command("dialogue", "--read", *map(str, arguments), stdout=out)
    return out.getvalue()


def test_what_the_ways_of_a_script_come_to_is_said(script):
    assert _printed(script).splitlines() == [
        "5 turns, 2 endings",
        "3 ways: 2 to 5 turns, 0:07 to 0:20 of listening, 3 to 6 of 6 replies to choose from",
        "0 to 1 points",
        "  ends with “The bench” (good): 1 way",
        "  ends with “Sent away” (bad): 2 ways",
    ]
    found = json.loads(_printed(script, "--json"))
    assert (found["count"], found["mistakes"], found["hints"]) == (3, [], [])
    assert _printed(script, "--script") == LATE_GUEST


def test_what_is_wrong_is_said_by_line_and_by_turn(script):
    script.write_text(LATE_GUEST.replace("-> The price", "-> The prize"), encoding="utf-8")
    text = _printed(script)
    assert "Line 15: There is no turn “The prize”. Meant: The price" in text
    assert "error: “Inside” breaks off" in text and "warning: Nothing leads to “The price”." in text


def test_a_file_that_is_no_script_is_refused_with_the_reason(tmp_path):
    empty, binary = tmp_path / "empty", tmp_path / "binary"
    empty.write_text(" \n")
    binary.write_bytes(b"\xff\xfe\x00")
    for file, words in ((tmp_path / "gone", "cannot be read"), (empty, "nothing in the file"),
                        (binary, "no text in UTF-8")):
        with pytest.raises(CommandError, match=words):
            _printed(file)
