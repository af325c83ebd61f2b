"""Taking in a file of any kind: a picture here, a video or audio in a process that may fail."""

import base64
import io
import json
import os
import subprocess
import sys
from dataclasses import dataclass
from pathlib import Path
from typing import Any, BinaryIO

from django.contrib.auth.models import User
from zigzag_core import course as core
from zigzag_core.errors import BadFile
from zigzag_core.media.digest import sha256_of
from zigzag_core.media.palette import palette
from zigzag_core.media.pictures import LARGEST, pixels_in, take_picture
from zigzag_core.media.playing import LARGEST_PLAYING
from zigzag_core.media.recolour import is_recoloured
from zigzag_core.media.streams import looks_like_playing

from zigzag_server.problems import Problem, problem_of

from . import holding

_SECONDS = 90
_AT_ONCE = 500_000
_PIXELS_AT_ONCE = 4_000_000
HEAD = 4_096
"""So many bytes tell whether a file plays."""
ENDINGS = frozenset({
    ".mp4", ".m4v", ".mov", ".3gp", ".3g2", ".webm", ".mkv", ".avi", ".wmv", ".asf", ".flv", ".mpg",
    ".mpeg", ".vob", ".ts", ".mts", ".m2ts", ".ogv", ".mp3", ".m4a", ".aac", ".ogg", ".oga",
    ".opus", ".wav", ".flac", ".aif", ".aiff", ".caf", ".amr", ".wma", ".au", ".wv",
})
"""What the names of videos and audio end with."""


@dataclass(frozen=True)
class TakenFile:
    """A file ready to be stored, and a small picture of it where one was made."""

    file: core.MediaFile
    content: BinaryIO
    preview: bytes | None


class NotPlayed(BadFile):
    """A video or audio that browsers do not play as it is: it is to be converted.

    It lasts `duration` ms; `chapters` are what it knows of them.
    """

    def __init__(self, duration: int, chapters: tuple[core.Chapter, ...]) -> None:
        super().__init__("Browsers do not play this kind of video or audio. Put it in by itself: "
                         "then it is converted.")
        self.duration, self.chapters = duration, chapters


def take(name: str, content: BinaryIO) -> TakenFile:
    """Return the file that is known by its content alone; `name` is what people call it.

    What plays must be a file on the disk: it is not read as a whole. Raises `BadFile`, and
    `NotPlayed`.
    """
    content.seek(0)
    if looks_like_playing(content.read(HEAD)):
        return playing(name, content)
    content.seek(0)
    picture = take_picture(content.read(LARGEST + 1))
    file = core.MediaFile(
        id=core.system_ids()(), name=_name(name), type=picture.type, sha256=picture.sha256,
        size=len(picture.data), w=picture.w, h=picture.h,
        palette=palette(picture.data, picture.type),
        recoloured=picture.type == "image/svg+xml" and is_recoloured(picture.data),
    )
    return TakenFile(file, io.BytesIO(picture.data), None)


def take_in(owner: User, name: str, content: BinaryIO) -> core.MediaFile:
    """Return what a file is, and keep it for `owner`.

    Raises a `Problem` that names it, and `NotPlayed`.
    """
    try:
        taken = take(name, content)
    except NotPlayed:
        raise
    except BadFile as error:
        raise named(error, name) from None
    return keep(owner, taken)


def named(error: BadFile, name: str) -> Problem:
    """Return a problem that says which file it is about."""
    return problem_of(error, "The course is as it was.", f"“{name}”: ")


def keep(owner: User, taken: TakenFile) -> core.MediaFile:
    """Keep a file that was taken for `owner`."""
    holding.keep(owner, taken.file.sha256, taken.content, taken.preview)
    return taken.file


def takes_long(size: int, head: bytes) -> bool:
    """Say whether looking into a file is work for a job: large ones, and all that plays.

    `head` are its first bytes. A small file may hold a picture of many points.
    """
    return size > _AT_ONCE or looks_like_playing(head) or pixels_in(head) > _PIXELS_AT_ONCE


def largest(name: str) -> int:
    """Return how many bytes a file may have, judged by its name until its content is known."""
    suffix = Path(name).suffix.lower()
    return LARGEST_PLAYING if suffix in ENDINGS else LARGEST


def playing(name: str, content: BinaryIO) -> TakenFile:
    """Return the video or audio in `content`, a file on the disk.

    Raises `BadFile`, and `NotPlayed`.
    """
    size = content.seek(0, io.SEEK_END)
    if size > LARGEST_PLAYING:
        raise BadFile(f"Videos and audio may have {LARGEST_PLAYING // 1_000_000} MB at most.")
    found = probe(content)
    chapters = tuple(core.Chapter.model_validate(one) for one in found["chapters"])
    if not found["type"]:
        raise NotPlayed(found["duration"], chapters)
    preview = base64.b64decode(found["preview"]) if found["preview"] else None
    file = core.MediaFile(
        id=core.system_ids()(), name=_name(name), type=found["type"],
        sha256=sha256_of(content), size=size, w=found["w"],
        h=found["h"], duration=found["duration"], loudness=found["loudness"],
        soundless=found["soundless"], chapters=chapters,
    )
    return TakenFile(file, content, preview)


def probe(content: BinaryIO) -> dict[str, Any]:
    """Look into a video or audio in a process of its own, with little time and memory."""
    found: dict[str, Any] = json.loads(_asked(content))
    return found


def still(content: BinaryIO, at: int) -> bytes:
    """Return the picture of a video at `at` ms as JPEG, made in such a process.

    Raises `BadFile`.
    """
    return _asked(content, str(at))


def levels(content: BinaryIO) -> dict[str, Any]:
    """Return how loud a video or audio is, found in such a process.

    Raises `BadFile`.
    """
    found: dict[str, Any] = json.loads(_asked(content, "levels"))
    return found


def _asked(content: BinaryIO, *arguments: str) -> bytes:
    command = [sys.executable, "-m", "zigzag_server.courses.probing", *arguments]
    # The other process shares this place in the file.
    os.lseek(content.fileno(), 0, os.SEEK_SET)
    try:
        run = subprocess.run(
            command, stdin=content, capture_output=True, timeout=_SECONDS, check=False)
    except subprocess.TimeoutExpired:
        raise BadFile("Checking the video or audio took too long.") from None
    if run.returncode == 0:
        return run.stdout
    if run.returncode == 3:
        raise BadFile(run.stdout.decode())
    raise BadFile("The video or audio is damaged and cannot be played.")


def _name(name: str) -> str:
    return Path(name.replace("\\", "/")).name[:200] or "File"
