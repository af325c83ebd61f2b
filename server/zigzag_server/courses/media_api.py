"""Media: the files of a course, and the author's own library for all courses."""

import io
from pathlib import Path
from typing import Annotated, Any, BinaryIO, Literal, cast

from django.http import HttpRequest, HttpResponse
from ninja import Field, File, Router, Schema, Status
from ninja.files import UploadedFile
from zigzag_core import course as core
from zigzag_core.course.media import Tag
from zigzag_core.course.media_use import usage
from zigzag_core.drawings import DRAWINGS, drawing_of
from zigzag_core.errors import BadFile
from zigzag_core.media.captions import read_captions, write_captions, write_subrip

from zigzag_server.accounts.auth import author
from zigzag_server.description import TYPE
from zigzag_server.jobs import uploads
from zigzag_server.jobs.api import JobOut, MediaOut
from zigzag_server.jobs.models import Job
from zigzag_server.pages import Most, Start
from zigzag_server.problems import Problem, not_found

from . import converting, files, store
from .models import Course, SharedFile
from .taking import HEAD, largest, levels, named, still, take_in, takes_long

router = Router(tags=["media"])

PAGE = 50
"""So many files of the library are listed at once, unless another number is asked for."""


class SharedOut(MediaOut):
    """A file of the library."""

    id: int


class SharedChange(Schema):
    """The name and tags that a file of the library is to have."""

    name: str = Field(min_length=1, max_length=200)
    tags: list[Tag] = Field(max_length=50)


class FromIn(Schema):
    """Which file to take into the course: one of the library, or a shipped drawing."""

    shared: int | None = None
    drawing: str | None = None


class DrawingOut(Schema):
    """A drawing that ships with Zigzag. One of a person is of `who`, in a `mood` and a `posture`.
    """

    key: str
    name: str
    group: str
    tags: list[str]
    url: str
    who: str
    mood: str
    posture: str


class SizeOut(Schema):
    """A size that a video or audio can have, and how many bytes it has at most then."""

    quality: Literal["small", "good"]
    most: int


class SizesOut(Schema):
    """In which sizes a video or audio can be had, and which of them it has `now`.

    `original` is the size of its original in bytes, where that is kept; `plays` says whether
    browsers play that.
    """

    now: Literal["small", "good", "original"]
    choices: list[SizeOut]
    original: int | None
    plays: bool


class QualityIn(Schema):
    """The size that a video or audio is to have."""

    quality: Literal["small", "good", "original"]


class StillIn(Schema):
    """A time in a video, in ms."""

    at: int = Field(ge=0, le=360_000_000)


class LevelsOut(Schema):
    """Peaks of equal parts of a sound of `length` ms as `heights`, 0 to 100, and from `since` until
    `until` (ms) what is heard of it.
    """

    length: int
    heights: list[int]
    since: int
    until: int


class CaptionsIn(Schema):
    """Captions as text, WebVTT or SubRip."""

    text: str


class CaptionsOut(Schema):
    """Captions, in the order of time."""

    captions: list[core.Caption] = Field(max_length=5_000)


class CaptionsToWrite(CaptionsOut):
    """Captions, and the format that they are wanted in."""

    format: Literal["vtt", "srt"] = "vtt"


class CaptionsText(Schema):
    """Captions as the text of a file."""

    text: str


def _sent(request: HttpRequest, file: UploadedFile, course: Course | None) -> Job | core.MediaFile:
    """Return the file that was sent, or the job that looks into it, if that takes long."""
    name, size = file.name or "File", file.size or 0
    limit = largest(name)
    if size > limit:
        raise Problem(413, "too_large", f"“{name}” is larger than {limit // 1_000_000} MB. "
                      "Make it smaller and try again; the course is as it was.")
    head = file.read(HEAD)
    file.seek(0)
    if takes_long(size, head):
        key = course.pk if course else None
        return uploads.start(author(request), "take", file, {"name": name, "course": key}, key)
    return take_in(author(request), name, cast(BinaryIO, file.file))


@router.post("/courses/{slug}/media", response={201: MediaOut, 202: JobOut})
def upload_media(request: HttpRequest, slug: str, file: File[UploadedFile]) -> Status[Any]:
    """Take in a picture, video or audio, known by its content whatever its name says.

    It belongs to the course once the settings were written with it. The answer is 202 with a job
    for what takes long to look into: videos, audio and large pictures.
    """
    row = store.course_of(author(request), slug)
    sent = _sent(request, file, row)
    if isinstance(sent, Job):
        return Status(202, sent)
    return Status(201, files.shown(sent, store.colours_of(row)))


@router.post("/courses/{slug}/media/from", response={201: MediaOut})
def take_media(request: HttpRequest, slug: str, data: FromIn) -> Status[Any]:
    """Take a file of the library or a shipped drawing into a course, in the theme's colours."""
    colours = store.colours_of(store.course_of(author(request), slug))
    fresh = core.system_ids()()
    if data.shared is not None:
        found = _shared(request, data.shared)
        file = core.MediaFile.model_validate(found.document).model_copy(update={"id": fresh})
    else:
        try:
            name, picture = drawing_of(data.drawing or "")
        except KeyError:
            raise not_found("drawing") from None
        file = take_in(author(request), name, io.BytesIO(picture))
    return Status(201, files.shown(file, colours))


@router.get("/courses/{slug}/media/{media_id}/sizes", response=SizesOut)
def media_sizes(request: HttpRequest, slug: str, media_id: str) -> dict[str, Any]:
    """Return in which sizes a video or audio of a course can be had."""
    row, file = _of_course(request, slug, media_id)
    return converting.sizes(row.owner_id, file)


@router.post("/courses/{slug}/media/{media_id}/convert", response={200: MediaOut, 202: JobOut})
def convert_media(request: HttpRequest, slug: str, media_id: str, data: QualityIn) -> Status[Any]:
    """Return a video or audio of a course in another size; the original is kept.

    The answer is 202 with a job for what was not made before. The file belongs to the course once
    the settings were written with it.
    """
    row, file = _of_course(request, slug, media_id)
    if data.quality == "original":
        before = converting.back_to_original(row.owner_id, file)
        return Status(200, files.shown(before, store.colours_of(row)))
    known = converting.original_of(row.owner_id, file)
    if known is None and file.type.startswith("image/"):
        raise Problem(422, "not_played", "Only videos and audio have sizes. Nothing was changed.")
    original = known.sha256 if known else file.sha256
    about = file.model_dump(
        mode="json", include={"id", "name", "tags", "captions", "chapters", "speech"})
    if made := converting.made_before(author(request), original, data.quality, file.name):
        return Status(200, files.shown(converting.belonging(made, about), store.colours_of(row)))
    job = converting.begin(
        author(request), original, data.quality, row.pk, about, None if known else file)
    return Status(202, job)


@router.post("/courses/{slug}/media/{media_id}/still", response={201: MediaOut})
def still_from(request: HttpRequest, slug: str, media_id: str, data: StillIn) -> Status[Any]:
    """Take the picture that a video of a course shows at a time into the course."""
    row, file = _of_course(request, slug, media_id)
    with files.opened_of(file) as content:
        try:
            picture = still(content, data.at)
        except BadFile as error:
            raise named(error, file.name) from None
    name = f"{Path(file.name).stem[:180]} {data.at // 60_000}-{data.at // 1_000 % 60:02}.jpg"
    taken = take_in(author(request), name, io.BytesIO(picture))
    return Status(201, files.shown(taken, store.colours_of(row)))


@router.get("/courses/{slug}/media/{media_id}/levels", response=LevelsOut)
def levels_in(request: HttpRequest, slug: str, media_id: str) -> dict[str, Any]:
    """Say how loud a video or audio of a course is, from its begin to its end."""
    _, file = _of_course(request, slug, media_id)
    with files.opened_of(file) as content:
        try:
            return levels(content)
        except BadFile as error:
            raise named(error, file.name) from None


@router.get("/courses/{slug}/media-use", response=dict[str, list[str]])
def media_use(request: HttpRequest, slug: str) -> dict[str, tuple[str, ...]]:
    """Return, for each file of a course, the slides and layouts that use it."""
    return usage(store.document_of(store.course_of(author(request), slug)))


@router.get("/drawings", response=list[DrawingOut])
def list_drawings(request: HttpRequest) -> list[dict[str, Any]]:
    """List the drawings that ship with Zigzag."""
    return [
        {"key": d.key, "name": d.name, "group": d.group, "tags": list(d.tags),
         "url": f"/api/drawings/{d.key}.svg", "who": d.who, "mood": d.mood, "posture": d.posture}
        for d in DRAWINGS.values()
    ]


@router.get("/drawings/{key}.svg", response={200: bytes},
            openapi_extra={TYPE: ("image/svg+xml",)})
def get_drawing(request: HttpRequest, key: str) -> HttpResponse:
    """Return a shipped drawing, in the colours of the first theme."""
    try:
        _, picture = drawing_of(key)
    except KeyError:
        raise not_found("drawing") from None
    headers = {"Cache-Control": "public, max-age=86400", "Content-Security-Policy": "sandbox"}
    return HttpResponse(picture, content_type="image/svg+xml", headers=headers)


@router.get("/library", response=list[SharedOut])
def list_library(
    request: HttpRequest, start: Start = 0, most: Most = PAGE,
    search: Annotated[str, Field(max_length=200)] = "",
) -> list[dict[str, Any]]:
    """List the files that the author keeps for all courses, the newest first.

    There are `most` of them from number `start` on. With `search`, only those whose name and tags
    have each of its words in them.
    """
    rows = SharedFile.objects.filter(owner=author(request)).order_by("-pk")
    if search.strip():
        # SQLite knows capitals of ASCII only.
        words = search.casefold().split()
        fitting = [key for key, document in rows.values_list("pk", "document")
                   if all(word in _words_of(document) for word in words)]
        rows = rows.filter(pk__in=fitting[start:start + most])
        start = 0
    return [_shared_out(row) for row in rows[start:start + most]]


@router.post("/library", response={201: SharedOut, 202: JobOut})
def add_to_library(request: HttpRequest, file: File[UploadedFile]) -> Status[Any]:
    """Take a file into the library: at once, or by a job for what takes long to look into."""
    sent = _sent(request, file, None)
    if isinstance(sent, Job):
        return Status(202, sent)
    return Status(201, _shared_out(store.keep_shared(author(request), sent)))


@router.post("/courses/{slug}/media/{media_id}/share", response={201: SharedOut})
def share_media(request: HttpRequest, slug: str, media_id: str) -> Status[Any]:
    """Put a file of a course into the library as well."""
    _, file = _of_course(request, slug, media_id)
    return Status(201, _shared_out(store.keep_shared(author(request), file)))


def _of_course(request: HttpRequest, slug: str, media_id: str) -> tuple[Course, core.MediaFile]:
    row = store.course_of(author(request), slug)
    found = next((file for file in store.settings_of(row).media if file.id == media_id), None)
    if found is None:
        raise not_found("file")
    return row, found


@router.put("/library/{shared_id}", response=SharedOut)
def change_shared(request: HttpRequest, shared_id: int, data: SharedChange) -> dict[str, Any]:
    """Rename or tag a file of the library."""
    row = _shared(request, shared_id)
    row.document = {**row.document, "name": data.name, "tags": data.tags}
    row.save()
    return _shared_out(row)


@router.delete("/library/{shared_id}", response={204: None})
def remove_shared(request: HttpRequest, shared_id: int) -> Status[Any]:
    """Take a file out of the library; courses that use it keep it."""
    _shared(request, shared_id).delete()
    return Status(204, None)


def _shared(request: HttpRequest, shared_id: int) -> SharedFile:
    row = SharedFile.objects.filter(owner=author(request), pk=shared_id).first()
    if row is None:
        raise not_found("file")
    return row


def _words_of(document: dict[str, Any]) -> str:
    return " ".join((document["name"], *document.get("tags", ()))).casefold()


def _shared_out(row: SharedFile) -> dict[str, Any]:
    file = core.MediaFile.model_validate(row.document)
    return {"id": row.pk, **files.shown(file, core.Colours())}


@router.post("/edits/captions", response=CaptionsOut)
def captions_from(request: HttpRequest, data: CaptionsIn) -> dict[str, Any]:
    """Read captions from the text of a file; nothing is stored."""
    return {"captions": read_captions(data.text)}


@router.post("/edits/captions/text", response=CaptionsText)
def captions_text(request: HttpRequest, data: CaptionsToWrite) -> dict[str, Any]:
    """Write captions as WebVTT or SubRip."""
    write = write_captions if data.format == "vtt" else write_subrip
    return {"text": write(tuple(data.captions))}
