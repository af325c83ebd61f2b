"""The course archive ``.zigzag``: a ZIP of documented JSON and the media. See `docs/format.md`."""

import json
from collections.abc import Callable, Mapping
from functools import partial
from typing import Any, BinaryIO

from pydantic import ValidationError

from zigzag_core.course import Course, CourseDocument, MediaFile, Slide, migrated, migrated_slide
from zigzag_core.course.json_text import NotPlain, read_json
from zigzag_core.errors import BadArchive, NewerFormat
from zigzag_core.media.digest import sha256_of

from .safe_zip import read_zip
from .write_zip import Content, write_zip

EXTENSIONS = {
    "image/png": "png", "image/jpeg": "jpg", "image/webp": "webp", "image/gif": "gif",
    "image/svg+xml": "svg", "video/mp4": "mp4", "video/webm": "webm", "audio/mpeg": "mp3",
    "audio/mp4": "m4a", "audio/ogg": "ogg", "audio/wav": "wav", "audio/flac": "flac",
}


def media_path(sha256: str, type_: str, mark: str = "") -> str:
    """Return where a media file lies in archives and packages; a `mark` is put to its name."""
    return f"media/{sha256}{mark and '-'}{mark}.{EXTENSIONS[type_]}"


OpenMedia = Callable[[MediaFile], BinaryIO]
"""Opens a media file of a course for reading."""


def export_archive(document: CourseDocument, media: OpenMedia, into: BinaryIO) -> None:
    """Write the archive of `document`, with its `media` one by one."""
    files: dict[str, Content] = {"course.json": _json(document.course.model_dump(mode="json"))}
    for slide in document.slides:
        files[f"slides/{slide.id}.json"] = _json(slide.model_dump(mode="json"))
    for file in document.course.media:
        files[media_path(file.sha256, file.type)] = partial(media, file)
    write_zip(files, into)


def import_archive(
    data: bytes | BinaryIO
) -> tuple[CourseDocument, Callable[[MediaFile, BinaryIO], None]]:
    """Return the document of an archive, and what copies one of its media to a file, checked.

    `data` are its bytes, or a file that stays open meanwhile. Both raise `BadArchive`, with a
    reason for people, when the archive is damaged, is not a course, was written by a newer
    Zigzag, or holds other media than it says.
    """
    files = read_zip(data)
    course, since = _course(files)
    slides = [_slide(files, slide, since) for slide in course.slides]
    try:
        document = CourseDocument(course=course, slides=tuple(slides))
    except ValidationError as error:
        raise BadArchive(f"The course in the archive is not valid: {reason(error)}.") from None
    for file in course.media:
        if media_path(file.sha256, file.type) not in files:
            raise BadArchive(f"The file “{file.name}” is missing from the archive.")

    def media(file: MediaFile, into: BinaryIO) -> None:
        files.copy(media_path(file.sha256, file.type), into)
        size = into.tell()
        if size != file.size or sha256_of(into) != file.sha256:
            raise BadArchive(f"The file “{file.name}” in the archive is damaged.")

    return document, media


def _course(files: Mapping[str, bytes]) -> tuple[Course, int]:
    """The settings in an archive, and the format that it was written in."""
    if "course.json" not in files:
        raise BadArchive("The archive holds no course: course.json is missing.")
    raw = _parsed(files["course.json"], "course.json")
    try:
        return Course.model_validate(migrated(raw)), raw["format"]
    except NewerFormat as error:
        raise BadArchive(f"The archive was written by a newer Zigzag: {error}.") from None
    except ValidationError as error:
        raise BadArchive(f"course.json is not valid: {reason(error)}.") from None
    except ValueError as error:
        raise BadArchive(f"course.json is not valid: {error}.") from None


def _slide(files: Mapping[str, bytes], slide: str, since: int) -> Slide:
    path = f"slides/{slide}.json"
    if path not in files:
        raise BadArchive(f"A slide is missing from the archive: {path}.")
    try:
        return Slide.model_validate(migrated_slide(_parsed(files[path], path), since))
    except ValidationError as error:
        raise BadArchive(f"{path} is not valid: {reason(error)}.") from None


def _parsed(data: bytes, path: str) -> dict[str, Any]:
    try:
        raw = read_json(data)
    except NotPlain as error:
        raise BadArchive(f"{path} in the archive cannot be read: {error}.") from None
    if not isinstance(raw, dict):
        raise BadArchive(f"{path} in the archive is not what it should be.")
    return raw


def reason(error: ValidationError) -> str:
    """Return the first thing that is wrong, as a place and a few words."""
    first = error.errors(include_url=False, include_context=False)[0]
    path = " › ".join(str(part) for part in first["loc"])
    words = first["msg"].removeprefix("Value error, ")
    return f"{path}: {words}" if path else words


def _json(value: object) -> bytes:
    return (json.dumps(value, ensure_ascii=False, indent=1, sort_keys=True) + "\n").encode()
