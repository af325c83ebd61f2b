"""How many bytes the media of a course come to in a package, and what would save most."""

from collections.abc import Iterable
from dataclasses import dataclass

from zigzag_core.course import MediaFile
from zigzag_core.media.transcoding import most_bytes

WORTH = 1_000_000
"""Bytes: what saves less is not worth a word."""
MOST_SAVINGS = 5


@dataclass(frozen=True)
class Saving:
    """A video or audio by its id that would have `small` bytes, at most, in the small quality."""

    media: str
    name: str
    size: int
    small: int


@dataclass(frozen=True)
class Weight:
    """Bytes of all pictures, videos and audio, and the `savings` that come to most."""

    pictures: int
    videos: int
    audio: int
    savings: tuple[Saving, ...]


def weight_of(files: Iterable[MediaFile]) -> Weight:
    """Return what `files` come to; each counts once."""
    by_kind = {"image": 0, "video": 0, "audio": 0}
    savings = []
    for file in files:
        kind = file.type.split("/")[0]
        by_kind[kind] += file.size
        if kind == "image" or not file.duration:
            continue
        small = most_bytes("small", file.duration, kind == "video")
        if file.size - small >= WORTH:
            savings.append(Saving(file.id, file.name, file.size, small))
    savings.sort(key=lambda one: one.small - one.size)
    return Weight(by_kind["image"], by_kind["video"], by_kind["audio"],
                  tuple(savings[:MOST_SAVINGS]))
