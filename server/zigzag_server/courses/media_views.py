"""Serving uploaded files, from the content's origin only."""

import hmac
import re

from django.http import Http404, HttpRequest, HttpResponse, HttpResponseBase
from zigzag_core.course import Colours
from zigzag_core.course.style.theme import ROLES
from zigzag_core.media.recolour import recoloured

from zigzag_server.ranges import file_response

from . import files

_HEADERS = {
    "Content-Security-Policy":
        "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox",
    "Cache-Control": "public, max-age=31536000, immutable",
    "Cross-Origin-Resource-Policy": "cross-origin",
}
_CODE = re.compile(rf"^[0-9a-f]{{6}}(-[0-9a-f]{{6}}){{{len(ROLES) - 1}}}$")


def media(request: HttpRequest, key: str, name: str) -> HttpResponseBase:
    """Return a media file to whoever holds its key; a drawing in the colours asked for."""
    sha256, _, extension = name.partition(".")
    _check(sha256, key)
    if extension not in files.TYPES:
        raise Http404
    type_ = files.TYPES[extension]
    code = request.GET.get("colours", "")
    try:
        if extension == "svg" and _CODE.match(code):
            colours = Colours(**dict(zip(ROLES, (f"#{c}" for c in code.split("-")), strict=True)))
            return HttpResponse(recoloured(files.read(sha256), colours), content_type=type_,
                                headers=_HEADERS)
        file, size = files.opened(sha256)
    except FileNotFoundError:
        raise Http404 from None
    return file_response(request, file, size, type_, _HEADERS)


def preview(request: HttpRequest, key: str, sha256: str) -> HttpResponse:
    """Return a small picture of a picture or video."""
    _check(sha256, key)
    try:
        data = files.preview(sha256)
    except FileNotFoundError:
        raise Http404 from None
    type_ = "image/webp" if data[8:12] == b"WEBP" else "image/jpeg"
    return HttpResponse(data, content_type=type_, headers=_HEADERS)


def _check(sha256: str, key: str) -> None:
    if not hmac.compare_digest(files.key(sha256).encode(), key.encode()):
        raise Http404
