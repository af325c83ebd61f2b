"""Where an author is signed in, and new passwords by mail."""

import re
from datetime import timedelta

import pytest
from django.core import mail
from django.test import Client
from django.utils import timezone
from zigzag_server.accounts.models import ResetMail, SignIn
from zigzag_server.accounts.sessions import device_of
from zigzag_server.upkeep.cleaning import clean

from .conftest import APP

RIGHT = "a good long one"
FRESH = "a longer and newer one"
FIREFOX = "Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0"


class Browser:
    """A browser of somebody, at an address."""

    def __init__(self, address="10.0.0.1", agent=FIREFOX):
        self.client = Client(
            headers={"host": APP, "user-agent": agent}, REMOTE_ADDR=address,
            enforce_csrf_checks=True)
        self.client.get("/api/session")

    def ask(self, method, path, body=None):
        return getattr(self.client, method)(
            f"/api{path}", body, content_type="application/json",
            headers={"x-csrftoken": self.client.cookies["csrftoken"].value})

    def signs_in(self, password=RIGHT):
        return self.ask("post", "/session", {"name": "mika", "password": password}).status_code

    def is_signed_in(self):
        return self.client.get("/api/session").json()["name"] == "mika"


def test_sessions_are_listed_and_ended_one_by_one(mika, other):
    here, elsewhere = Browser(), Browser("10.0.0.2")
    assert here.signs_in() == elsewhere.signs_in() == 200
    listed = here.client.get("/api/sessions").json()
    assert [(one["address"], one["here"]) for one in listed] == [
        ("10.0.0.2", False), ("10.0.0.1", True)]
    assert {one["device"] for one in listed} == {"Firefox on Linux"}
    assert here.ask("delete", f"/sessions/{listed[0]['id']}").status_code == 204
    assert here.is_signed_in() and not elsewhere.is_signed_in()
    assert len(here.client.get("/api/sessions").json()) == 1


def test_nobody_sees_or_ends_sessions_of_others_nor_with_a_token(mika, other):
    here = Browser()
    here.signs_in()
    key = SignIn.objects.get().pk
    other("get", "/sessions", status=401)
    mika("delete", f"/sessions/{key}", status=401)
    stranger = Browser("10.0.0.9")
    stranger.ask("post", "/session", {"name": "other", "password": RIGHT})
    assert stranger.ask("delete", f"/sessions/{key}").status_code == 404
    assert here.is_signed_in()


def test_a_changed_password_ends_the_other_sessions_and_this_one_stays_listed(mika):
    here, elsewhere = Browser(), Browser("10.0.0.2")
    here.signs_in(), elsewhere.signs_in()
    assert here.ask("put", "/password", {"old": RIGHT, "new": FRESH}).status_code == 204
    assert not elsewhere.is_signed_in()
    assert [one["here"] for one in here.client.get("/api/sessions").json()] == [True]


def test_being_seen_is_noted_to_the_hour(mika):
    here = Browser()
    here.signs_in()
    first = SignIn.objects.get().seen
    here.client.get("/api/courses")
    assert SignIn.objects.get().seen == first
    session = here.client.session
    session["seen"] -= 3_601
    session.save()
    here.client.get("/api/courses")
    assert SignIn.objects.get().seen > first


def test_sessions_that_have_ended_are_cleaned_away(mika):
    here, gone = Browser(), Browser()
    here.signs_in(), gone.signs_in()
    gone.ask("delete", "/session")
    clean()
    assert SignIn.objects.count() == 1 and here.is_signed_in()


@pytest.mark.parametrize(("agent", "words"), [
    (FIREFOX, "Firefox on Linux"), ("", "Unknown browser"), ("curl/8", "Unknown browser"),
    ("Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537.36 Chrome/140.0 Safari/537.36 Edg/140.0",
     "Edge on Windows"),
    ("Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) Version/18.0 Safari/604.1",
     "Safari on iPhone"),
])
def test_devices_are_told_in_words(agent, words):
    assert device_of(agent) == words


def forgets(name, browser=None):
    answer = (browser or Browser()).ask("post", "/password/forgotten", {"name": name})
    assert answer.status_code == 204
    return [re.search(r"/reset/(\S+)/(\S+)", sent.body).groups() for sent in mail.outbox]


@pytest.fixture
def with_mail(mika):
    mika.user.email = "mika@zigzag.example"
    mika.user.save()
    return mika


@pytest.mark.parametrize("name", ["mika", "Mika@Zigzag.example"])
def test_a_forgotten_password_is_chosen_anew_and_all_else_ends(with_mail, name):
    thief = Browser("10.0.0.66")
    thief.signs_in()
    (account, token), = forgets(name)
    assert mail.outbox[0].to == ["mika@zigzag.example"]
    here = Browser()
    body = {"account": account, "token": token, "new": FRESH}
    assert here.ask("post", "/password/reset", {**body, "new": "12345678"}).status_code == 422
    assert here.ask("post", "/password/reset", body).status_code == 204
    assert not thief.is_signed_in()
    with_mail("get", "/courses", status=401)
    assert here.signs_in() == 403 and here.signs_in(FRESH) == 200
    again = here.ask("post", "/password/reset", body)
    assert again.status_code == 403 and again.json()["code"] == "old_mail"


@pytest.mark.parametrize("name", ["nobody", "other", "x" * 254, "\x00", "nobody@zigzag.example"])
def test_who_asks_is_not_told_who_there_is(with_mail, other, name):
    assert forgets(name) == []


def test_mails_rest_for_a_while(with_mail):
    assert len(forgets("mika")) == 1
    assert len(forgets("mika")) == 1
    ResetMail.objects.update(sent=timezone.now() - timedelta(minutes=6))
    assert len(forgets("mika")) == 2


@pytest.mark.parametrize(("account", "token"), [
    ("", ""), ("MQ", "x"), ("MQ", "c0-1"), ("////", "a-b"), ("é", "é"), ("OTk5", "c0-1"),
    ("x" * 40, "y" * 100),
])
def test_a_made_up_address_changes_nothing(with_mail, account, token):
    answer = Browser().ask(
        "post", "/password/reset", {"account": account, "token": token, "new": FRESH})
    assert answer.status_code == 403 and answer.json()["code"] == "old_mail"
    assert Browser().signs_in() == 200


def test_a_mail_that_is_a_day_old_opens_nothing(with_mail, settings, monkeypatch):
    (account, token), = forgets("mika")
    monkeypatch.setattr(settings, "PASSWORD_RESET_TIMEOUT", -1)
    body = {"account": account, "token": token, "new": FRESH}
    assert Browser().ask("post", "/password/reset", body).status_code == 403


def test_the_mail_address_is_changed_with_the_password(mika):
    here = Browser()
    here.signs_in()

    def changes(address, password):
        answer = here.ask("put", "/account/mail", {"mail": address, "password": password})
        return answer.status_code

    assert changes("mika@zigzag.example", "guess") == 403
    assert changes("no address", RIGHT) == 422
    assert changes("mika@zigzag.example\nBcc: all@zigzag.example", RIGHT) == 422
    assert here.client.get("/api/account").json() == {"name": "mika", "mail": ""}
    assert changes("mika@zigzag.example", RIGHT) == 200
    assert here.client.get("/api/account").json()["mail"] == "mika@zigzag.example"


@pytest.mark.parametrize("path", ["/password/forgotten", "/password/reset"])
def test_no_other_page_asks_for_new_passwords(with_mail, path):
    browser = Client(enforce_csrf_checks=True, headers={"host": APP})
    answer = browser.post(f"/api{path}", {"name": "mika", "account": "", "token": "", "new": ""},
                          content_type="application/json")
    assert answer.status_code == 403 and not mail.outbox
