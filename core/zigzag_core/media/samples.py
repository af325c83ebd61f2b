"""The samples of a sound, whatever its container and codec are."""

from typing import BinaryIO

import av
import numpy as np
from av.audio.resampler import AudioResampler
from av.error import FFmpegError
from numpy.typing import NDArray

from zigzag_core.errors import BadPlaying

Samples = NDArray[np.float32]
"""Mono samples, -1..1."""


def samples_of(file: BinaryIO, rate: int, longest: float) -> Samples:
    """Return the first `longest` seconds of the sound in `file`, at `rate` samples a second.

    Raises `BadPlaying` where it holds no sound or is damaged; it meets hostile bytes.
    """
    parts: list[Samples] = []
    most, there = int(longest * rate), 0
    try:
        with av.open(file, "r", metadata_errors="ignore") as container:
            if not container.streams.audio:
                raise BadPlaying("The file holds no sound.")
            resampler = AudioResampler("flt", "mono", rate)
            for frame in container.decode(audio=0):
                for part in resampler.resample(frame):
                    parts.append(part.to_ndarray()[0])
                    there += len(parts[-1])
                if there >= most:
                    break
    except (FFmpegError, ValueError, IndexError, UnicodeError, MemoryError) as error:
        if isinstance(error, BadPlaying):
            raise
        raise BadPlaying("The sound is damaged and cannot be played.") from None
    if not parts:
        return np.zeros(0, np.float32)
    return np.nan_to_num(np.concatenate(parts)[:most])
