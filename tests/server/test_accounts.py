"""Signing in, tokens, and the two origins."""

import json
from datetime import timedelta
from pathlib import Path

import pytest
from axes.models import AccessAttempt
from django.test import Client
from django.utils import timezone
from zigzag_server.api import api
from zigzag_server.tables import typescript

from .conftest import APP, CONTENT, Api

OPENAPI = Path(__file__).resolve().parents[2] / "web" / "openapi.json"


def test_everything_needs_signing_in_but_signing_in(db):
    nobody = Api()
    open_to_all = {("get", "/api/session"), ("post", "/api/session"),
                   ("post", "/api/password/forgotten"), ("post", "/api/password/reset")}
    asked = 0
    for path, methods in json.loads(OPENAPI.read_text())["paths"].items():
        for method in methods:
            if (method, path) in open_to_all:
                continue
            filled = path.removeprefix("/api")
            for name in ("slug", "slide_id", "learner"):
                filled = filled.replace(f"{{{name}}}", "x")
            for name in ("version", "package_id", "token_id", "session_id"):
                filled = filled.replace(f"{{{name}}}", "1")
            answer = nobody(method, filled, {} if method in ("post", "put", "patch") else None,
                            status=401)
            assert answer["code"] == "signed_out"
            asked += 1
    assert asked > 30


def test_session_login_asks_for_the_csrf_token(mika):
    browser = Client(headers={"host": APP}, enforce_csrf_checks=True)
    browser.get("/api/session")
    login = json.dumps({"name": "mika", "password": "a good long one"})
    first = browser.cookies["csrftoken"].value
    signed = browser.post("/api/session", login, content_type="application/json",
                          headers={"x-csrftoken": first})
    assert signed.status_code == 200 and signed.json()["name"] == "mika"
    body = {"data": json.dumps({"title": "x"}), "content_type": "application/json"}
    assert browser.post("/api/courses", **body).status_code == 403
    token = browser.cookies["csrftoken"].value
    made = browser.post("/api/courses", **body, headers={"x-csrftoken": token})
    assert made.status_code == 201


def test_wrong_passwords_are_refused(mika):
    answer = Api()("post", "/session", {"name": "mika", "password": "guess"}, status=403)
    assert answer["message"] == "The name or the password is wrong."


def test_tokens_are_made_used_and_revoked(mika):
    made = mika("post", "/tokens", {"name": "script"}, status=201)
    script = Api(made["secret"])
    assert script("get", "/courses", status=200) == []
    assert "secret" not in mika("get", "/tokens")[0]
    mika("delete", f"/tokens/{made['id']}", status=204)
    script("get", "/courses", status=401)


def test_the_content_origin_has_no_api_and_the_app_no_content(mika, learner):
    assert learner.get("/api/courses").status_code == 404
    assert learner.get("/").status_code == 404
    stranger = Client(headers={"host": "evil.example"})
    assert stranger.get("/").status_code in (400, 421)
    assert CONTENT.split(":")[0] != APP.split(":")[0], "cookies know hosts, not ports"


def test_the_app_page_may_not_be_framed_nor_run_foreign_scripts(mika):
    policy = mika.client.get("/")["Content-Security-Policy"]
    assert "frame-ancestors 'none'" in policy and "script-src 'self';" in policy


def test_the_api_can_be_read_as_a_page(mika):
    page = mika.client.get("/api/docs", headers=mika.headers)
    assert page.status_code == 200
    assert "https://" not in page.content.decode(), "the page comes whole with the application"


def test_the_types_of_the_web_pages_are_up_to_date():
    assert json.loads(OPENAPI.read_text()) == json.loads(
        json.dumps(api.get_openapi_schema())), "run `make schema`"


def test_the_tables_of_the_web_pages_are_up_to_date():
    for name, text in typescript().items():
        assert (OPENAPI.parent / "api" / name).read_text() == text, "run `make schema`"


@pytest.mark.parametrize("demo", [True, False])
def test_visitors_are_signed_in_only_in_demo_mode(mika, settings, demo):
    settings.DEMO = demo
    visitor = Client(headers={"host": APP}, REMOTE_ADDR="127.0.0.1")
    visitor.get("/")
    assert visitor.get("/api/session").json()["name"] == ("mika" if demo else None)
    remote = Client(headers={"host": APP}, REMOTE_ADDR="203.0.113.9")
    remote.get("/")
    assert remote.get("/api/session").json()["name"] is None


LOGIN = json.dumps({"name": "mika", "password": "a good long one"})


@pytest.mark.parametrize(("headers", "type_", "status"), [
    ({}, "application/json", 403),
    ({"x-csrftoken": "x" * 32}, "application/json", 403),
    ({"origin": "http://127.0.0.1:8000"}, "application/json", 403),
    ({}, "text/plain", 400),
    ({}, "application/x-www-form-urlencoded", 400),
    ({}, "multipart/form-data; boundary=x", 400),
])
def test_no_other_page_signs_an_author_in(mika, headers, type_, status):
    browser = Client(enforce_csrf_checks=True, headers={"host": APP, **headers})
    answer = browser.post("/api/session", LOGIN, content_type=type_)
    assert answer.status_code == status and "sessionid" not in answer.cookies
    assert answer.json()["code"] in ("csrf", "unreadable")


@pytest.mark.parametrize("path", ["/openapi.json", "/docs"])
def test_the_description_is_for_authors(mika, path):
    assert Api()("get", path, status=401)["code"] == "signed_out"
    assert mika.client.get(f"/api{path}", headers=mika.headers).status_code == 200


class Visitor:
    """A page that tries to sign in, from an address."""

    def __init__(self, address):
        self.browser = Client(headers={"host": APP}, REMOTE_ADDR=address)
        self.browser.get("/api/session")

    def tries(self, password, name="mika"):
        return self.browser.post(
            "/api/session", {"name": name, "password": password},
            content_type="application/json",
            headers={"x-csrftoken": self.browser.cookies["csrftoken"].value}).status_code


RIGHT = "a good long one"


def test_guessing_one_account_rests_whatever_the_address(mika):
    for n in range(10):
        assert Visitor(f"10.0.0.{n}").tries("guess") in (403, 429)
    owner = Visitor("10.0.1.1")
    assert owner.tries(RIGHT) == 429, "not even the right password, else guessing would go on"
    AccessAttempt.objects.update(attempt_time=timezone.now() - timedelta(minutes=11))
    assert owner.tries(RIGHT) == 200


def test_guessing_many_accounts_from_one_address_rests(mika):
    visitor = Visitor("10.0.0.1")
    for n in range(10):
        assert visitor.tries("guess", f"name{n}") in (403, 429)
    assert visitor.tries(RIGHT) == 429
    assert Visitor("10.0.0.2").tries(RIGHT) == 200


def test_a_right_password_forgets_the_wrong_ones(mika):
    visitor = Visitor("10.0.0.1")
    for _ in range(3):
        assert [visitor.tries("guess") for _ in range(6)] == [403] * 6
        assert visitor.tries(RIGHT) == 200


def test_a_password_is_changed_from_a_session_and_other_sessions_end(mika):
    here, elsewhere = Visitor("10.0.0.1"), Visitor("10.0.0.2")
    assert here.tries(RIGHT) == elsewhere.tries(RIGHT) == 200

    def changes(old, new):
        answer = here.browser.put(
            "/api/password", {"old": old, "new": new}, content_type="application/json",
            headers={"x-csrftoken": here.browser.cookies["csrftoken"].value})
        return answer.status_code, answer.json()["code"] if answer.content else ""

    assert changes("guess", "a longer and newer one") == (403, "wrong_login")
    assert changes(RIGHT, "12345678") == (422, "weak_password")
    assert changes(RIGHT, "a longer and newer one") == (204, "")
    assert here.browser.get("/api/session").json()["name"] == "mika"
    assert elsewhere.browser.get("/api/session").json()["name"] is None
    assert mika("get", "/tokens", status=200), "tokens go on"
    mika("put", "/password", {"old": "a longer and newer one", "new": RIGHT}, status=401)
    assert Visitor("10.0.0.3").tries(RIGHT) == 403
    assert Visitor("10.0.0.3").tries("a longer and newer one") == 200
