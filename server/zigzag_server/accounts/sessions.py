"""Where an author is signed in, and ending it."""

from axes.helpers import get_client_ip_address
from django.contrib.auth.models import User
from django.contrib.auth.signals import user_logged_in
from django.contrib.sessions.models import Session
from django.dispatch import receiver
from django.http import HttpRequest
from django.utils import timezone

from .models import SignIn

_BROWSERS = (("Edg", "Edge"), ("OPR", "Opera"), ("Firefox", "Firefox"), ("Chrom", "Chrome"),
             ("Safari", "Safari"))
_SYSTEMS = (("Android", "Android"), ("iPhone", "iPhone"), ("iPad", "iPad"), ("Windows", "Windows"),
            ("Mac OS", "macOS"), ("CrOS", "ChromeOS"), ("Linux", "Linux"))


@receiver(user_logged_in)
def note(sender: type[User], request: HttpRequest, user: User, **more: object) -> None:
    """Note a session as it begins."""
    key = request.session.session_key
    request.session["seen"] = timezone.now().timestamp()
    if key:
        SignIn.objects.update_or_create(session_key=key, defaults={
            "owner": user, "address": get_client_ip_address(request) or "",
            "agent": request.META.get("HTTP_USER_AGENT", "")[:300]})


def sessions_of(user: User) -> list[SignIn]:
    """Return the sessions of an author that have not ended, the last seen first."""
    found = SignIn.objects.filter(owner=user).order_by("-seen", "-pk")
    alive = set(Session.objects.filter(
        session_key__in=[one.session_key for one in found], expire_date__gt=timezone.now(),
    ).values_list("session_key", flat=True))
    return [one for one in found if one.session_key in alive]


def end(sessions: list[SignIn]) -> None:
    """End sessions: their next request is nobody's."""
    keys = [one.session_key for one in sessions]
    Session.objects.filter(session_key__in=keys).delete()
    SignIn.objects.filter(session_key__in=keys).delete()


def end_all(user: User, but: str | None = None) -> None:
    """End all sessions of an author, but the one with the key `but`."""
    end([one for one in SignIn.objects.filter(owner=user) if one.session_key != but])


def device_of(agent: str) -> str:
    """Return in words what a browser says that it is, such as "Firefox on Linux"."""
    browser = next((name for sign, name in _BROWSERS if sign in agent), "")
    system = next((name for sign, name in _SYSTEMS if sign in agent), "")
    return " on ".join(part for part in (browser, system) if part) or "Unknown browser"
