"""Files that are whole or absent: written beside their place, synced, then given their name."""

import os
import uuid
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any, BinaryIO, cast

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
                with self.writing(name, replaces=False) as file:
                    _copy(content, file)
            except FileExistsError:
                name = self.get_available_name(name)
                content.seek(0)
            else:
                return name

    def put(self, name: str, content: "File[Any]") -> None:
        """Keep `content` under `name`, in place of what may be there."""
        with self.writing(name) as file:
            _copy(content, file)

    @contextmanager
    def writing(self, name: str, *, replaces: bool = True) -> Iterator[BinaryIO]:
        """Give a file to write to, which gets its name at the end; none where that fails.

        Raises `FileExistsError` at the end where the name is taken and not to be replaced.
        """
        place = Path(self.path(name))
        place.parent.mkdir(parents=True, exist_ok=True)
        with self._beside() as (beside, file):
            yield file
            file.flush()
            os.fsync(file.fileno())
            if replaces:
                beside.replace(place)
            else:
                _name(beside, place)
            sync(place.parent)

    @contextmanager
    def scratch(self) -> Iterator[BinaryIO]:
        """Give a file to write and read that goes away at the end."""
        with self._beside() as (_, file):
            yield file

    def touch(self, name: str) -> None:
        """Note that a file is used as of now."""
        os.utime(self.path(name))

    @contextmanager
    def _beside(self) -> Iterator[tuple[Path, BinaryIO]]:
        folder = Path(self.path(BEING_WRITTEN))
        folder.mkdir(parents=True, exist_ok=True)
        path = folder / uuid.uuid4().hex
        try:
            with path.open("x+b") as file:
                yield path, file
        finally:
            path.unlink(missing_ok=True)


def storage() -> WholeFileStorage:
    """Return the storage of the settings, with all that this one can do."""
    return cast(WholeFileStorage, default_storage)


def _copy(content: "File[Any]", file: BinaryIO) -> None:
    for chunk in content.chunks():
        file.write(chunk if isinstance(chunk, bytes) else chunk.encode())


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
