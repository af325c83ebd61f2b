"""Whether all that the database names is there and whole."""

from collections.abc import Iterator
from dataclasses import dataclass, field

from django.core.files.storage import default_storage
from django.db import connection

from zigzag_server.banks.keeping import media_of_banks
from zigzag_server.courses import files, store
from zigzag_server.courses.models import Course, SharedFile
from zigzag_server.practice.models import Package
from zigzag_server.publishing.models import Publication
from zigzag_server.storage import files_in


@dataclass
class Verified:
    """What was found: lines for people, and whether each was healed."""

    wrong: list[str] = field(default_factory=list)
    healed: list[str] = field(default_factory=list)


def verify(heal: bool = False) -> Verified:
    """Look through the database and all files.

    With `heal` a media file that is cut is taken away, so that it is stored when it is sent again.
    """
    found = Verified()
    _database(found)
    in_use = {*SharedFile.objects.values_list("sha256", flat=True), *media_of_banks(),
              *_courses(found)}
    _media(found, in_use, heal)
    _packages(found)
    return found


def _database(found: Verified) -> None:
    with connection.cursor() as cursor:
        cursor.execute("PRAGMA integrity_check")
        found.wrong += [f"Database: {row[0]}." for row in cursor.fetchall() if row[0] != "ok"]
        cursor.execute("PRAGMA foreign_key_check")
        found.wrong += [
            f"Database: {row[0]} names a row that is gone." for row in cursor.fetchall()]


def _courses(found: Verified) -> Iterator[str]:
    """Look through all courses; yield the hashes of their media."""
    for key, slug in Course.objects.values_list("pk", "slug"):
        left = store.left_of(key)
        found.wrong += [f"Course {slug}: {place}." for place in left.left_out]
        yield from (file.sha256 for file in left.document.course.media)


def _media(found: Verified, in_use: set[str], heal: bool) -> None:
    stored = {path.rpartition("/")[2] for path in files_in("media")}
    found.wrong += [f"Media {sha256}: named by a course, and not there." for sha256
                    in sorted(in_use - stored)]
    for sha256 in sorted(stored):
        if files.is_whole(sha256):
            continue
        found.wrong.append(f"Media {sha256}: not the bytes that it was.")
        if heal:
            files.remove(sha256)
            found.healed.append(f"Media {sha256} was taken away: send the file again.")


def _packages(found: Verified) -> None:
    for publication in Publication.objects.iterator():
        try:
            size = default_storage.size(publication.file)
        except FileNotFoundError:
            found.wrong.append(f"Package {publication.pk}: its file is not there.")
            continue
        if size != publication.size:
            found.wrong.append(f"Package {publication.pk}: {size:,} of {publication.size:,} bytes.")
    for package in Package.objects.iterator():
        there = sum(1 for _ in files_in(package.folder))
        if there != package.files:
            found.wrong.append(
                f"Practice package {package.pk}: {there} of its {package.files} files are there.")

