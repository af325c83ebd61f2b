"""Keys to the record store: Basic authentication (RFC 7617)."""

import base64
import binascii
import hashlib
import secrets

from django.contrib.auth.models import User

from .models import Key


def make_key(owner: User, name: str, registration: str = "") -> tuple[Key, str]:
    """Make a key; return it with its credentials as they stand behind ``Basic``."""
    credentials = base64.b64encode(
        f"{secrets.token_urlsafe(12)}:{secrets.token_urlsafe(32)}".encode()).decode()
    key = Key.objects.create(
        owner=owner, name=name[:200], registration=registration, secret=_sum(credentials))
    return key, credentials


def key_of(authorization: str) -> Key | None:
    """Return the key that a header shows; None where it shows none that is known."""
    scheme, _, credentials = authorization.partition(" ")
    if scheme.lower() != "basic":
        return None
    try:
        base64.b64decode(credentials, validate=True)
    except (binascii.Error, ValueError):
        return None
    return Key.objects.select_related("owner").filter(secret=_sum(credentials)).first()


def _sum(credentials: str) -> str:
    return hashlib.sha256(credentials.encode()).hexdigest()
