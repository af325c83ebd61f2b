"""The app's addresses: the API, and one page for everything else."""

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.urls import path, re_path
from django.views.decorators.csrf import ensure_csrf_cookie

from .api import api
from .description import description


@ensure_csrf_cookie
def app_page(request: HttpRequest) -> HttpResponse:
    """The workbench and the practice LMS: one page that finds its way by the address."""
    page = settings.WEB_DIST / "app" / "index.html"
    if not page.exists():
        return HttpResponse("The web pages are not built yet: run `make build`.", status=503)
    return HttpResponse(page.read_bytes())


urlpatterns = [
    path("api/openapi.json", description),
    path("api/", api.urls),
    re_path(r"^(?!static/|api/).*$", app_page),
]

handler500 = "zigzag_server.refusals.failed"
