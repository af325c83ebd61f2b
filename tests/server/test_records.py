"""The record store: statements, documents, and who may read them."""

import base64
import hashlib
import json
from urllib.parse import urlencode

import pytest
from django.test import Client
from zigzag_core.records.attached import SIGNATURE
from zigzag_core.records.mixed import Part, mixed, parts_of
from zigzag_server.records.keys import make_key

from tests.core.test_statements import INES, SAID

from .conftest import CONTENT

REGISTRATION = "9b7c1c5e-6a4d-4b8c-9c54-0b7b6a1d1a11"
ONE = "fd41c918-b88b-4b20-a0a5-a4c32391aaa0"
VOIDS = {"actor": INES, "verb": {"id": "http://adlnet.gov/expapi/verbs/voided"},
         "object": {"objectType": "StatementRef", "id": ONE}}


class Store:
    """A client of the record store, with a key of its own."""

    def __init__(self, owner, registration=""):
        self.client = Client(headers={"host": CONTENT})
        _, credentials = make_key(owner, "Test", registration)
        self.headers = {"authorization": f"Basic {credentials}",
                        "x-experience-api-version": "1.0.3"}

    def __call__(self, method, path, body=None, status=None, type_="application/json",
                 params=None, **headers):
        data = body if isinstance(body, bytes) else json.dumps(body).encode()
        extra = {} if body is None else {"data": data, "content_type": type_}
        query = f"?{urlencode(params)}" if params else ""
        answer = getattr(self.client, method)(
            f"/xapi/{path}{query}", headers={**self.headers, **headers}, **extra)
        if status is not None:
            assert answer.status_code == status, answer.content[:300]
        is_json = answer.get("Content-Type", "").startswith("application/json")
        return answer.json() if is_json and answer.content else answer

    def post(self, *said, status=200):
        return self("post", "statements", list(said), status=status)

    def found(self, **query):
        page = self("get", "statements", params=query, status=200)
        return [one["id"] for one in page["statements"]]


@pytest.fixture
def store(mika_user):
    return Store(mika_user)


@pytest.fixture
def mika_user(mika, django_user_model):
    return django_user_model.objects.get(username="mika")


def test_a_statement_is_kept_once_and_given_back_with_what_the_store_adds(store):
    ids = store.post(SAID, {**SAID, "id": ONE})
    assert ids[1] == ONE and ids[0] != ONE
    kept = store("get", "statements", params={"statementId": ONE}, status=200)
    assert kept.items() >= {**SAID, "id": ONE, "version": "1.0.0"}.items()
    assert {"stored", "timestamp", "authority"} <= kept.keys()
    # Sent again it is there already; with other words it is another statement.
    store("put", "statements", {**SAID, "id": ONE}, params={"statementId": ONE}, status=204)
    other = {**SAID, "result": {"success": True}}
    store("put", "statements", other, params={"statementId": ONE}, status=409)
    store.post(SAID, {**other, "id": ONE}, status=409)
    assert len(store.found()) == 2, "of a batch that conflicts nothing is kept"
    store.post({**SAID, "id": ONE}, {**SAID, "id": ONE}, status=409)
    elsewhere = {**SAID, "id": REGISTRATION}
    store("put", "statements", elsewhere, params={"statementId": ONE}, status=400)


def test_what_is_voided_is_found_only_as_such(store):
    store.post({**SAID, "id": ONE})
    [void] = store.post(VOIDS)
    assert store.found() == [void]
    store("get", "statements", params={"statementId": ONE}, status=404)
    assert store("get", "statements", params={"voidedStatementId": ONE}, status=200)["id"] == ONE
    # What voids cannot be voided.
    store.post({**VOIDS, "object": {"objectType": "StatementRef", "id": void}})
    assert void in store.found()


def test_statements_are_found_by_what_is_asked_and_page_by_page(store):
    bo = {**SAID, "actor": {"mbox": "mailto:bo@example.org"},
          "context": {"registration": REGISTRATION, "instructor": INES,
                      "contextActivities": {"parent": {"id": "https://example.org/hut"}}}}
    ids = store.post(*(SAID for _ in range(5)), bo)
    assert store.found() == ids[::-1] and store.found(ascending="true") == ids
    assert store.found(agent=json.dumps(INES)) == ids[4::-1]
    assert store.found(agent=json.dumps(INES), related_agents="true") == ids[::-1]
    assert store.found(registration=REGISTRATION) == [ids[5]]
    assert store.found(activity="https://example.org/hut") == []
    assert store.found(activity="https://example.org/hut", related_activities="true") == [ids[5]]
    assert store.found(verb="http://adlnet.gov/expapi/verbs/passed") == []
    stored = store("get", "statements", params={"statementId": ids[0]})["stored"]
    assert store.found(since=stored) == [] and store.found(until="2001-01-01T00:00:00Z") == []
    pages, following = [], "statements?" + urlencode({"limit": 4})
    while following:
        page = store("get", following.removeprefix("/xapi/"), status=200)
        pages.append([one["id"] for one in page["statements"]])
        following = page["more"]
    assert pages == [ids[:1:-1], ids[1::-1]]


def test_forms_leave_out_what_is_not_asked_for(store):
    store.post({**SAID, "object": {**SAID["object"], "definition": {
        "name": {"en": "Soup", "de": "Suppe"}, "type": "https://example.org/t"}}})
    [ids] = store("get", "statements", params={"format": "ids"})["statements"]
    assert ids["object"] == SAID["object"]
    [one] = store("get", "statements", params={"format": "canonical"})["statements"]
    assert one["object"]["definition"]["name"] == {"en": "Soup"}


@pytest.mark.parametrize("query", [
    {"statementId": "x"}, {"statementId": ONE, "limit": 1}, {"limit": "-1"}, {"since": "soon"},
    {"agent": "{"}, {"agent": "{}"}, {"agent": "5"}, {"verb": "passed"}, {"format": "long"},
    {"related_agents": "yes"}, {"what": "1"}, {"registration": "1"},
])
def test_questions_that_are_not_in_form_are_refused(store, query):
    store("get", "statements", params=query, status=400)


def test_only_who_has_a_key_is_let_in_and_only_to_the_store_of_its_owner(
        store, django_user_model):
    [mine] = store.post(SAID)
    bare = Client(headers={"host": CONTENT, "x-experience-api-version": "1.0.3"})
    assert bare.get("/xapi/statements").status_code == 401
    bad = {"authorization": "Basic bm90aGluZzpoZXJl"}
    assert bare.get("/xapi/statements", headers=bad).status_code == 401
    assert bare.get("/xapi/about").json() == {"version": ["1.0.3"]}
    other = Store(django_user_model.objects.create_user("rosa"))
    assert other.found() == []
    other("get", "statements", params={"statementId": mine}, status=404)
    # A key to one registration opens no other.
    narrow = Store(django_user_model.objects.get(username="mika"), REGISTRATION)
    assert narrow.found() == []
    narrow.post(SAID, status=403)
    [own] = narrow.post({**SAID, "context": {"registration": REGISTRATION.upper()}})
    assert narrow.found() == [own] and len(store.found()) == 2
    state = {"activityId": "https://example.org/hut", "agent": json.dumps(INES), "stateId": "a"}
    narrow("put", "activities/state", {}, params=state, status=403)
    state["registration"] = REGISTRATION
    narrow("put", "activities/state", {}, params=state, status=204)


def test_the_version_is_asked_for_and_said(store):
    del store.headers["x-experience-api-version"]
    answer = store("get", "statements", status=400)
    assert answer["X-Experience-API-Version"] == "1.0.3"
    store.headers["x-experience-api-version"] = "2.0.0"
    store("get", "statements", status=400)


@pytest.mark.parametrize(("body", "status"), [
    (b"{", 400), (b"[1]", 400), (b"null", 400), (b'{"actor": 1e400}', 400), (b"\xff", 400),
    (json.dumps([SAID] * 1_001).encode(), 413)])
def test_what_is_no_statement_is_refused(store, body, status):
    store("post", "statements", body, status=status)
    store("post", "statements", b"x", type_="multipart/mixed", status=400)
    store("post", "statements", [SAID], type_="text/plain", status=400)
    assert store.found() == []


def test_a_state_is_kept_merged_listed_and_deleted(store):
    place = {"activityId": "https://example.org/hut", "agent": json.dumps(INES)}
    a = {**place, "stateId": "a"}
    store("get", "activities/state", params=a, status=404)
    store("put", "activities/state", {"x": 1}, params=a, status=204)
    store("post", "activities/state", {"y": 2}, params=a, status=204)
    assert store("get", "activities/state", params=a) == {"x": 1, "y": 2}
    store("put", "activities/state", b"\x00\xff", params={**place, "stateId": "b"},
          type_="application/octet-stream", status=204)
    store("post", "activities/state", {"y": 2}, params={**place, "stateId": "b"}, status=400)
    assert store("get", "activities/state", params=place) == ["a", "b"]
    store("delete", "activities/state", params=a, status=204)
    assert store("get", "activities/state", params=place) == ["b"]
    store("delete", "activities/state", params=place, status=204)
    assert store("get", "activities/state", params=place) == []


def test_a_profile_is_replaced_only_by_who_knows_what_is_there(store):
    place = {"agent": json.dumps(INES), "profileId": "p"}
    store("put", "agents/profile", {"a": 1}, params=place, status=204)
    store("put", "agents/profile", {"a": 2}, params=place, status=409)
    there = store.client.get(f"/xapi/agents/profile?{urlencode(place)}", headers=store.headers)
    etag = there["ETag"]
    new = {"if-none-match": "*"}
    store("put", "agents/profile", {"a": 2}, params=place, status=412, **new)
    store("put", "agents/profile", {"a": 2}, params=place, status=412, **{"if-match": '"old"'})
    store("put", "agents/profile", {"a": 2}, params=place, status=204, **{"if-match": etag})
    assert store("get", "agents/profile", params=place) == {"a": 2}
    store("delete", "agents/profile", params=place, status=412, **{"if-match": etag})
    store("get", "activities/profile", params={"activityId": "hut", "profileId": "p"}, status=400)


def _attachment(content, **more):
    """What a statement says of an attachment."""
    return {"usageType": "https://example.org/u", "display": {"en": "A note"},
            "contentType": "text/plain", "length": len(content),
            "sha2": hashlib.sha256(content).hexdigest(), **more}


def _mixed(said, *contents, boundary="edge", **more):
    """A body of statements with what is attached to them."""
    parts = [Part({"Content-Type": "application/json"}, json.dumps(said).encode())]
    for content in contents:
        parts.append(Part({
            "Content-Type": "text/plain", "Content-Transfer-Encoding": "binary",
            "X-Experience-API-Hash": hashlib.sha256(content).hexdigest(), **more}, content))
    return mixed(parts, boundary)


MIXED = 'multipart/mixed; boundary="edge"'
NOTE = b"\r\n--edg\x00\xff the roof\r\n"


def test_attachments_are_kept_and_given_back_byte_by_byte(store):
    said = {**SAID, "id": ONE, "attachments": [_attachment(NOTE)]}
    store("post", "statements", _mixed(said, NOTE), type_=MIXED, status=200)
    plain = store("get", "statements", params={"statementId": ONE}, status=200)
    assert plain["attachments"] == said["attachments"]
    for query in ({"statementId": ONE}, {"verb": SAID["verb"]["id"]}):
        answer = store("get", "statements", params={**query, "attachments": "true"}, status=200)
        first, part = parts_of(answer["Content-Type"], answer.content)
        assert ONE in first.content.decode() and part.content == NOTE
        assert part.headers["content-type"] == "text/plain"
        assert part.headers["x-experience-api-hash"] == hashlib.sha256(NOTE).hexdigest()
    # By its address alone is enough where it has one; else it has to come with the statement.
    linked = _attachment(NOTE, fileUrl="https://example.org/note")
    store.post({**SAID, "attachments": [linked]})
    store.post({**SAID, "attachments": [_attachment(NOTE)]}, status=400)
    within = {**SAID, "object": {"objectType": "SubStatement", **said}}
    del within["object"]["id"]
    store("post", "statements", _mixed(within, NOTE), type_=MIXED, status=200)


@pytest.mark.parametrize("body", [
    b"", b"--edge", b"--edge--", _mixed(SAID, NOTE), _mixed({**SAID, "attachments": [
        _attachment(NOTE)]}, b"other"),
    _mixed({**SAID, "attachments": [_attachment(NOTE)]}, NOTE,
           **{"Content-Transfer-Encoding": "base64"}),
    _mixed({**SAID, "attachments": [_attachment(NOTE)]}, NOTE, **{"X-Experience-API-Hash": "5"}),
    _mixed({**SAID, "attachments": [{**_attachment(NOTE), "length": 3}]}, NOTE),
    _mixed(SAID)[:-4], _mixed([SAID] * 2, *[NOTE] * 300), b"x" + _mixed(SAID),
])
def test_a_body_of_parts_that_do_not_fit_is_refused_whole(store, body):
    answer = store("post", "statements", body, type_=MIXED, status=400)
    assert answer.content.endswith(b".")
    assert store.found() == []


def _signed(said, algorithm="RS256", payload=None):
    head, middle = (base64.urlsafe_b64encode(json.dumps(one).encode()).rstrip(b"=")
                    for one in ({"alg": algorithm}, payload or said))
    content = head + b"." + middle + b".c2lnbmVk"
    told = _attachment(content, usageType=SIGNATURE, contentType="application/octet-stream")
    return _mixed({**said, "attachments": [told]}, content)


def test_a_signature_has_to_sign_its_statement(store):
    store("post", "statements", _signed(SAID), type_=MIXED, status=200)
    for body in (_signed(SAID, "HS256"), _signed(SAID, payload={**SAID, "actor": {
            "mbox": "mailto:bo@example.org"}}), _signed(SAID, payload=[1])):
        store("post", "statements", body, type_=MIXED, status=400)
    assert len(store.found()) == 1


def test_a_form_says_what_else_is_said_by_method_and_headers(store):
    headers = dict(store.headers)
    store.headers = {}

    def form(method, status, path="statements", **fields):
        body = urlencode({"Authorization": headers["authorization"],
                          "X-Experience-API-Version": "1.0.3", **fields}).encode()
        return store("post", f"{path}?method={method}", body, status=status,
                     type_="application/x-www-form-urlencoded")

    form("PUT", 204, statementId=ONE, content=json.dumps(SAID))
    assert form("GET", 200, statementId=ONE)["id"] == ONE
    [other] = form("POST", 200, content=json.dumps([SAID]))
    assert [one["id"] for one in form("GET", 200)["statements"]] == [other, ONE]
    place = {"activityId": "https://example.org/hut", "agent": json.dumps(INES), "stateId": "a"}
    form("PUT", 204, "activities/state", **place, content="{}")
    got = form("GET", 200, "activities/state", **place)
    assert got == {}
    form("DELETE", 204, "activities/state", **place)
    form("GET", 404, "activities/state", **place)
    form("PUT", 400, "statements", content=json.dumps(SAID))
    form("PATCH", 405)
    form("GET", 400, "statements", Authorization=headers["authorization"], since="soon")
    store("post", f"statements?method=GET&statementId={ONE}", b"", status=400,
          type_="application/x-www-form-urlencoded")
    store("post", "statements?method=GET", [SAID], status=400)


def test_what_refers_to_a_statement_is_found_with_it(store):
    [told] = store.post(SAID)
    bo = {"actor": {"mbox": "mailto:bo@example.org"}, "verb": {"id": "https://example.org/liked"}}

    def about(name):
        return {**bo, "object": {"objectType": "StatementRef", "id": name}}

    [first] = store.post(about(told))
    [second] = store.post(about(first.upper()))
    [other] = store.post(about(REGISTRATION))
    assert store.found(agent=json.dumps(INES)) == [second, first, told]
    assert store.found(activity=SAID["object"]["id"]) == [second, first, told]
    assert store.found(agent=json.dumps(INES), limit="1") == [second]
    assert store.found(verb="https://example.org/liked") == [other, second, first]
    # What is voided is found no more, but what speaks of it is; also what voids it.
    [void] = store.post({**VOIDS, "object": {"objectType": "StatementRef", "id": told}})
    assert store.found(agent=json.dumps(INES)) == [void, second, first]
    stored = store("get", "statements", params={"statementId": first})["stored"]
    assert store.found(agent=json.dumps(INES), since=stored) == [void, second]


def test_a_circle_of_references_is_followed_once(store):
    ids = [ONE, REGISTRATION]
    for name, other in zip(ids, ids[::-1], strict=True):
        store.post({**SAID, "id": name, "object": {"objectType": "StatementRef", "id": other}})
    assert sorted(store.found(agent=json.dumps(INES))) == sorted(ids)


def test_the_language_that_is_wished_for_is_given_and_names_alone_on_request(store):
    store.post({**SAID, "actor": {**INES, "name": "Ines"}, "object": {
        **SAID["object"], "definition": {"name": {"en": "Soup", "de-CH": "Suppe"}}},
        "context": {"contextActivities": {"parent": {"id": "https://example.org/p"}}}})
    [one] = store("get", "statements", params={"format": "canonical"},
                  **{"accept-language": "fr, de;q=0.8, en;q=0.3"})["statements"]
    assert one["object"]["definition"]["name"] == {"de-CH": "Suppe"}
    [ids] = store("get", "statements", params={"format": "ids"})["statements"]
    assert ids["actor"] == INES and ids["verb"] == {"id": SAID["verb"]["id"]}
    assert ids["object"] == SAID["object"]
    [exact] = store("get", "statements")["statements"]
    assert exact["context"]["contextActivities"] == {"parent": [{"id": "https://example.org/p"}]}


def test_an_author_makes_keys_reads_statements_and_takes_keys_away(mika, other, store):
    made = mika("post", "/practice/records/keys", {"name": "Exerciser"}, status=201)
    shown = mika("get", "/practice/records", status=200)
    assert shown["address"].endswith("/xapi/")
    assert [key["name"] for key in shown["keys"]] == ["Exerciser", "Test"]
    assert "password" not in shown["keys"][0]
    credentials = base64.b64encode(f"{made['user']}:{made['password']}".encode()).decode()
    client = Store.__new__(Store)
    client.client = Client(headers={"host": CONTENT})
    client.headers = {**store.headers, "authorization": f"Basic {credentials}"}
    client.post({**SAID, "id": ONE, "actor": {**INES, "name": "Ines"}})
    client.post(VOIDS)
    [void, one] = mika("get", "/practice/records/statements", status=200)
    assert (one["id"], one["who"], one["voided"]) == (ONE, "Ines", True)
    assert one["words"] == "The answer to https://example.org/hut/soup is recorded."
    assert void["who"] == "ines@example.org"
    file = mika("get", "/practice/records/statements/file", status=200)
    assert [each["id"] for each in json.loads(b"".join(file.streaming_content))] == [
        ONE, void["id"]]
    assert other("get", "/practice/records/statements", status=200) == []
    other("delete", f"/practice/records/keys/{made['id']}", status=404)
    mika("delete", f"/practice/records/keys/{made['id']}", status=204)
    client("get", "statements", status=401)
