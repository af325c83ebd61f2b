"""Fonts that were cut for packages are kept: cutting takes a second, and courses use the same."""

from hashlib import blake2b

from django.core.files.base import ContentFile
from django.core.files.storage import default_storage
from zigzag_core.packaging.fonts import cut_font, ranges


def kept_cut(font: bytes, characters: frozenset[int]) -> bytes:
    """Return `font` with only `characters`, as it was cut before, if it was."""
    name = blake2b(font + ranges(characters).encode(), digest_size=16).hexdigest()
    path = f"fonts/{name}.woff2"
    if default_storage.exists(path):
        with default_storage.open(path) as file:
            return bytes(file.read())
    data = cut_font(font, characters)
    default_storage.save(path, ContentFile(data))
    return data
