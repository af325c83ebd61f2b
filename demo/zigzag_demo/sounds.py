"""Sounds of the demo, made by code: two signs for answers, and wind."""

from functools import cache

import numpy as np
from zigzag_core.media.samples import Samples
from zigzag_core.voice.encoding import as_mp3, speech_of

_RATE = 22_050
WIND_SECONDS = 16
"""It begins and ends in silence, so that it can be heard over and over."""


def _bell(pitch: float, seconds: float, at: float, length: float) -> Samples:
    """A struck tone of so many Hz that begins at `at` seconds, in a sound of `length` seconds."""
    time = np.arange(int(length * _RATE)) / _RATE - at
    tone = sum(share * np.sin(2 * np.pi * pitch * times * time)
               for times, share in ((1, 1.0), (2.76, 0.25), (5.4, 0.08)))
    struck = np.where(time >= 0, np.exp(-time / seconds) * np.minimum(time / 0.004, 1), 0)
    return (0.22 * tone * struck).astype(np.float32)


@cache
def right_sound() -> tuple[bytes, int]:
    """Two bells, the second one higher: MP3, and its length in ms."""
    return _sound(_bell(587.3, 0.25, 0, 1.1) + _bell(880.0, 0.3, 0.13, 1.1))


@cache
def wrong_sound() -> tuple[bytes, int]:
    """Two soft low tones, the second one lower: MP3, and its length in ms."""
    return _sound(_bell(233.1, 0.16, 0, 0.8) + _bell(185.0, 0.2, 0.16, 0.8))


@cache
def wind_sound() -> tuple[bytes, int]:
    """A gust that comes and goes around the hut: MP3, and its length in ms."""
    count = WIND_SECONDS * _RATE
    noise = np.fft.rfft(np.random.default_rng(1912).standard_normal(count))
    hertz = np.fft.rfftfreq(count, 1 / _RATE)
    # Wind is low, with a breath of whistling about 500 Hz.
    shape = 1 / np.maximum(hertz, 60) * (1 + 5 * np.exp(-((hertz - 500) / 160) ** 2))
    blown = np.fft.irfft(noise * shape, count)
    share = np.arange(count) / count
    gust = np.sin(np.pi * share) ** 2 * (0.75 + 0.25 * np.sin(2 * np.pi * 3 * share))
    return _sound((0.5 * blown / np.abs(blown).max() * gust).astype(np.float32))


def _sound(samples: Samples) -> tuple[bytes, int]:
    return as_mp3(speech_of(samples, _RATE)), round(len(samples) / _RATE * 1_000)
