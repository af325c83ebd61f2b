"""Documents of clients: states of learners, profiles of agents and of activities.

Source: ADL, *xAPI 1.0.3*, part 3 (2.2 documents, 2.3 state, 2.6 and 2.7 profiles, 3.1 concurrency).
"""

import hashlib
import json
import threading
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime

from django.db import transaction
from django.db.models import QuerySet
from django.utils import timezone
from zigzag_core.course.json_text import NotPlain, read_json

from .models import Document, Key

_WRITING = threading.Lock()
LARGEST = 1_000_000
JSON = "application/json"


class Changed(Exception):
    """The document is not, or not any more, as the client takes it to be."""


class NoPrecondition(Exception):
    """The client has not said which document it means to replace."""


class NotMerged(Exception):
    """What is sent and what is there are not both JSON objects."""


@dataclass(frozen=True)
class Place:
    """What a document belongs to."""

    sort: str
    activity: str = ""
    agent: str = ""
    registration: str = ""

    @property
    def sum(self) -> str:
        """One text for all of it."""
        parts = [self.sort, self.activity, self.agent, self.registration]
        return hashlib.sha256(json.dumps(parts).encode()).hexdigest()


def names(key: Key, place: Place, since: datetime | None) -> list[str]:
    """Return the names of the documents of a place, of those changed `since` where that is said."""
    rows = _those(key, place)
    if since:
        rows = rows.filter(changed__gt=since)
    return list(rows.order_by("name").values_list("name", flat=True))


def read(key: Key, place: Place, name: str) -> Document | None:
    """Return a document."""
    return _those(key, place).filter(name=name).first()


@dataclass(frozen=True)
class Sent:
    """A document as it was sent, with the preconditions of its request (RFC 7232)."""

    content: bytes
    content_type: str
    if_match: str = ""
    if_none_match: str = ""


def write(key: Key, place: Place, name: str, sent: Sent, merge: bool, careful: bool) -> None:
    """Keep a document: in place of the one that is there, or to `merge` its fields into that.

    `careful` places ask for a precondition where a document would be replaced.
    """
    with _WRITING, transaction.atomic():
        there = read(key, place, name)
        _check(there, sent.if_match, sent.if_none_match)
        if careful and there and not merge and not (sent.if_match or sent.if_none_match):
            raise NoPrecondition
        content = _merged(there, sent) if merge and there else sent.content
        if merge and not there:
            _fields(sent.content, sent.content_type)
        Document.objects.update_or_create(
            owner=key.owner, place=place.sum, name=name, defaults={
                "content": content, "content_type": sent.content_type[:200],
                "etag": _etag(content), "changed": timezone.now()})


def remove(key: Key, place: Place, name: str, if_match: str = "") -> None:
    """Delete a document; without a name all of the place."""
    with _WRITING, transaction.atomic():
        if name:
            _check(read(key, place, name), if_match, "")
        rows = _those(key, place)
        (rows.filter(name=name) if name else rows).delete()


def _etag(content: bytes) -> str:
    """The standard asks for a SHA-1 sum (part 3, 3.1); it keeps nothing secret."""
    return hashlib.sha1(content, usedforsecurity=False).hexdigest()


def _those(key: Key, place: Place) -> QuerySet[Document]:
    return Document.objects.filter(owner=key.owner, place=place.sum)


def _check(there: Document | None, if_match: str, if_none_match: str) -> None:
    if if_match and (there is None or (if_match != "*" and there.etag not in _tags(if_match))):
        raise Changed
    if if_none_match and there and (
            if_none_match == "*" or there.etag in _tags(if_none_match)):
        raise Changed


def _tags(header: str) -> set[str]:
    return {one.strip().removeprefix("W/").strip('"') for one in header.split(",")}


def _merged(there: Document, sent: Sent) -> bytes:
    before = _fields(bytes(there.content), there.content_type)
    return json.dumps({**before, **_fields(sent.content, sent.content_type)}).encode()


def _fields(content: bytes, content_type: str) -> Mapping[str, object]:
    if not content_type.startswith(JSON):
        raise NotMerged
    try:
        found = read_json(content)
    except NotPlain:
        raise NotMerged from None
    if not isinstance(found, dict):
        raise NotMerged
    return found
