"""Words that become voice by machine."""

import io
from itertools import pairwise

import av
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from zigzag_core.course import Audio, MediaFile
from zigzag_core.course.dialogues import SaidLine, Speaker
from zigzag_core.course.text.splitting import words_of
from zigzag_core.course.voices import Narrator, Pronunciation, SpeakerVoice
from zigzag_core.editing.narration.script import script_of
from zigzag_core.editing.narration.voices import with_course_voices
from zigzag_core.errors import CannotSpeak
from zigzag_core.media.playing import take_playing
from zigzag_core.voice.course import spoken, to_speak
from zigzag_core.voice.encoding import TYPE, as_mp3
from zigzag_core.voice.espeak import language_for, speak
from zigzag_core.voice.speech import LONGEST_SPOKEN, VOICES, Manner, Speech

from .making import course, slide
from .test_dialogue_conditions import BANDS
from .test_dialogue_playing import course_of

WORDS = "It is dark, and the next hut is full."


def loud(speech):
    return float(np.sqrt(np.mean(np.square(np.frombuffer(speech.samples, "<i2"), dtype=float))))


def test_words_are_heard_and_faster_where_they_are_to_be():
    plain, fast = speak(WORDS, Manner("en")), speak(WORDS, Manner("en", speed=300))
    assert 1_500 < plain.duration < 5_000 and loud(plain) > 500
    assert fast.duration < 0.7 * plain.duration


def test_every_voice_speaks_and_sounds_another_way():
    found = {voice: speak("Good night.", Manner("en", voice)) for voice in VOICES}
    assert all(300 < one.duration < 3_000 and loud(one) > 300 for one in found.values())
    assert len({one.samples for one in found.values()}) == len(VOICES)


@pytest.mark.parametrize("language", ["en", "de", "fr", "es", "ar", "de-CH", "en-GB", "pt"])
def test_languages_with_and_without_a_region_have_a_voice(language):
    assert language_for(language)
    assert speak("12, 13", Manner(language)).duration > 300


@pytest.mark.parametrize("language", ["", "xx", "en+low1; rm", "../../etc", "de/../en"])
def test_a_language_without_a_voice_is_told(language):
    with pytest.raises(CannotSpeak, match="no voice for the language"):
        speak("Hello", Manner(language))


def test_too_many_words_and_unknown_voices_are_told():
    with pytest.raises(CannotSpeak, match="At most 20,000"):
        speak("a" * (LONGEST_SPOKEN + 1), Manner("en"))
    with pytest.raises(CannotSpeak, match="no voice"):
        speak("a", Manner("en", "high9"))


@settings(max_examples=30)
@given(text=st.text(max_size=60) | st.sampled_from([
    "<speak>a</speak>", "[[h@l'oU]]", "\0\0", "\ud800", "& < >", "\u202e", "…" * 50, "🙂" * 20]))
def test_whatever_the_text_is_a_sound_comes_of_it(text):
    made = as_mp3(speak(text, Manner("en")))
    assert take_playing(io.BytesIO(made)).type == TYPE


def test_the_file_is_as_long_as_the_speech_and_holds_it():
    speech = speak(WORDS, Manner("en"))
    data = as_mp3(speech)
    found = take_playing(io.BytesIO(data))
    assert abs(found.duration - speech.duration) < 120
    with av.open(io.BytesIO(data)) as file:
        heard = np.concatenate([f.to_ndarray()[0] for f in file.decode(audio=0)])
    assert float(np.sqrt(np.mean(heard ** 2))) > 0.02
    assert take_playing(io.BytesIO(as_mp3(Speech(b"", 22_050)))).type == TYPE


class Kept:
    """Keeps files, and what each says, by a synthesiser that only notes what it is asked."""

    def __init__(self):
        self.asked = []

    def keep(self, name, data, duration):
        return MediaFile(id=f"file{len(self.asked):04}", name=name, type=TYPE, sha256="0" * 64,
                         size=len(data), duration=duration)

    def speak(self, text, manner):
        self.asked.append((text, manner))
        return Speech(b"\1\0" * 2_205, 22_050)


def test_each_speaks_in_their_own_voice_and_only_what_changed_is_spoken_again():
    pell = Speaker(id="pell", name="Pell", voice=SpeakerVoice(voice="low2", speed=120, pitch=30))
    document, kept = course_of(BANDS, speakers=(pell,)), Kept()
    voices = spoken(document, kept.keep, synthesiser=kept.speak)
    assert len(voices) == 5 and kept.asked[0] == (
        "Is there a place left?", Manner("en", "low2", 120, 30))
    assert kept.asked[-1] == ("Nobody is sent on after dark.", Manner("en"))
    voiced = with_course_voices(document, voices)
    assert to_speak(voiced) == () and len(voiced.course.media) == 5
    rows = {row.words: row for row in script_of(voiced)}
    assert rows["Thank you."].state == "machine" and rows["Thank you."].length == 100

    def changed(by_machine):
        def words(line):
            return line.model_copy(update={"text": "Thanks.", "by_machine": by_machine}) \
                if isinstance(line, SaidLine) and line.text == "Thank you." else line
        [slide] = voiced.slides
        [dialogue] = slide.dialogues
        dialogue = dialogue.model_copy(update={"beats": tuple(
            beat.model_copy(update={"lines": tuple(map(words, beat.lines))})
            for beat in dialogue.beats)})
        return voiced.model_copy(update={
            "slides": (slide.model_copy(update={"dialogues": (dialogue,)}),)})

    assert [row.words for row in to_speak(changed(True))] == ["Thanks."]
    # What somebody recorded is not spoken over, unless that is asked for.
    recorded = changed(False)
    assert to_speak(recorded) == ()
    assert [row.words for row in to_speak(recorded, [rows["Thank you."].place.key])] == ["Thanks."]


def test_narrators_have_voices_and_words_are_pronounced_as_they_are_written():
    said = Audio(id="says", name="says", narration=True, words="Ask Oskarin, please.",
                 narrator="Ilse")
    plain_one = said.model_copy(update={"id": "more", "words": "Good.", "narrator": ""})
    document = course(
        slide("slidea", said, plain_one),
        narrators=(Narrator(voice=SpeakerVoice(speed=170)),
                   Narrator(name="ilse", voice=SpeakerVoice(voice="high2"))),
        pronunciations=(Pronunciation(written="oskarin", spoken="oss carin"),))
    kept = Kept()
    spoken(document, kept.keep, synthesiser=kept.speak)
    pairs = (("oskarin", "oss carin"),)
    assert kept.asked == [
        ("Ask Oskarin, please.", Manner("en", "high2", pronounced=pairs)),
        ("Good.", Manner("en", speed=170, pronounced=pairs))]
    one, other = (speak("Ask Oskarin, please.", Manner("en", pronounced=p)) for p in ((), pairs))
    assert one.samples != other.samples
    assert speak("Ask oss carin, please.", Manner("en")).duration == pytest.approx(
        other.duration, abs=120)


def loud_between(speech, since, until):
    heard = np.frombuffer(speech.samples, "<i2").astype(float)
    part = heard[since * speech.rate // 1_000:until * speech.rate // 1_000]
    return float(np.sqrt(np.mean(np.square(part)))) if len(part) else 0.0


TOLD = ("“Light it” – from the top: large logs below & small wood, 1,200 g of it. "
        "🔥 Dr. Bee said \"no\". Never close it!")


def test_the_times_of_words_are_where_they_are_heard():
    speech = speak(TOLD, Manner("en"))
    words = words_of(TOLD)
    assert len(speech.times) == len(words)
    assert all(a[1] <= b[0] for a, b in pairwise(speech.times))
    assert speech.times[-1][1] <= speech.duration
    # What is long is heard for long, and there is sound in it.
    long = words.index("1,200")
    assert speech.times[long][1] - speech.times[long][0] > 1_000
    for word in ("large", "logs", "small", "1,200", "said", "Never", "close"):
        assert loud_between(speech, *speech.times[words.index(word)]) > 300, word
    # A word stands in the same place alone behind the same words.
    first = speak(" ".join(words[:words.index("small")]), Manner("en"))
    assert speech.times[words.index("logs")][0] == pytest.approx(
        first.times[words.index("logs")][0], abs=60)


@settings(max_examples=25)
@given(st.text(max_size=80))
def test_every_word_of_any_text_has_a_time_and_they_rise(text):
    speech = speak(text, Manner("en"))
    assert len(speech.times) == len(words_of(text))
    assert all(since <= until <= speech.duration for since, until in speech.times)
    assert all(a[0] <= b[0] for a, b in pairwise(speech.times))
