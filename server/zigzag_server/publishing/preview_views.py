"""The course as it is now, run by the player: served from the content's origin."""


from django.conf import settings
from django.core import signing
from django.http import Http404, HttpRequest, HttpResponse
from django.utils.html import escape
from zigzag_core.package.build import program_script
from zigzag_core.package.compile import NothingToPublish, compile_course

from zigzag_server.courses import files, store
from zigzag_server.courses.models import Course
from zigzag_server.origins import content_url

_SALT = "zigzag.preview"
_HOURS = 12

_PAGE = """<!doctype html>
<html lang="{language}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{title}</title>
<link rel="stylesheet" href="/static/player/player.css">
</head>
<body>
<div id="player" data-tracking="rehearse" data-app="{app}"></div>
<script>{program}</script>
<script src="/static/player/player.js"></script>
</body>
</html>
"""


def preview_url(row: Course) -> str:
    """Return an address that shows the course to whoever holds it, for some hours."""
    return content_url(f"/preview/{signing.dumps(row.pk, salt=_SALT)}/")


def preview(request: HttpRequest, token: str) -> HttpResponse:
    """Run the course as it is at this moment."""
    try:
        course_id = signing.loads(token, salt=_SALT, max_age=_HOURS * 3_600)
    except signing.BadSignature:
        raise Http404 from None
    row = Course.objects.filter(pk=course_id, deleted=None).first()
    if row is None:
        raise Http404
    try:
        program = compile_course(store.document_of(row), files.media_url)
    except NothingToPublish:
        return HttpResponse("<!doctype html><p>The course has no slides yet.", status=422)
    page = _PAGE.format(
        language=escape(program.language), title=escape(program.title),
        app=escape(settings.APP_ORIGIN), program=program_script(program).decode(),
    )
    return HttpResponse(page, headers={"Cache-Control": "no-store"})


