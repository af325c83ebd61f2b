"""Taking in course archives."""

from django.contrib.auth.models import User
from zigzag_core.course import CourseDocument
from zigzag_core.packaging.archive import import_archive
from zigzag_core.packaging.safe_zip import BadArchive

from . import files, store
from .models import Course
from .taking import BadFile, TakenFile, take


def take_in(user: User, data: bytes) -> Course:
    """Store the course in archive `data` as a new course of `user`.

    Raises `BadArchive` with a reason for people; nothing is stored then.
    """
    document, media = import_archive(data)
    for taken in _checked(document, media):
        files.keep(taken.file.sha256, taken.data, taken.preview)
    return store.create(user, document)


def _checked(document: CourseDocument, media: dict[str, bytes]) -> list[TakenFile]:
    """Refuse media that are not the harmless files they claim to be."""
    found = []
    for file in document.course.media:
        try:
            taken = take(file.name, media[file.sha256])
        except BadFile as error:
            raise BadArchive(f"“{file.name}”: {error}") from None
        if taken.file.type != file.type or taken.file.sha256 != file.sha256:
            raise BadArchive(f"“{file.name}” is not the harmless file that it should be.")
        found.append(taken)
    return found
