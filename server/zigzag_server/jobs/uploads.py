"""What was sent for a job to work on: kept until the job has ended."""

import hashlib
import json
import uuid
from collections.abc import Mapping
from typing import Any, BinaryIO, cast

from django.contrib.auth.models import User
from django.core.files.storage import default_storage
from ninja.files import UploadedFile

from zigzag_server.problems import Problem

from . import starting
from .models import Job


def start(
    owner: User, kind: str, file: UploadedFile, arguments: Mapping[str, Any] | None = None,
    course: int | None = None,
) -> Job:
    """Return a job of `kind` that works on `file` and has `arguments` beside it.

    `course` is the key of the course it is for. The same work on equal files at one time is one
    job.
    """
    arguments = dict(arguments or {})
    digest = hashlib.sha256(json.dumps(arguments, sort_keys=True).encode())
    for chunk in file.chunks():
        digest.update(chunk)
    file.seek(0)
    upload = default_storage.save(f"uploads/{uuid.uuid4().hex}", file)
    try:
        job = starting.start(
            owner, kind, {"upload": upload, **arguments}, course=course, equal=digest.hexdigest())
    except Problem:
        default_storage.delete(upload)
        raise
    if job.arguments["upload"] != upload:
        default_storage.delete(upload)
    return job


def opened(upload: str) -> BinaryIO:
    """Return an upload as an open file."""
    return cast(BinaryIO, default_storage.open(upload))


def remove(arguments: dict[str, Any]) -> None:
    """Remove the upload that a job had among its arguments."""
    default_storage.delete(arguments["upload"])
