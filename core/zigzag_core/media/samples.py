"""The samples of a sound, whatever its container and codec are."""

from typing import BinaryIO, cast

import av
import numpy as np
from av.audio.resampler import AudioResampler
from numpy.typing import NDArray

from zigzag_core.errors import BadPlaying

from .streams import decoded, opened, sound_of

Samples = NDArray[np.float32]
"""Mono samples, -1..1."""


def samples_of(file: BinaryIO, rate: int, longest: float) -> Samples:
    """Return the first `longest` seconds of `file` as it sounds, at `rate` samples a second; there
    is silence until a sound that begins late.

    Raises `BadPlaying` where it holds no sound or is damaged; it meets hostile bytes.
    """
    parts: list[Samples] = []
    most, there = int(longest * rate), 0
    with opened(file) as container:
        if (sound := sound_of(container)) is None:
            raise BadPlaying("The file holds no sound.")
        resampler = AudioResampler("flt", "mono", rate)
        start = (container.start_time or 0) / av.time_base
        for _, frame in decoded(container, [sound]):
            if not parts:
                there = min(max(round(((frame.time or start) - start) * rate), 0), most)
                parts.append(np.zeros(there, np.float32))
            for part in resampler.resample(cast(av.AudioFrame, frame)):
                parts.append(part.to_ndarray()[0])
                there += len(parts[-1])
            if there >= most:
                break
    if not parts:
        return np.zeros(0, np.float32)
    return np.nan_to_num(np.concatenate(parts)[:most])
