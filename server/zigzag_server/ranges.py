"""Answering with a part of a file, so that players can seek (RFC 9110, 14: range requests)."""

import re
from collections.abc import Iterator
from typing import BinaryIO

from django.http import (
    FileResponse,
    HttpRequest,
    HttpResponse,
    HttpResponseBase,
    StreamingHttpResponse,
)

_RANGE = re.compile(r"^bytes=(\d{0,15})-(\d{0,15})$")
_CHUNK = 64 * 1024


def file_response(
    request: HttpRequest, file: BinaryIO, size: int, content_type: str, headers: dict[str, str]
) -> HttpResponseBase:
    """Answer with `file`, or with the one range of it that was asked for.

    Several ranges at once, and ranges that are not understood, get the whole file; one beyond
    its end gets 416.
    """
    headers = {**headers, "Accept-Ranges": "bytes"}
    match = _RANGE.match(request.headers.get("Range", ""))
    if match is None or (not match[1] and not match[2]):
        return FileResponse(file, content_type=content_type, headers=headers)
    if match[1]:
        start, end = int(match[1]), min(int(match[2] or size - 1), size - 1)
    else:
        start, end = max(size - int(match[2]), 0), size - 1
    if start > end:
        file.close()
        return HttpResponse(status=416, headers={"Content-Range": f"bytes */{size}"})
    return StreamingHttpResponse(
        _part(file, start, end - start + 1), status=206, content_type=content_type,
        headers={**headers, "Content-Length": str(end - start + 1),
                 "Content-Range": f"bytes {start}-{end}/{size}"},
    )


def _part(file: BinaryIO, start: int, length: int) -> Iterator[bytes]:
    with file:
        file.seek(start)
        while length > 0 and (chunk := file.read(min(_CHUNK, length))):
            length -= len(chunk)
            yield chunk
