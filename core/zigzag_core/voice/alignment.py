"""When each word is heard in a recording of known words.

The words are spoken by machine, whose times are known; the spectra of both are laid over each other
by dynamic time warping, and the times are carried over. Sources: Davis and Mermelstein, *Comparison
of parametric representations for monosyllabic word recognition* (1980), for the spectra; Sakoe and
Chiba, *Dynamic programming algorithm optimization for spoken word recognition* (1978), for the
steps.
"""

import math
from typing import cast

import numpy as np
from numpy.typing import NDArray

from zigzag_core.course.media import WordTime

from .encoding import samples_in
from .speech import Speech

RATE = 16_000
"""Samples a second that recordings are to have."""
LONGEST = 300
"""Longer recordings (s) are not aligned."""
_HOP = 320
"""A spectrum is taken each 20 ms."""
_WINDOW = 512
_BANDS, _KEPT = 26, 13
_LOWEST, _HIGHEST = 80.0, 7_000.0
_BAND = 1_000
"""So many spectra (20 s) a word may be away from where an even pace would have it."""
_ALONG, _UP, _ACROSS = 1, 2, 3

Features = NDArray[np.float32]


def aligned(recording: NDArray[np.float32], model: Speech) -> tuple[WordTime, ...]:
    """Return the times of the words of `model` in a `recording` of the same words.

    The recording has `RATE` samples a second, -1..1. Of one that is longer than `LONGEST`, or in
    which nothing is heard, no times are told.
    """
    if not model.times or not 0 < len(recording) <= LONGEST * RATE or not np.any(recording):
        return ()
    spoken = _resampled(samples_in(model), model.rate)
    first, last = _heard(recording)
    there = features(recording[first * _HOP:(last + 1) * _HOP + _WINDOW])
    here = features(spoken)
    if not len(there) or not len(here):
        return ()
    places = _way(here, there)
    shift = first * _HOP * 1_000 // RATE

    def at(ms: int) -> int:
        frame = min(ms * RATE // 1_000 // _HOP, len(places) - 1)
        return int(places[frame]) * _HOP * 1_000 // RATE + shift

    found: list[WordTime] = []
    for since, until in model.times:
        begin = at(since)
        found.append(WordTime(since=begin, until=max(at(until), begin)))
    return tuple(found)


def features(samples: NDArray[np.float32]) -> Features:
    """Return mel-frequency cepstra of `samples`, one row each 20 ms, each column about 0.

    The mean of each column is taken away: so a microphone or a steady noise colours them less.
    """
    if len(samples) < _WINDOW:
        return np.zeros((0, _KEPT), np.float32)
    raised = np.append(samples[0], samples[1:] - 0.97 * samples[:-1])
    count = (len(raised) - _WINDOW) // _HOP + 1
    starts = np.arange(count)[:, None] * _HOP + np.arange(_WINDOW)[None, :]
    power = np.abs(np.fft.rfft(raised[starts] * np.hanning(_WINDOW), axis=1)) ** 2
    bands = power @ _mel_filters().T
    # What is far below the loudest is as good as silence: noise there says nothing.
    floor = max(float(bands.max()) * 1e-5, 1e-10)
    logs = np.log(bands + floor)
    n = np.arange(_BANDS)
    cosines = np.cos(np.pi / _BANDS * (n[None, :] + 0.5) * np.arange(_KEPT)[:, None])
    cepstra = logs @ cosines.T
    spread = cepstra.std(axis=0)
    return cast(Features, ((cepstra - cepstra.mean(axis=0)) / np.where(spread > 0, spread, 1)
                           ).astype(np.float32))


def _mel_filters() -> NDArray[np.float64]:
    """Triangles that are evenly spread as the ear hears: a row for each band."""
    def mel(hz: float) -> float:
        return float(2_595 * np.log10(1 + hz / 700))

    edges = 700 * (10 ** (np.linspace(mel(_LOWEST), mel(_HIGHEST), _BANDS + 2) / 2_595) - 1)
    hz = np.fft.rfftfreq(_WINDOW, 1 / RATE)
    low, middle, high = edges[:-2, None], edges[1:-1, None], edges[2:, None]
    rising, falling = (hz - low) / (middle - low), (high - hz) / (high - middle)
    return cast(NDArray[np.float64], np.maximum(0, np.minimum(rising, falling)))


def _heard(samples: NDArray[np.float32]) -> tuple[int, int]:
    """The first and last frame of a recording in which somebody speaks."""
    count = max(len(samples) // _HOP, 1)
    frames = np.pad(samples, (0, max(count * _HOP - len(samples), 0)))[:count * _HOP]
    energy = np.sqrt((frames.reshape(count, _HOP) ** 2).mean(axis=1))
    quiet, loud = np.percentile(energy, 10), np.percentile(energy, 95)
    above = np.nonzero(energy > quiet + 0.1 * (loud - quiet))[0]
    return (int(above[0]), int(above[-1])) if len(above) else (0, count - 1)


def _way(here: Features, there: Features) -> NDArray[np.int64]:
    """For each row of `here` the row of `there` that it lies on, where both fit best.

    The cells of a diagonal depend on the two before it only, so each is worked out at once. Only
    cells near the straight line from end to end are looked at: so it takes as long as the
    recording, and not as its square.
    """
    n, m = len(here), len(there)
    steps = np.zeros((n, m), np.int8)
    before = np.full(n, np.inf, np.float32)
    last = np.full(n, np.inf, np.float32)
    for diagonal in range(n + m - 1):
        low = max(0, diagonal - m + 1, math.ceil((diagonal * n / m - _BAND) / (1 + n / m)))
        high = min(diagonal, n - 1, math.floor((diagonal * n / m + _BAND) / (1 + n / m)))
        rows = np.arange(low, high + 1)
        distance = np.sqrt(((here[rows] - there[diagonal - rows]) ** 2).sum(axis=1))
        current = np.full(n, np.inf, np.float32)
        if diagonal == 0:
            current[0] = distance[0]
        else:
            along = last[rows]
            above = np.maximum(rows - 1, 0)
            up = np.where(rows > 0, last[above], np.inf)
            # Straight on counts once for two steps: neither way is cheaper by itself.
            across = np.where(rows > 0, before[above], np.inf)
            costs = np.stack([across + 2 * distance, along + distance, up + distance])
            best = costs.argmin(axis=0)
            current[rows] = costs[best, np.arange(len(rows))]
            steps[rows, diagonal - rows] = np.array([_ACROSS, _ALONG, _UP], np.int8)[best]
        before, last = last, current
    return _traced(steps)


def _traced(steps: NDArray[np.int8]) -> NDArray[np.int64]:
    row, column = steps.shape[0] - 1, steps.shape[1] - 1
    places = np.zeros(steps.shape[0], np.int64)
    while True:
        places[row] = column
        step = steps[row, column]
        if not step:
            return places
        row -= step in (_UP, _ACROSS)
        column -= step in (_ALONG, _ACROSS)


def _resampled(samples: NDArray[np.float32], rate: int) -> NDArray[np.float32]:
    """`samples` at `RATE`, between which lines are straight: enough for what is compared."""
    count = int(len(samples) * RATE / rate)
    places = np.arange(count) * (rate / RATE)
    between = np.interp(places, np.arange(len(samples)), samples)
    return cast(NDArray[np.float32], between.astype(np.float32))
