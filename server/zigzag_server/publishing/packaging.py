"""Making packages of stored courses."""

import uuid
from functools import lru_cache

from django.conf import settings
from django.contrib.auth.models import User
from django.core.files.base import ContentFile
from django.core.files.storage import default_storage
from django.db import transaction
from zigzag_core.compiler.compile import NothingToPublish
from zigzag_core.packaging.package import PackageKind, build_package

from zigzag_server.courses import files, store
from zigzag_server.courses.models import Course
from zigzag_server.problems import Problem

from .models import Publication


@lru_cache(maxsize=1)
def player_files() -> dict[str, bytes]:
    """Return the built player by file name."""
    folder = settings.WEB_DIST / "player"
    if not (folder / "player.js").exists():
        raise Problem(503, "not_built", "The player is not built yet: run `make build`.")
    return {
        str(path.relative_to(folder)): path.read_bytes()
        for path in sorted(folder.rglob("*")) if path.is_file()
    }


def package_of(row: Course, kind: PackageKind) -> bytes:
    """Return a package of the course as it is now, and keep the numbers it gives to its parts.

    Raises a 422 `Problem` for a course without slides.
    """
    document = store.document_of(row)
    media = {file.sha256: files.read(file.sha256) for file in document.course.media}
    try:
        data, program = build_package(kind, document, player_files(), media)
    except NothingToPublish:
        raise Problem(
            422, "no_slides", "The course has no slides yet, so there is nothing to publish. "
            "Add a slide in Build and try again.",
        ) from None
    store.remember_publication(
        row, document.course.model_copy(update={"remembered": program.remembered}),
    )
    return data


@transaction.atomic
def publish(user: User, row: Course, kind: PackageKind) -> Publication:
    """Make a package, store it, and return its record."""
    data = package_of(row, kind)
    path = default_storage.save(f"packages/{uuid.uuid4().hex}.zip", ContentFile(data))
    return Publication.objects.create(
        course=row, kind=kind, file=path, size=len(data), slides=len(row.document["slides"]),
        author=user,
    )
