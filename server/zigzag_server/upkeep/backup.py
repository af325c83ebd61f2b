"""A copy of all that is kept, made while it is in use, and putting it back.

A backup is a ZIP with the database as it was at one moment and the files that it names. What can be
made again is not in it: small pictures, downloads of the last day, and the key that signs sessions
and addresses, so that a backup opens nobody's session.
"""

import shutil
import sqlite3
import tempfile
import zipfile
from collections.abc import Iterator
from contextlib import closing, contextmanager
from pathlib import Path

from django.core.files.storage import default_storage
from django.db import connection, connections

from zigzag_server.storage import files_in, sync

DATABASE = "zigzag.sqlite3"
FILES = "files"
KEPT = ("media", "packages", "practice", "uploads")
"""The folders of the storage that are in a backup."""
_TRIES = 3
_CHUNK = 1_000_000


class CannotBackUp(Exception):
    """No backup can be made, or none be put back, for a reason for people."""


def back_up(to: Path) -> int:
    """Write a backup to the file `to`, all of it or nothing; return its number of files.

    Authors go on working meanwhile. Raises `CannotBackUp` where `to` is there already, and where
    files that the database names cannot be read.
    """
    if to.exists():
        raise CannotBackUp(f"{to} is there already. Nothing was written.")
    for _ in range(_TRIES):
        with _beside(to) as made:
            missing, files = _written(made)
            if not missing:
                sync(made)
                made.rename(to)
                sync(to.parent)
                return files
        # What was taken away while it was copied is not in the database of the next try.
    raise CannotBackUp(
        f"{missing[0]} is named by the database, and not there; {len(missing)} such in all. "
        "Nothing was written: see `manage.py verify`.")


@contextmanager
def _beside(to: Path) -> Iterator[Path]:
    made = to.with_name(f".{to.name}.unfinished")
    try:
        yield made
    finally:
        made.unlink(missing_ok=True)


def _written(made: Path) -> tuple[list[str], int]:
    """Write a backup; return the names that the database has for what is not in it, and its size.
    """
    with tempfile.TemporaryDirectory(dir=made.parent) as folder, \
            zipfile.ZipFile(made, "w", zipfile.ZIP_STORED) as archive:
        made.chmod(0o600)
        copy = Path(folder) / DATABASE
        _copy_database(copy)
        archive.write(copy, DATABASE, zipfile.ZIP_DEFLATED)
        for kept in KEPT:
            for path in files_in(kept):
                _add(archive, path)
        names = set(archive.namelist())
        with closing(sqlite3.connect(copy)) as database:
            return _missing(database, names), len(names)


def _copy_database(copy: Path) -> None:
    """Copy the database as it is at this moment; with its write-ahead log it goes on meanwhile."""
    connection.ensure_connection()
    with closing(sqlite3.connect(copy)) as to:
        connection.connection.backup(to)
        to.execute("PRAGMA journal_mode = DELETE")


def _add(archive: zipfile.ZipFile, path: str) -> None:
    try:
        file = default_storage.open(path)
    except FileNotFoundError:
        return
    with file, archive.open(f"{FILES}/{path}", "w", force_zip64=True) as to:
        shutil.copyfileobj(file, to, _CHUNK)


def _missing(database: sqlite3.Connection, names: set[str]) -> list[str]:
    packages = [path for path, in database.execute("SELECT file FROM publishing_publication")]
    missing = [path for path in packages if f"{FILES}/{path}" not in names]
    for folder, many in database.execute("SELECT folder, files FROM practice_package"):
        if sum(name.startswith(f"{FILES}/{folder}/") for name in names) < many:
            missing.append(folder)
    return missing


def put_back(backup: Path, data: Path) -> int:
    """Put a backup into the empty data folder `data`; return its number of files.

    Raises `CannotBackUp` where it is no backup, is damaged, or where there is data already. The
    database gets its name last: without it, nothing was put back.
    """
    for there in (data / DATABASE, data / FILES):
        if there.exists() and (there.is_dir() or there.stat().st_size):
            raise CannotBackUp(f"There is data in {data} already ({there.name}). Nothing was "
                               "changed: choose another folder with ZIGZAG_DATA.")
    with tempfile.TemporaryDirectory(dir=data, prefix="restoring-") as folder:
        beside = Path(folder)
        files = _unpacked(backup, beside)
        (beside / FILES).mkdir(exist_ok=True)
        for path in sorted(beside.rglob("*"), reverse=True):
            sync(path)
        (beside / FILES).rename(data / FILES)
        (beside / DATABASE).rename(data / DATABASE)
        sync(data)
    connections.close_all()
    return files


def _unpacked(backup: Path, to: Path) -> int:
    try:
        with zipfile.ZipFile(backup) as archive:
            names = archive.namelist()
            if DATABASE not in names or not all(map(_is_ours, names)):
                raise CannotBackUp(f"{backup} is no backup of Zigzag. Nothing was changed.")
            archive.extractall(to)
        (to / DATABASE).chmod(0o600)
        with closing(sqlite3.connect(to / DATABASE)) as database:
            whole = database.execute("PRAGMA quick_check").fetchone()[0] == "ok"
    except (OSError, EOFError, zipfile.BadZipFile, sqlite3.DatabaseError) as error:
        raise CannotBackUp(
            f"{backup} cannot be read: {error}. Nothing was changed.") from None
    if not whole:
        raise CannotBackUp(f"The database in {backup} is damaged. Nothing was changed.")
    return len(names)


def _is_ours(name: str) -> bool:
    parts = name.split("/")
    return name == DATABASE or (
        parts[0] == FILES and len(parts) > 2 and parts[1] in KEPT and ".." not in parts)
