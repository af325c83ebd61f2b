"""How loud a sound is, and sounds brought to one level.

Source: EBU R 128 and ITU-R BS.1770-4, as FFmpeg's filter ``ebur128`` measures them: integrated
loudness in LUFS, of mono as it is heard from two loudspeakers.
"""

from typing import BinaryIO

import av
import numpy as np
from av.audio.resampler import AudioResampler
from av.filter import Graph

from .samples import Samples
from .streams import decoded, opened, sound_of

TARGET = -18.0
"""LUFS that speech is brought to: what all machine voices reach without a peak that is cut."""
PEAK = 0.89
"""The highest sample that a louder sound may have: 1 dB below full scale."""
QUIETEST = -70.0
"""LUFS below which nothing is measured: the gate of BS.1770."""
_MOST_GAIN = 30.0
"""What is quieter than this (dB) below the target is noise rather than speech."""
_PART = 4_800
_HEARD = 3_600.0


def loudness_of(samples: Samples, rate: int) -> float:
    """Return the integrated loudness of mono `samples` in LUFS; `QUIETEST` for silence.

    Less than 0.4 s is repeated until there is enough to measure.
    """
    if not len(samples):
        return QUIETEST
    measured = np.tile(samples, int(np.ceil(0.5 * rate / len(samples))))
    meter = _Meter()
    for start in range(0, len(measured), _PART):
        part = np.ascontiguousarray(measured[start:start + _PART], np.float32)
        frame = av.AudioFrame.from_ndarray(part[None], format="flt", layout="mono")
        frame.sample_rate = rate
        meter.hear(frame)
    return meter.loudness


def loudness_in(file: BinaryIO) -> float | None:
    """Return the integrated loudness of the first hour of a file in LUFS; None without sound.

    Raises `BadPlaying`.
    """
    file.seek(0)
    with opened(file) as container:
        if (sound := sound_of(container)) is None:
            return None
        resampler = AudioResampler("fltp", "stereo" if sound.channels > 1 else "mono", 48_000)
        meter = _Meter()
        for _, frame in decoded(container, [sound]):
            assert isinstance(frame, av.AudioFrame)
            for part in resampler.resample(frame):
                meter.hear(part)
            if frame.time is not None and frame.time > _HEARD:
                break
    return round(meter.loudness, 1)


class _Meter:
    """Measures the sound that it hears, frame by frame."""

    def __init__(self) -> None:
        self.loudness = QUIETEST
        self._graph: Graph | None = None

    def hear(self, frame: av.AudioFrame) -> None:
        graph = self._graph = self._graph or _meter_for(frame)
        graph.push(frame)
        while True:
            try:
                out = graph.pull()
            except (av.error.BlockingIOError, av.error.EOFError):
                return
            found = float(dict(out.metadata).get("lavfi.r128.I", QUIETEST))
            self.loudness = max(found, QUIETEST)


def _meter_for(frame: av.AudioFrame) -> Graph:
    graph = Graph()
    source = graph.add_abuffer(
        sample_rate=frame.sample_rate, format=frame.format.name, layout=frame.layout.name)
    meter = graph.add("ebur128", "metadata=1:framelog=quiet:dualmono=1")
    source.link_to(meter)
    meter.link_to(graph.add("abuffersink"))
    graph.configure()
    return graph


def levelled(samples: Samples, rate: int, target: float = TARGET) -> Samples:
    """Return `samples` at a loudness of `target` LUFS, or as near as its peaks allow.

    Silence stays silence.
    """
    loud = loudness_of(samples, rate)
    if loud <= QUIETEST:
        return samples
    gain = 10 ** (gain_to(loud, target) / 20)
    highest = float(np.abs(samples).max())
    return (samples * min(gain, PEAK / highest)).astype(np.float32)


def gain_to(loud: float, target: float) -> float:
    """Return how many dB bring what is `loud` LUFS to `target`; 0 for silence."""
    return min(target - loud, _MOST_GAIN) if loud > QUIETEST else 0.0
