"""Texts travel compressed; what is compressed already, or only a part of a file, as it is."""

from django.http import HttpRequest, HttpResponseBase
from django.middleware.gzip import GZipMiddleware

_TEXTS = frozenset({
    "application/json", "application/javascript", "application/xml", "image/svg+xml",
    "text/css", "text/html", "text/javascript", "text/plain", "text/vtt", "text/xml",
})


class TextCompressionMiddleware(GZipMiddleware):
    """Compresses whole texts for browsers that take gzip. Others keep their ranges and lengths."""

    def process_response(
        self, request: HttpRequest, response: HttpResponseBase
    ) -> HttpResponseBase:
        """Return the answer, compressed where that makes it shorter."""
        type_ = response.get("Content-Type", "").partition(";")[0]
        if response.status_code != 200 or type_ not in _TEXTS:
            return response
        return super().process_response(request, response)
