"""Personal tokens. Authors are Django's own users."""

import hashlib
import secrets

from django.conf import settings
from django.db import models


class Token(models.Model):
    """A personal token for scripts. Only its hash is kept; the token is shown once."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    name = models.CharField(max_length=100)
    digest = models.CharField(max_length=64, unique=True)
    created = models.DateTimeField(auto_now_add=True)
    last_used = models.DateTimeField(null=True)

    @classmethod
    def issue(cls, owner: models.Model, name: str) -> tuple["Token", str]:
        """Return a new token of `owner` and the secret that stands for it."""
        secret = f"zz_{secrets.token_urlsafe(32)}"
        return cls.objects.create(owner=owner, name=name, digest=digest(secret)), secret


def digest(secret: str) -> str:
    """Return what is stored of the secret of a token: its SHA-256."""
    return hashlib.sha256(secret.encode()).hexdigest()
