"""Media: the files of a course, and the author's own library for all courses."""

from typing import Any

from django.http import HttpRequest, HttpResponse
from ninja import Field, File, Router, Schema, Status
from ninja.files import UploadedFile
from zigzag_core import course as core
from zigzag_core.course.media import Tag
from zigzag_core.course.media_use import usage
from zigzag_core.drawings import DRAWINGS, drawing_of
from zigzag_core.errors import BadFile
from zigzag_core.media.captions import read_captions, write_captions

from zigzag_server.accounts.auth import author
from zigzag_server.problems import Problem, not_found, problem_of

from . import files, store
from .models import SharedFile
from .taking import TakenFile, largest, take

router = Router(tags=["media"])


class MediaOut(Schema):
    """A file, where it is found, and where a small picture of it is (empty for a sound)."""

    file: core.MediaFile
    url: str
    preview: str


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
    """A drawing that ships with Zigzag."""

    key: str
    name: str
    group: str
    tags: list[str]
    url: str


class CaptionsIn(Schema):
    """Captions as text, WebVTT or SubRip."""

    text: str


class CaptionsOut(Schema):
    """Captions, in the order of time."""

    captions: list[core.Caption] = Field(max_length=5_000)


class CaptionsText(Schema):
    """Captions as WebVTT."""

    text: str


def shown(file: core.MediaFile, colours: core.Colours) -> dict[str, Any]:
    """Return `file` as the API shows it."""
    return {
        "file": file, "url": files.media_url(file, colours),
        "preview": files.preview_url(file, colours),
    }


def _taken(file: UploadedFile) -> TakenFile:
    name = file.name or "File"
    limit = largest(name)
    if (file.size or 0) > limit:
        raise Problem(413, "too_large", f"“{name}” is larger than {limit // 1_000_000} MB. "
                      "Make it smaller and try again; the course is as it was.")
    try:
        taken = take(name, file.read())
    except BadFile as error:
        raise problem_of(error, "The course is as it was.", f"“{name}”: ") from None
    files.keep(taken.file.sha256, taken.data, taken.preview)
    return taken


def _colours(request: HttpRequest, slug: str) -> core.Colours:
    row = store.course_of(author(request), slug)
    return core.Theme.model_validate(row.document["theme"]).colours


@router.post("/courses/{slug}/media", response={201: MediaOut})
def upload_media(request: HttpRequest, slug: str, file: File[UploadedFile]) -> Status[Any]:
    """Take in a picture, video or audio, known by its content whatever its name says.

    It belongs to the course once the settings were written with it.
    """
    colours = _colours(request, slug)
    return Status(201, shown(_taken(file).file, colours))


@router.post("/courses/{slug}/media/from", response={201: MediaOut})
def take_media(request: HttpRequest, slug: str, data: FromIn) -> Status[Any]:
    """Take a file of the library or a shipped drawing into a course, in the theme's colours."""
    colours = _colours(request, slug)
    fresh = core.system_ids()()
    if data.shared is not None:
        found = _shared(request, data.shared)
        file = core.MediaFile.model_validate(found.document).model_copy(update={"id": fresh})
    else:
        try:
            name, picture = drawing_of(data.drawing or "")
        except KeyError:
            raise not_found("drawing") from None
        taken = take(name, picture)
        files.keep(taken.file.sha256, taken.data)
        file = taken.file
    return Status(201, shown(file, colours))


@router.get("/courses/{slug}/media-use", response=dict[str, list[str]])
def media_use(request: HttpRequest, slug: str) -> dict[str, tuple[str, ...]]:
    """Return, for each file of a course, the slides and layouts that use it."""
    return usage(store.document_of(store.course_of(author(request), slug)))


@router.get("/drawings", response=list[DrawingOut])
def list_drawings(request: HttpRequest) -> list[dict[str, Any]]:
    """List the drawings that ship with Zigzag."""
    return [
        {"key": d.key, "name": d.name, "group": d.group, "tags": list(d.tags),
         "url": f"/api/drawings/{d.key}.svg"}
        for d in DRAWINGS.values()
    ]


@router.get("/drawings/{key}.svg", response={200: bytes})
def get_drawing(request: HttpRequest, key: str) -> HttpResponse:
    """Return a shipped drawing, in the colours of the first theme."""
    try:
        _, picture = drawing_of(key)
    except KeyError:
        raise not_found("drawing") from None
    headers = {"Cache-Control": "public, max-age=86400", "Content-Security-Policy": "sandbox"}
    return HttpResponse(picture, content_type="image/svg+xml", headers=headers)


@router.get("/library", response=list[SharedOut])
def list_library(request: HttpRequest) -> list[dict[str, Any]]:
    """List the files that the author keeps for all courses, the newest first."""
    rows = SharedFile.objects.filter(owner=author(request)).order_by("-pk")
    return [_shared_out(row) for row in rows]


@router.post("/library", response={201: SharedOut})
def add_to_library(request: HttpRequest, file: File[UploadedFile]) -> Status[Any]:
    """Take a file into the library."""
    taken = _taken(file)
    return Status(201, _shared_out(_keep_shared(request, taken.file)))


@router.post("/courses/{slug}/media/{media_id}/share", response={201: SharedOut})
def share_media(request: HttpRequest, slug: str, media_id: str) -> Status[Any]:
    """Put a file of a course into the library as well."""
    row = store.course_of(author(request), slug)
    course = core.Course.model_validate(row.document)
    file = next((file for file in course.media if file.id == media_id), None)
    if file is None:
        raise not_found("file")
    return Status(201, _shared_out(_keep_shared(request, file)))


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


def _keep_shared(request: HttpRequest, file: core.MediaFile) -> SharedFile:
    owner = author(request)
    known = SharedFile.objects.filter(owner=owner, sha256=file.sha256).first()
    return known or SharedFile.objects.create(
        owner=owner, sha256=file.sha256, document=file.model_dump(mode="json")
    )


def _shared_out(row: SharedFile) -> dict[str, Any]:
    file = core.MediaFile.model_validate(row.document)
    return {"id": row.pk, **shown(file, core.Colours())}


@router.post("/edits/captions", response=CaptionsOut)
def captions_from(request: HttpRequest, data: CaptionsIn) -> dict[str, Any]:
    """Read captions from the text of a file; nothing is stored."""
    return {"captions": read_captions(data.text)}


@router.post("/edits/captions/text", response=CaptionsText)
def captions_text(request: HttpRequest, data: CaptionsOut) -> dict[str, Any]:
    """Write captions as WebVTT."""
    return {"text": write_captions(tuple(data.captions))}
