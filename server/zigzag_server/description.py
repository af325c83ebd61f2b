"""The description of the API (OpenAPI): for authors only, and worked out once."""

from collections.abc import Callable
from functools import cached_property, wraps
from typing import Any

from django.http import HttpRequest, HttpResponse, JsonResponse
from ninja import NinjaAPI
from ninja.openapi.schema import OpenAPISchema

from .accounts.auth import signed_in

SIGNED_OUT = {"code": "signed_out", "message": "You are not signed in, or no longer."}
View = Callable[..., HttpResponse]


class DescribedApi(NinjaAPI):
    """An API whose description is made once: it takes seconds, and never changes."""

    @cached_property
    def _description(self) -> OpenAPISchema:
        return super().get_openapi_schema()

    def get_openapi_schema(
        self, *, path_prefix: str | None = None, path_params: dict[str, Any] | None = None
    ) -> OpenAPISchema:
        """Return the description; there is one for all addresses."""
        return self._description


def for_authors(view: View) -> View:
    """Return `view` as one that asks for signing in."""
    @wraps(view, assigned=(), updated=())
    def guarded(request: HttpRequest, **more: Any) -> HttpResponse:
        if not any(way(request) for way in signed_in):
            return JsonResponse(SIGNED_OUT, status=401)
        return view(request, **more)

    return guarded
