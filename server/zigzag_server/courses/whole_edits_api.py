"""Edits of a whole saved course: another size, mending, find and replace. Nothing is stored."""

import hashlib
from typing import Any

from django.http import HttpRequest
from ninja import Router, Schema, Status
from zigzag_core import course as core
from zigzag_core.editing import search as finding
from zigzag_core.editing.arranging.resizing import resize_course
from zigzag_core.editing.mending import mended

from zigzag_server.accounts.auth import author
from zigzag_server.jobs.api import JobOut
from zigzag_server.jobs.starting import start

from . import store
from .edited import Edited, between
from .replacing import AT_ONCE, FindIn, ReplaceIn, replaced

router = Router(tags=["edits"])

MOST_SHOWN = 300
"""Of what was found so many places are told; the others are counted."""


class FoundOut(Schema):
    """One finding of a search, with the text before and after it."""

    key: str
    slide: str | None
    element: str | None
    part: str
    before: str
    match: str
    after: str


class FoundAll(Schema):
    """How many places were found, and the first of them."""

    total: int
    places: list[FoundOut]


@router.post("/resize/{slug}", response=Edited)
def edit_resize(request: HttpRequest, slug: str, data: core.SlideSize) -> dict[str, Any]:
    """Give a saved course another slide size; everything keeps its place in the picture."""
    before = store.document_of(store.course_of(author(request), slug))
    after = resize_course(before, data)
    return between(before, after)


@router.post("/mend/{slug}", response=Edited)
def edit_mend(request: HttpRequest, slug: str) -> dict[str, Any]:
    """Take out of a saved course whatever names something that is gone."""
    before = store.document_of(store.course_of(author(request), slug))
    return between(before, mended(before))


@router.post("/find/{slug}", response=FoundAll)
def edit_find(request: HttpRequest, slug: str, data: FindIn) -> dict[str, Any]:
    """Find texts, names, text alternatives, colours or fonts in a saved course."""
    document = store.read_document(store.course_of(author(request), slug))
    found = finding.find(document, data.what, data.text, data.match_case, data.whole_words)
    return {"total": len(found), "places": [
        {"key": f.key, "slide": f.spot.slide, "element": f.spot.element, "part": f.spot.part,
         "before": f.before, "match": f.match, "after": f.after}
        for f in found[:MOST_SHOWN]
    ]}


@router.post("/replace/{slug}", response={200: Edited, 202: JobOut})
def edit_replace(request: HttpRequest, slug: str, data: ReplaceIn) -> Status[Any]:
    """Replace what was found in a saved course; answers with what would change.

    In a course of many slides that is a job (202), whose file it is.
    """
    user = author(request)
    row = store.course_of(user, slug)
    if len(row.document["slides"]) <= AT_ONCE:
        return Status(200, replaced(store.read_document(row), data))
    asked = {"course": row.pk, "asked": data.model_dump(mode="json")}
    same = f"{store.state_of(row)} {data.model_dump_json()}"
    return Status(202, start(user, "replace", asked, course=row.pk,
                             equal=hashlib.sha256(same.encode()).hexdigest()))
