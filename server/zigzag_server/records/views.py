"""The record store's addresses. Source: ADL, *xAPI 1.0.3*, part 3."""

from collections.abc import Callable, Mapping
from datetime import datetime
from typing import Any
from urllib.parse import urlencode

from django.http import HttpRequest, HttpResponse, JsonResponse, QueryDict
from django.utils import timezone
from django.views.decorators.csrf import csrf_exempt
from zigzag_core.course.json_text import NotPlain, read_json
from zigzag_core.errors import BadStatement
from zigzag_core.records.forms import a_moment, a_uuid, an_iri, an_object, plain_uuid
from zigzag_core.records.statement import agent_key, check_agent, check_statement

from . import documents, statements
from .keys import key_of
from .models import Key, Statement

VERSION = "1.0.3"
LARGEST = 5_000_000
MOST_AT_ONCE = 1_000
_Answer = Callable[[HttpRequest, Key], HttpResponse]


class _Refused(Exception):
    """The request is not in form: why, and the status that says so."""

    def __init__(self, why: str, status: int = 400) -> None:
        super().__init__(why)
        self.status = status


def _resource(**by_method: _Answer) -> Callable[[HttpRequest], HttpResponse]:
    """A view that answers by method: with the key that is asked for, and refusals in words."""
    @csrf_exempt
    def view(request: HttpRequest) -> HttpResponse:
        response = _answered(request, by_method)
        response["X-Experience-API-Version"] = VERSION
        response["X-Experience-API-Consistent-Through"] = timezone.now().isoformat()
        response["Cache-Control"] = "no-store"
        return response
    return view


def _answered(request: HttpRequest, by_method: Mapping[str, _Answer]) -> HttpResponse:
    method = "GET" if request.method == "HEAD" else request.method or ""
    answer = by_method.get(method.lower())
    if answer is None:
        allow = ", ".join(name.upper() for name in by_method)
        return HttpResponse(status=405, headers={"Allow": allow})
    if not request.headers.get("X-Experience-API-Version", "").startswith("1.0"):
        return HttpResponse("The header X-Experience-API-Version is to be 1.0.3.", status=400)
    key = key_of(request)
    if key is None:
        return HttpResponse("No key to this record store was shown.", status=401,
                            headers={"WWW-Authenticate": 'Basic realm="records"'})
    try:
        return answer(request, key)
    except _Refused as refused:
        return HttpResponse(str(refused), status=refused.status)
    except BadStatement as bad:
        return HttpResponse(str(bad), status=400)
    except statements.Conflict:
        return HttpResponse("Another statement has this id. Nothing was kept.", status=409)
    except statements.NotAllowed as why:
        return HttpResponse(str(why), status=403)
    except documents.Changed:
        return HttpResponse("The document was changed meanwhile.", status=412)
    except documents.NoPrecondition:
        return HttpResponse("Say by If-Match which document is to be replaced.", status=409)
    except documents.NotMerged:
        return HttpResponse("Only JSON objects can be merged.", status=400)


# Statements


def _put_statement(request: HttpRequest, key: Key) -> HttpResponse:
    name = _uuid(_asked(request.GET, "statementId"), "statementId")
    one = check_statement(_json(request))
    if "id" in one and plain_uuid(one["id"]) != name:
        raise _Refused("The statement has another id than its address.")
    statements.keep(key, [{**one, "id": name}])
    return HttpResponse(status=204)


def _post_statements(request: HttpRequest, key: Key) -> HttpResponse:
    sent = _json(request)
    several = sent if isinstance(sent, list) else [sent]
    if len(several) > MOST_AT_ONCE:
        raise _Refused(f"At most {MOST_AT_ONCE} statements come at once.", 413)
    return JsonResponse(
        statements.keep(key, [check_statement(one) for one in several]), safe=False)


_ALONE = {"statementId", "voidedStatementId"}
_QUERY = {"agent", "verb", "activity", "registration", "related_activities", "related_agents",
          "since", "until", "limit", "ascending", "after"}
_ALWAYS = {"format", "attachments"}


def _get_statements(request: HttpRequest, key: Key) -> HttpResponse:
    asked = request.GET
    unknown = set(asked) - _ALONE - _QUERY - _ALWAYS
    if unknown:
        raise _Refused(f"There is no parameter “{sorted(unknown)[0]}”.")
    form = asked.get("format", "exact")
    if form not in ("ids", "exact", "canonical"):
        raise _Refused("“format” is to be ids, exact or canonical.")
    alone = _ALONE & set(asked)
    if alone:
        if len(alone) > 1 or _QUERY & set(asked):
            raise _Refused("One id is asked for alone.")
        [name] = alone
        one = statements.one_of(key, _uuid(asked[name], name), name == "voidedStatementId")
        if one is None:
            raise _Refused("There is no such statement.", 404)
        return JsonResponse(_in_form(one, form))
    query = _query(asked)
    found, more = statements.found(key, query)
    following = ""
    if more:
        kept = {**{name: asked[name] for name in asked}, "after": str(found[-1].pk)}
        following = f"{request.path}?{urlencode(kept)}"
    return JsonResponse({"statements": [_in_form(one, form) for one in found], "more": following})


def _query(asked: QueryDict) -> statements.Query:
    limit = _whole(asked, "limit") or statements.MOST
    registration = asked.get("registration", "")
    for name in ("verb", "activity"):
        if name in asked:
            an_iri(name, asked[name])
    return statements.Query(
        agent=_agent(asked) if "agent" in asked else "", verb=asked.get("verb", ""),
        activity=asked.get("activity", ""),
        registration=_uuid(registration, "registration") if registration else "",
        related_agents=_truth(asked, "related_agents"),
        related_activities=_truth(asked, "related_activities"),
        since=_moment(asked, "since"), until=_moment(asked, "until"),
        limit=min(limit, statements.MOST), ascending=_truth(asked, "ascending"),
        after=_whole(asked, "after"))


def _in_form(row: Statement, form: str) -> dict[str, Any]:
    if form == "exact":
        return dict(row.body)
    return {name: _short(value, form) for name, value in row.body.items()}


def _short(value: object, form: str) -> object:
    """A part of a statement as *canonical* (one language) or *ids* (what names it only)."""
    if isinstance(value, list):
        return [_short(one, form) for one in value]
    if not isinstance(value, dict):
        return value
    if form == "ids" and "definition" in value:
        return {name: held for name, held in value.items() if name in ("objectType", "id")}
    return {name: (dict([next(iter(held.items()))])
                   if name in ("display", "name", "description") and isinstance(held, dict) and held
                   else _short(held, form)) for name, held in value.items()}


# Documents


def _documents(
    place: Callable[[HttpRequest, Key], documents.Place], name: str, careful: bool
) -> Callable[[HttpRequest], HttpResponse]:
    def get(request: HttpRequest, key: Key) -> HttpResponse:
        if name not in request.GET:
            since = _moment(request.GET, "since")
            return JsonResponse(documents.names(key, place(request, key), since), safe=False)
        found = documents.read(key, place(request, key), request.GET[name])
        if found is None:
            raise _Refused("There is no such document.", 404)
        return HttpResponse(bytes(found.content), content_type=found.content_type, headers={
            "ETag": f'"{found.etag}"', "Last-Modified": found.changed.strftime(
                "%a, %d %b %Y %H:%M:%S GMT")})

    def write(request: HttpRequest, key: Key, merge: bool) -> HttpResponse:
        if len(request.body) > documents.LARGEST:
            raise _Refused("A document has at most 1 MB. Nothing was kept.", 413)
        type_ = request.headers.get("Content-Type", "application/octet-stream")
        if type_.startswith(documents.JSON):
            _json(request)
        sent = documents.Sent(
            request.body, type_, request.headers.get("If-Match", ""),
            request.headers.get("If-None-Match", ""))
        documents.write(
            key, place(request, key), _asked(request.GET, name)[:500], sent, merge, careful)
        return HttpResponse(status=204)

    def delete(request: HttpRequest, key: Key) -> HttpResponse:
        one = request.GET.get(name, "")
        if not one and careful:
            raise _Refused(f"“{name}” is missing.")
        documents.remove(key, place(request, key), one, request.headers.get("If-Match", ""))
        return HttpResponse(status=204)

    return _resource(
        get=get, put=lambda request, key: write(request, key, False),
        post=lambda request, key: write(request, key, True), delete=delete)


def _state_place(request: HttpRequest, key: Key) -> documents.Place:
    registration = request.GET.get("registration", "")
    if registration:
        registration = _uuid(registration, "registration")
    if key.registration and registration != key.registration:
        raise statements.NotAllowed("The key opens another registration only.")
    activity = _asked(request.GET, "activityId")
    an_iri("activityId", activity)
    return documents.Place("state", activity, _agent(request.GET), registration)


def _agent_place(request: HttpRequest, key: Key) -> documents.Place:
    return documents.Place("agent", agent=_agent(request.GET))


def _activity_place(request: HttpRequest, key: Key) -> documents.Place:
    activity = _asked(request.GET, "activityId")
    an_iri("activityId", activity)
    return documents.Place("activity", activity)


# What else there is


def _get_activity(request: HttpRequest, key: Key) -> HttpResponse:
    activity = _asked(request.GET, "activityId")
    found, _ = statements.found(key, statements.Query(activity=activity, limit=1))
    whole = {"objectType": "Activity", "id": activity}
    if found and found[0].body["object"].get("id") == activity:
        whole |= found[0].body["object"]
    return JsonResponse(whole)


def _get_agent(request: HttpRequest, key: Key) -> HttpResponse:
    agent = _sent_agent(request.GET)
    return JsonResponse({"objectType": "Person", **{
        name: [held] for name, held in agent.items() if name != "objectType"}})


@csrf_exempt
def about(request: HttpRequest) -> HttpResponse:
    """What versions the store takes; no key is asked for."""
    return JsonResponse({"version": [VERSION]}, headers={"X-Experience-API-Version": VERSION})


statements_view = _resource(get=_get_statements, put=_put_statement, post=_post_statements)
state_view = _documents(_state_place, "stateId", careful=False)
agent_profile_view = _documents(_agent_place, "profileId", careful=True)
activity_profile_view = _documents(_activity_place, "profileId", careful=True)
activities_view = _resource(get=_get_activity)
agents_view = _resource(get=_get_agent)


# Parts of requests


def _json(request: HttpRequest) -> object:
    if len(request.body) > LARGEST:
        raise _Refused("At most 5 MB come at once. Nothing was kept.", 413)
    type_ = request.headers.get("Content-Type", "").partition(";")[0].strip().lower()
    if type_ != documents.JSON:
        raise _Refused("Statements come as application/json; attachments are not taken here.", 415)
    try:
        return read_json(request.body)
    except NotPlain as error:
        raise _Refused(f"What was sent cannot be read: {error}.") from None


def _asked(asked: QueryDict, name: str) -> str:
    given = asked.get(name)
    if not given:
        raise _Refused(f"“{name}” is missing.")
    return str(given)


def _uuid(text: str, name: str) -> str:
    a_uuid(name, text)
    return plain_uuid(text)


def _sent_agent(asked: QueryDict) -> dict[str, Any]:
    try:
        found = read_json(_asked(asked, "agent").encode())
    except NotPlain as error:
        raise _Refused(f"“agent” cannot be read: {error}.") from None
    check_agent("agent", found)
    return an_object("agent", found)


def _agent(asked: QueryDict) -> str:
    key = agent_key(_sent_agent(asked))
    if key is None:
        raise _Refused("A group without an identifier cannot be asked for.")
    return key


def _truth(asked: QueryDict, name: str) -> bool:
    given = asked.get(name, "false")
    if given not in ("true", "false"):
        raise _Refused(f"“{name}” is to be true or false.")
    return given == "true"


def _whole(asked: QueryDict, name: str) -> int | None:
    given = asked.get(name)
    if given is None:
        return None
    if not given.isdecimal() or len(given) > 12:
        raise _Refused(f"“{name}” is to be a whole number.")
    return int(given)


def _moment(asked: QueryDict, name: str) -> datetime | None:
    if name not in asked:
        return None
    # A plus sign that was not encoded came as a space.
    given = _asked(asked, name).replace(" ", "+")
    a_moment(name, given)
    found = datetime.fromisoformat(given)
    return found if found.tzinfo else found.astimezone()
