"""Jobs: how far they are, and ending them."""

import mimetypes
from datetime import datetime
from typing import Any, Literal

from django.core.files.storage import default_storage
from django.http import FileResponse, HttpRequest
from ninja import Router, Schema, Status
from zigzag_core.course import MediaFile

from zigzag_server.accounts.auth import author
from zigzag_server.description import TYPE
from zigzag_server.problems import not_found

from .kinds import KINDS
from .models import UNFINISHED, Job, State
from .starting import end

router = Router(tags=["jobs"])


class ProblemOut(Schema):
    """Why a job failed: a code for programs, and words for people."""

    code: str
    message: str


class MediaOut(Schema):
    """A file, where it is found, and where a small picture of it is (empty for a sound)."""

    file: MediaFile
    url: str
    preview: str


class SpokenOut(Schema):
    """A place in the script, the words that were spoken there, and the file."""

    key: str
    words: str
    media: MediaOut


class JobResult(Schema):
    """What a job has made: a course, a package, a package in the practice LMS, a file, media, or
    `voices`.

    A file is fetched from `/api/jobs/{id}/file`; `shared` is the id of media in the library;
    `left_out` is what could not be read of a course. The job with the number `next` goes on with
    what this one has begun. What checks found is read where it is asked for.
    """

    course: str | None = None
    title: str | None = None
    package: int | None = None
    practice_package: int | None = None
    file: str | None = None
    media: MediaOut | None = None
    shared: int | None = None
    left_out: list[str] | None = None
    voices: list[SpokenOut] | None = None
    next: int | None = None


class JobOut(Schema):
    """Work that takes time. `share` goes from 0 to 1; `words` say what is being done."""

    id: int
    kind: str
    title: str
    state: Literal["queued", "running", "done", "failed", "cancelled"]
    share: float
    words: str
    created: datetime
    result: JobResult | None
    problem: ProblemOut | None

    @staticmethod
    def resolve_title(job: Job) -> str:
        """Return what the kind of job is called."""
        return KINDS[job.kind].title

    @staticmethod
    def resolve_result(job: Job) -> dict[str, Any] | None:
        """Return what the job has made; None where only the job itself needs it."""
        return {name: job.result.get(name) for name in JobResult.model_fields} \
            if job.result and not KINDS[job.kind].replaced else None


def _job(request: HttpRequest, job_id: int) -> Job:
    found = Job.objects.filter(pk=job_id, owner=author(request), kind__in=KINDS).first()
    if found is None:
        raise not_found("job")
    return found


@router.get("/jobs", response=list[JobOut])
def list_jobs(request: HttpRequest, course: str | None = None) -> list[Job]:
    """List your unfinished jobs, all or those for a course, the newest first."""
    found = Job.objects.filter(owner=author(request), state__in=UNFINISHED, kind__in=KINDS)
    if course is not None:
        found = found.filter(course__slug=course)
    return list(found.order_by("-pk"))


@router.get("/jobs/{job_id}", response=JobOut)
def get_job(request: HttpRequest, job_id: int) -> Job:
    """Say how far a job is, or what came of it."""
    return _job(request, job_id)


@router.delete("/jobs/{job_id}", response={204: None})
def cancel_job(request: HttpRequest, job_id: int) -> Status[Any]:
    """End a job that is not finished; nothing of it is stored then."""
    end(_job(request, job_id), State.CANCELLED)
    return Status(204, None)


@router.get("/jobs/{job_id}/file", response={200: bytes},
            openapi_extra={TYPE: ("application/zip", "application/json")})
def download_result(request: HttpRequest, job_id: int) -> FileResponse:
    """Return the file that a job has made. It is kept for a day."""
    job = _job(request, job_id)
    result = job.result or {}
    path = result.get("path")
    if not path or not default_storage.exists(path):
        raise not_found("file")
    return FileResponse(
        default_storage.open(path), as_attachment=True, filename=result["file"],
        content_type=mimetypes.guess_type(result["file"])[0] or "application/zip",
    )
