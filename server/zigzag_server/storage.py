"""Files that are whole or absent: written beside their place, synced, then given their name."""

import os
import uuid
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any, BinaryIO

from django.core.files.base import File
from django.core.files.storage import FileSystemStorage, default_storage

BEING_WRITTEN = "unfinished"
"""The folder of what is being written. What has stayed there was cut; `upkeep` takes it away."""


class WholeFileStorage(FileSystemStorage):
    """Keeps a file under its name only once all of it is on the disk.

    However a process or the machine ends, a name leads to all of a file or to none. The new name
    itself is synced as well (POSIX, `fsync` of the folder).
    """

    def _save(self, name: str, content: "File[Any]") -> str:
        while True:
            try:
                self._write(name, content, replaces=False)
            except FileExistsError:
                name = self.get_available_name(name)
                content.seek(0)
            else:
                return name

    def put(self, name: str, content: "File[Any]") -> None:
        """Keep `content` under `name`, in place of what may be there."""
        self._write(name, content, replaces=True)

    def touch(self, name: str) -> None:
        """Note that a file is used as of now."""
        os.utime(self.path(name))

    def _write(self, name: str, content: "File[Any]", replaces: bool) -> None:
        place = Path(self.path(name))
        place.parent.mkdir(parents=True, exist_ok=True)
        with self._beside() as (beside, file):
            for chunk in content.chunks():
                file.write(chunk if isinstance(chunk, bytes) else chunk.encode())
            file.flush()
            os.fsync(file.fileno())
            if replaces:
                beside.replace(place)
            else:
                _name(beside, place)
            sync(place.parent)

    @contextmanager
    def _beside(self) -> Iterator[tuple[Path, BinaryIO]]:
        folder = Path(self.path(BEING_WRITTEN))
        folder.mkdir(parents=True, exist_ok=True)
        path = folder / uuid.uuid4().hex
        try:
            with path.open("xb") as file:
                yield path, file
        finally:
            path.unlink(missing_ok=True)


def files_in(folder: str) -> Iterator[str]:
    """Yield the paths of all files in a folder of the storage, however deep."""
    if not default_storage.exists(folder):
        return
    folders, names = default_storage.listdir(folder)
    yield from (f"{folder}/{name}" for name in names)
    for inner in folders:
        yield from files_in(f"{folder}/{inner}")


def _name(beside: Path, place: Path) -> None:
    """Give a file its name; raises `FileExistsError` where that is taken."""
    try:
        os.link(beside, place)
    except FileExistsError:
        raise
    except OSError:
        # Some disks know no second name for a file: there the name is looked at first.
        if place.exists():
            raise FileExistsError(place) from None
        beside.replace(place)


def sync(path: Path) -> None:
    """Let a file, or the names in a folder, outlast a loss of power."""
    handle = os.open(path, os.O_RDONLY)
    try:
        os.fsync(handle)
    finally:
        os.close(handle)
