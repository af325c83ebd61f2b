"""The program read back out of a package that was made here."""

import base64
import json
import re
import zipfile
import zlib
from collections.abc import Callable, Iterator
from typing import Any, BinaryIO

from zigzag_core.errors import OtherProgram
from zigzag_core.program import Program

_PART = re.compile(rb'zigzagPart\(\d+,(\d+),"([A-Za-z0-9+/=]*)"\);\n')
MOST_BYTES = 128 * 1024 * 1024
"""So much a part may unpack to: many times what the largest course takes."""

_MOST_PARTS = 100
_BAD = (KeyError, OSError, RecursionError, TypeError, ValueError, zlib.error)

ReadFile = Callable[[str], bytes]
"""Returns a file of a package by its path; raises `KeyError` or `OSError` where there is none."""


def program_of(package: BinaryIO) -> Program:
    """Return the program in a `package`, a ZIP: all of its parts together.

    Raises `OtherProgram` for one whose program an older or newer Zigzag wrote in another form.
    """
    try:
        with zipfile.ZipFile(package) as archive:
            return program_in(archive.read)
    except zipfile.BadZipFile:
        raise _other() from None


def fields_of(package: BinaryIO) -> dict[str, Any]:
    """Return the same as JSON, as it was written and without a look at its form.

    Raises `OtherProgram` where there is none.
    """
    try:
        with zipfile.ZipFile(package) as archive:
            return _whole(archive.read, MOST_BYTES)
    except (*_BAD, zipfile.BadZipFile):
        raise _other() from None


def program_in(read: ReadFile, most: int = MOST_BYTES) -> Program:
    """Return the program in an unpacked package, which has at most so many bytes in a part.

    Raises `OtherProgram` where there is none in a form that is read.
    """
    try:
        return Program.model_validate(_whole(read, most))
    except _BAD:
        raise _other() from None


def _other() -> OtherProgram:
    return OtherProgram("The package holds no program in a form that this Zigzag reads.")


def _whole(read: ReadFile, most: int) -> dict[str, Any]:
    first, *rest = _parts(read, most)
    return joined(first, rest)


def _parts(read: ReadFile, most: int) -> Iterator[dict[str, Any]]:
    number, count = 1, 1
    while number <= min(count, _MOST_PARTS):
        found = _PART.fullmatch(read("program.js" if number == 1 else f"program-{number}.js"))
        if found is None:
            raise ValueError(number)
        count = int(found[1][:4])
        opener = zlib.decompressobj(wbits=-15)
        yield json.loads(opener.decompress(base64.b64decode(found[2]), most))
        number += 1


def joined(first: dict[str, Any], rest: list[dict[str, Any]]) -> dict[str, Any]:
    """Return the `first` part of a program with the `rest` in it.

    Slides and questions come where they belong, all else after what there is.
    """
    for part in rest:
        for kind in ("slides", "questions"):
            whole = {one["id"]: one for one in part.get(kind, ())}
            first[kind] = [whole.get(one["id"], one) for one in first.get(kind, ())]
        first["sets"] = [*first.get("sets", ()), *part.get("sets", ())]
        first["media"] = {**first.get("media", {}), **part.get("media", {})}
        first["remembered"] = part.get("remembered", first["remembered"])
    return first
