"""Putting a course right that names things which are gone, as an archive from elsewhere may."""

from typing import TypeVar

from zigzag_core.course import CourseDocument, Slide
from zigzag_core.course.known import Known
from zigzag_core.course.layouts.layout import Layout
from zigzag_core.course.model import Model
from zigzag_core.course.references import Identity, IsGone, Reference, pruned

from .idle import is_idle

M = TypeVar("M", bound=Model)


def mended(document: CourseDocument) -> CourseDocument:
    """Return `document` without what names things that are gone; itself if nothing does.

    What then has nothing left to do goes too, until all that is named is there.
    """
    while True:
        known = Known(document)
        if next(known.lost(), None) is None:
            return document
        course = document.course
        settings = _without_lost(course.model_copy(update={"layouts": ()}), known, None)
        settings = settings.model_copy(update={
            "layouts": tuple(_without_lost(one, known, one) for one in course.layouts)})
        document = CourseDocument(
            course=settings,
            slides=tuple(_without_lost(slide, known, slide) for slide in document.slides))


def _without_lost(model: M, known: Known, holder: Slide | Layout | None) -> M:
    return pruned(model, _lost(known, holder), is_idle) or model


def _lost(known: Known, holder: Slide | Layout | None) -> IsGone:
    def is_gone(found: Reference | Identity) -> bool:
        return isinstance(found, Reference) and known.is_lost(found, holder)

    return is_gone
