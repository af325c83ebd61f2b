"""Signing in and out, and personal tokens."""

from datetime import datetime
from typing import Any

from django.conf import settings
from django.contrib.auth import authenticate, login, logout, update_session_auth_hash
from django.contrib.auth.password_validation import validate_password
from django.core.exceptions import ValidationError
from django.http import HttpRequest, HttpResponse
from django.middleware.csrf import get_token
from ninja import Field, Router, Schema, Status
from ninja.security import SessionAuth
from ninja.utils import check_csrf

from zigzag_server.problems import Problem, not_found

from .auth import author
from .models import Token

router = Router(tags=["accounts"])


class SessionIn(Schema):
    """Login name and password."""

    name: str = Field(max_length=150)
    password: str = Field(max_length=200)


class SessionOut(Schema):
    """Who is signed in (None: nobody), and where content is served from."""

    name: str | None
    content_origin: str


class PasswordIn(Schema):
    """The password so far, and the one that is to be."""

    old: str = Field(max_length=200)
    new: str = Field(max_length=200)


class TokenIn(Schema):
    """A name for a new token, so that its owner knows it again."""

    name: str = Field(min_length=1, max_length=100)


class TokenOut(Schema):
    """A token as its owner sees it: never the secret itself."""

    id: int
    name: str
    created: datetime
    last_used: datetime | None


class NewToken(TokenOut):
    """A token just made; `secret` is shown this once."""

    secret: str


def _session(request: HttpRequest) -> SessionOut:
    get_token(request)
    name = request.user.get_username() if request.user.is_authenticated else None
    return SessionOut(name=name, content_origin=settings.CONTENT_ORIGIN)


def _rests() -> Problem:
    minutes = int(settings.AXES_COOLOFF_TIME.total_seconds() // 60)
    return Problem(429, "too_many", "Too many wrong passwords. Signing in rests for "
                   f"{minutes} minutes; a session that is open goes on.")


@router.get("/session", response=SessionOut, auth=None)
def get_session(request: HttpRequest) -> SessionOut:
    """Say who is signed in. Also sets the `csrftoken` cookie."""
    return _session(request)


@router.post("/session", response=SessionOut, auth=None)
def sign_in(request: HttpRequest, data: SessionIn) -> SessionOut:
    """Sign in with name and password, and with the `csrftoken` cookie as `X-CSRFToken`.

    Else another page could sign an author into an account of its own choice.
    """
    if check_csrf(request) is not None:
        raise Problem(403, "csrf", "This page is out of date. Load it again and sign in there.")
    user = authenticate(request, username=data.name, password=data.password)
    if getattr(request, "axes_locked_out", False):
        raise _rests()
    if user is None:
        raise Problem(403, "wrong_login", "The name or the password is wrong.")
    login(request, user)
    return _session(request)


@router.delete("/session", response=SessionOut)
def sign_out(request: HttpRequest, response: HttpResponse) -> SessionOut:
    """Sign out."""
    logout(request)
    response.set_cookie("demo_signed_out", "1", httponly=True, samesite="Lax")
    return _session(request)


@router.put("/password", response={204: None}, auth=SessionAuth())
def change_password(request: HttpRequest, data: PasswordIn) -> Status[Any]:
    """Change the password, from a session. All other sessions end; tokens go on."""
    user = author(request)
    if authenticate(request, username=user.get_username(), password=data.old) is None:
        raise _rests() if getattr(request, "axes_locked_out", False) else Problem(
            403, "wrong_login", "The password so far is another one. Nothing was changed.")
    try:
        validate_password(data.new, user)
    except ValidationError as error:
        words = " ".join(error.messages)
        raise Problem(422, "weak_password", f"{words} Nothing was changed.") from None
    user.set_password(data.new)
    user.save(update_fields=["password"])
    update_session_auth_hash(request, user)
    return Status(204, None)


@router.get("/tokens", response=list[TokenOut])
def list_tokens(request: HttpRequest) -> list[Token]:
    """List the personal tokens."""
    return list(Token.objects.filter(owner=author(request)).order_by("-created"))


@router.post("/tokens", response={201: NewToken})
def make_token(request: HttpRequest, data: TokenIn) -> Status[Any]:
    """Make a personal token for scripts."""
    token, secret = Token.issue(author(request), data.name)
    made = NewToken(
        id=token.pk, name=token.name, created=token.created, last_used=None, secret=secret
    )
    return Status(201, made)


@router.delete("/tokens/{token_id}", response={204: None})
def revoke_token(request: HttpRequest, token_id: int) -> Status[Any]:
    """Revoke a personal token."""
    deleted, _ = Token.objects.filter(owner=author(request), pk=token_id).delete()
    if not deleted:
        raise not_found("token")
    return Status(204, None)
