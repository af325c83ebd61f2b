"""Making packages of stored courses."""

import uuid
from functools import lru_cache
from typing import Any

from django.conf import settings
from django.contrib.auth.models import User
from django.core.files.base import ContentFile
from django.core.files.storage import default_storage
from zigzag_core.course import Remembered
from zigzag_core.packaging.package import PackageKind, build_package, place_in_package

from zigzag_server.courses import files, store
from zigzag_server.courses.models import Course
from zigzag_server.jobs.kinds import Finish, Report, in_words
from zigzag_server.problems import Problem

from . import programs
from .fonts import kept_cut
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


def package_of(
    row: Course, kind: PackageKind, report: Report
) -> tuple[bytes, Remembered, Remembered]:
    """Return a package of the course as it is now, and the numbers of its parts.

    These are the numbers that were known before, and those that the package goes by. Raises
    `NothingToPublish` for a course without slides.
    """
    report(0, "Reading the course")
    compilation = programs.compilation_of(row)
    compiling = in_words(report, 0.1, 0.6, "Compiling the slides")
    compiled = programs.run(row, compilation, place_in_package, compiling)
    report(0.6, "Packing")
    media = {file.sha256: files.read_of(file) for file in compiled.media}
    data = build_package(kind, compiled, player_files(), media, kept_cut)
    return data, compilation.course.remembered, compiled.course.remembered


def publish(owner: User, report: Report, row: Course, kind: PackageKind) -> Finish:
    """Make a package; the returned step stores it, and the numbers it gives to the parts."""
    data, known, remembered = package_of(row, kind, report)
    report(0.9, "Storing the package")
    path = default_storage.save(f"packages/{uuid.uuid4().hex}.zip", ContentFile(data))

    def finish() -> dict[str, Any]:
        store.remember_publication(row, known, remembered)
        made = Publication.objects.create(
            course=row, kind=kind, file=path, size=len(data), slides=len(row.document["slides"]),
            author=owner,
        )
        return {"package": made.pk}
    return finish
