"""Where a sound is loud, and where it is silent at its ends."""

import io
import wave

import numpy as np
import pytest
from zigzag_core.errors import BadPlaying
from zigzag_core.media.levels import AIR_MS, LONGEST, MOST, levels_of

from .test_media import video
from .test_transcoding import film

RATE = 16_000


def _file(samples):
    out = io.BytesIO()
    with wave.open(out, "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(2)
        file.setframerate(RATE)
        file.writeframes((np.clip(samples, -1, 1) * 32_767).astype("<i2").tobytes())
    return io.BytesIO(out.getvalue())


def _tone(seconds, level=0.5):
    return level * np.sin(2 * np.pi * 440 * np.arange(int(RATE * seconds)) / RATE)


def test_silence_at_both_ends_is_found_but_for_some_air():
    hiss = np.random.default_rng(1).normal(0, 0.001, RATE)
    levels = levels_of(_file(np.concatenate([hiss, _tone(2), hiss[:8_000]])))
    assert abs(levels.since - (1_000 - AIR_MS)) <= 40
    assert abs(levels.until - (3_000 + AIR_MS)) <= 40


def test_what_is_silent_or_loud_throughout_stays_whole():
    for samples in (np.zeros(RATE * 2), _tone(2)):
        levels = levels_of(_file(samples))
        assert levels.since == 0 and abs(levels.until - 2_000) <= 2


def test_sound_that_begins_late_is_where_it_is_heard():
    levels = levels_of(io.BytesIO(film("mp4", "libx264", "aac", level=0.5, seconds=1, late=0.6)))
    assert abs(levels.since - (600 - AIR_MS)) <= 60 and abs(levels.length - 1_600) <= 60
    assert max(levels.heights[:len(levels.heights) // 4]) < 5


def test_heights_are_the_peaks_in_order():
    levels = levels_of(_file(np.concatenate([_tone(1, 0.04), _tone(1, 0.64), np.zeros(RATE)])))
    third = len(levels.heights) // 3
    assert [round(float(np.median(levels.heights[n * third:(n + 1) * third])), -1)
            for n in range(3)] == [20, 80, 0]
    assert len(levels_of(_file(_tone(30))).heights) == MOST
    assert max(levels_of(_file(np.full(RATE, 2.0))).heights) == 100


def test_what_has_no_sound_or_too_much_is_refused():
    with pytest.raises(BadPlaying, match="holds no sound"):
        levels_of(io.BytesIO(video(frames=5, rate=5)))
    with pytest.raises(BadPlaying):
        levels_of(io.BytesIO(b"RIFF" + b"\\0" * 400))
    with pytest.raises(BadPlaying, match="up to an hour"):
        levels_of(_file(np.zeros(RATE * (LONGEST + 1))))
