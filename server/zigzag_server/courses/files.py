"""The bytes of media, by content: each file is stored once, under its SHA-256."""

import hashlib
import hmac

from django.conf import settings
from django.core.files.base import ContentFile
from django.core.files.storage import default_storage
from zigzag_core.course import MediaFile
from zigzag_core.package.archive import EXTENSIONS

from zigzag_server.origins import content_url

TYPES = {extension: type_ for type_, extension in EXTENSIONS.items()}


def _path(sha256: str) -> str:
    return f"media/{sha256[:2]}/{sha256}"


def keep(sha256: str, data: bytes) -> None:
    """Store `data`; nothing happens when it is there already."""
    if not default_storage.exists(_path(sha256)):
        default_storage.save(_path(sha256), ContentFile(data))


def read(sha256: str) -> bytes:
    """Return the stored bytes; `FileNotFoundError` when there are none."""
    with default_storage.open(_path(sha256)) as file:
        return file.read()


def key(sha256: str) -> str:
    """Return what must be known to fetch a file: it is given only to those who see the course."""
    return hmac.new(settings.SECRET_KEY.encode(), sha256.encode(), hashlib.sha256).hexdigest()[:32]


def media_url(file: MediaFile) -> str:
    """Return the address of `file` on the content's origin."""
    name = f"{file.sha256}.{EXTENSIONS[file.type]}"
    return content_url(f"/media/{key(file.sha256)}/{name}")
