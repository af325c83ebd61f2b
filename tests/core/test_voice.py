"""Words that become voice by machine."""

import io

import av
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from zigzag_core.course import MediaFile
from zigzag_core.course.dialogues import SaidLine, Speaker, SpeakerVoice
from zigzag_core.errors import CannotSpeak
from zigzag_core.media.playing import take_playing
from zigzag_core.voice.dialogues import spoken, to_speak, with_voices
from zigzag_core.voice.encoding import TYPE, as_mp3
from zigzag_core.voice.espeak import language_for, speak
from zigzag_core.voice.speech import LONGEST_SPOKEN, VOICES, Manner, Speech

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
    [slide] = course_of(BANDS, speakers=(pell,)).slides
    [dialogue], kept = slide.dialogues, Kept()
    files = spoken(dialogue, "en", kept.keep, synthesiser=kept.speak)
    assert len(files) == 5 and kept.asked[0] == (
        "Is there a place left?", Manner("en", "low2", 120, 30))
    assert kept.asked[-1] == ("Nobody is sent on after dark.", Manner("en"))
    voiced = with_voices(dialogue, files)
    assert to_speak(voiced) == ()
    lines = {line.text: line for beat in voiced.beats for line in beat.lines}
    assert lines["Thank you."].voice and lines["Thank you."].by_machine
    assert next(iter(files.values())).duration == 100

    def changed(by_machine):
        def words(line):
            return line.model_copy(update={"text": "Thanks.", "by_machine": by_machine}) \
                if isinstance(line, SaidLine) and line.text == "Thank you." else line
        return voiced.model_copy(update={"beats": tuple(
            beat.model_copy(update={"lines": tuple(map(words, beat.lines))})
            for beat in voiced.beats)})

    assert [line.words for line in to_speak(changed(True))] == ["Thanks."]
    # What somebody recorded is not spoken over.
    assert to_speak(changed(False)) == ()
