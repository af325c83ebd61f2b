"""The course as it is now, run by the player: served from the content's origin."""

from django.conf import settings
from django.core import signing
from django.http import Http404, HttpRequest, HttpResponse
from zigzag_core import course as core
from zigzag_core.errors import NothingToPublish
from zigzag_core.packaging.package import page, program_script

from zigzag_server.courses.models import Course
from zigzag_server.origins import content_url

from .programs import TakesLong, compiled_here, compiled_now

_SALT = "zigzag.preview"
_HOURS = 12
_FRESH = {"Cache-Control": "no-store"}
_POLICY = (
    "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; "
    "font-src 'self' data:; media-src 'self'; frame-src https:; object-src 'none'; "
    "base-uri 'none'; frame-ancestors {app}"
)


def preview_url(row: Course) -> str:
    """Return an address that shows the course to whoever holds it, for some hours."""
    return content_url(f"/preview/{signing.dumps(row.pk, salt=_SALT)}/")


def preview(request: HttpRequest, token: str) -> HttpResponse:
    """The page that runs the course as it is at this moment."""
    course = core.Course.model_validate(_course(token).document)
    scripts = ("program.js", "/static/player/player-rehearse.js")
    styles = ("/static/player/player.css",)
    shown = page(course, scripts, styles, settings.APP_ORIGIN)
    policy = _POLICY.format(app=settings.APP_ORIGIN)
    return HttpResponse(shown, headers={**_FRESH, "Content-Security-Policy": policy})


def preview_program(request: HttpRequest, token: str) -> HttpResponse:
    """The program beside that page."""
    row = _course(token)
    try:
        compiled = compiled_here(row)
    except TakesLong:
        # Saved since the preview was opened; the page that asks for its script cannot come again.
        compiled = compiled_now(row)
    except NothingToPublish:
        raise Http404 from None
    script = program_script(compiled.program)
    return HttpResponse(script, content_type="text/javascript; charset=utf-8", headers=_FRESH)


def _course(token: str) -> Course:
    try:
        course_id = signing.loads(token, salt=_SALT, max_age=_HOURS * 3_600)
    except signing.BadSignature:
        raise Http404 from None
    row = Course.objects.filter(pk=course_id, deleted=None).first()
    if row is None:
        raise Http404
    return row
