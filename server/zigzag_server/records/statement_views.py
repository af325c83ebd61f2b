"""Statements over HTTP. Source: ADL, *xAPI 1.0.3*, part 3 (2.1)."""

import json
import uuid
from collections.abc import Sequence
from typing import Any
from urllib.parse import urlencode

from django.http import HttpResponse, JsonResponse
from zigzag_core.records.attached import HASH, Attachments, attached, attachments_in
from zigzag_core.records.forms import an_iri, plain_uuid
from zigzag_core.records.mixed import MIXED, Part, mixed, parts_of
from zigzag_core.records.shown import in_form, languages
from zigzag_core.records.statement import check_statement

from . import documents, statements
from .asking import Ask, Refused, read, resource
from .models import Key, Statement

MOST_AT_ONCE = 1_000
_ALONE = {"statementId", "voidedStatementId"}
_QUERY = {"agent", "verb", "activity", "registration", "related_activities", "related_agents",
          "since", "until", "limit", "ascending", "after"}
_ALWAYS = {"format", "attachments"}


def _put(ask: Ask, key: Key) -> HttpResponse:
    name = ask.uuid("statementId")
    _only(ask, {"statementId"})
    sent, parts = _sent(ask)
    one = check_statement(sent)
    if "id" in one and plain_uuid(one["id"]) != name:
        raise Refused("The statement has another id than its address.")
    statements.keep(key, [{**one, "id": name}], attached([one], parts))
    return HttpResponse(status=204)


def _post(ask: Ask, key: Key) -> HttpResponse:
    _only(ask, set())
    sent, parts = _sent(ask)
    several = sent if isinstance(sent, list) else [sent]
    if len(several) > MOST_AT_ONCE:
        raise Refused(f"At most {MOST_AT_ONCE} statements come at once.", 413)
    checked = [check_statement(one) for one in several]
    return JsonResponse(statements.keep(key, checked, attached(checked, parts)), safe=False)


def _sent(ask: Ask) -> tuple[object, list[Part]]:
    """What was sent: statements, and what is attached to them."""
    if ask.type == documents.JSON:
        return ask.json(), []
    if ask.type != MIXED:
        raise Refused("Statements come as application/json, or with attachments as "
                      "multipart/mixed.")
    first, *rest = parts_of(ask.headers["content-type"], ask.body)
    if first.headers.get("content-type", "").partition(";")[0].strip() != documents.JSON:
        raise Refused("The first part is to be the statements, as application/json.")
    return read(first.content), rest


def _get(ask: Ask, key: Key) -> HttpResponse:
    _only(ask, _ALONE | _QUERY | _ALWAYS)
    form = ask.given.get("format", "exact")
    if form not in ("ids", "exact", "canonical"):
        raise Refused("“format” is to be ids, exact or canonical.")
    wanted = languages(ask.headers.get("accept-language", ""))
    with_attachments = ask.truth("attachments")
    alone = _ALONE & set(ask.given)
    if alone:
        if len(alone) > 1 or _QUERY & set(ask.given):
            raise Refused("One id is asked for alone.")
        [name] = alone
        one = statements.one_of(key, ask.uuid(name), name == "voidedStatementId")
        if one is None:
            raise Refused("There is no such statement.", 404)
        answer = _answer(in_form(one.body, form, wanted), [one], with_attachments)
        answer["Last-Modified"] = one.stored.strftime("%a, %d %b %Y %H:%M:%S GMT")
        return answer
    found, more = statements.found(key, _query(ask))
    following = ""
    if more:
        following = f"{ask.path}?{urlencode({**ask.given, 'after': str(found[-1].pk)})}"
    shown = [in_form(one.body, form, wanted) for one in found]
    return _answer({"statements": shown, "more": following}, found, with_attachments)


def _answer(
    said: dict[str, Any], rows: Sequence[Statement], with_attachments: bool
) -> HttpResponse:
    if not with_attachments:
        return JsonResponse(said)
    boundary = uuid.uuid4().hex
    parts = [Part({"Content-Type": documents.JSON}, json.dumps(said).encode()),
             *_attachments(rows)]
    return HttpResponse(mixed(parts, boundary), content_type=f"{MIXED}; boundary={boundary}")


def _attachments(rows: Sequence[Statement]) -> list[Part]:
    """What came with statements; each once."""
    types = {str(one["sha2"]).lower(): one["contentType"]
             for row in rows for _, one in attachments_in(row.body)}
    found: Attachments = {
        name: Part({"Content-Type": types.get(name, "application/octet-stream"),
                    "Content-Transfer-Encoding": "binary", HASH.title(): name}, content)
        for name, content in statements.attachments_of(rows)}
    return list(found.values())


def _only(ask: Ask, known: set[str]) -> None:
    unknown = set(ask.given) - known
    if unknown:
        raise Refused(f"There is no parameter “{sorted(unknown)[0]}”.")


def _query(ask: Ask) -> statements.Query:
    for name in ("verb", "activity"):
        if name in ask.given:
            an_iri(name, ask.given[name])
    return statements.Query(
        agent=ask.agent_key() if "agent" in ask.given else "", verb=ask.given.get("verb", ""),
        activity=ask.given.get("activity", ""),
        registration=ask.uuid("registration") if "registration" in ask.given else "",
        related_agents=ask.truth("related_agents"),
        related_activities=ask.truth("related_activities"),
        since=ask.moment("since"), until=ask.moment("until"),
        limit=min(ask.whole("limit") or statements.MOST, statements.MOST),
        ascending=ask.truth("ascending"), after=ask.whole("after"))


statements_view = resource(get=_get, put=_put, post=_post)
