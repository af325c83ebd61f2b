"""Who is asking: a session with its CSRF token, or a personal token."""


from django.contrib.auth.models import User
from django.http import HttpRequest
from django.utils import timezone
from ninja.security import HttpBearer, SessionAuth

from .models import Token, digest


class PersonalToken(HttpBearer):
    """`Authorization: Bearer` with a personal token."""

    def authenticate(self, request: HttpRequest, token: str) -> User | None:
        """Return the owner of a token and note its use; None where nobody has it."""
        found = Token.objects.select_related("owner").filter(digest=digest(token)).first()
        if found is None or not found.owner.is_active:
            return None
        Token.objects.filter(pk=found.pk).update(last_used=timezone.now())
        request.user = found.owner
        return found.owner


signed_in = [PersonalToken(), SessionAuth()]


def author(request: HttpRequest) -> User:
    """Return the author who is asking; only called where signing in is required."""
    assert isinstance(request.user, User)
    return request.user
