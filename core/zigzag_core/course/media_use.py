"""Which media files are used, and where."""

from .document import Course, CourseDocument, Slide
from .layouts.layout import Layout
from .references import named


def usage(document: CourseDocument) -> dict[str, tuple[str, ...]]:
    """Return, by file, the slides and layouts that use it, in order; unused files have none.

    What the course itself uses, its feedback and its rules, has the course's id last.
    """
    found: dict[str, list[str]] = {file.id: [] for file in document.course.media}
    parts: tuple[Slide | Layout, ...] = (*document.slides, *document.course.layouts)
    for part in parts:
        for media in named(part, "medium"):
            found.setdefault(media, []).append(part.id)
    for media in media_of_settings(document.course):
        found.setdefault(media, []).append(document.course.id)
    return {media: tuple(places) for media, places in found.items()}


def media_of_settings(course: Course) -> set[str]:
    """Return the files that the course's rules, sections, styles and feedback use."""
    return named(course.model_copy(update={"layouts": ()}), "medium")
