"""Serving uploaded files, from the content's origin only."""

import hmac

from django.http import Http404, HttpRequest, HttpResponse

from . import files

_POLICY = "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox"


def media(request: HttpRequest, key: str, name: str) -> HttpResponse:
    """Return a media file to whoever holds its key."""
    sha256, _, extension = name.partition(".")
    if extension not in files.TYPES or not hmac.compare_digest(files.key(sha256), key):
        raise Http404
    try:
        data = files.read(sha256)
    except FileNotFoundError:
        raise Http404 from None
    return HttpResponse(data, content_type=files.TYPES[extension], headers={
        "Content-Security-Policy": _POLICY,
        "Cache-Control": "public, max-age=31536000, immutable",
        "Cross-Origin-Resource-Policy": "cross-origin",
    })
