"""The description of the API (OpenAPI): for authors only, as `make schema` has written it."""

from collections.abc import Callable
from functools import wraps
from typing import Any

from django.conf import settings
from django.http import FileResponse, HttpRequest, HttpResponseBase, JsonResponse
from ninja import NinjaAPI
from ninja.openapi.schema import OpenAPISchema

from .accounts.auth import signed_in

SIGNED_OUT = {"code": "signed_out", "message": "You are not signed in, or no longer."}
TYPE = "x-file-type"
"""In `openapi_extra` of an operation that answers with a file: the content types it may have."""
_REFUSED = {
    "type": "object", "required": ["code", "message"], "title": "Refused",
    "description": "What was not done: a code for programs, words for people.",
    "properties": {"code": {"type": "string"}, "message": {"type": "string"}},
}
View = Callable[..., HttpResponseBase]


def for_authors(view: View) -> View:
    """Return `view` as one that asks for signing in."""
    @wraps(view, assigned=(), updated=())
    def guarded(request: HttpRequest, **more: Any) -> HttpResponseBase:
        if not any(way(request) for way in signed_in):
            return JsonResponse(SIGNED_OUT, status=401)
        return view(request, **more)

    return guarded


class DescribedApi(NinjaAPI):
    """An API whose description tells of files as files, and in which form it refuses."""

    def get_openapi_schema(
        self, *, path_prefix: str | None = None, path_params: dict[str, Any] | None = None
    ) -> OpenAPISchema:
        """Return the description, worked out anew."""
        made = super().get_openapi_schema(path_prefix=path_prefix, path_params=path_params)
        made["components"]["responses"] = {"Refused": {
            "description": _REFUSED["description"],
            "content": {"application/json": {"schema": _REFUSED}},
        }}
        for path in made["paths"].values():
            for operation in path.values():
                if types := operation.pop(TYPE, ()):
                    file = {"schema": {"type": "string", "format": "binary"}}
                    operation["responses"][200]["content"] = dict.fromkeys(types, file)
                for status in ("4XX", "5XX"):
                    operation["responses"][status] = {"$ref": "#/components/responses/Refused"}
        return made


@for_authors
def description(request: HttpRequest) -> HttpResponseBase:
    """Return the description. To work it out anew would take seconds."""
    return FileResponse(settings.DESCRIPTION.open("rb"), content_type="application/json")
