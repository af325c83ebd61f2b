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


@pytest.fixture
def voiceless(mika, course, tmp_path):
    """A course with a dialogue of three lines that nobody speaks yet."""
    file = tmp_path / "talk.txt"
    file.write_text("## A\nPell: Good evening.\nMira: Come in.\n## B [ending]\nAdvice: Well said.")
    _said(course, "--read", str(file), "--slide", "1")
    [found] = [one["slide"] for one in mika("get", f"/courses/{course}", status=200)["slides"]
               if one["slide"].get("dialogues")]
    return course, found


def test_lines_are_spoken_by_a_job_that_stores_nothing(mika, other, voiceless):
    slug, slide = voiceless
    asked = {"slide": slide["id"], "dialogue": slide["dialogues"][0]["id"]}
    made = mika.job("post", f"/edits/dialogue/speak/{slug}", asked)
    assert len(made["voices"]) == 3
    one = made["voices"][0]
    assert one["media"]["file"]["type"] == "audio/mpeg" and one["media"]["file"]["duration"] > 300
    lines = [line for beat in slide["dialogues"][0]["beats"] for line in beat.get("lines", ())]
    assert {line["id"] for line in lines} >= {voice["line"] for voice in made["voices"]}
    assert mika("get", one["media"]["url"].removeprefix("/api"), status=200)
    # Somebody else's course is not there, nor is a dialogue that is not.
    assert other("post", f"/edits/dialogue/speak/{slug}", asked).get("code") == "not_found"
    gone = mika.job("post", f"/edits/dialogue/speak/{slug}", {**asked, "dialogue": "nothing"})
    assert gone["code"] == "not_found"


def test_lines_are_spoken_by_the_command_once(mika, voiceless):
    slug, _ = voiceless

    def said():
        out = io.StringIO()
        call_command("speak", slug, stdout=out)
        return out.getvalue().strip()

    assert said() == "3 lines spoken." and said() == "0 lines spoken."
    document = mika("get", f"/courses/{slug}", status=200)
    lines = [line for slide in document["slides"] for one in slide["slide"].get("dialogues", ())
             for beat in one["beats"] for line in beat.get("lines", ()) if line.get("voice")]
    assert len(lines) == 3 and all(line["by_machine"] for line in lines)
    assert len(document["course"]["media"]) >= 3


def test_a_language_that_nobody_speaks_is_told_and_nothing_stored(mika, voiceless):
    slug, _ = voiceless
    document = mika("get", f"/courses/{slug}", status=200)
    mika("put", f"/courses/{slug}", {"course": {**document["course"], "language": "xx"},
                                     "base": document["version"]}, status=200)
    with pytest.raises(CommandError, match=r"no voice for .*“xx”\. Nothing was stored"):
        call_command("speak", slug)
