"""The description of the API (OpenAPI): for authors only, as `make schema` has written it."""

from collections.abc import Callable
from functools import wraps
from typing import Any

from django.conf import settings
from django.http import FileResponse, HttpRequest, HttpResponseBase, JsonResponse

from .accounts.auth import signed_in

SIGNED_OUT = {"code": "signed_out", "message": "You are not signed in, or no longer."}
View = Callable[..., HttpResponseBase]


def for_authors(view: View) -> View:
    """Return `view` as one that asks for signing in."""
    @wraps(view, assigned=(), updated=())
    def guarded(request: HttpRequest, **more: Any) -> HttpResponseBase:
        if not any(way(request) for way in signed_in):
            return JsonResponse(SIGNED_OUT, status=401)
        return view(request, **more)

    return guarded


@for_authors
def description(request: HttpRequest) -> HttpResponseBase:
    """Return the description. To work it out anew would take seconds."""
    return FileResponse(settings.DESCRIPTION.open("rb"), content_type="application/json")
