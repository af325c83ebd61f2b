"""Taking in course archives."""

from typing import Any

from django.contrib.auth.models import User
from zigzag_core.course import CourseDocument
from zigzag_core.errors import BadArchive, BadFile
from zigzag_core.packaging.archive import import_archive

from zigzag_server.jobs.kinds import Finish, Report
from zigzag_server.problems import problem_of

from . import files, store
from .taking import TakenFile, take


def take_in_course(owner: User, report: Report, data: bytes) -> Finish:
    """Make ready the course in the archive `data`; the returned step stores it for `owner`.

    Raises a 422 `Problem` with a reason for people where the archive is bad; nothing is stored
    then.
    """
    report(0.05, "Reading the archive")
    try:
        document, media = import_archive(data)
        taken = _checked(document, media, report)
    except BadArchive as error:
        raise problem_of(error, "Nothing was taken in.") from None
    report(0.9, "Storing the course")
    rows = store.rows_of(document)
    # Before the database is locked: what stays of a course that is not stored, `upkeep` takes.
    for one in taken:
        files.keep(one.file.sha256, one.data, one.preview)

    def finish() -> dict[str, Any]:
        row = store.create_from(owner, rows)
        return {"course": row.slug, "title": row.title}
    return finish


def _checked(document: CourseDocument, media: dict[str, bytes], report: Report) -> list[TakenFile]:
    """Refuse media that are not the harmless files they claim to be."""
    found = []
    for number, file in enumerate(document.course.media):
        report(0.3 + 0.6 * number / len(document.course.media), f"Checking “{file.name}”")
        try:
            taken = take(file.name, media[file.sha256])
        except BadFile as error:
            raise BadArchive(f"“{file.name}”: {error}") from None
        if taken.file.type != file.type or taken.file.sha256 != file.sha256:
            raise BadArchive(f"“{file.name}” is not the harmless file that it should be.")
        found.append(taken)
    return found
