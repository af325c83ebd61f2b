"""The one API through which everything goes. Described at `/api/docs` and `/api/openapi.json`."""

import logging
from typing import Any, cast

import pydantic
from django.conf import settings
from django.core.exceptions import RequestDataTooBig
from django.http import HttpRequest, HttpResponse
from ninja.errors import AuthenticationError, HttpError, ValidationError
from ninja.parser import Parser
from zigzag_core.course.json_text import NotPlain, read_json
from zigzag_core.errors import Refusal

from .accounts.api import router as accounts
from .accounts.auth import signed_in
from .accounts.tokens_api import router as tokens
from .banks.api import router as banks
from .courses.api import router as courses
from .courses.dialogues_api import router as dialogues
from .courses.does_api import router as does
from .courses.edits_api import router as edits
from .courses.history_api import router as history
from .courses.layouts_api import router as layouts
from .courses.media_api import router as media
from .courses.questions_api import router as questions
from .courses.quiz_edits_api import router as quiz_edits
from .courses.script_api import router as script
from .courses.whole_edits_api import router as whole_edits
from .description import SIGNED_OUT, DescribedApi, for_authors
from .jobs.api import router as jobs
from .post.api import router as post
from .practice.api import router as practice
from .problems import Problem, problem_of
from .publishing.api import router as publishing
from .publishing.quizzes_api import router as quizzes
from .records.api import router as records

logger = logging.getLogger(__name__)

class PlainJson(Parser):
    """Takes of a body only what can be kept and given again."""

    def parse_body(self, request: HttpRequest) -> dict[str, Any]:
        """Return what the body says; raises `NotPlain`.

        Only what is sent as JSON: a form of another page cannot send that.
        """
        if request.content_type != "application/json":
            raise NotPlain("it is not sent as application/json")
        return cast(dict[str, Any], read_json(request.body))


api = DescribedApi(
    title="Zigzag",
    version="1",
    description=(
        "Make, publish and try courses. Sign in with a session (`GET /api/session` sets the "
        "cookie `csrftoken`; send it back as `X-CSRFToken` from `POST /api/session` on), or send "
        "a personal token as `Authorization: Bearer …` (`POST /api/tokens`)."
    ),
    auth=signed_in,
    parser=PlainJson(),
    docs_url="/docs",
    docs_decorator=for_authors,
)
api.add_router("", accounts)
api.add_router("", tokens)
api.add_router("", courses)
api.add_router("", media)
api.add_router("", history)
api.add_router("/edits", edits)
api.add_router("/edits", whole_edits)
api.add_router("", script)
api.add_router("/edits", does)
api.add_router("/edits", dialogues)
api.add_router("/edits", layouts)
api.add_router("/edits", quiz_edits)
api.add_router("/edits", questions)
api.add_router("", publishing)
api.add_router("", quizzes)
api.add_router("", post)
api.add_router("", banks)
api.add_router("", jobs)
api.add_router("/practice", practice)
api.add_router("/practice/records", records)


@api.exception_handler(Problem)
def _problem(request: HttpRequest, problem: Problem) -> HttpResponse:
    return api.create_response(request, problem.body, status=problem.status)


@api.exception_handler(Refusal)
def _refused(request: HttpRequest, refusal: Refusal) -> HttpResponse:
    return _problem(request, problem_of(refusal))


@api.exception_handler(AuthenticationError)
def _unauthenticated(request: HttpRequest, error: AuthenticationError) -> HttpResponse:
    return api.create_response(request, SIGNED_OUT, status=401)


@api.exception_handler(HttpError)
def _unreadable(request: HttpRequest, error: HttpError) -> HttpResponse:
    """A body that cannot be read, or a session without its CSRF token."""
    if error.status_code == 403:
        body = {"code": "csrf", "message": "This page is out of date. Load it again. What you "
                "changed is kept in this browser."}
        return api.create_response(request, body, status=403)
    reason = f": {error.__cause__}" if isinstance(error.__cause__, NotPlain) else ""
    body = {"code": "unreadable",
            "message": f"What was sent cannot be read{reason}. Nothing was changed."}
    return api.create_response(request, body, status=error.status_code)


@api.exception_handler(RequestDataTooBig)
def _too_large(request: HttpRequest, error: RequestDataTooBig) -> HttpResponse:
    most = settings.DATA_UPLOAD_MAX_MEMORY_SIZE // 1_000_000
    return _problem(request, Problem(
        413, "too_large", f"What was sent is larger than {most} MB. Nothing was changed."))


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
