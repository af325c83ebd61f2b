"""Keeping statements and finding them.

Source: ADL, *xAPI 1.0.3*, part 2 (2.3.2 voiding, 2.4.7 to 2.4.9) and part 3 (2.1 statements).
"""

import threading
import uuid
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import datetime
from types import MappingProxyType
from typing import Any

from django.contrib.auth.models import User
from django.db import transaction
from django.db.models import Q, QuerySet
from django.utils import timezone
from zigzag_core.records.attached import attachments_in
from zigzag_core.records.forms import plain_uuid
from zigzag_core.records.mixed import Part
from zigzag_core.records.statement import VOIDED, activities_in, agents_in, same, with_lists

from .models import Attachment, Key, Mention, Statement

_WRITING = threading.Lock()
MOST = 100
"""So many statements are given at once."""


class Conflict(Exception):
    """Another statement with the same id is there."""


class NotAllowed(Exception):
    """The key does not open what is asked for, or a guard objects; the text says why."""


Fresh = Sequence[dict[str, Any]]
Guard = Callable[[Key, Fresh], str]
"""Says why statements that are new may not be kept; nothing where they may."""
Receiver = Callable[[Key, Fresh], None]
guards: list[Guard] = []
receivers: list[Receiver] = []
"""Who is asked before statements are kept, and told of those that were, in the same transaction."""


@dataclass(frozen=True)
class Query:
    """What statements are asked for; `agent` and `activity` are keys, `after` a number of one."""

    agent: str = ""
    verb: str = ""
    activity: str = ""
    registration: str = ""
    related_agents: bool = False
    related_activities: bool = False
    since: datetime | None = None
    until: datetime | None = None
    limit: int = MOST
    ascending: bool = False
    after: int | None = field(default=None)


def keep(
    key: Key, sent: Sequence[dict[str, Any]], came: Mapping[str, Part] = MappingProxyType({})
) -> list[str]:
    """Keep statements that are in form, all or none; return their ids in the same order.

    With them what `came` with them, by its SHA-2 sum.

    One that is there already is left as it is. Raises `Conflict` where an id says another thing,
    and `NotAllowed` for another registration than the key's, and where a guard says so.
    """
    if any(not _is_open(key, one.get("context", {}).get("registration", "")) for one in sent):
        raise NotAllowed("The key opens another registration only.")
    now = _now()
    rows = [_row(key, one, now) for one in sent]
    if len({row.statement_id for row in rows}) < len(rows):
        raise Conflict
    with _WRITING, transaction.atomic():
        there = {row.statement_id: row.body for row in Statement.objects.filter(
            owner=key.owner, statement_id__in=[row.statement_id for row in rows])}
        for row in rows:
            if row.statement_id in there and not same(row.body, there[row.statement_id]):
                raise Conflict
        fresh = [row for row in rows if row.statement_id not in there]
        bodies = [row.body for row in fresh]
        for guard in guards:
            if why := guard(key, bodies):
                raise NotAllowed(why)
        _store(key, fresh)
        Attachment.objects.bulk_create(
            Attachment(statement=row, sha2=name, content=came[name].content)
            for row in fresh for name in _attached(row) if name in came)
        for receive in receivers:
            receive(key, bodies)
    return [row.statement_id for row in rows]


def append(key: Key, said: dict[str, Any]) -> None:
    """Keep one statement of the store's own LMS; it is in form, and asks no guard."""
    _store(key, [_row(key, said, _now())])


def forget(owner: User, registrations: Sequence[str]) -> None:
    """Delete all statements of these registrations, and the keys to them."""
    with _WRITING, transaction.atomic():
        Statement.objects.filter(owner=owner, registration__in=registrations).delete()
        Key.objects.filter(owner=owner, registration__in=registrations).delete()


def attachments_of(rows: Sequence[Statement]) -> Iterator[tuple[str, bytes]]:
    """Yield what came with statements, with its SHA-2 sum."""
    for one in Attachment.objects.filter(statement__in=rows).order_by("pk"):
        yield one.sha2, bytes(one.content)


def one_of(key: Key, statement_id: str, voided: bool) -> Statement | None:
    """Return the statement with this id, among those that are voided or those that are not."""
    return _open_to(key).filter(statement_id=statement_id, voided=voided).first()


def found(key: Key, query: Query) -> tuple[list[Statement], bool]:
    """Return the statements that are asked for, not voided, and whether there are more.

    Those are among them that refer to one that is asked for, be it voided or not (2.1.3).
    """
    rows = _about(key, query).filter(voided=False)
    if query.since:
        rows = rows.filter(stored__gt=query.since)
    if query.until:
        rows = rows.filter(stored__lte=query.until)
    if query.after is not None:
        rows = rows.filter(**{"pk__gt" if query.ascending else "pk__lt": query.after})
    some = list(rows.order_by("pk" if query.ascending else "-pk")[:query.limit + 1])
    return some[:query.limit], len(some) > query.limit


def _about(key: Key, query: Query) -> QuerySet[Statement]:
    """What is asked for, without regard to time, and what refers to it, as far as that goes."""
    open_ = _open_to(key)
    if not (query.agent or query.verb or query.activity or query.registration):
        return open_
    rows = open_
    for name, wanted in (("verb", query.verb), ("registration", query.registration)):
        if wanted:
            rows = rows.filter(**{name: wanted})
    for wanted, related in ((query.agent, query.related_agents),
                            (query.activity, query.related_activities)):
        if wanted:
            those = Mention.objects.filter(key=wanted)
            named = those if related else those.filter(is_direct=True)
            rows = rows.filter(pk__in=named.values("statement"))
    referring: set[int] = set()
    fresh = list(_referring_to(open_, rows.values("statement_id")))
    while fresh:
        referring.update(pk for pk, _ in fresh)
        fresh = [(pk, name) for pk, name in _referring_to(open_, [name for _, name in fresh])
                 if pk not in referring]
    if not referring:
        return rows
    return open_.filter(Q(pk__in=rows.values("pk")) | Q(pk__in=referring))


def _referring_to(
    open_: QuerySet[Statement], names: Iterable[object]
) -> Iterable[tuple[int, str]]:
    """The numbers and ids of the statements that refer to one with such an id."""
    return open_.filter(refers__in=names).exclude(refers="").values_list("pk", "statement_id")


def _open_to(key: Key) -> QuerySet[Statement]:
    rows = Statement.objects.filter(owner=key.owner)
    return rows.filter(registration=key.registration) if key.registration else rows


def _is_open(key: Key, registration: str) -> bool:
    return not key.registration or registration.lower() == key.registration


def _now() -> datetime:
    """Now to the ms, as it is written: who asks for what came since then is not given it again."""
    now = timezone.now()
    return now.replace(microsecond=now.microsecond // 1_000 * 1_000)


def _store(key: Key, rows: Sequence[Statement]) -> None:
    Statement.objects.bulk_create(rows)
    Mention.objects.bulk_create([one for row in rows for one in _mentions(row)])
    _void(key, rows)


def _row(key: Key, sent: dict[str, Any], now: datetime) -> Statement:
    name = plain_uuid(sent["id"]) if "id" in sent else str(uuid.uuid4())
    moment = now.isoformat(timespec="milliseconds").replace("+00:00", "Z")
    authority = {"objectType": "Agent", "name": key.name or "Zigzag", "account": {
        "homePage": "https://zigzag.invalid/keys", "name": str(key.pk)}}
    body = {"version": "1.0.0", "timestamp": moment, **with_lists(sent), "id": name,
            "stored": moment, "authority": authority}
    about = sent["object"]
    return Statement(
        owner=key.owner, statement_id=name, stored=now, verb=sent["verb"]["id"], body=body,
        refers=about["id"].lower() if about.get("objectType") == "StatementRef" else "",
        registration=sent.get("context", {}).get("registration", "").lower())


def _attached(row: Statement) -> set[str]:
    return {str(one["sha2"]).lower() for _, one in attachments_in(row.body)}


def _mentions(row: Statement) -> list[Mention]:
    direct = {*agents_in(row.body), *activities_in(row.body)}
    every = {*agents_in(row.body, related=True), *activities_in(row.body, related=True)}
    return [Mention(statement=row, key=key, is_direct=key in direct) for key in direct | every]


def _void(key: Key, rows: Sequence[Statement]) -> None:
    """Void what the `rows` void; a statement that voids another cannot be voided itself."""
    targets = [row.refers for row in rows if row.verb == VOIDED]
    _open_to(key).filter(statement_id__in=targets).exclude(verb=VOIDED).update(voided=True)
