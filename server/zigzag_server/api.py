"""The one API through which everything goes. Described at `/api/docs` and `/api/openapi.json`."""

import logging
from typing import Any

import pydantic
from django.http import HttpRequest, HttpResponse
from ninja import NinjaAPI
from ninja.errors import AuthenticationError, ValidationError
from zigzag_core.errors import Refusal

from .accounts.api import router as accounts
from .accounts.auth import signed_in
from .courses.api import router as courses
from .courses.does_api import router as does
from .courses.edits_api import router as edits
from .courses.history_api import router as history
from .courses.layouts_api import router as layouts
from .courses.media_api import router as media
from .courses.questions_api import router as questions
from .jobs.api import router as jobs
from .practice.api import router as practice
from .problems import Problem, problem_of
from .publishing.api import router as publishing

logger = logging.getLogger(__name__)

api = NinjaAPI(
    title="Zigzag",
    version="1",
    description=(
        "Make, publish and try courses. Sign in with a session (`POST /api/session`, then send "
        "the `csrftoken` cookie back as `X-CSRFToken`), or send a personal token as "
        "`Authorization: Bearer …` (`POST /api/tokens`)."
    ),
    auth=signed_in,
    docs_url="/docs",
)
api.add_router("", accounts)
api.add_router("", courses)
api.add_router("", media)
api.add_router("", history)
api.add_router("/edits", edits)
api.add_router("/edits", does)
api.add_router("/edits", layouts)
api.add_router("/edits", questions)
api.add_router("", publishing)
api.add_router("", jobs)
api.add_router("/practice", practice)


@api.exception_handler(Problem)
def _problem(request: HttpRequest, problem: Problem) -> HttpResponse:
    return api.create_response(request, problem.body, status=problem.status)


@api.exception_handler(Refusal)
def _refused(request: HttpRequest, refusal: Refusal) -> HttpResponse:
    return _problem(request, problem_of(refusal))


@api.exception_handler(AuthenticationError)
def _unauthenticated(request: HttpRequest, error: AuthenticationError) -> HttpResponse:
    body = {"code": "signed_out", "message": "You are not signed in, or no longer."}
    return api.create_response(request, body, status=401)


@api.exception_handler(ValidationError)
def _invalid(request: HttpRequest, error: ValidationError) -> HttpResponse:
    body: dict[str, Any] = {
        "code": "invalid",
        "message": "Nothing was changed: " + _first(error.errors),
        "errors": error.errors,
    }
    return api.create_response(request, body, status=422)


@api.exception_handler(pydantic.ValidationError)
def _impossible(request: HttpRequest, error: pydantic.ValidationError) -> HttpResponse:
    """What an edit would make is no valid course any more, such as one of too many elements."""
    logger.warning("%s made what is not valid: %s", request.path, error)
    found = [dict(one) for one in error.errors(include_url=False, include_context=False)]
    body = {
        "code": "impossible",
        "message": "That cannot be done, and nothing was changed. " + _first(found, 0),
    }
    return api.create_response(request, body, status=422)


def _first(errors: list[dict[str, Any]], skipped: int = 2) -> str:
    """The first of the `errors` in words; so many names of its place are not the reader's."""
    first = errors[0] if errors else {"loc": (), "msg": "the request is not valid"}
    path = " › ".join(str(part) for part in first["loc"][skipped:])
    words = str(first["msg"]).removeprefix("Value error, ")
    words = words[:1].lower() + words[1:] if path else words
    return f"{path}: {words}" if path else words
