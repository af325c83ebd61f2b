"""Which media files are used, and where."""

from collections.abc import Iterable, Iterator

from .document import CourseDocument, Slide
from .elements import Audio, Element, Picture, Video
from .layouts import Layout


def media_of(element: Element) -> Iterator[str]:
    """Yield the ids of the files that `element` shows or plays."""
    if isinstance(element, Picture | Video | Audio) and element.media:
        yield element.media
    if isinstance(element, Video) and element.poster:
        yield element.poster


def media_used(parts: Iterable[Slide | Layout]) -> set[str]:
    """Return the ids of all files that slides or layouts use."""
    used: set[str] = set()
    for part in parts:
        if part.background and part.background.picture:
            used.add(part.background.picture)
        for element in part.elements:
            used.update(media_of(element))
    return used


def usage(document: CourseDocument) -> dict[str, tuple[str, ...]]:
    """Return, by file, the slides and layouts that use it, in order; unused files have none."""
    found: dict[str, list[str]] = {file.id: [] for file in document.course.media}
    for part in (*document.slides, *document.course.layouts):
        for media in media_used((part,)):
            found.setdefault(media, []).append(part.id)
    return {media: tuple(places) for media, places in found.items()}
