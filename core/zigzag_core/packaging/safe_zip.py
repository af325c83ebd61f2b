"""Opening archives that strangers made."""

import io
import stat
import zipfile
import zlib
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from pathlib import PurePosixPath
from typing import BinaryIO

from zigzag_core.errors import BadArchive

LONGEST_NAME = 250
"""So many bytes of UTF-8 a file's or folder's name may have: most disks take 255."""
_AT_ONCE = 1_000_000


@dataclass(frozen=True)
class Limits:
    """What an archive may hold: entries, unpacked bytes in all and in one file, and growth.

    How much it grows by matters from `harmless` bytes on.
    """

    entries: int = 20_000
    total: int = 1_000_000_000
    single: int = 300_000_000
    ratio: int = 200
    harmless: int = 100_000_000


class Unzipped(Mapping[str, bytes]):
    """The files of a ZIP by path. Each is unpacked when it is asked for, and is not kept.

    Asking for one that is damaged raises `BadArchive`.
    """

    def __init__(self, archive: zipfile.ZipFile, entries: Mapping[str, zipfile.ZipInfo]) -> None:
        self._archive = archive
        self._entries = entries

    def __getitem__(self, path: str) -> bytes:
        return b"".join(_chunks(self._archive, self._entries[path]))

    def copy(self, path: str, into: BinaryIO) -> None:
        """Write the bytes of a file, which is never in memory as a whole."""
        for chunk in _chunks(self._archive, self._entries[path]):
            into.write(chunk)

    def __contains__(self, path: object) -> bool:
        return path in self._entries

    def __iter__(self) -> Iterator[str]:
        return iter(self._entries)

    def __len__(self) -> int:
        return len(self._entries)


def read_zip(data: bytes | BinaryIO, limits: Limits = Limits()) -> Unzipped:
    """Return the files of a ZIP by path, or raise `BadArchive`.

    `data` are its bytes, or a file that stays open while they are read. Refused: what is no ZIP or
    damaged, encrypted, links, paths that lead out of the folder or occur twice, and anything that
    unpacks to more than `limits` allow. Nothing is unpacked before all names and sizes have been
    looked at, and sizes are checked again while unpacking.
    """
    file = io.BytesIO(data) if isinstance(data, bytes) else data
    try:
        size = file.seek(0, io.SEEK_END)
        archive = zipfile.ZipFile(file)
    except (zipfile.BadZipFile, ValueError, NotImplementedError, OSError):
        raise BadArchive("The file is not a ZIP archive, or it is damaged.") from None
    entries = [entry for entry in archive.infolist() if not entry.is_dir()]
    _check(entries, size, limits)
    return Unzipped(archive, {_safe_path(entry.filename): entry for entry in entries})


def _check(entries: list[zipfile.ZipInfo], size: int, limits: Limits) -> None:
    if len(entries) > limits.entries:
        raise BadArchive(f"The archive holds more than {limits.entries:,} files.")
    total = sum(entry.file_size for entry in entries)
    largest = max((entry.file_size for entry in entries), default=0)
    if total > limits.total or largest > limits.single:
        raise BadArchive("The archive unpacks to more than is allowed.")
    if total > limits.harmless and total > size * limits.ratio:
        raise BadArchive("The archive unpacks to far more than its size; it looks like a trap.")
    seen: set[str] = set()
    folders: set[str] = set()
    for entry in entries:
        path = _safe_path(entry.filename)
        if path.lower() in seen:
            raise BadArchive(f"The archive holds “{path}” twice.")
        seen.add(path.lower())
        folders.update(str(folder).lower() for folder in PurePosixPath(path).parents)
        if entry.flag_bits & 1:
            raise BadArchive("The archive is encrypted.")
        if stat.S_ISLNK(entry.external_attr >> 16):
            raise BadArchive(f"The archive holds a link, “{path}”, instead of a file.")
    if both := seen & folders:
        raise BadArchive(f"The archive holds “{min(both)}” both as a file and as a folder.")


def _safe_path(name: str) -> str:
    path = PurePosixPath(name)
    parts = path.parts
    if (
        "\\" in name or ":" in name or "\0" in name or path.is_absolute()
        or not parts or ".." in parts or len(name) > 500
    ):
        raise BadArchive(f"The archive holds a path that leads out of its folder: “{name[:100]}”.")
    if any(len(part.encode(errors="replace")) > LONGEST_NAME for part in parts):
        raise BadArchive(f"The archive holds a name that is too long: “{name[:100]}…”.")
    return str(path)


def _chunks(archive: zipfile.ZipFile, entry: zipfile.ZipInfo) -> Iterator[bytes]:
    """Yield the bytes of a file in an archive, some at a time; end where there are too many."""
    left = entry.file_size
    try:
        with archive.open(entry) as source:
            while left >= 0 and (chunk := source.read(min(_AT_ONCE, left + 1))):
                left -= len(chunk)
                yield chunk
    except (
        zipfile.BadZipFile, zlib.error, NotImplementedError, RuntimeError, EOFError, OSError,
        ValueError,
    ) as error:
        raise BadArchive(f"“{entry.filename}” in the archive is damaged.") from error
    if left:
        raise BadArchive(f"“{entry.filename}” in the archive has another size than it says.")
