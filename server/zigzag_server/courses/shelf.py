"""The shelf: a card for each course, also for one that cannot be read."""

from typing import Any

from django.contrib.auth.models import User
from django.db.models import TextField
from django.db.models.functions import Cast
from pydantic import ValidationError
from zigzag_core import course as core
from zigzag_core.course.layouts.resolve import Sources, resolved
from zigzag_core.course.references import named
from zigzag_core.course.sections import theme_on

from . import files, store
from .models import Course, Slide

PAGE = 24
"""So many cards are given at once, unless another number is asked for."""


def cards_of(user: User, start: int = 0, most: int = PAGE) -> list[dict[str, Any]]:
    """Return `most` cards of the courses of `user` from number `start` on, the last changed first.

    All is read as text and looked through here, so that one course that cannot be read hides none.
    """
    rows = list(Course.objects.filter(owner=user, deleted=None).order_by("-changed", "-pk")
                .defer("document").annotate(text=Cast("document", TextField()))
                [start:start + most])
    read = [(row, store.settings_in(row.text)) for row in rows]
    wanted = {(row.pk, settings.slides[0]) for row, settings in read
              if isinstance(settings, core.Course) and settings.slides}
    found = Slide.objects.filter(
        course__in=rows, slide_id__in={name for _, name in wanted}
    ).annotate(text=Cast("document", TextField())).values_list("course_id", "slide_id", "text")
    first = {course: text for course, name, text in found if (course, name) in wanted}
    return [_card(row, settings, first.get(row.pk)) for row, settings in read]


def card_of(row: Course) -> dict[str, Any]:
    """Return the card of one course."""
    settings = store.settings_of(row)
    first = row.slide_rows.filter(slide_id=settings.slides[0]) if settings.slides else None
    text = first.annotate(text=Cast("document", TextField())).values_list(
        "text", flat=True).first() if first is not None else None
    return _card(row, settings, text)


def _card(row: Course, settings: core.Course | str, first: str | None) -> dict[str, Any]:
    card: dict[str, Any] = {
        "slug": row.slug, "title": row.title, "changed": row.changed, "slides": 0, "damaged": "",
        "size": core.SlideSize(), "theme": core.Theme(), "first_slide": None, "media": {}}
    if isinstance(settings, str):
        return {**card, "damaged": settings}
    card |= {"slides": len(settings.slides), "size": settings.size, "theme": settings.theme}
    if first is None:
        return card
    try:
        slide = resolved(core.Slide.model_validate_json(first), Sources(settings))
    except ValidationError as error:
        return {**card, "damaged": store.reason_of(error, f"slide {settings.slides[0]}")}
    card["theme"] = theme_on(settings, slide.id)
    colours, seen = card["theme"].colours, named(slide, "medium")
    media = {file.id: files.preview_url(file, colours)
             for file in settings.media if file.id in seen}
    return {**card, "first_slide": slide, "media": media}
