"""Signing in and out, where one is signed in, passwords and the mail address."""

from datetime import datetime
from typing import Any

from django.conf import settings
from django.contrib.auth import authenticate, login, logout, update_session_auth_hash
from django.contrib.auth.models import User
from django.core.exceptions import ValidationError
from django.core.validators import validate_email
from django.http import HttpRequest, HttpResponse
from django.middleware.csrf import get_token
from ninja import Field, Router, Schema, Status
from ninja.utils import check_csrf

from zigzag_server.problems import Problem, not_found

from . import passwords, sessions
from .auth import Session, author
from .models import SignIn

router = Router(tags=["accounts"])


class SessionIn(Schema):
    """Login name and password."""

    name: str = Field(max_length=150)
    password: str = Field(max_length=200)


class SessionOut(Schema):
    """Who is signed in (None: nobody), where content is served from, whether there is a post room.
    """

    name: str | None
    content_origin: str
    post_room: bool


class SignInOut(Schema):
    """A session: `seen` is told to the hour, `here` is the one that asks."""

    id: int
    created: datetime
    seen: datetime
    address: str
    device: str
    here: bool


class AccountOut(Schema):
    """An author: mails for a new password go to `mail`."""

    name: str
    mail: str


class MailIn(Schema):
    """Another mail address (empty: none), and the password."""

    mail: str = Field(max_length=254)
    password: str = Field(max_length=200)


class PasswordIn(Schema):
    """The current password, and the new one."""

    old: str = Field(max_length=200)
    new: str = Field(max_length=200)


class ForgottenIn(Schema):
    """The login name or the mail address of who has forgotten the password."""

    name: str = Field(min_length=1, max_length=254)


class ResetIn(Schema):
    """What stands in the address of a mail for a new password, and the password."""

    account: str = Field(max_length=40)
    token: str = Field(max_length=100)
    new: str = Field(max_length=200)


def _session(request: HttpRequest) -> SessionOut:
    get_token(request)
    name = request.user.get_username() if request.user.is_authenticated else None
    return SessionOut(
        name=name, content_origin=settings.CONTENT_ORIGIN, post_room=settings.POST_ROOM)


def _rests() -> Problem:
    minutes = int(settings.AXES_COOLOFF_TIME.total_seconds() // 60)
    return Problem(429, "too_many", "Too many wrong passwords. Try again in "
                   f"{minutes} minutes; a session that is open goes on.")


def _from_a_page_of_ours(request: HttpRequest) -> None:
    if check_csrf(request) is not None:
        raise Problem(403, "csrf", "This page is out of date. Load it again and sign in there.")


def _knows(request: HttpRequest, user: User, password: str) -> None:
    """Raises a `Problem` unless this is the author's password."""
    if authenticate(request, username=user.get_username(), password=password) is None:
        raise _rests() if getattr(request, "axes_locked_out", False) else Problem(
            403, "wrong_login", "The current password is wrong. Nothing was changed.")


@router.get("/session", response=SessionOut, auth=None)
def get_session(request: HttpRequest) -> SessionOut:
    """Say who is signed in. Also sets the `csrftoken` cookie."""
    return _session(request)


@router.post("/session", response=SessionOut, auth=None)
def sign_in(request: HttpRequest, data: SessionIn) -> SessionOut:
    """Sign in with name and password, and with the `csrftoken` cookie as `X-CSRFToken`.

    Else another page could sign an author into an account of its own choice.
    """
    _from_a_page_of_ours(request)
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


@router.get("/sessions", response=list[SignInOut], auth=Session())
def list_sessions(request: HttpRequest) -> list[dict[str, Any]]:
    """List where you are signed in, from a session."""
    here = request.session.session_key
    return [
        {"id": one.pk, "created": one.created, "seen": one.seen, "address": one.address,
         "device": sessions.device_of(one.agent), "here": one.session_key == here}
        for one in sessions.sessions_of(author(request))
    ]


@router.delete("/sessions/{session_id}", response={204: None}, auth=Session())
def end_session(request: HttpRequest, session_id: int) -> Status[Any]:
    """End a session of yours: signs out there."""
    found = SignIn.objects.filter(owner=author(request), pk=session_id).first()
    if found is None:
        raise not_found("session")
    sessions.end([found])
    return Status(204, None)


@router.get("/account", response=AccountOut, auth=Session())
def get_account(request: HttpRequest) -> dict[str, str]:
    """Say who you are, from a session."""
    user = author(request)
    return {"name": user.get_username(), "mail": user.email}


@router.put("/account/mail", response=AccountOut, auth=Session())
def change_mail(request: HttpRequest, data: MailIn) -> dict[str, str]:
    """Change the mail address, from a session and with the password."""
    user = author(request)
    _knows(request, user, data.password)
    try:
        if data.mail:
            validate_email(data.mail)
    except ValidationError:
        raise Problem(422, "no_mail", f"“{data.mail}” is not an email address. Nothing was changed."
                      ) from None
    user.email = data.mail
    user.save(update_fields=["email"])
    return {"name": user.get_username(), "mail": user.email}


@router.put("/password", response={204: None}, auth=Session())
def change_password(request: HttpRequest, data: PasswordIn) -> Status[Any]:
    """Change the password, from a session. All other sessions end; tokens go on."""
    user = author(request)
    _knows(request, user, data.old)
    passwords.put(user, data.new)
    before = request.session.session_key
    update_session_auth_hash(request, user)
    SignIn.objects.filter(session_key=before).update(session_key=request.session.session_key)
    sessions.end_all(user, but=request.session.session_key)
    return Status(204, None)


@router.post("/password/forgotten", response={204: None}, auth=None)
def forget_password(request: HttpRequest, data: ForgottenIn) -> Status[Any]:
    """Have a mail sent with which a new password can be chosen.

    The answer is the same whether there is such an author or not.
    """
    _from_a_page_of_ours(request)
    passwords.ask_for_mail(data.name)
    return Status(204, None)


@router.post("/password/reset", response={204: None}, auth=None)
def reset_password(request: HttpRequest, data: ResetIn) -> Status[Any]:
    """Choose a new password with what stood in the mail. All sessions and tokens end."""
    _from_a_page_of_ours(request)
    passwords.reset(data.account, data.token, data.new)
    return Status(204, None)
