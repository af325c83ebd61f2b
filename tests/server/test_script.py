"""The script of a course by API and by command: words, voices, tables."""

import csv
import io
import json

import pytest
from django.core.management import CommandError, call_command
from zigzag_core.voice.encoding import as_mp3
from zigzag_core.voice.espeak import speak
from zigzag_core.voice.speech import Manner


@pytest.fixture
def voiceless(mika, course, tmp_path):
    """A course with a dialogue of three lines that nobody speaks yet, and its slide."""
    file = tmp_path / "talk.txt"
    file.write_text("## A\nPell: Good evening.\nMira: Come in.\n## B [ending]\nAdvice: Well said.")
    call_command("dialogue", course, "--read", str(file), "--slide", "1", stdout=io.StringIO())
    [found] = [one["slide"] for one in mika("get", f"/courses/{course}", status=200)["slides"]
               if one["slide"].get("dialogues")]
    return course, found


def rows_of(mika, slug):
    return mika("get", f"/courses/{slug}/script", status=200)["rows"]


def test_lines_are_spoken_by_a_job_that_stores_nothing(mika, other, voiceless):
    slug, slide = voiceless
    made = mika.job("post", f"/edits/script/speak/{slug}", {})
    assert len(made["voices"]) == 3
    one = made["voices"][0]
    assert one["media"]["file"]["type"] == "audio/mpeg" and one["media"]["file"]["duration"] > 300
    assert one["media"]["file"]["captions"][0]["text"] == one["words"] == "Good evening."
    assert len(one["media"]["file"]["speech"]["times"]) == 2
    rows = {row["key"]: row for row in rows_of(mika, slug)}
    assert {voice["key"] for voice in made["voices"]} == {
        key for key, row in rows.items() if row["state"] == "missing"}
    assert mika("get", one["media"]["url"].removeprefix("/api"), status=200)
    only = mika.job("post", f"/edits/script/speak/{slug}", {"keys": [one["key"], "no/slide//one"]})
    assert [voice["words"] for voice in only["voices"]] == ["Good evening."]
    # Somebody else's course is not there.
    assert other("post", f"/edits/script/speak/{slug}", {}).get("code") == "not_found"
    # What was spoken becomes the voices of its lines, unless the words were changed meanwhile.
    document = mika("get", f"/courses/{slug}", status=200)
    voices = [{"key": v["key"], "words": v["words"], "file": v["media"]["file"]}
              for v in made["voices"]]
    voices[1]["words"] = "Something else."
    edit = mika("post", "/edits/script/voices", {
        "course": document["course"], "slides": [slide], "voices": voices}, status=200)
    told = [operation for operation in edit["change"]["operations"]
            if operation["path"][0] == "slides" and operation["path"][-1] == "voice"]
    assert len(told) == 2 and one["media"]["file"]["id"] in edit["media"]


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


def test_words_are_said_on_a_slide_and_changed(mika, course):
    [first, *_] = rows_of(mika, course)
    slide = mika("get", f"/courses/{course}", status=200)["slides"][0]["slide"]
    asked = {"slide": slide, "key": first["key"], "words": "Good morning.", "height": 720}
    made = mika("post", "/edits/script/words", asked, status=200)
    added = [one["value"] for one in made["change"]["operations"] if one["op"] == "add"]
    assert [one["words"] for one in added] == ["Good morning."] and added[0]["narration"]
    for key in ("a/b/c", "x/nothing//", "a/slide//b/c", ""):
        assert mika("post", "/edits/script/words", {**asked, "key": key})["code"] in (
            "no_such_place", "invalid", "not_found"), key


def test_the_table_goes_out_and_its_words_come_back(mika, other, voiceless, tmp_path):
    slug, _ = voiceless
    out = tmp_path / "script.csv"
    call_command("script", slug, "--out", str(out), stdout=io.StringIO())
    lines = list(csv.reader(io.StringIO(out.read_text("utf-8-sig"))))
    assert lines[0][:2] == ["File", "Slide"] and "Good evening." in {line[4] for line in lines}
    told = out.read_text("utf-8").replace("Good evening.", "Good night.")
    made = mika("post", f"/edits/script/sheet/{slug}", {"text": told}, status=200)
    assert [one["value"] for one in made["change"]["operations"]] == ["Good night."]
    assert mika("post", f"/edits/script/sheet/{slug}", {"text": "nothing"})["code"] == "bad_table"
    assert other("post", f"/edits/script/sheet/{slug}", {"text": told})["code"] == "not_found"
    call_command("script", slug, "--as", "xlsx", "--out", str(tmp_path / "s.xlsx"),
                 stdout=io.StringIO())
    assert (tmp_path / "s.xlsx").read_bytes()[:2] == b"PK"
    with pytest.raises(CommandError, match="cannot be written"):
        call_command("script", slug, "--out", str(tmp_path / "no" / "s.csv"))


def test_recordings_are_listened_to_and_only_ones_own(mika, other, voiceless):
    slug, _ = voiceless
    row = next(row for row in rows_of(mika, slug) if row["words"] == "Good evening.")
    data = as_mp3(speak("Good evening.", Manner("en", "low2", 120)))
    file = mika.job("post", f"/courses/{slug}/media", file=("pell.mp3", data))["media"]["file"]
    asked = {"voices": [{"key": row["key"], "words": row["words"], "file": file}]}
    [heard] = mika.job("post", f"/edits/script/hear/{slug}", asked)["voices"]
    speech = heard["media"]["file"]["speech"]
    assert heard["key"] == row["key"] and len(speech["times"]) == 2 and not speech["by_machine"]
    assert [one["text"] for one in heard["media"]["file"]["captions"]] == ["Good evening."]
    elsewhere = other("post", "/courses", {"title": "Mine"}, status=201)["slug"]
    assert other("post", f"/edits/script/hear/{elsewhere}", asked)["code"] == "no_such_file"


def test_the_command_makes_captions_and_tells_what_is_wrong_with_them(mika, voiceless):
    slug, _ = voiceless
    call_command("speak", slug, stdout=io.StringIO())
    document = mika("get", f"/courses/{slug}", status=200)
    bare = [{**file, "captions": []} for file in document["course"]["media"]]
    mika("put", f"/courses/{slug}", {"course": {**document["course"], "media": bare},
                                     "base": document["version"]}, status=200)
    out = io.StringIO()
    call_command("captions", slug, "--json", stdout=out)
    assert json.loads(out.getvalue()) == {"made": 3, "found": []}
    after = mika("get", f"/courses/{slug}", status=200)["course"]["media"]
    assert sum(bool(file.get("captions")) for file in after) == 3
