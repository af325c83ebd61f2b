"""Edits of slides and the layouts that they follow: nothing is stored, they answer a change."""

from typing import Any

from django.http import HttpRequest
from ninja import Field, Router, Schema
from zigzag_core import course as core
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.editing.layouts.following import (
    change_layout,
    known_layouts,
    slide_from,
    update_layout,
    with_layout,
)
from zigzag_core.editing.layouts.making import layout_from

from zigzag_server.problems import not_found

from .edited import Edited, edited, edited_slide

router = Router(tags=["layouts"])


class NewSlideIn(Schema):
    """The title and layout of a new slide."""

    title: str = Field(default="New slide", max_length=200)
    course: core.Course | None = None
    layout: str | None = None


class SlideInCourse(Schema):
    """A slide with the settings of its course."""

    slide: core.Slide
    course: core.Course


class LayoutIn(SlideInCourse):
    """`layout` None takes the slide off its layout."""

    layout: str | None = None


class LayoutFromIn(SlideInCourse):
    """A slide to make a layout of, and the layout's name."""

    name: str = Field(min_length=1, max_length=200)


class LayoutsIn(Schema):
    """The settings of a course."""

    course: core.Course


@router.post("/new-slide", response=Edited)
def edit_new_slide(request: HttpRequest, data: NewSlideIn) -> dict[str, Any]:
    """Make a new slide: with its title alone, or from a layout."""
    if data.course is None or data.layout is None:
        slide = blank_slide(data.title, core.system_ids())
        return edited({}, (slide,), made=slide.id)
    course, layout = _with_layout(data.course, data.layout)
    slide = slide_from(layout, course, data.title, core.system_ids())
    return edited({}, (slide,), (), (data.course, course), made=slide.id)


@router.post("/layouts", response=list[core.Layout])
def edit_layouts(request: HttpRequest, data: LayoutsIn) -> tuple[core.Layout, ...]:
    """List the layouts that a course has, and the shipped ones that it may take in."""
    return known_layouts(data.course)


@router.post("/change-layout", response=Edited)
def edit_change_layout(request: HttpRequest, data: LayoutIn) -> dict[str, Any]:
    """Let a slide follow another layout, or none."""
    if data.layout is None:
        slide = change_layout(data.slide, None, data.course, core.system_ids())
        return edited_slide(data.slide, slide)
    course, layout = _with_layout(data.course, data.layout)
    slide = change_layout(data.slide, layout, course, core.system_ids())
    return edited_slide(data.slide, slide, (), (data.course, course))


@router.post("/layout-from", response=Edited)
def edit_layout_from(request: HttpRequest, data: LayoutFromIn) -> dict[str, Any]:
    """Make a layout of a slide, which then follows it."""
    layout, slide = layout_from(data.slide, data.course, data.name, core.system_ids())
    course = data.course.model_copy(update={"layouts": (*data.course.layouts, layout)})
    return edited_slide(data.slide, slide, (), (data.course, course))


@router.post("/update-layout", response=Edited)
def edit_update_layout(request: HttpRequest, data: SlideInCourse) -> dict[str, Any]:
    """Let the layout of a slide become as the slide is; what else follows it changes with it."""
    try:
        course, slide = update_layout(data.slide, data.course)
    except KeyError:
        raise not_found("layout") from None
    return edited_slide(data.slide, slide, (), (data.course, course))


def _with_layout(course: core.Course, layout: str) -> tuple[core.Course, core.Layout]:
    try:
        return with_layout(course, layout)
    except KeyError:
        raise not_found("layout") from None
