"""Bodies of several parts. Sources: RFC 2046, section 5.1; ADL, *xAPI 1.0.3*, part 3, 1.5.2."""

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from zigzag_core.errors import BadStatement

MIXED = "multipart/mixed"
MOST = 200
"""So many parts at most come in one body."""
_BOUNDARY = re.compile(r'boundary=(?:"([^"]{1,70})"|([^\s;"]{1,70}))', re.IGNORECASE)


@dataclass(frozen=True)
class Part:
    """The headers of a part, by name in lower case, and its content."""

    headers: Mapping[str, str]
    content: bytes


def parts_of(content_type: str, body: bytes) -> list[Part]:
    """Return the parts of a body. Raises `BadStatement` where it is not in form."""
    found = _BOUNDARY.search(content_type)
    if found is None:
        raise BadStatement("Content-Type", "“boundary” is missing")
    edge = b"\r\n--" + (found[1] or found[2]).encode()
    before, *pieces = (b"\r\n" + body).split(edge)
    if before.strip() or len(pieces) < 2 or not pieces[-1].startswith(b"--"):
        raise BadStatement("The body", "it does not begin and end with its boundary")
    if len(pieces) > MOST + 1:
        raise BadStatement("The body", f"it has more than {MOST} parts")
    return [_part(number, piece) for number, piece in enumerate(pieces[:-1], 1)]


def mixed(parts: Sequence[Part], boundary: str) -> bytes:
    """Return a body of these parts; `boundary` occurs in none of them."""
    edge = f"--{boundary}".encode()
    lines = []
    for part in parts:
        heads = "".join(f"{name}: {value}\r\n" for name, value in part.headers.items())
        lines.append(edge + b"\r\n" + heads.encode() + b"\r\n" + part.content + b"\r\n")
    return b"".join(lines) + edge + b"--\r\n"


def _part(number: int, piece: bytes) -> Part:
    # Behind the boundary there may be spaces up to the end of its line (RFC 2046, 5.1.1).
    padding, newline, rest = piece.partition(b"\r\n")
    head, empty, content = (b"\r\n" + rest).partition(b"\r\n\r\n")
    if padding.strip() or not newline or not empty:
        raise BadStatement(f"Part {number}", "its headers do not end")
    headers = {}
    for line in head.decode("utf-8", "replace").split("\r\n"):
        name, _, value = line.partition(":")
        if name.strip():
            headers[name.strip().lower()] = value.strip()
    return Part(headers, content)
