"""Checking, rehearsing and publishing courses."""

import io
import zipfile
from datetime import datetime
from hashlib import blake2b
from typing import Annotated, Any

from django.contrib.auth.models import User
from django.core.files.storage import default_storage
from django.http import FileResponse, HttpRequest, HttpResponse
from ninja import Router, Schema, Status
from pydantic import Field
from zigzag_core.packaging.package import PackageKind
from zigzag_core.program import Program
from zigzag_core.tracking.plain import explain
from zigzag_core.verification.endings.endings import Ending
from zigzag_core.verification.findings.finding import Finding
from zigzag_core.verification.findings.runs import Tried
from zigzag_core.verification.route import Route
from zigzag_core.verification.storyboard import storyboard

from zigzag_server import spreadsheets
from zigzag_server.accounts.auth import author
from zigzag_server.courses import store
from zigzag_server.courses.models import Course
from zigzag_server.description import TYPE
from zigzag_server.jobs.api import JobOut
from zigzag_server.jobs.models import Job, State
from zigzag_server.jobs.starting import start
from zigzag_server.problems import not_found

from .compiling import compiled_or_job, job_of
from .models import Publication
from .packaging import latest_of
from .preview_views import preview_url

router = Router(tags=["publishing"])


class Check(Schema):
    """What is to be known of a course while it is made."""

    findings: list[Finding]
    route: Route
    slides: int
    questions: int


class ProgressRoom(Schema):
    """The room for saved progress in an LMS that gets this kind of package, in characters.

    Where progress needs more than the `limit`, it gets a `short` form, without what is `left_out`.
    """

    kind: PackageKind
    limit: int
    short: int
    left_out: list[str]


class SavingOut(Schema):
    """A video or audio that would have `small` bytes, at most, in the small quality."""

    media: str
    name: str
    size: int
    small: int


class WeightOut(Schema):
    """Bytes of the pictures, videos and audio in a package, and what would save most."""

    pictures: int
    videos: int
    audio: int
    savings: list[SavingOut]


class Tracking(Schema):
    """What is to be known of the tracking of a course before it is published.

    `promise` says what an LMS is told. `progress` is the size of saved progress, in characters, at
    most; `rooms` say for each standard how much of it an LMS keeps. `weight` is that of the media.
    """

    promise: list[str]
    progress: int
    rooms: list[ProgressRoom]
    weight: WeightOut


class ToldOut(Schema):
    """What an LMS will hold after several ways to take the course.

    So many ways of forks were `left_out`. Each is beside what was `published` last, if something
    was.
    """

    endings: list[Ending]
    left_out: int
    published: datetime | None


class PackageIn(Schema):
    """The kind of package to publish, and a note on what is new in it."""

    kind: PackageKind
    note: Annotated[str, Field(max_length=1_000)] = ""


class PackageOut(Schema):
    """A publication, the `number`th of its course: its size is in bytes.

    `changes` say in words what is different from the one before.
    """

    id: int
    number: int
    note: str
    changes: list[str]
    kind: PackageKind
    created: datetime
    size: int
    slides: int


class PackageFile(Schema):
    """A file of a package, with its size in bytes."""

    path: str
    size: int


class PackageContents(PackageOut):
    """A publication with the files in it."""

    files: list[PackageFile]


class PreviewOut(Schema):
    """Where a preview is shown, on the content's origin."""

    url: str


class ExplainIn(Schema):
    """Values told to an LMS, as pairs of data element and value."""

    calls: list[tuple[str, str]]


def _publication(request: HttpRequest, package_id: int) -> Publication:
    found = Publication.objects.filter(pk=package_id, course__owner=author(request)).first()
    if found is None:
        raise not_found("package")
    return found


def _worked_out(user: User, row: Course, kind: str, of: str = "") -> Status[Any]:
    """What a job has found in the course as it is now, or else the job that looks for it."""
    job = job_of(user, row, kind, of)
    return Status(200, job.result) if job.state == State.DONE else Status(202, job)


@router.get("/courses/{slug}/check", response={200: Check, 202: JobOut})
def check_course(request: HttpRequest, slug: str) -> Status[Any]:
    """Say where the ways lead and what is wrong.

    The answer is 202 with a job until it is known.
    """
    user = author(request)
    return _worked_out(user, store.course_of(user, slug), "check")


@router.get("/courses/{slug}/tracking", response={200: Tracking, 202: JobOut})
def measure_tracking(request: HttpRequest, slug: str) -> Status[Any]:
    """Say what an LMS will be told, and how large saved progress gets.

    The answer is 202 with a job until it is known.
    """
    user = author(request)
    return _worked_out(user, store.course_of(user, slug), "tracking")


@router.get("/courses/{slug}/told", response={200: ToldOut, 202: JobOut})
def get_told(request: HttpRequest, slug: str) -> Status[Any]:
    """Say what an LMS will hold of learners who take the course in several ways.

    The answer is 202 with a job until it is known.
    """
    user = author(request)
    row = store.course_of(user, slug)
    latest = latest_of(row)
    return _worked_out(user, row, "told", str(latest.pk) if latest else "")


@router.get("/courses/{slug}/tried", response={200: Tried, 202: JobOut})
def try_course(request: HttpRequest, slug: str) -> Status[Any]:
    """Run the course through what learners can do, and say what never happens or goes wrong.

    The answer is 202 with a job until it is known.
    """
    user = author(request)
    return _worked_out(user, store.course_of(user, slug), "try")


@router.get("/courses/{slug}/program", response={200: Program, 202: JobOut})
def get_program(request: HttpRequest, slug: str) -> HttpResponse | Status[Any]:
    """Return the program that the course compiles to, without what is as by default in it.

    The answer is 202 with a job until it is compiled.
    """
    user = author(request)
    compiled = compiled_or_job(user, store.course_of(user, slug))
    if isinstance(compiled, Job):
        return Status(202, compiled)
    # Written at once: a large program takes seconds to be checked again on its way out.
    return HttpResponse(compiled.program, content_type="application/json")


@router.post("/courses/{slug}/preview", response={200: PreviewOut, 202: JobOut})
def open_preview(request: HttpRequest, slug: str) -> Status[Any]:
    """Return an address at which the course as it is now can be run for some hours.

    The answer is 202 with a job until it is compiled.
    """
    user = author(request)
    row = store.course_of(user, slug)
    compiled = compiled_or_job(user, row)
    if isinstance(compiled, Job):
        return Status(202, compiled)
    return Status(200, {"url": preview_url(row)})


@router.post("/explain", response=list[str])
def explain_calls(request: HttpRequest, data: ExplainIn) -> list[str]:
    """Return calls to a SCORM 1.2 LMS in plain words, a sentence each."""
    return [explain("LMSSetValue", list(call), "true") for call in data.calls[:500]]


@router.get("/courses/{slug}/storyboard.{form}", response={200: bytes},
            openapi_extra={TYPE: tuple(spreadsheets.TYPES.values())})
def download_storyboard(
    request: HttpRequest, slug: str, form: spreadsheets.Form
) -> HttpResponse:
    """Return the course as a table, a slide a line: for people who read it elsewhere."""
    document = store.read_document(store.course_of(author(request), slug))
    return spreadsheets.download(storyboard(document), form, "Storyboard", f"storyboard-{slug}")


@router.get("/courses/{slug}/packages", response=list[PackageOut])
def list_packages(request: HttpRequest, slug: str) -> list[Publication]:
    """List the packages made of a course, the newest first."""
    row = store.course_of(author(request), slug)
    return list(row.publications.order_by("-created")[:100])


@router.post("/courses/{slug}/packages", response={202: JobOut})
def publish_course(
    request: HttpRequest, slug: str, data: PackageIn
) -> Status[Any]:
    """Make a package of the course as it is now: a job."""
    user = author(request)
    row = store.course_of(user, slug)
    arguments = {"course": row.pk, "package": data.kind, "note": data.note.strip()}
    equal = f"{store.state_of(row)} {data.kind} {blake2b(data.note.encode()).hexdigest()[:16]}"
    return Status(202, start(user, "publish", arguments, course=row.pk, equal=equal))


@router.get("/packages/{package_id}", response=PackageContents)
def get_package(request: HttpRequest, package_id: int) -> dict[str, Any]:
    """Return a package's record and what is in it."""
    found = _publication(request, package_id)
    with default_storage.open(found.file) as file:
        archive = zipfile.ZipFile(io.BytesIO(file.read()))
    entries = [{"path": e.filename, "size": e.file_size} for e in archive.infolist()]
    return {
        "id": found.pk, "number": found.number, "note": found.note, "changes": found.changes,
        "kind": found.kind, "created": found.created, "size": found.size,
        "slides": found.slides, "files": entries,
    }


@router.get("/packages/{package_id}/file", response={200: bytes},
            openapi_extra={TYPE: ("application/zip",)})
def download_package(request: HttpRequest, package_id: int) -> FileResponse:
    """Return the package itself, a ZIP."""
    found = _publication(request, package_id)
    return FileResponse(
        default_storage.open(found.file), as_attachment=True, content_type="application/zip",
        filename=f"{found.course.slug}-{found.kind}.zip",
    )
