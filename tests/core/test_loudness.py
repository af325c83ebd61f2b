"""Loudness, held against tones whose level is known."""

import numpy as np
import pytest
from zigzag_core.media.loudness import PEAK, QUIETEST, TARGET, levelled, loudness_of

RATE = 48_000


def tone(level, seconds=4, rate=RATE, hz=997):
    """A tone whose peaks are at `level` dB below full scale."""
    t = np.arange(int(rate * seconds)) / rate
    return (10 ** (level / 20) * np.sin(2 * np.pi * hz * t)).astype(np.float32)


@pytest.mark.parametrize("rate", [22_050, 44_100, 48_000])
@pytest.mark.parametrize("level", [-40, -23, -6])
def test_a_tone_of_a_known_level_is_measured_as_the_standard_says(level, rate):
    # BS.1770-4: 997 Hz at 0 dBFS on two loudspeakers is 0 LUFS.
    assert loudness_of(tone(level, rate=rate), rate) == pytest.approx(level, abs=0.2)


def test_silence_and_very_short_sounds_are_measured_too():
    assert loudness_of(np.zeros(RATE, np.float32), RATE) == QUIETEST
    assert loudness_of(np.zeros(0, np.float32), RATE) == QUIETEST
    assert loudness_of(tone(-20, 0.05), RATE) == pytest.approx(-20, abs=1)


@pytest.mark.parametrize("level", [-40, -23, -12])
def test_quiet_and_loud_sounds_come_to_one_level(level):
    assert loudness_of(levelled(tone(level), RATE), RATE) == pytest.approx(TARGET, abs=0.2)


def test_no_peak_is_cut_and_silence_stays_silence():
    spiky = tone(-40)
    spiky[100] = 0.5
    made = levelled(spiky, RATE)
    assert float(np.abs(made).max()) <= PEAK + 1e-6
    assert loudness_of(made, RATE) == pytest.approx(-40 + 20 * np.log10(PEAK / 0.5), abs=0.3)
    assert not levelled(np.zeros(RATE, np.float32), RATE).any()
