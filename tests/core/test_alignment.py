"""When words are heard in a recording: held against speech whose times are known."""

import io
import wave
from itertools import pairwise

import numpy as np
import pytest
from zigzag_core.course import MediaFile
from zigzag_core.course.text.splitting import words_of
from zigzag_core.errors import BadPlaying, CannotSpeak
from zigzag_core.media.loudness import TARGET, loudness_of
from zigzag_core.media.samples import samples_of
from zigzag_core.voice.alignment import LONGEST, RATE, aligned, features
from zigzag_core.voice.encoding import TYPE, samples_in, speech_of
from zigzag_core.voice.espeak import speak
from zigzag_core.voice.recordings import heard_in
from zigzag_core.voice.speech import Manner, Speech

from .making import course
from .test_media import sound

TOLD = ("Light the stove from the top, and keep the air slide open until the logs have caught. "
        "And never close it on glowing coals: the gas that forms has no smell.")
BEFORE = 500


def recorded(words, manner, noise=0.0, seed=1):
    """What somebody recorded: half a second of silence, the words, a second of silence; noise."""
    speech = speak(words, manner)
    heard = samples_of(io.BytesIO(wav(speech)), RATE, 60)
    whole = np.concatenate([np.zeros(RATE * BEFORE // 1_000, np.float32), heard,
                            np.zeros(RATE, np.float32)])
    level = np.sqrt(np.mean(heard ** 2)) * noise
    noisy = whole + np.random.default_rng(seed).normal(0, level or 1e-9, len(whole))
    return noisy.astype(np.float32), speech.times


def wav(speech):
    out = io.BytesIO()
    with wave.open(out, "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(2)
        file.setframerate(speech.rate)
        file.writeframes(speech.samples)
    return out.getvalue()


@pytest.mark.parametrize("manner", [
    Manner("en", speed=105), Manner("en", "low3", 120, 40), Manner("en", "high2", 175, 60)])
def test_words_are_found_in_slower_faster_and_other_voices_with_noise(manner):
    recording, times = recorded(TOLD, manner, noise=0.1)
    found = aligned(recording, speak(TOLD, Manner("en")))
    off = [abs(word.since - since - BEFORE) for word, (since, _) in zip(found, times, strict=True)]
    # 150 ms are asked for; a word is mostly found within two spectra.
    assert np.median(off) < 60 and np.percentile(off, 90) < 200
    assert all(a.since <= b.since for a, b in pairwise(found))


def test_louder_and_quieter_recordings_are_the_same():
    recording, _ = recorded(TOLD, Manner("en", speed=120))
    model = speak(TOLD, Manner("en"))
    first, *others = (aligned(recording * level, model) for level in (1, 0.05, 0.5))
    assert all(max(abs(a.since - b.since) for a, b in zip(first, other, strict=True)) <= 40
               for other in others)


@pytest.mark.parametrize("samples", [
    np.zeros(0, np.float32), np.zeros(RATE, np.float32), np.ones(10, np.float32),
    np.ones(LONGEST * RATE + 1, np.float32)])
def test_where_nothing_is_heard_or_too_much_no_times_are_told(samples):
    assert aligned(samples, speak("Good night.", Manner("en"))) == ()


@pytest.mark.parametrize("samples", [
    np.random.default_rng(3).normal(0, 1, RATE).astype(np.float32),
    np.full(RATE, 0.5, np.float32), np.eye(1, RATE, 8_000, dtype=np.float32)[0]])
def test_whatever_is_recorded_words_have_rising_times_within_it(samples):
    found = aligned(samples, speak(TOLD, Manner("en")))
    assert len(found) == len(words_of(TOLD))
    assert all(0 <= word.since <= word.until <= 1_100 for word in found)


def test_spectra_do_not_depend_on_how_loud_it_is():
    recording, _ = recorded(TOLD, Manner("en"))
    assert np.allclose(features(recording), features(recording * 3), atol=1e-3)


def media(data, duration=3_000):
    return MediaFile(id="recorded", name="r.wav", type="audio/wav", sha256="0" * 64,
                     size=len(data), duration=duration)


def heard(data, words, file=None, synthesiser=speak, language="en"):
    """The file of a recording, and what was kept for it."""
    kept = {}

    def keep(name, made, duration):
        kept[name] = made
        return MediaFile(id="made", name=name, type=TYPE, sha256="1" * 64, size=len(made),
                         duration=duration)

    found = heard_in(file or media(data), io.BytesIO(data), words,
                     course(language=language).course, keep, synthesiser)
    return found, kept


def test_a_recording_gets_times_captions_and_the_level_of_all_speech():
    quiet = speech_of(samples_in(speak(TOLD, Manner("en", "low2", 130))) * 0.05, 22_050)
    found, kept = heard(wav(quiet), TOLD)
    assert found.speech.words == TOLD and not found.speech.by_machine
    assert len(found.speech.times) == len(words_of(TOLD))
    assert " ".join(one.text.replace("\n", " ") for one in found.captions) == TOLD
    assert found.loudness == pytest.approx(TARGET, abs=0.5)
    [made] = kept.values()
    again = samples_of(io.BytesIO(made), 44_100, 60)
    assert loudness_of(again, 44_100) == pytest.approx(TARGET, abs=1)
    assert len(again) / 44_100 == pytest.approx(quiet.duration / 1_000, abs=0.15)


def test_what_cannot_be_listened_to_is_kept_as_it_is_or_without_times():
    data = sound("wav", seconds=1)

    def nobody(text: str, manner: Manner) -> Speech:
        raise CannotSpeak("There is no voice.")

    silent, kept = heard(data, "Good night.", synthesiser=nobody)
    assert silent.speech.times == () and silent.captions == () and len(kept) == 1
    for file, content in ((media(data, LONGEST * 1_000 + 1), data), (media(b"junk"), b"junk")):
        found, kept = heard(content, "Good night.", file)
        assert found.speech.words == "Good night." and found.speech.times == () and not kept
        assert found.sha256 == file.sha256


@pytest.mark.parametrize("data", [b"", b"RIFF", b"\0" * 5_000, b"ID3" + b"\xff" * 99])
def test_what_is_no_sound_is_refused(data):
    with pytest.raises(BadPlaying):
        samples_of(io.BytesIO(data), RATE, 10)


def test_samples_of_a_sound_are_as_long_as_it_is():
    assert len(samples_of(io.BytesIO(sound("wav", seconds=2)), RATE, 60)) == pytest.approx(
        2 * RATE, abs=RATE / 10)
    assert len(samples_of(io.BytesIO(sound("wav", seconds=2)), RATE, 0.5)) == RATE // 2
