"""Taking in course archives."""

from django.contrib.auth.models import User
from zigzag_core.course import CourseDocument
from zigzag_core.media.pictures import BadPicture, take_picture
from zigzag_core.package.archive import import_archive
from zigzag_core.package.safe_zip import BadArchive

from . import files, store
from .models import Course


def take_in(user: User, data: bytes) -> Course:
    """Store the course in archive `data` as a new course of `user`.

    Raises `BadArchive` with a reason for people; nothing is stored then.
    """
    document, media = import_archive(data)
    _check_media(document, media)
    for sha256, content in media.items():
        files.keep(sha256, content)
    return store.create(user, document)


def _check_media(document: CourseDocument, media: dict[str, bytes]) -> None:
    """Refuse media that are not the harmless pictures they claim to be."""
    for file in document.course.media:
        try:
            picture = take_picture(media[file.sha256])
        except BadPicture as error:
            raise BadArchive(f"“{file.name}”: {error}") from None
        if picture.type != file.type or picture.sha256 != file.sha256:
            raise BadArchive(f"“{file.name}” is not the harmless picture that it should be.")
