"""Which files are whose: a course may name those that its author has sent, or got with a course."""

from collections.abc import Iterable
from typing import BinaryIO

from django.contrib.auth.models import User
from zigzag_core.course import MediaFile

from zigzag_server.problems import Problem

from . import files
from .models import HeldFile


def keep(
    owner: User, sha256: str, content: BinaryIO, preview: bytes | None = None
) -> None:
    """Store the bytes with this hash, and note that `owner` has them."""
    files.keep(sha256, content, preview)
    hold(owner, [sha256])


def hold(owner: User, hashes: Iterable[str]) -> None:
    """Note that `owner` has the files with these hashes."""
    HeldFile.objects.bulk_create(
        (HeldFile(owner=owner, sha256=sha256) for sha256 in set(hashes)), ignore_conflicts=True)


def check(owner: int, media: Iterable[MediaFile], known: Iterable[str]) -> None:
    """Raise a 422 `Problem` for files that the author with the key `owner` does not have.

    `known` are the hashes of those that the course names already.
    """
    fresh = {file.sha256: file.name for file in media}
    for sha256 in known:
        fresh.pop(sha256, None)
    held = HeldFile.objects.filter(owner=owner, sha256__in=fresh)
    missing = fresh.keys() - set(held.values_list("sha256", flat=True)) if fresh else set()
    if missing:
        raise Problem(
            422, "no_such_file", f"“{fresh[min(missing)]}” is not stored, or is not yours. Nothing "
            "was changed: put the file in again.")
