"""What the commands have in common."""

import sys
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from pathlib import Path
from typing import BinaryIO

from django.contrib.auth import get_user_model
from django.contrib.auth.models import User
from django.core.management.base import CommandError

from zigzag_server import spreadsheets
from zigzag_server.courses.models import Course


def course(slug: str) -> Course:
    """Return the course `slug`, or end the command with one clear line."""
    row = Course.objects.filter(slug=slug, deleted=None).first()
    if row is None:
        raise CommandError(f"There is no course “{slug}”. `manage.py courses` lists them.")
    return row


def owner(name: str | None) -> User:
    """Return the author `name`, or the only one there is."""
    users = get_user_model().objects.all()
    if name is None and users.count() == 1:
        return users.get()
    found = users.filter(username=name or "").first()
    if found is None:
        names = ", ".join(users.values_list("username", flat=True)) or "nobody yet"
        raise CommandError(f"Say with --owner for whom; there is: {names}.")
    return found


def write_table(
    rows: Sequence[Sequence[str]], form: spreadsheets.Form, name: str, out: str | None
) -> bool:
    """Write a table to the file `out`, or print it; return whether there is a file."""
    data, _ = spreadsheets.table(rows, form, name)
    if out is None:
        sys.stdout.buffer.write(data)
        return False
    with writing(out) as file:
        file.write(data)
    return True


@contextmanager
def writing(path: str) -> Iterator[BinaryIO]:
    """Give a file to write to, which is at `path` at the end, whole or not at all."""
    target = Path(path)
    part = target.with_name(target.name + ".part")
    try:
        with part.open("wb") as file:
            yield file
        part.replace(target)
    except OSError as error:
        raise CommandError(f"{target} cannot be written: {error.strerror}.") from None
    finally:
        part.unlink(missing_ok=True)
