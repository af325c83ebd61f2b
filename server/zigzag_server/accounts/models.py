"""Personal tokens, and where authors are signed in. Authors are Django's own users."""

import hashlib
import secrets
from datetime import timedelta

from django.conf import settings
from django.db import models
from django.utils import timezone

SEEN_EVERY = timedelta(hours=1)
"""Use is noted to the hour, so that not every request writes."""


class Scope(models.TextChoices):
    """What a token is good for."""

    READ = "read"
    ALL = "all"


class Token(models.Model):
    """A personal token for scripts. Only its hash is kept; the token is shown once.

    One that was made with another token ends with that one.
    """

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    parent = models.ForeignKey("self", on_delete=models.CASCADE, null=True)
    name = models.CharField(max_length=100)
    digest = models.CharField(max_length=64, unique=True)
    scope = models.CharField(max_length=4, choices=Scope.choices, default=Scope.ALL)
    created = models.DateTimeField(auto_now_add=True)
    expires = models.DateTimeField()
    last_used = models.DateTimeField(null=True)

    @classmethod
    def issue(
        cls, owner: models.Model, name: str, scope: str = Scope.ALL, days: int = 90,
        parent: "Token | None" = None,
    ) -> tuple["Token", str]:
        """Return a new token of `owner` and the secret that stands for it.

        It can do no more than its `parent`, and not for longer.
        """
        secret = f"zz_{secrets.token_urlsafe(32)}"
        expires = timezone.now() + timedelta(days=days)
        if parent is not None:
            scope = Scope.READ if parent.scope == Scope.READ else scope
            expires = min(expires, parent.expires)
        made = cls.objects.create(
            owner=owner, parent=parent, name=name, digest=digest(secret), scope=scope,
            expires=expires)
        return made, secret


class SignIn(models.Model):
    """A session of an author: since when, last seen when, from where and with what."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    session_key = models.CharField(max_length=40, unique=True)
    created = models.DateTimeField(auto_now_add=True)
    seen = models.DateTimeField(auto_now_add=True)
    address = models.CharField(max_length=45, blank=True)
    agent = models.CharField(max_length=300, blank=True)


class ResetMail(models.Model):
    """That a mail for a new password was asked for, so that not many are."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    sent = models.DateTimeField(auto_now_add=True)


def digest(secret: str) -> str:
    """Return what is stored of the secret of a token: its SHA-256."""
    return hashlib.sha256(secret.encode()).hexdigest()
