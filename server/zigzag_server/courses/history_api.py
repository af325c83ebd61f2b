"""History: every state that was ever saved, to be looked at and brought back."""

from datetime import datetime
from typing import Any

from django.db.models import QuerySet
from django.http import HttpRequest
from ninja import Router, Schema, Status
from zigzag_core import course as core

from zigzag_server.accounts.auth import author
from zigzag_server.problems import not_found

from . import store
from .api import SlideOut
from .models import Revision

router = Router(tags=["history"])

_MOST = 500


class StateOut(Schema):
    """A saved state; `id` grows with time. `slide` is empty for the course's settings.

    `version` is 0 for a state that was kept aside and never the present one.
    """

    id: int
    slide: str
    title: str
    version: int
    created: datetime
    author: str | None


class CourseAt(Schema):
    """The whole course as it was."""

    course: core.Course
    slides: list[core.Slide]


def _out(rows: QuerySet[Revision]) -> list[dict[str, Any]]:
    """The states as they are listed."""
    told = rows.order_by("-pk").values_list(
        "pk", "slide_id", "title", "version", "created", "author__username")
    return [
        {"id": key, "slide": slide, "title": title, "version": version, "created": created,
         "author": name}
        for key, slide, title, version, created, name in told[:_MOST]
    ]


@router.get("/courses/{slug}/slides/{slide_id}/states", response=list[StateOut])
def list_states(request: HttpRequest, slug: str, slide_id: str) -> list[dict[str, Any]]:
    """List the kept states of a slide, the newest first."""
    row = store.course_of(author(request), slug)
    return _out(row.revisions.filter(slide_id=slide_id))


@router.get("/courses/{slug}/slides/{slide_id}/states/{state_id}", response=SlideOut)
def get_state(request: HttpRequest, slug: str, slide_id: str, state_id: int) -> dict[str, Any]:
    """Return a slide as it was."""
    row = store.course_of(author(request), slug)
    found = Revision.objects.filter(course=row, slide_id=slide_id, pk=state_id).first()
    if found is None or not slide_id:
        raise not_found("state of the slide")
    slide = core.Slide.model_validate(core.migrated_slide(found.document))
    return {"version": found.version, "slide": slide}


@router.post("/courses/{slug}/slides/{slide_id}/states", response={201: StateOut})
def keep_aside(request: HttpRequest, slug: str, slide_id: str, data: core.Slide) -> Status[Any]:
    """Keep a state of a slide without making it the present one: nobody's work is lost."""
    user = author(request)
    row = store.course_of(user, slug)
    if data.id != slide_id or not row.slide_rows.filter(slide_id=slide_id).exists():
        raise not_found("slide")
    kept = store.keep_aside(user, row, data)
    return Status(201, _out(row.revisions.filter(pk=kept.pk))[0])


@router.get("/courses/{slug}/history", response=list[StateOut])
def list_history(request: HttpRequest, slug: str) -> list[dict[str, Any]]:
    """List all kept states of a course, slides and settings, the newest first."""
    row = store.course_of(author(request), slug)
    return _out(row.revisions.all())


@router.get("/courses/{slug}/history/{state_id}", response=CourseAt)
def get_course_at(request: HttpRequest, slug: str, state_id: int) -> dict[str, Any]:
    """Return the whole course as it was right after a state was saved."""
    row = store.course_of(author(request), slug)
    if not row.revisions.filter(pk=state_id).exists():
        raise not_found("state of the course")
    document = store.document_at(row, state_id)
    return {"course": document.course, "slides": document.slides}
