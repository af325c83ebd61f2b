"""The receiver: where packages, wherever they run, send their reports. On the content's origin."""

import time

from django.conf import settings
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.views.decorators.csrf import csrf_exempt

from zigzag_server.problems import Problem

from . import room, taking
from .models import Manner

_EVERYWHERE = {"Access-Control-Allow-Origin": "*", "Cache-Control": "no-store"}
_ASKED_FIRST = {
    **_EVERYWHERE, "Access-Control-Allow-Methods": "POST",
    "Access-Control-Allow-Headers": "Content-Type", "Access-Control-Max-Age": "86400"}
_SLOW = 6.0
"""Seconds that a slow post room takes."""


@csrf_exempt
def receive(request: HttpRequest, number: str) -> HttpResponse:
    """Take a report from a package. It is told in plain words why one is not taken."""
    if request.method == "OPTIONS":
        return HttpResponse(status=204, headers=_ASKED_FIRST)
    if request.method != "POST":
        return _refused(Problem(405, "post_only", "Reports are sent by POST."))
    try:
        _simulate()
        length = request.META.get("CONTENT_LENGTH") or "0"
        if length.isdecimal() and int(length) > taking.LARGEST:
            raise Problem(413, "too_large", f"A report has {taking.LARGEST:,} bytes at most.")
        new = taking.take(number, request.GET.get("signature", ""), request.body)
    except Problem as problem:
        return _refused(problem)
    return JsonResponse({"received": True, "new": new}, headers=_EVERYWHERE)


def _refused(problem: Problem) -> HttpResponse:
    return JsonResponse(problem.body, status=problem.status, headers=_EVERYWHERE)


def _simulate() -> None:
    """Answer as the switch of the demo's post room says."""
    match room.manner() if settings.POST_ROOM else Manner.UP:
        case Manner.SLOW:
            time.sleep(_SLOW)
        case Manner.DOWN:
            raise Problem(503, "down", "The post room is down.")
        case Manner.REFUSES:
            raise Problem(403, "refused", "The post room refuses what comes.")
