"""The files of a course: pictures, videos and audio."""

from typing import Annotated, Literal

from pydantic import Field

from .kinds import Is, Unset
from .model import Colour, Id, Model, Name

MediaType = Literal[
    "image/png", "image/jpeg", "image/webp", "image/gif", "image/svg+xml",
    "video/mp4", "video/webm", "audio/mpeg", "audio/mp4", "audio/ogg", "audio/wav", "audio/flac",
]
Tag = Annotated[str, Field(min_length=1, max_length=60)]

SMALL_PICTURE, SMALL_SHOWN = 200, 160
"""A picture less wide (px) than the first, such as a drawing, is shown as wide as the second."""


class Caption(Model):
    """What is said from `since` until `until` (ms) of a video or audio."""

    since: Annotated[int, Field(ge=0, le=360_000_000)]
    until: Annotated[int, Field(ge=0, le=360_000_000)]
    text: Annotated[str, Field(min_length=1, max_length=500)]


class Chapter(Model):
    """A part of a video or audio, from `since` (ms) until the next one begins."""

    since: Annotated[int, Field(ge=0, le=360_000_000)]
    name: Annotated[str, Field(min_length=1, max_length=200)]


class WordTime(Model):
    """A word is heard from `since` until `until` (ms)."""

    since: Annotated[int, Field(ge=0, le=360_000_000)]
    until: Annotated[int, Field(ge=0, le=360_000_000)]


class Speech(Model):
    """What is said in a file: its `words`, and when each of them is heard.

    They were spoken `by_machine`, or recorded. Where the `times` are not known there are none.
    """

    words: Annotated[str, Field(max_length=20_000)]
    by_machine: bool = False
    times: tuple[WordTime, ...] = Field(default=(), max_length=10_001)
    """Of each word that `course.text.splitting` finds, in order."""


class MediaFile(Model):
    """A file of the course. `sha256` names the stored bytes; `size` in bytes, w and h in px.

    `duration` in ms for videos and audio. `palette` holds a picture's main colours, the most
    common first. `loudness` in LUFS where it was measured; a video that is `soundless` has no sound
    at all. `chapters` are in the order of time.
    `recoloured` is set for a drawing whose colours are those of the theme.
    """

    id: Annotated[Id, Is("medium")]
    name: Name
    type: MediaType
    sha256: Annotated[str, Field(pattern=r"^[0-9a-f]{64}$")]
    size: Annotated[int, Field(ge=0)]
    w: Annotated[int, Field(ge=0, le=100_000)] = 0
    h: Annotated[int, Field(ge=0, le=100_000)] = 0
    duration: Annotated[int, Field(ge=0, le=360_000_000)] = 0
    tags: tuple[Tag, ...] = Field(default=(), max_length=50)
    palette: tuple[Colour, ...] = Field(default=(), max_length=8)
    recoloured: bool = False
    captions: tuple[Caption, ...] = Field(default=(), max_length=5_000)
    chapters: tuple[Chapter, ...] = Field(default=(), max_length=200)
    speech: Annotated[Speech | None, Unset()] = None
    loudness: Annotated[float, Field(ge=-100, le=20)] | None = None
    soundless: bool = False
