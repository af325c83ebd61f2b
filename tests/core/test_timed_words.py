"""Whose words are timed in a package, and which texts cannot go by them."""

import pytest
from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import Audio, MediaFile, rich
from zigzag_core.course.media import Speech, WordTime
from zigzag_core.course.text.splitting import place_in, words_of
from zigzag_core.verification.findings.spoken import spoken_findings

from .making import course, slide, text

SAID = "Close the hatch. Then rest."
TIMES = tuple(WordTime(since=400 * n, until=400 * n + 300) for n in range(5))


def _file(**speech):
    told = Speech(**{"words": SAID, "times": TIMES, **speech})
    return MediaFile(id="voice", name="voice.mp3", type="audio/mpeg", sha256="a" * 64, size=9,
                     duration=2_000, speech=told)


def _course(file, written="then REST!", by="speaker"):
    words = text("words").model_copy(update={"text": rich(written), "spoken_by": by})
    document = course(slide("slidea", words, Audio(id="speaker", name="Voice", media="voice")))
    return document.model_copy(update={
        "course": document.course.model_copy(update={"media": (file,)})})


def _findings(document):
    return [one.message for one in spoken_findings(
        document.slides[0], {one.id: one for one in document.course.media})]


@pytest.mark.parametrize(("words", "place"), [
    ("Close", 0), ("then rest", 3), ("THE, hatch!", 1), ("the rest", None), ("rest then", None),
    ("Close the hatch. Then rest. Now", None)])
def test_words_stand_together_in_what_is_said(words, place):
    assert place_in(words_of(words), words_of(SAID)) == place


def test_times_travel_only_where_a_text_goes_by_them():
    program = compile_course(_course(_file()), by_digest)
    speech = program.media["voice"].speech
    assert speech and speech.words == SAID and speech.since == (0, 400, 800, 1200, 1600)
    program = compile_course(_course(_file(), by=None), by_digest)
    assert program.media["voice"].speech is None


def test_what_cannot_be_highlighted_is_told():
    assert _findings(_course(_file())) == []
    assert _findings(_course(_file(), by=None)) == []
    for file, written, why in (
            (_file(), "the rest", "it says other words."), (_file(), " ", "it says other words."),
            (_file(times=()), "rest", "it is not known when its words are heard."),
            (_file().model_copy(update={"speech": None}), "rest", "its words are not known.")):
        assert [one.split(": ")[1] for one in _findings(_course(file, written))] == [why]
