"""An author's record store: its address, the keys to it, and what is in it."""

import base64
import json
from collections.abc import Iterator
from datetime import datetime
from typing import Any

from django.db.models import QuerySet
from django.http import HttpRequest, StreamingHttpResponse
from ninja import Field, Router, Schema, Status
from zigzag_core.tracking.plain_statement import say_statement, who_says

from zigzag_server.accounts.auth import author
from zigzag_server.origins import content_url
from zigzag_server.pages import Most, Start
from zigzag_server.problems import Problem, not_found

from .keys import make_key
from .models import Key, Statement

router = Router(tags=["practice"])

MOST_KEYS = 50
"""So many keys of their own may an author have."""
PAGE = 50
"""So many statements are listed at once, unless another number is asked for."""


class KeyIn(Schema):
    """A new key: a name, so that its owner knows it again."""

    name: str = Field(min_length=1, max_length=100)


class KeyOut(Schema):
    """A key as its owner sees it: never the password itself."""

    id: int
    name: str
    created: datetime


class NewKey(KeyOut):
    """A key just made: with the user name and the password of Basic authentication, this once."""

    user: str
    password: str


class StoreOut(Schema):
    """The record store: its address for clients, the keys to it, and how much is in it."""

    address: str
    keys: list[KeyOut]
    statements: int


class StatementOut(Schema):
    """A statement: in plain words, who says it, and raw."""

    id: str
    stored: datetime
    who: str
    words: str
    voided: bool
    body: dict[str, Any]


def _own_keys(request: HttpRequest) -> QuerySet[Key]:
    """The keys that the author has made; the practice LMS makes others, for one visit each."""
    return Key.objects.filter(owner=author(request), registration="")


@router.get("", response=StoreOut)
def get_store(request: HttpRequest) -> dict[str, Any]:
    """Say where clients find the author's record store, and which keys there are to it."""
    return {"address": content_url("/xapi/"), "keys": list(_own_keys(request).order_by("-pk")),
            "statements": Statement.objects.filter(owner=author(request)).count()}


@router.post("/keys", response={201: NewKey})
def make_store_key(request: HttpRequest, data: KeyIn) -> Status[Any]:
    """Make a key that opens the whole record store of the author."""
    if _own_keys(request).count() >= MOST_KEYS:
        raise Problem(429, "too_many_keys", f"You have {MOST_KEYS} keys. Nothing was made: take "
                      "some away first.")
    key, credentials = make_key(author(request), data.name)
    user, _, password = base64.b64decode(credentials).decode().partition(":")
    return Status(201, {"id": key.pk, "name": key.name, "created": key.created, "user": user,
                        "password": password})


@router.delete("/keys/{key_id}", response={204: None})
def remove_store_key(request: HttpRequest, key_id: int) -> Status[Any]:
    """Take a key away: it opens nothing any more. What was kept with it stays."""
    deleted, _ = _own_keys(request).filter(pk=key_id).delete()
    if not deleted:
        raise not_found("key")
    return Status(204, None)


@router.get("/statements", response=list[StatementOut])
def list_statements(
    request: HttpRequest, start: Start = 0, most: Most = PAGE,
) -> list[dict[str, Any]]:
    """List the statements of the record store, the newest first."""
    rows = Statement.objects.filter(owner=author(request)).order_by("-pk")
    return [{"id": row.statement_id, "stored": row.stored, "who": who_says(row.body),
             "words": say_statement(row.body), "voided": row.voided, "body": row.body}
            for row in rows[start:start + most]]


@router.get("/statements/file", response=list[dict[str, Any]])
def get_statements_as_file(request: HttpRequest) -> StreamingHttpResponse:
    """Return all statements of the record store, the oldest first: a JSON array."""
    rows = Statement.objects.filter(owner=author(request)).order_by("pk")
    return StreamingHttpResponse(
        _array(row.body for row in rows.iterator(1_000)), content_type="application/json",
        headers={"Content-Disposition": 'attachment; filename="statements.json"'})


def _array(values: Iterator[dict[str, Any]]) -> Iterator[str]:
    yield "["
    for number, value in enumerate(values):
        yield (",\n" if number else "") + json.dumps(value, ensure_ascii=False)
    yield "]\n"
