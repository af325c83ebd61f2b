"""The bytes of media, by content: each file is stored once, under its SHA-256."""

import hashlib
import hmac
import io
from typing import Any, BinaryIO, cast

from django.conf import settings
from django.core.files.base import ContentFile
from django.core.files.base import File as DjangoFile
from django.core.files.storage import default_storage
from PIL import Image
from zigzag_core.compiler.compile import MediaSource
from zigzag_core.course import Colours, Course, MediaFile
from zigzag_core.course.style.theme import ROLES
from zigzag_core.media.digest import sha256_of
from zigzag_core.packaging.archive import EXTENSIONS

from zigzag_server.origins import content_url
from zigzag_server.problems import Problem
from zigzag_server.storage import storage

TYPES = {extension: type_ for type_, extension in EXTENSIONS.items()}
_SIDE = 480


def _path(sha256: str) -> str:
    return f"media/{sha256[:2]}/{sha256}"


def _preview_path(sha256: str) -> str:
    return f"previews/{sha256[:2]}/{sha256}"


def keep(sha256: str, content: BinaryIO, preview: bytes | None = None) -> None:
    """Store a file, and a picture of it. What is there and is the same stays as it is."""
    if is_whole(sha256):
        # Nothing names it yet: what is used as of now is not taken away by `upkeep`.
        storage().touch(_path(sha256))
    else:
        storage().put(_path(sha256), DjangoFile(content))
    if preview is not None and not default_storage.exists(_preview_path(sha256)):
        storage().put(_preview_path(sha256), ContentFile(preview))


def is_whole(sha256: str) -> bool:
    """Return whether the bytes with this hash are stored, and are these."""
    try:
        with default_storage.open(_path(sha256)) as file:
            return sha256_of(cast(BinaryIO, file)) == sha256
    except OSError:
        return False


def remove(sha256: str) -> None:
    """Delete a file and the picture of it, so that they can be taken again."""
    default_storage.delete(_path(sha256))
    default_storage.delete(_preview_path(sha256))


def read(sha256: str) -> bytes:
    """Return the stored bytes; `FileNotFoundError` when there are none."""
    with default_storage.open(_path(sha256)) as file:
        return bytes(file.read())


def size_of(sha256: str) -> int | None:
    """Return how many bytes are stored under a hash; None where there are none."""
    path = _path(sha256)
    return default_storage.size(path) if default_storage.exists(path) else None


def opened_of(file: MediaFile) -> BinaryIO:
    """Open a file of a course; raises a 422 `Problem` that names it where it is gone."""
    try:
        return opened(file.sha256)[0]
    except FileNotFoundError:
        raise Problem(422, "no_such_file", f"“{file.name}” is not stored any more. Nothing was "
                      "made: put it in again in Build, or take it out of the course.") from None


def opened(sha256: str) -> tuple[BinaryIO, int]:
    """Return the stored file, open, and its size; `FileNotFoundError` when there is none."""
    file = default_storage.open(_path(sha256))
    return cast(BinaryIO, file), file.size


def preview(sha256: str) -> bytes:
    """Return a small picture (WebP or JPEG) of a picture or video, made when first asked for.

    Raises `FileNotFoundError` where there can be none.
    """
    path = _preview_path(sha256)
    if not default_storage.exists(path):
        try:
            with Image.open(io.BytesIO(read(sha256))) as image:
                image.thumbnail((_SIDE, _SIDE))
                out = io.BytesIO()
                image.convert("RGBA").save(out, "WEBP", quality=80)
        except (OSError, ValueError, Image.DecompressionBombError) as error:
            raise FileNotFoundError(sha256) from error
        storage().put(path, ContentFile(out.getvalue()))
    with default_storage.open(path) as file:
        return bytes(file.read())


def key(sha256: str) -> str:
    """Return what must be known to fetch a file: it is given only to those who see the course."""
    return hmac.new(settings.SECRET_KEY.encode(), sha256.encode(), hashlib.sha256).hexdigest()[:32]


def media_url(file: MediaFile, colours: Colours) -> str:
    """Return the address of `file` on the content's origin, in the colours of a theme."""
    name = f"{file.sha256}.{EXTENSIONS[file.type]}"
    query = f"?colours={colour_code(colours)}" if file.recoloured else ""
    return content_url(f"/media/{key(file.sha256)}/{name}{query}")


def colour_code(colours: Colours) -> str:
    """Return a theme's colours as the address of a drawing names them."""
    return "-".join(getattr(colours, role).removeprefix("#") for role in ROLES)


def preview_url(file: MediaFile, colours: Colours) -> str:
    """Return the address of a small picture of `file`; empty for a sound."""
    if file.type.startswith("audio/"):
        return ""
    small = file.type.startswith("image/") and file.size < 60_000
    if file.type == "image/svg+xml" or small:
        return media_url(file, colours)
    return content_url(f"/media/{key(file.sha256)}/preview/{file.sha256}")


def shown(file: MediaFile, colours: Colours) -> dict[str, Any]:
    """Return `file` as the API shows it: where it is, and where a small picture of it is."""
    return {"file": file, "url": media_url(file, colours), "preview": preview_url(file, colours)}


def source_for(course: Course) -> MediaSource:
    """Return how the files of `course` are addressed by a program that runs here."""
    return lambda file, colours=None: media_url(file, colours or course.theme.colours)
