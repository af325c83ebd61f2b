"""What was sent for a job to work on: kept until the job has ended."""

import hashlib
import uuid
from typing import Any

from django.contrib.auth.models import User
from django.core.files.storage import default_storage
from ninja.files import UploadedFile

from zigzag_server.problems import Problem

from . import starting
from .models import Job


def start(owner: User, kind: str, file: UploadedFile) -> Job:
    """Return a job of `kind` that works on `file`; equal files at one time are one job."""
    digest = hashlib.sha256()
    for chunk in file.chunks():
        digest.update(chunk)
    file.seek(0)
    upload = default_storage.save(f"uploads/{uuid.uuid4().hex}", file)
    try:
        job = starting.start(owner, kind, {"upload": upload}, equal=digest.hexdigest())
    except Problem:
        default_storage.delete(upload)
        raise
    if job.arguments["upload"] != upload:
        default_storage.delete(upload)
    return job


def read(upload: str) -> bytes:
    """Return the bytes of an upload."""
    with default_storage.open(upload) as file:
        return bytes(file.read())


def remove(arguments: dict[str, Any]) -> None:
    """Remove the upload that a job had among its arguments."""
    default_storage.delete(arguments["upload"])
