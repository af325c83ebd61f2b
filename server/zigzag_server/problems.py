"""Errors that people read: what happened, what is kept, what to do."""

from typing import Any


class Problem(Exception):
    """Ends a request with `status` and a message; `extra` fields go along as they are."""

    def __init__(self, status: int, code: str, message: str, **extra: Any) -> None:
        super().__init__(message)
        self.status = status
        self.body = {"code": code, "message": message, **extra}


def not_found(what: str) -> Problem:
    return Problem(404, "not_found", f"There is no such {what}, or it is not yours.")
