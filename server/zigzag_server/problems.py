"""Errors that people read: what happened, what is kept, what to do.

Refusals of the core and of the server come to one form, with one status for each sort: 404 for
what is not there or not yours, 409 for conflicts, 413 for what is too large, 422 for what cannot
be done, 429 for too much at once, 503 for what may work later.
"""

import errno
import sqlite3
from typing import Any

from django.db import OperationalError
from zigzag_core.errors import Refusal

_NO_ROOM = {errno.ENOSPC, errno.EDQUOT}


class Problem(Exception):
    """Ends a request with `status` and a message; `extra` fields go along as they are."""

    def __init__(self, status: int, code: str, message: str, **extra: Any) -> None:
        super().__init__(message)
        self.status = status
        self.body = {"code": code, "message": message, **extra}


def problem_of(refusal: Refusal, kept: str = "Nothing was changed.", before: str = "") -> Problem:
    """Return a refusal of the core as the API tells it, with the words for what is `kept`."""
    words = str(refusal)
    if "othing was " in words:
        kept = ""  # It says so itself.
    at = {} if refusal.at is None else {"at": refusal.at}
    return Problem(422, refusal.code, f"{before}{words} {kept}".strip(), **at)


def not_found(what: str) -> Problem:
    """Return the 404 `Problem` for a thing that there is not, or that is another author's."""
    return Problem(404, "not_found", f"There is no such {what}, or it is not yours.")


IN_BROWSER = "What you changed is kept in this browser and sent again."


def passing(error: BaseException | None, after: str = IN_BROWSER) -> Problem | None:
    """Return the 503 `Problem` for what may be well in a moment, None for every other error.

    That is a database that is locked, full or cannot be opened, also the queue's, and a full disk.
    `after` are the words for what happens next.
    """
    if isinstance(error, OSError) and error.errno in _NO_ROOM:
        code, what = "no_room", "The server's disk is full."
    elif isinstance(error, OperationalError | sqlite3.OperationalError):
        code, what = "database", "The database cannot be written now."
    else:
        return None
    return Problem(503, code, f"{what} Nothing was changed. {after}")
