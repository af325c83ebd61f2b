"""How loud a sound is, and sounds brought to one level.

Source: EBU R 128 and ITU-R BS.1770-4, as FFmpeg's filter ``ebur128`` measures them: integrated
loudness in LUFS, of mono as it is heard from two loudspeakers.
"""

import av
import numpy as np
from av.filter import Graph

from .samples import Samples

TARGET = -18.0
"""LUFS that speech is brought to: what all machine voices reach without a peak that is cut."""
PEAK = 0.89
"""The highest sample that a louder sound may have: 1 dB below full scale."""
QUIETEST = -70.0
"""LUFS below which nothing is measured: the gate of BS.1770."""
_MOST_GAIN = 30.0
"""What is quieter than this (dB) below the target is noise rather than speech."""
_PART = 4_800


def loudness_of(samples: Samples, rate: int) -> float:
    """Return the integrated loudness of mono `samples` in LUFS; `QUIETEST` for silence.

    Less than 0.4 s is repeated until there is enough to measure.
    """
    if not len(samples):
        return QUIETEST
    measured = np.tile(samples, int(np.ceil(0.5 * rate / len(samples))))
    graph = Graph()
    source = graph.add_abuffer(sample_rate=rate, format="flt", layout="mono")
    meter = graph.add("ebur128", "metadata=1:framelog=quiet:dualmono=1")
    sink = graph.add("abuffersink")
    source.link_to(meter)
    meter.link_to(sink)
    graph.configure()
    found = QUIETEST
    for start in range(0, len(measured), _PART):
        part = np.ascontiguousarray(measured[start:start + _PART], np.float32)
        frame = av.AudioFrame.from_ndarray(part[None], format="flt", layout="mono")
        frame.sample_rate = rate
        graph.push(frame)
        found = _last(graph, found)
    return max(found, QUIETEST)


def _last(graph: Graph, before: float) -> float:
    """The loudness so far, as the newest frame that has come out of the meter says."""
    found = before
    while True:
        try:
            out = graph.pull()
        except (av.error.BlockingIOError, av.error.EOFError):
            return found
        found = float(dict(out.metadata).get("lavfi.r128.I", found))


def levelled(samples: Samples, rate: int, target: float = TARGET) -> Samples:
    """Return `samples` at a loudness of `target` LUFS, or as near as its peaks allow.

    Silence stays silence.
    """
    loud = loudness_of(samples, rate)
    if loud <= QUIETEST:
        return samples
    gain = 10 ** (min(target - loud, _MOST_GAIN) / 20)
    highest = float(np.abs(samples).max())
    return (samples * min(gain, PEAK / highest)).astype(np.float32)
