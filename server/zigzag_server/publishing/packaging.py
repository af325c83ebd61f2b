"""Making packages of stored courses."""

import uuid
from dataclasses import dataclass
from functools import lru_cache
from typing import Any, BinaryIO, cast

from django.conf import settings
from django.contrib.auth.models import User
from django.core.files.storage import default_storage
from django.db.models import Max
from zigzag_core.course import Remembered
from zigzag_core.errors import OtherProgram
from zigzag_core.packaging.differences import differences
from zigzag_core.packaging.package import PackageKind, build_package, place_in_package
from zigzag_core.packaging.published import fields_of

from zigzag_server.courses import files, store
from zigzag_server.courses.models import Course
from zigzag_server.jobs.kinds import Finish, Report, in_words
from zigzag_server.post.keys import NewKeys, new_keys
from zigzag_server.problems import Problem
from zigzag_server.storage import storage

from . import programs
from .fonts import kept_cut
from .models import Publication


@lru_cache(maxsize=1)
def player_files() -> dict[str, bytes]:
    """Return the built player by file name."""
    folder = settings.WEB_DIST / "player"
    if not (folder / "player.css").exists():
        raise Problem(503, "not_built", "The player is not built yet: run `make build`.")
    return {
        str(path.relative_to(folder)): path.read_bytes()
        for path in sorted(folder.rglob("*")) if path.is_file()
    }


@dataclass(frozen=True)
class Written:
    """What is to be stored of a package that was written.

    These are the numbers of the course's parts that were `known` before, those that the package
    goes by, and the `keys` that it signs reports with.
    """

    known: Remembered
    remembered: Remembered
    keys: NewKeys

    def store(self, row: Course) -> None:
        """Store it; raises `Again` where other numbers were given meanwhile."""
        store.remember_publication(row, self.known, self.remembered)
        self.keys.store()


def write_package(row: Course, kind: PackageKind, report: Report, into: BinaryIO) -> Written:
    """Write a package of the course as it is now.

    Raises `NothingToPublish` for a course without slides.
    """
    report(0, "Reading the course")
    compilation = programs.compilation_of(row)
    compiling = in_words(report, 0.1, 0.6, "Compiling the slides")
    compiled = programs.run(row, compilation, place_in_package, compiling)
    report(0.6, "Packing")
    keys = new_keys(row, compiled.course)
    build_package(
        kind, compiled, player_files(), files.opened_of, into, kept_cut, keys.receivers)
    return Written(compilation.course.remembered, compiled.course.remembered, keys)


def publish(
    owner: User, report: Report, row: Course, kind: PackageKind, note: str = ""
) -> Finish:
    """Make a package; the returned step stores it, and the numbers it gives to the parts."""
    path = f"packages/{uuid.uuid4().hex}.zip"
    with storage().writing(path) as into:
        written = write_package(row, kind, report, into)
        report(0.9, "Storing the package")
        size = into.tell()
    latest = latest_of(row)
    changes = _changes(latest, path)

    def finish() -> dict[str, Any]:
        written.store(row)
        last = row.publications.aggregate(Max("number"))["number__max"] or 0
        made = Publication.objects.create(
            course=row, kind=kind, file=path, size=size, slides=len(row.document["slides"]),
            author=owner, number=last + 1, note=note, changes=changes,
        )
        return {"package": made.pk}
    return finish


def latest_of(row: Course) -> Publication | None:
    """Return what was published last of a course."""
    return row.publications.order_by("-created").first()


def _changes(before: Publication | None, path: str) -> list[str]:
    """What is different in the package at `path` from the one `before`, where that can be read."""
    if before is None:
        return []
    try:
        with default_storage.open(before.file) as old, default_storage.open(path) as new:
            return differences(fields_of(cast(BinaryIO, old)), fields_of(cast(BinaryIO, new)))
    except (OtherProgram, FileNotFoundError):
        return []
