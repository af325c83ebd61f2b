"""Which media files are used, and where."""

from collections.abc import Iterable, Iterator

from .document import CourseDocument, Slide
from .elements import Audio, Element, Picture, Video
from .layouts import Layout
from .rules import PlaySound, Rule


def media_of(element: Element) -> Iterator[str]:
    """Yield the ids of the files that `element` shows or plays."""
    if isinstance(element, Picture | Video | Audio) and element.media:
        yield element.media
    if isinstance(element, Video) and element.poster:
        yield element.poster
    for patch in element.looks.values():
        if patch.media:
            yield patch.media
    yield from _sounds(element.rules)


def _sounds(rules: Iterable[Rule]) -> Iterator[str]:
    for rule in rules:
        for action in (*rule.do, *rule.otherwise):
            if isinstance(action, PlaySound) and action.media:
                yield action.media


def sounds_used(document: CourseDocument) -> set[str]:
    """Return the ids of the sounds that rules of slides, overlays, sections, the course play."""
    course = document.course
    owners = [course, *course.sections, *document.slides]
    owners += [overlay for slide in document.slides for overlay in slide.overlays]
    return {media for owner in owners for media in _sounds(owner.rules)}


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
        own = media_used((part,))
        if isinstance(part, Slide):
            own |= {m for owner in (part, *part.overlays) for m in _sounds(owner.rules)}
        for media in own:
            found.setdefault(media, []).append(part.id)
    return {media: tuple(places) for media, places in found.items()}
