"""How loud a video or audio is from moment to moment: to be drawn, and to find silent ends."""

from dataclasses import dataclass
from typing import BinaryIO

import numpy as np

from zigzag_core.errors import BadPlaying

from .samples import samples_of

RATE = 8_000
STEP_MS = 20
LONGEST = 3_600
"""The longest sound (s) that is looked at."""
MOST = 600
"""So many heights are given at most."""
SILENCE = 10 ** (-50 / 20)
"""What stays below is silence: -50 dB below full scale, as the root of the mean square."""
AIR_MS = 150
"""So much silence is left before and behind what is heard."""


@dataclass(frozen=True)
class Levels:
    """Peaks of equal parts of a sound of `length` ms as `heights`, 0 to 100 (root of the
    amplitude), and from `since` until `until` (ms) what is heard of it; all of it where nothing is.
    """

    length: int
    heights: tuple[int, ...]
    since: int
    until: int


def levels_of(file: BinaryIO) -> Levels:
    """Return the levels of the sound in `file`.

    Raises `BadPlaying` where it holds no sound, is damaged, or longer than `LONGEST`.
    """
    samples = samples_of(file, RATE, LONGEST + 1)
    if not len(samples):
        raise BadPlaying("The file holds no sound.")
    if len(samples) > LONGEST * RATE:
        raise BadPlaying("Only sound of up to an hour is looked at.")
    step = RATE * STEP_MS // 1_000
    steps = np.pad(samples, (0, -len(samples) % step)).reshape(-1, step)
    heard = np.flatnonzero(np.sqrt((steps.astype(np.float64) ** 2).mean(axis=1)) > SILENCE)
    length = round(len(samples) * 1_000 / RATE)
    since, until = (heard[0], heard[-1] + 1) if len(heard) else (0, len(steps))
    peaks = [float(part.max()) for part in np.array_split(
        np.abs(steps).max(axis=1), min(MOST, len(steps)))]
    return Levels(
        length=length,
        heights=tuple(min(round(100 * peak ** 0.5), 100) for peak in peaks),
        since=max(int(since) * STEP_MS - AIR_MS, 0),
        until=min(int(until) * STEP_MS + AIR_MS, length) if len(heard) else length)
