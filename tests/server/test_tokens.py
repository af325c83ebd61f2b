"""Personal tokens: what they are good for, for how long, and what ends with them."""

from datetime import timedelta

import pytest
from django.utils import timezone
from zigzag_server.accounts.models import Token

from .conftest import Api


def made(api, **more):
    answer = api("post", "/tokens", {"name": "script", **more}, status=201)
    return answer["id"], Api(answer["secret"])


def test_a_token_that_reads_does_not_write(mika, course):
    _, reader = made(mika, scope="read")
    assert reader("get", f"/courses/{course}", status=200)["slides"]
    refused = reader("post", "/courses", {"title": "x"}, status=403)
    assert refused["code"] == "only_reads" and "script" in refused["message"]
    reader("delete", f"/courses/{course}", status=403)
    assert mika("get", "/courses", status=200)[0]["slug"] == course


def test_a_token_ends(mika):
    key, script = made(mika, days=1)
    script("get", "/courses", status=200)
    Token.objects.filter(pk=key).update(expires=timezone.now())
    script("get", "/courses", status=401)
    listed = mika("get", "/tokens", status=200)
    assert key in [one["id"] for one in listed], "its owner sees that it has ended"


@pytest.mark.parametrize("days", [0, 367, "soon"])
def test_a_token_has_an_end_within_a_year(mika, days):
    mika("post", "/tokens", {"name": "script", "days": days}, status=422)


def test_a_token_made_with_another_can_no_more_and_ends_with_it(mika):
    key, parent = made(mika, days=10)
    _, child = made(parent, days=300)
    _, grandchild = made(child)
    ends = [one["expires"] for one in mika("get", "/tokens", status=200)[:3]]
    assert len(set(ends)) == 1, "none goes on for longer than the first"
    mika("delete", f"/tokens/{key}", status=204)
    for one in (parent, child, grandchild):
        one("get", "/courses", status=401)
    mika("get", "/courses", status=200)


def test_use_is_noted_to_the_hour_and_not_by_every_request(mika, django_assert_num_queries):
    key, script = made(mika)
    script("get", "/tokens", status=200)
    noted = Token.objects.get(pk=key).last_used
    assert noted is not None
    with django_assert_num_queries(2):
        script("get", "/tokens", status=200)
    assert Token.objects.get(pk=key).last_used == noted
    Token.objects.filter(pk=key).update(last_used=noted - timedelta(minutes=61))
    script("get", "/tokens", status=200)
    assert Token.objects.get(pk=key).last_used > noted


def test_there_are_not_more_tokens_than_a_hundred(mika):
    for _ in range(99):
        Token.issue(mika.user, "script")
    mika("post", "/tokens", {"name": "one more"}, status=429)
