"""Edits of what slides do. Nothing is stored: they answer with what would be."""

from typing import Any

from django.http import HttpRequest
from ninja import Router, Schema
from zigzag_core import course as core
from zigzag_core.edit.pattern_making import CannotMake, Ready, make_pattern

from zigzag_server.problems import Problem

from .edits_api import overlay_of

router = Router(tags=["does"])


class PatternIn(Schema):
    slide: core.Slide
    course: core.Course
    what: Ready
    elements: list[str] = []
    overlay: str | None = None


class PatternMade(Schema):
    """The slide with a pattern, and what to select then."""

    slide: core.Slide
    pattern: str
    selected: list[str]


@router.post("/pattern", response=PatternMade)
def edit_pattern(request: HttpRequest, data: PatternIn) -> dict[str, Any]:
    """Make a pattern from elements of a slide, or as a ready arrangement."""
    try:
        slide, pattern, selected = make_pattern(
            data.slide, data.what, data.elements, core.system_ids(), data.course.size,
            data.course.styles, overlay_of(data.slide, data.overlay),
        )
    except CannotMake as error:
        raise Problem(422, "no_pattern", str(error)) from None
    return {"slide": slide, "pattern": pattern, "selected": list(selected)}
