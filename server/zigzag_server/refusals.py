"""One form for every error of the API, also for those that come from below it."""

import logging
import sys
from collections.abc import Callable

from django.http import HttpRequest, HttpResponse, HttpResponseBase, JsonResponse

from .problems import passing

logger = logging.getLogger(__name__)
SOON = {"Retry-After": "5"}
"""What may be well in a moment is to be asked for again after so many seconds."""

_WORDS = {
    400: ("unreadable", "What was sent cannot be read. Nothing was changed."),
    403: ("forbidden", "This is not allowed. Nothing was changed."),
    404: ("not_found", "There is nothing at this address."),
    405: ("wrong_method", "Nothing can be done in this way at this address."),
    413: ("too_large", "What was sent is too large. Nothing was changed."),
}
_FAILED = (
    "failed", "Something went wrong in the server. What was saved before is kept; try again.")


class OneFormMiddleware:
    """Gives errors below `/api/` that are no JSON the form that all others have."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponseBase]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponseBase:
        """Answer, with a code and words for people where it is an error."""
        answer = self.get_response(request)
        status = answer.status_code
        is_json = answer.get("Content-Type", "").startswith("application/json")
        if status < 400 or is_json or not request.path.startswith("/api/"):
            return answer
        code, message = _WORDS.get(status, _FAILED)
        made = JsonResponse({"code": code, "message": message}, status=status)
        for name in ("Allow", "Retry-After"):
            if name in answer.headers:
                made[name] = answer[name]
        return made


def failed(request: HttpRequest) -> HttpResponse:
    """Answer where an error was caught nowhere; what may be well in a moment says so."""
    error = sys.exc_info()[1]
    if problem := passing(error):
        logger.error("%s %s: %s", request.method, request.path, error)
        return JsonResponse(problem.body, status=problem.status, headers=SOON)
    code, message = _FAILED
    return JsonResponse({"code": code, "message": message}, status=500)
