"""Two origins from one server: the app's, which holds the session, and the learners' content's."""

from collections.abc import Callable
from urllib.parse import urlsplit

from django.conf import settings
from django.http import HttpRequest, HttpResponse, HttpResponseBase

_GetResponse = Callable[[HttpRequest], HttpResponseBase]


def content_url(path: str) -> str:
    """Return the address of `path` on the content's origin."""
    return f"{settings.CONTENT_ORIGIN}{path}"


def _app_policy() -> str:
    content = settings.CONTENT_ORIGIN
    return (
        "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; "
        f"img-src 'self' {content} data: blob:; font-src 'self' data:; connect-src 'self'; "
        f"media-src {content} blob:; "
        f"frame-src {content}; object-src 'none'; base-uri 'none'; form-action 'self'; "
        "frame-ancestors 'none'"
    )


class OriginsMiddleware:
    """Sends each request to the URLs of its origin, and sets what a browser may do there."""

    def __init__(self, get_response: _GetResponse) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponseBase:
        """Answer from the URLs of the request's origin."""
        host = request.get_host()
        if host == urlsplit(settings.CONTENT_ORIGIN).netloc:
            request.urlconf = settings.CONTENT_URLCONF
            # Whatever cookie a content page may have been given, it means nothing here.
            request.COOKIES.clear()
            response = self.get_response(request)
            response.headers.setdefault(
                "Content-Security-Policy", f"frame-ancestors 'self' {settings.APP_ORIGIN}"
            )
            return response
        if host != urlsplit(settings.APP_ORIGIN).netloc:
            return HttpResponse(
                f"Zigzag is at {settings.APP_ORIGIN}.", status=421, content_type="text/plain"
            )
        response = self.get_response(request)
        response.headers.setdefault("Content-Security-Policy", _app_policy())
        return response
