"""Running packages on the content's origin.

The run-time API runs in a page of this origin around the package, so that the package finds it
as the standard says and is answered at once; what it commits goes to the server from there. The
practice LMS's pages show that page in a sandboxed frame of another origin.
"""

import mimetypes
from datetime import UTC, datetime
from typing import Any, BinaryIO, cast

from django.conf import settings
from django.core.exceptions import SuspiciousOperation
from django.core.files.storage import default_storage
from django.db import IntegrityError
from django.http import Http404, HttpRequest, HttpResponse, HttpResponseBase, JsonResponse
from django.shortcuts import render
from django.views.decorators.cache import cache_control
from django.views.decorators.csrf import csrf_exempt
from django.views.decorators.http import require_POST
from zigzag_core.course.json_text import NotPlain, read_json

from zigzag_server.ranges import file_response

from . import runs, sessions5
from .models import Call, Launch

_SANDBOX = ("sandbox allow-scripts allow-same-origin allow-forms allow-popups allow-modals "
            "allow-top-navigation")
"""A package may close the window that it runs in. In a frame the frame's own sandbox forbids it."""
MOST_CALLS = 20_000


def _visit(token: str) -> Launch:
    found = Launch.objects.select_related("attempt__sco__package").filter(token=token).first()
    if found is None:
        raise Http404
    return found


@cache_control(no_store=True)
def launch_page(request: HttpRequest, token: str) -> HttpResponse:
    """The page around a package: it holds the run-time API."""
    visit = _visit(token)
    sco = visit.attempt.sco
    response = render(request, "practice/launch.html", {
        "title": sco.package.title,
        "package": f"/run/{token}/{_address(visit)}",
        "launch": {
            "start": runs.starting_data(visit),
            "commitUrl": f"/launch/{token}/commit", "callsUrl": f"/launch/{token}/calls",
            "masteryOverride": sco.mastery_score is not None, "app": settings.APP_ORIGIN,
            "standard": sco.package.standard,
            "callsBefore": visit.calls.count(), "crashUrl": f"/launch/{token}/crash",
        },
    })
    # In a window of its own it tells the page that has opened it.
    response["Cross-Origin-Opener-Policy"] = "unsafe-none"
    return response


def _address(visit: Launch) -> str:
    sco = visit.attempt.sco
    is_5 = sco.package.standard == "cmi5"
    return sessions5.address(visit) if is_5 else f"{sco.launch}{sco.parameters}"


@csrf_exempt
@require_POST
def fetch_token(request: HttpRequest, token: str) -> JsonResponse:
    """Give a package of cmi5 its token to the record store, once."""
    return JsonResponse(sessions5.give_token(_visit(token)))


@csrf_exempt
@require_POST
def crash(request: HttpRequest, token: str) -> HttpResponse:
    """What a package of cmi5 says from now on reaches nobody."""
    sessions5.crash(_visit(token))
    return HttpResponse(status=204)


def left(request: HttpRequest, token: str) -> HttpResponse:
    """The page to which a package of cmi5 returns."""
    _visit(token)
    return render(request, "practice/left.html")


def package_file(request: HttpRequest, token: str, path: str) -> HttpResponseBase:
    """A file of the package that is being run."""
    folder = _visit(token).attempt.sco.package.folder
    try:
        file = default_storage.open(f"{folder}/{path}")
    except (FileNotFoundError, IsADirectoryError, SuspiciousOperation, ValueError, OSError):
        raise Http404 from None
    type_, _ = mimetypes.guess_type(path)
    type_ = type_ or "application/octet-stream"
    return file_response(request, cast(BinaryIO, file), file.size, type_, {
        "Content-Security-Policy": (
            f"{_SANDBOX}; form-action 'self'; frame-ancestors 'self' {settings.APP_ORIGIN}"),
        "Cache-Control": "private, max-age=60",
    })


def _body(request: HttpRequest) -> object:
    try:
        return read_json(request.body)
    except NotPlain:
        return None


@csrf_exempt
@require_POST
def commit(request: HttpRequest, token: str) -> JsonResponse:
    """Keep what the run-time API commits; answers in the form that its library expects."""
    body = _body(request)
    cmi = body.get("cmi") if isinstance(body, dict) else None
    if not isinstance(cmi, dict):
        return JsonResponse({"result": False, "errorCode": 101}, status=400)
    if not runs.commit(token, cmi, finished=request.GET.get("finish") == "true"):
        raise Http404
    return JsonResponse({"result": True, "errorCode": 0})


@csrf_exempt
@require_POST
def calls(request: HttpRequest, token: str) -> HttpResponse:
    """Keep a batch of calls for the log. A batch that was sent twice is kept once."""
    visit, body = _visit(token), _body(request)
    if not isinstance(body, list) or visit.calls.count() > MOST_CALLS:
        return HttpResponse(status=400)
    rows = [_call(visit, raw) for raw in body[:2_000] if isinstance(raw, dict)]
    try:
        Call.objects.bulk_create(rows, ignore_conflicts=True)
    except (IntegrityError, ValueError):
        return HttpResponse(status=400)
    return HttpResponse(status=204)


def _call(visit: Launch, raw: dict[str, Any]) -> Call:
    arguments = raw.get("arguments")
    index, at = raw.get("index"), raw.get("at")
    return Call(
        launch=visit,
        index=index if isinstance(index, int) and 0 <= index < 10**9 else 0,
        at=datetime.fromtimestamp(at / 1000 if isinstance(at, int) and 0 < at < 10**14 else 0, UTC),
        method=str(raw.get("method"))[:40],
        arguments=[str(a)[:65_536] for a in arguments[:3]] if isinstance(arguments, list) else [],
        result=str(raw.get("result"))[:65_536],
        error=str(raw.get("error"))[:10],
    )
