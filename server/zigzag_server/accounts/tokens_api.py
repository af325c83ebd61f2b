"""Personal tokens for scripts."""

from datetime import datetime
from typing import Any, Literal

from django.http import HttpRequest
from ninja import Field, Router, Schema, Status

from zigzag_server.problems import Problem, not_found

from .auth import author, token_of
from .models import Token

router = Router(tags=["accounts"])

MOST = 100
"""So many tokens may an author have."""


class TokenIn(Schema):
    """A new token: a name, so that its owner knows it again, what it is good for, how long."""

    name: str = Field(min_length=1, max_length=100)
    scope: Literal["read", "all"] = "all"
    days: int = Field(default=90, ge=1, le=366)


class TokenOut(Schema):
    """A token as its owner sees it: never the secret itself. `last_used` is told to the hour."""

    id: int
    name: str
    scope: Literal["read", "all"]
    created: datetime
    expires: datetime
    last_used: datetime | None


class NewToken(TokenOut):
    """A token just made; `secret` is shown this once."""

    secret: str


@router.get("/tokens", response=list[TokenOut])
def list_tokens(request: HttpRequest) -> list[Token]:
    """List the personal tokens, also those that have ended."""
    return list(Token.objects.filter(owner=author(request)).order_by("-created"))


@router.post("/tokens", response={201: NewToken})
def make_token(request: HttpRequest, data: TokenIn) -> Status[Any]:
    """Make a personal token for scripts.

    One that is made with a token can do no more than that one, and ends with it.
    """
    user = author(request)
    if Token.objects.filter(owner=user).count() >= MOST:
        raise Problem(429, "too_many_tokens", f"You have {MOST} tokens. Nothing was made: revoke "
                      "some first.")
    token, secret = Token.issue(user, data.name, data.scope, data.days, token_of(request))
    return Status(201, NewToken.model_validate(
        {**TokenOut.from_orm(token).model_dump(), "secret": secret}))


@router.delete("/tokens/{token_id}", response={204: None})
def revoke_token(request: HttpRequest, token_id: int) -> Status[Any]:
    """Revoke a personal token, and those that were made with it."""
    deleted, _ = Token.objects.filter(owner=author(request), pk=token_id).delete()
    if not deleted:
        raise not_found("token")
    return Status(204, None)
