"""The program read back out of a package that was made here."""

import base64
import json
import re
import zipfile
import zlib
from collections.abc import Iterator
from typing import Any, BinaryIO

from pydantic import ValidationError

from zigzag_core.errors import OtherProgram
from zigzag_core.program import Program

_PART = re.compile(rb'zigzagPart\(\d+,(\d+),"([A-Za-z0-9+/=]*)"\);\n')
MOST_BYTES = 512 * 1024 * 1024
"""So much a part may unpack to: many times what the largest course takes."""


def program_of(package: BinaryIO) -> Program:
    """Return the program in a `package`, a ZIP: all of its parts together.

    Raises `OtherProgram` for one whose program an older or newer Zigzag wrote in another form.
    """
    try:
        with zipfile.ZipFile(package) as archive:
            first, *rest = _parts(archive)
        return Program.model_validate(joined(first, rest))
    except (KeyError, ValueError, zipfile.BadZipFile, zlib.error, ValidationError):
        raise OtherProgram(
            "What was published last is in a form that this Zigzag does not read.") from None


def _parts(archive: zipfile.ZipFile) -> Iterator[dict[str, Any]]:
    number, count = 1, 1
    while number <= count:
        name = "program.js" if number == 1 else f"program-{number}.js"
        found = _PART.fullmatch(archive.read(name))
        if found is None:
            raise ValueError(name)
        count = int(found[1])
        opener = zlib.decompressobj(wbits=-15)
        yield json.loads(opener.decompress(base64.b64decode(found[2]), MOST_BYTES))
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
