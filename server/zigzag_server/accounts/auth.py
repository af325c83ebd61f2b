"""Who is asking: a session with its CSRF token, or a personal token."""

from contextlib import suppress

from django.contrib.auth.models import User
from django.db import OperationalError
from django.http import HttpRequest
from django.utils import timezone
from ninja.security import HttpBearer, SessionAuth

from zigzag_server.problems import Problem

from .models import SEEN_EVERY, Scope, SignIn, Token, digest

_TOKEN = "zigzag.token"
_READING = {"GET", "HEAD", "OPTIONS"}


class PersonalToken(HttpBearer):
    """`Authorization: Bearer` with a personal token."""

    def authenticate(self, request: HttpRequest, token: str) -> User | None:
        """Return the owner of a token and note its use; None where nobody has it, or no longer.

        Raises a 403 `Problem` for writing with a token that only reads.
        """
        now = timezone.now()
        found = Token.objects.select_related("owner").filter(
            digest=digest(token), expires__gt=now).first()
        if found is None or not found.owner.is_active:
            return None
        if found.scope == Scope.READ and request.method not in _READING:
            raise Problem(403, "only_reads", f"The token “{found.name}” can only read. Nothing was "
                          "changed.")
        if found.last_used is None or now - found.last_used > SEEN_EVERY:
            # A database that cannot be written is no reason not to read.
            with suppress(OperationalError):
                Token.objects.filter(pk=found.pk).update(last_used=now)
        request.user = found.owner
        request.META[_TOKEN] = found
        return found.owner


class Session(SessionAuth):
    """The session of a page, with its CSRF token."""

    def authenticate(self, request: HttpRequest, key: str | None) -> User | None:
        """Return who is signed in and note that they were seen; None for nobody."""
        user = super().authenticate(request, key)
        now = timezone.now()
        if user and now.timestamp() - request.session.get("seen", 0) > SEEN_EVERY.total_seconds():
            with suppress(OperationalError):
                SignIn.objects.filter(session_key=key).update(seen=now)
                request.session["seen"] = now.timestamp()
        return user


signed_in = [PersonalToken(), Session()]


def author(request: HttpRequest) -> User:
    """Return the author who is asking; only called where signing in is required."""
    assert isinstance(request.user, User)
    return request.user


def token_of(request: HttpRequest) -> Token | None:
    """Return the token that is asking; None for a session."""
    found = request.META.get(_TOKEN)
    return found if isinstance(found, Token) else None
