"""Pictures that come from anywhere: known by their content, checked, made harmless."""

import hashlib
import io
import warnings
from dataclasses import dataclass

from PIL import Image, UnidentifiedImageError

from zigzag_core.errors import BadDrawing, BadPicture

from .svg import clean_svg

LARGEST = 25_000_000
"""Bytes that one picture may have."""

MOST_PIXELS = 60_000_000

_TYPES = {"PNG": "image/png", "JPEG": "image/jpeg", "WEBP": "image/webp", "GIF": "image/gif"}


@dataclass(frozen=True)
class PictureFile:
    """A picture ready to be stored: its bytes, type, size in px and SHA-256."""

    data: bytes
    type: str
    w: int
    h: int
    sha256: str


def take_picture(data: bytes) -> PictureFile:
    """Return the picture in `data`, whatever its name says it is.

    Pictures of pixels are decoded once, so that damaged ones are refused now and not on a
    learner's screen; drawings are cleaned of all that is not drawing. Raises `BadPicture`.
    """
    if not data:
        raise BadPicture("The file is empty.")
    if len(data) > LARGEST:
        raise BadPicture(f"The picture is larger than {LARGEST // 1_000_000} MB.")
    if _looks_like_xml(data):
        return _drawing(data)
    kind, w, h = _decoded(data)
    return PictureFile(data, kind, w, h, hashlib.sha256(data).hexdigest())


def pixels_in(head: bytes) -> int:
    """Return the points of the picture that begins with `head`, as far as that tells; else 0."""
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore", Image.DecompressionBombWarning)
            with Image.open(io.BytesIO(head), formats=tuple(_TYPES)) as image:
                return image.width * image.height
    except Image.DecompressionBombError:
        return MOST_PIXELS + 1
    except (OSError, SyntaxError, ValueError, KeyError):
        return 0


def _looks_like_xml(data: bytes) -> bool:
    start = data[:512].lstrip(b"\xef\xbb\xbf \t\r\n")
    return start.startswith(b"<") or data[:2] in (b"\xff\xfe", b"\xfe\xff")


def _drawing(data: bytes) -> PictureFile:
    try:
        clean, w, h = clean_svg(data)
    except BadDrawing as error:
        raise BadPicture(str(error)) from None
    return PictureFile(clean, "image/svg+xml", w, h, hashlib.sha256(clean).hexdigest())


def _decoded(data: bytes) -> tuple[str, int, int]:
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", Image.DecompressionBombWarning)
            with Image.open(io.BytesIO(data), formats=tuple(_TYPES)) as image:
                w, h = image.size
                if w * h > MOST_PIXELS:
                    raise BadPicture("The picture has too many pixels (60 million at most).")
                kind = _TYPES[image.format or ""]
                image.load()
                return kind, w, h
    except (Image.DecompressionBombWarning, Image.DecompressionBombError):
        raise BadPicture("The picture has too many pixels (60 million at most).") from None
    except UnidentifiedImageError:
        raise BadPicture("The file is not a PNG, JPEG, WebP, GIF or SVG picture.") from None
    except (OSError, SyntaxError, ValueError, KeyError) as error:
        if isinstance(error, BadPicture):
            raise
        raise BadPicture("The picture is damaged and cannot be shown.") from None
