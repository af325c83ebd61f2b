"""The record store's other addresses. Source: ADL, *xAPI 1.0.3*, part 3 (2.2 to 2.8)."""

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse, JsonResponse
from django.views.decorators.csrf import csrf_exempt
from zigzag_core.records.forms import an_iri

from . import documents, statements
from .asking import VERSION, Ask, Refused, resource
from .models import Key


def _documents(
    place: Callable[[Ask, Key], documents.Place], name: str, careful: bool
) -> Callable[[HttpRequest], HttpResponse]:
    def get(ask: Ask, key: Key) -> HttpResponse:
        if name not in ask.given:
            return JsonResponse(
                documents.names(key, place(ask, key), ask.moment("since")), safe=False)
        found = documents.read(key, place(ask, key), ask.given[name])
        if found is None:
            raise Refused("There is no such document.", 404)
        return HttpResponse(bytes(found.content), content_type=found.content_type, headers={
            "ETag": f'"{found.etag}"', "Last-Modified": found.changed.strftime(
                "%a, %d %b %Y %H:%M:%S GMT")})

    def write(ask: Ask, key: Key, merge: bool) -> HttpResponse:
        if len(ask.body) > documents.LARGEST:
            raise Refused("A document has at most 1 MB. Nothing was kept.", 413)
        type_ = ask.headers.get("content-type") or "application/octet-stream"
        if type_.startswith(documents.JSON):
            ask.json()
        sent = documents.Sent(
            ask.body, type_, ask.headers.get("if-match", ""),
            ask.headers.get("if-none-match", ""))
        documents.write(key, place(ask, key), ask.text(name)[:500], sent, merge, careful)
        return HttpResponse(status=204)

    def delete(ask: Ask, key: Key) -> HttpResponse:
        one = ask.given.get(name, "")
        if not one and careful:
            raise Refused(f"“{name}” is missing.")
        documents.remove(key, place(ask, key), one, ask.headers.get("if-match", ""))
        return HttpResponse(status=204)

    return resource(
        get=get, put=lambda ask, key: write(ask, key, False),
        post=lambda ask, key: write(ask, key, True), delete=delete)


def _state_place(ask: Ask, key: Key) -> documents.Place:
    registration = ask.uuid("registration") if ask.given.get("registration") else ""
    if key.registration and registration != key.registration:
        raise statements.NotAllowed("The key opens another registration only.")
    return documents.Place("state", _activity(ask), ask.agent_key(), registration)


def _agent_place(ask: Ask, key: Key) -> documents.Place:
    return documents.Place("agent", agent=ask.agent_key())


def _activity_place(ask: Ask, key: Key) -> documents.Place:
    return documents.Place("activity", _activity(ask))


def _activity(ask: Ask) -> str:
    found = ask.text("activityId")
    an_iri("activityId", found)
    return found


def _get_activity(ask: Ask, key: Key) -> HttpResponse:
    activity = _activity(ask)
    found, _ = statements.found(key, statements.Query(activity=activity, limit=1))
    whole = {"objectType": "Activity", "id": activity}
    if found and found[0].body["object"].get("id") == activity:
        whole |= found[0].body["object"]
    return JsonResponse(whole)


def _get_agent(ask: Ask, key: Key) -> HttpResponse:
    agent = ask.agent()
    return JsonResponse({"objectType": "Person", **{
        name: [held] for name, held in agent.items() if name != "objectType"}})


@csrf_exempt
def about(request: HttpRequest) -> HttpResponse:
    """What versions the store takes; no key is asked for."""
    return JsonResponse({"version": [VERSION]}, headers={"X-Experience-API-Version": VERSION})


state_view = _documents(_state_place, "stateId", careful=False)
agent_profile_view = _documents(_agent_place, "profileId", careful=True)
activity_profile_view = _documents(_activity_place, "profileId", careful=True)
activities_view = resource(get=_get_activity)
agents_view = resource(get=_get_agent)
