"""Signing visitors in as the demo author, under the demo command only."""

from collections.abc import Callable

from django.conf import settings
from django.contrib.auth import get_user_model, login
from django.http import HttpRequest, HttpResponseBase

DEMO_NAME = "mika"
DEMO_PASSWORD = "lamp-by-the-door"
_SIGNED_OUT = "demo_signed_out"


class DemoSignInMiddleware:
    """In demo mode a visitor from this machine starts out signed in, until they sign out."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponseBase]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponseBase:
        """Sign a new visitor in, then answer."""
        if settings.DEMO and self._is_new_here(request):
            user = get_user_model().objects.filter(username=DEMO_NAME).first()
            if user is not None:
                login(request, user, backend="django.contrib.auth.backends.ModelBackend")
        return self.get_response(request)

    def _is_new_here(self, request: HttpRequest) -> bool:
        return (
            request.method == "GET"
            and not request.path.startswith(("/api/", "/static/"))
            and request.META.get("REMOTE_ADDR") in ("127.0.0.1", "::1")
            and not hasattr(request, "urlconf")
            and not request.user.is_authenticated
            and _SIGNED_OUT not in request.COOKIES
        )
