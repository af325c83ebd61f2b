"""Videos and audio in another size, or as browsers play them; the originals are kept."""

import subprocess
import sys
import tempfile
from pathlib import Path
from typing import Any, BinaryIO, cast

from django.contrib.auth.models import User
from zigzag_core.course import MediaFile
from zigzag_core.course.reporting import Progress
from zigzag_core.errors import BadFile
from zigzag_core.media.digest import sha256_of
from zigzag_core.media.playing import LARGEST_PLAYING
from zigzag_core.media.transcoding import QUALITIES, Quality, most_bytes

from zigzag_server.jobs.models import Job
from zigzag_server.jobs.starting import start
from zigzag_server.problems import Problem

from . import files, holding
from .models import Original
from .taking import NotPlayed, keep, playing

_ENDINGS = {"video/mp4": ".mp4", "audio/mpeg": ".mp3"}


def begin(
    owner: User, sha256: str, quality: Quality, course: int | None, about: dict[str, Any],
    played: MediaFile | None = None,
) -> Job:
    """Start the job that converts a stored file: for a course, or else for the library.

    `about` holds what the new file has of its own, such as its name; `played` is the file itself
    where browsers play it.
    """
    arguments = {"sha256": sha256, "quality": quality, "course": course, "about": about,
                 "played": played.model_dump(mode="json") if played else None}
    return start(owner, "convert", arguments, course=course)


def made_before(owner: User, sha256: str, quality: Quality, name: str) -> MediaFile | None:
    """Return what was made of the same file in this quality, if it is still stored."""
    for made in Original.objects.filter(owner=owner, sha256=sha256, quality=quality):
        if files.size_of(made.made) is not None:
            with files.opened(made.made)[0] as before:
                return _called(name, keep(owner, playing(name, before)))
    return None


def first_quality(duration: int) -> Quality:
    """Return the quality that a file of `duration` ms gets at first: a long one must not be large.
    """
    return "good" if most_bytes("good", duration, True) <= LARGEST_PLAYING else "small"


def wait_for_conversion(
    owner: User, content: BinaryIO, name: str, course: int | None, found: NotPlayed
) -> Job:
    """Keep a file that browsers do not play, and start the job that converts it."""
    sha256 = sha256_of(content)
    content.seek(0)
    holding.keep(owner, sha256, content)
    chapters = [chapter.model_dump() for chapter in found.chapters]
    return begin(owner, sha256, first_quality(found.duration), course,
                 {"name": name, "chapters": chapters})


def convert(owner: User, sha256: str, quality: Quality, name: str, told: Progress) -> MediaFile:
    """Convert a stored file, and keep what comes of it. Raises `BadFile`."""
    with files.opened(sha256)[0] as content, tempfile.TemporaryFile() as made:
        _transcode(content, cast(BinaryIO, made), quality, told)
        return _called(name, keep(owner, playing(name, cast(BinaryIO, made))))


def belonging(made: MediaFile, about: dict[str, Any]) -> MediaFile:
    """Return what was made, with what it has of its own (see `begin`)."""
    return MediaFile.model_validate(
        {**made.model_dump(mode="json"), **about, "name": made.name})


def _called(name: str, file: MediaFile) -> MediaFile:
    """The file under the name of its original, with an ending that fits."""
    ending = _ENDINGS.get(file.type, "")
    return file.model_copy(update={"name": f"{Path(name).stem[:190]}{ending}"})


def _transcode(content: BinaryIO, made: BinaryIO, quality: Quality, told: Progress) -> None:
    number = made.fileno()
    command = [sys.executable, "-m", "zigzag_server.courses.transcoding", quality, str(number)]
    last = ""
    with subprocess.Popen(
        command, stdin=content, stdout=subprocess.PIPE, stderr=subprocess.DEVNULL,
        pass_fds=(number,), text=True,
    ) as process:
        assert process.stdout
        try:
            for line in process.stdout:
                last = line.strip()
                if last.replace(".", "").isdigit():
                    told(min(float(last), 1.0))
        except BaseException:
            process.kill()
            raise
    if process.returncode == 3:
        raise BadFile(last)
    if process.returncode:
        raise BadFile("The video or audio is damaged, or too large to be converted.")


def note(
    owner: User, made: MediaFile, original: str, quality: Quality, played: dict[str, Any] | None
) -> None:
    """Note what a file was made from, and how."""
    if made.sha256 != original:
        Original.objects.update_or_create(owner=owner, made=made.sha256, defaults={
            "sha256": original, "quality": quality, "document": played})


def original_of(owner: int, file: MediaFile) -> Original | None:
    """Return what a file was made from, if it was made here for the owner with this key."""
    return Original.objects.filter(owner=owner, made=file.sha256).first()


def sizes(owner: int, file: MediaFile) -> dict[str, Any]:
    """Return in which sizes a video or audio can be had, and which of them it has now.

    Of what has to be made, the most bytes are known.
    """
    known = original_of(owner, file)
    size = files.size_of(known.sha256 if known else file.sha256)
    video = file.type.startswith("video/")
    return {
        "now": known.quality if known else "original",
        "choices": [{"quality": quality, "most": most_bytes(quality, file.duration, video)}
                    for quality in (QUALITIES if size else ())],
        "original": size, "plays": bool(size and (known is None or known.document)),
    }


def back_to_original(owner: int, file: MediaFile) -> MediaFile:
    """Return a file as it was before it was converted. Raises a 422 `Problem`."""
    known = original_of(owner, file)
    if known is None or not known.document or files.size_of(known.sha256) is None:
        raise Problem(422, "no_original", f"There is no original of “{file.name}” that browsers "
                      "play. Nothing was changed.")
    return MediaFile.model_validate({**known.document, "id": file.id})
