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


def _printed(file, *arguments) -> str:
    return _said("--read", str(file), *arguments)


def _said(*arguments) -> str:
    out = io.StringIO()
    call_command("dialogue", *arguments, stdout=out)
    return out.getvalue()


def test_what_the_ways_of_a_script_come_to_is_said(script):
    assert _printed(script).splitlines() == [
        "5 turns, 2 endings",
        "3 ways: 2 to 5 turns, 0:07 to 0:20 of listening, 3 to 6 of 6 replies to choose from",
        "0 to 1 points", "“trust” changes by -2 to +5",
        "  ends with “The bench” (good): 1 way",
        "  ends with “Sent away” (bad): 2 ways",
        # No value is called so, with a capital letter.
        "Taken to hold: Trust >= 2",
    ]
    [found] = json.loads(_printed(script, "--json"))
    assert (found["count"], found["mistakes"], found["hints"]) == (3, [], [])
    assert _printed(script, "--script") == LATE_GUEST


def test_a_table_is_taken_in_as_a_script(tmp_path):
    file = tmp_path / "talk.csv"
    file.write_text("Turn,Speaker,Line,Reply,Leads to,Ending\nA,X,Well?,Yes,B,\nB,X,So.,,,good\n")
    assert _printed(file, "--script") == (
        "## A\nX: Well?\n  > Yes -> B\n\n## B [ending good]\nX: So.\n")


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
    with pytest.raises(CommandError, match="of which course"):
        _said()


def test_a_slide_takes_a_script_in_and_plays_it(mika, course, script):
    with pytest.raises(CommandError, match="No slide has a dialogue yet"):
        _said(course, "--read", str(script))
    text = _said(course, "--read", str(script), "--slide", "1")
    assert "5 turns, 2 endings" in text
    whole = mika("get", f"/courses/{course}", status=200)
    assert [one["name"] for one in whole["course"]["variables"]][-1] == "trust"
    [before] = whole["slides"][0]["slide"]["dialogues"]
    program = mika("get", f"/courses/{course}/program", status=200)
    shown = [each["draw"]["name"] for each in program["slides"][0]["elements"]]
    assert shown.count("Pell") == 5 and "Come in first. Then we see." in shown
    # What is read in again is the same dialogue, as far as it was not changed.
    script.write_text(LATE_GUEST.replace("Then we see.", "Then we will see."), encoding="utf-8")
    _said(course, "--read", str(script))
    [after] = mika("get", f"/courses/{course}", status=200)["slides"][0]["slide"]["dialogues"]
    assert after["id"] == before["id"] and after["turns"] == before["turns"]
    assert "Then we will see." in _said(course, "--script")
    assert _said(course, "--lines").splitlines()[1].startswith("01-pell,Pell,worried,")
    [figures] = json.loads(_said(course, "--json"))
    assert (figures["slide"], figures["count"]) == (whole["slides"][0]["slide"]["title"], 3)
    with pytest.raises(CommandError, match="slides 1 to"):
        _said(course, "--read", str(script), "--slide", "99")


def test_a_course_without_a_dialogue_says_so(course):
    with pytest.raises(CommandError, match="has no dialogue"):
        _said(course)
