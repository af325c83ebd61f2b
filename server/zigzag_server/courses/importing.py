"""Taking in course archives."""

from collections.abc import Callable
from typing import Any, BinaryIO

from django.contrib.auth.models import User
from zigzag_core.course import CourseDocument, MediaFile
from zigzag_core.errors import BadArchive, BadFile
from zigzag_core.packaging.archive import import_archive

from zigzag_server.jobs.kinds import Finish, Report
from zigzag_server.problems import problem_of
from zigzag_server.storage import storage

from . import files, store
from .taking import take


def take_in_course(owner: User, report: Report, archive: BinaryIO) -> Finish:
    """Make ready the course in an archive; the returned step stores it for `owner`.

    Raises a 422 `Problem` with a reason for people where the archive is bad; no course is stored
    then, and of its media those that were stored are taken away by `upkeep`.
    """
    report(0.05, "Reading the archive")
    try:
        document, media = import_archive(archive)
        _keep_media(document, media, report)
    except BadArchive as error:
        raise problem_of(error, "Nothing was taken in.") from None
    report(0.9, "Storing the course")
    rows = store.rows_of(document)

    def finish() -> dict[str, Any]:
        row = store.create_from(owner, rows)
        return {"course": row.slug, "title": row.title}
    return finish


def _keep_media(
    document: CourseDocument, media: Callable[[MediaFile, BinaryIO], None], report: Report
) -> None:
    """Keep the media, one by one. Refuse those that are not the harmless files they claim to be."""
    for number, file in enumerate(document.course.media):
        report(0.3 + 0.6 * number / len(document.course.media), f"Checking “{file.name}”")
        with storage().scratch() as content:
            media(file, content)
            try:
                taken = take(file.name, content)
            except BadFile as error:
                raise BadArchive(f"“{file.name}”: {error}") from None
            if taken.file.type != file.type or taken.file.sha256 != file.sha256:
                raise BadArchive(f"“{file.name}” is not the harmless file that it should be.")
            files.keep(taken.file.sha256, taken.content, taken.preview)
