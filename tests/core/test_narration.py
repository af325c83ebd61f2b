"""The script of a course: what is said, who says it, cues at words, captions of what was spoken."""

from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.course import Audio, Caption, Cue, MediaFile, Overlay, Timing, rich
from zigzag_core.course.media import Speech, WordTime
from zigzag_core.course.questions.feedback import Feedback
from zigzag_core.course.reading_speed import LINE, LINES
from zigzag_core.course.rules.timing import SpokenWord
from zigzag_core.course.text.splitting import words_of
from zigzag_core.csv_text import csv_text
from zigzag_core.editing.narration.script import ScriptPlace, script_of
from zigzag_core.editing.narration.sheets import read_sheet, sheet_of
from zigzag_core.editing.narration.voices import Voice, with_course_voices, with_voices
from zigzag_core.editing.narration.words import with_words
from zigzag_core.errors import BadTable
from zigzag_core.media.captioning import captions_of, with_captions
from zigzag_core.verification.findings.captions import caption_findings

from .making import course, slide, text
from .samples import fresh_ids
from .test_dialogue_playing import course_of
from .test_questions import slide_with

SAID = "The air slide stays open until the logs have caught."
TALK = "# Door\nPell: Is there a place left?\n- Yes. -> Well\n# Well\nPell: Thank you.\n# ending"


def spoken_file(name, words, by_machine=True, each=400):
    times = tuple(WordTime(since=each * n, until=each * n + each - 50)
                  for n in range(len(words_of(words))))
    said = Speech(words=words, by_machine=by_machine, times=times)
    return MediaFile(id=name, name=name, type="audio/mpeg", sha256="0" * 64, size=1,
                     duration=each * len(times), speech=said)


def row_of(document, part="slide"):
    return next(row for row in script_of(document) if row.place.part == part)


def said_on(document, words, part="slide", within=""):
    place = ScriptPlace(document.slides[0].id, part, within)
    return document.model_copy(update={"slides": (
        with_words(document.slides[0], place, words, fresh_ids(), 720), *document.slides[1:])})


def test_words_that_are_typed_make_a_narration_which_leads_the_timing():
    empty = course(slide("slidea", text("title")))
    assert row_of(empty).state == "silent" and row_of(empty).file == "01-slidea"
    assert said_on(empty, "  ") == empty
    document = said_on(empty, SAID)
    [_, made] = document.slides[0].elements
    assert isinstance(made, Audio) and made.narration and made.start == "auto"
    assert document.slides[0].timing.follows == made.id
    row = row_of(document)
    assert (row.state, row.words, row.again, row.voice) == ("missing", SAID, True, None)


def test_a_timing_with_cues_of_its_own_is_not_led_by_a_new_narration():
    timed = course(slide("slidea", text("lamp"), timing=Timing(
        cues=(Cue(id="cueone", what="lamp", at=900),))))
    assert said_on(timed, SAID).slides[0].timing == timed.slides[0].timing


def test_what_was_spoken_is_told_to_say_other_words_once_they_are_changed():
    document = said_on(course(slide("slidea")), SAID)
    row = row_of(document)
    document = with_course_voices(
        document, [Voice(row.place, SAID, spoken_file("voicefile", SAID))])
    assert (row_of(document).state, row_of(document).length) == ("machine", 4_000)
    changed = with_words(document.slides[0], row.place, "Never close it.", fresh_ids(), 720)
    document = document.model_copy(update={"slides": (changed,)})
    assert (row_of(document).state, row_of(document).again) == ("changed", True)
    recorded = document.course.media[0].model_copy(update={
        "speech": Speech(words=SAID, by_machine=False)})
    document = document.model_copy(update={"course": document.course.model_copy(
        update={"media": (recorded,)})})
    # What somebody recorded is not spoken over.
    assert (row_of(document).state, row_of(document).again) == ("changed", False)


def test_a_voice_whose_words_were_changed_meanwhile_is_left_out():
    document = said_on(course(slide("slidea")), SAID)
    late = Voice(row_of(document).place, "Other words", spoken_file("voicefile", "Other words"))
    assert with_voices(document.slides[0], [late]) == document.slides[0]


def test_overlays_feedback_and_dialogues_are_in_the_script_too():
    asked = slide_with("single_choice")
    question = asked.questions[0].model_copy(update={
        "feedback": Feedback(right=rich("Well seen."), wrong=rich("Look again."))})
    asked = asked.model_copy(update={
        "questions": (question,),
        "overlays": (Overlay(id="panel", name="Air slide"),)})
    document = said_on(course(asked), SAID, "overlay", "panel")
    rows = {row.place.part: row for row in script_of(document)}
    assert (rows["overlay"].name, rows["overlay"].state) == ("Air slide", "missing")
    assert document.slides[0].overlays[0].timing.follows == rows["overlay"].place.thing
    told = [row for row in script_of(document) if row.place.part == "feedback"]
    assert [(row.name, row.words, row.again) for row in told] == [
        ("right", "Well seen.", False), ("wrong", "Look again.", False)]
    [heard] = [row for row in told if row.name == "right"]
    document = with_course_voices(
        document, [Voice(heard.place, heard.words, spoken_file("goodfile", heard.words))])
    assert document.slides[0].questions[0].feedback.shows[0].sound == "goodfile"
    changed = with_words(document.slides[0], heard.place, "Well done.", fresh_ids(), 720)
    assert changed.questions[0].feedback.right == rich("Well done.")
    again = script_of(document.model_copy(update={"slides": (changed,)}))
    assert [row.state for row in again if row.name == "right"] == ["changed"]
    gone = with_voices(changed, [Voice(heard.place, "Well done.", None)])
    assert gone.questions[0].feedback.shows == ()


def test_lines_of_a_dialogue_are_said_and_changed_from_the_script():
    document = course_of(TALK)
    first = row_of(document, "dialogue")
    assert (first.speaker, first.words) == ("Pell", "Is there a place left?")
    assert first.state == "missing"
    changed = with_words(document.slides[0], first.place, "A place left?", fresh_ids(), 720)
    document = document.model_copy(update={"slides": (changed,)})
    voice = Voice(first.place, "A place left?", spoken_file("pellfile", "A place left?"))
    document = with_course_voices(document, [voice])
    assert (row_of(document, "dialogue").state, row_of(document, "dialogue").length) == (
        "machine", 1_200)


def timed(words=SAID):
    cues = (Cue(id="cueone", what="lamp", at=0, until=700, word=SpokenWord(number=8, word="have")),
            Cue(id="cuetwo", what="lamp", at=5))
    document = said_on(course(slide("slidea", text("lamp"))), words)
    made = document.slides[0]
    return made.model_copy(update={"timing": made.timing.model_copy(update={"cues": cues})})


def place_of(made):
    return ScriptPlace("slidea", "slide", "", made.timing.follows)


def test_a_cue_at_a_word_goes_to_where_it_is_heard():
    made = timed()
    after = with_voices(made, [Voice(place_of(made), SAID, spoken_file("voicefile", SAID))])
    assert [(cue.at, cue.until) for cue in after.timing.cues] == [(3_200, 3_900), (5, None)]


@pytest.mark.parametrize("words,number,word", [
    ("Always: the air slide stays open until the logs have caught.", 9, "have"),
    ("The air slide stays open until the logs caught.", 8, "caught."),
    ("The air slide is open until large logs will have caught fire.", 9, "have"),
    ("Open.", 0, "Open.")])
def test_a_cue_keeps_to_its_word_when_other_words_change(words, number, word):
    made = timed()
    after = with_words(made, place_of(made), words, fresh_ids(), 720)
    assert after.timing.cues[0].word == SpokenWord(number=number, word=word)
    assert after.timing.cues[1].word is None


@given(st.lists(st.sampled_from(["a", "b", "c", "d", "e"]), max_size=8), st.integers(0, 9))
def test_whatever_the_words_become_a_cue_is_at_one_of_them(words, number):
    made = timed()
    cue = made.timing.cues[0].model_copy(update={"word": SpokenWord(number=number)})
    made = made.model_copy(update={"timing": made.timing.model_copy(update={"cues": (cue,)})})
    after = with_words(made, place_of(made), " ".join(words), fresh_ids(), 720)
    [found] = [cue.word for cue in after.timing.cues]
    assert found is None if not words else found.word == words[found.number]


def test_the_table_is_read_back_with_the_words_that_were_changed():
    document = said_on(course(slide("slidea"), slide("slideb")), "=SUM(1)")
    rows = script_of(document)
    sheet = sheet_of(rows)
    assert [line[0] for line in sheet] == ["File", "01-slidea", "02-slideb"]
    assert read_sheet(csv_text(sheet), rows).words == {}
    said = csv_text([("Words", "File"), ("Good morning.", "02-slideb"), ("x", "99-gone"), ("", "")])
    read = read_sheet(said, rows)
    assert read.words == {rows[1].place.key: "Good morning."} and read.unknown == (3,)
    assert read_sheet(said.replace(",", ";"), rows).words == read.words


@pytest.mark.parametrize("text", [
    "", "a,b\n1,2", "Words\nhello", "\0", "File,Words\na," + "x" * 200_000])
def test_a_table_without_the_columns_is_refused(text):
    with pytest.raises(BadTable, match="Nothing was changed"):
        read_sheet(text, ())


LONG = ("The air slide stays open until the logs have caught, and the stove hums; never close it "
        "on glowing coals, for the gas that comes of it cannot be smelled. Dr. Bee said no. " * 3)


def test_captions_break_at_sentences_and_keep_to_lines_and_speed():
    speech = spoken_file("voicefile", LONG).speech
    captions = captions_of(speech)
    assert " ".join(" ".join(one.text.split("\n")) for one in captions).split() == LONG.split()
    assert all(len(line) <= LINE for one in captions for line in one.text.split("\n"))
    assert all(len(one.text.split("\n")) <= LINES for one in captions)
    assert all(a.until <= b.since for a, b in pairwise(captions))
    assert sum(one.text.endswith((".", "!")) for one in captions) >= 6
    assert all(len(one.text) / (one.until - one.since) * 1_000 <= 17.5 for one in captions)


@given(st.lists(st.text(st.characters(exclude_categories=["Z", "C"]), min_size=1, max_size=60),
                max_size=60), st.integers(1, 900))
def test_captions_say_all_words_in_order_whatever_they_are(words, each):
    said = " ".join(words)
    captions = captions_of(spoken_file("voicefile", said, each=max(each, 51)).speech)
    assert [w for one in captions for w in one.text.split()] == list(words_of(said))
    assert all(one.since < one.until for one in captions)


def test_captions_that_cannot_be_read_or_come_too_late_are_found():
    document = said_on(course(slide("slidea")), SAID)
    file = spoken_file("voicefile", SAID).model_copy(update={"captions": (
        Caption(since=0, until=400, text="So much cannot be read so fast."),
        Caption(since=3_000, until=3_900, text="Slow."),
        Caption(since=4_000, until=4_400, text="Late."))})
    document = with_course_voices(document, [Voice(row_of(document).place, SAID, file)])
    found = list(caption_findings(document.slides[0], {file.id: file}))
    assert [one.code for one in found] == ["captions_late", "captions_fast"]
    assert "(1 of 3): 78 characters a second" in found[1].message
    assert row_of(document).too_fast == 1 and row_of(document).captions == 3


def test_captions_are_made_where_words_are_known_and_none_are_there():
    file = spoken_file("voicefile", SAID)
    assert with_captions(file).captions == captions_of(file.speech) != ()
    own = file.model_copy(update={"captions": (Caption(since=0, until=9, text="Own"),)})
    assert with_captions(own) is own
    unknown = file.model_copy(update={"speech": None})
    assert with_captions(unknown) is unknown
