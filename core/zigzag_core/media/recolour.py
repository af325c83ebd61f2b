"""Drawings that take their colours from the theme.

Such a drawing names a theme's colour where it means one: ``var(--primary, #1e5b4b)``. In a file
of its own CSS cannot reach it, so the colours are put in before it is shown.
"""

import hashlib
import re

from zigzag_core.course.style.theme import ROLES, Colours, colour_of

_NAMED = re.compile(rb"var\(--([a-z_]+),\s*(#[0-9a-f]{6})\)")


def is_recoloured(data: bytes) -> bool:
    """Return whether the drawing names colours of the theme."""
    return any(match[1].decode() in ROLES for match in _NAMED.finditer(data))


def recoloured(data: bytes, colours: Colours) -> bytes:
    """Return the drawing in the colours of a theme; names it does not know keep their own."""
    def put(match: re.Match[bytes]) -> bytes:
        name = match[1].decode()
        return colour_of(name, colours).encode() if name in ROLES else match[2]

    return _NAMED.sub(put, data)


def colour_mark(colours: Colours) -> str:
    """Return eight letters and digits that stand for these colours in names of files."""
    return hashlib.sha256(colours.model_dump_json().encode()).hexdigest()[:8]
