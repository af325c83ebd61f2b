"""Which media files are used, and where."""

from collections.abc import Iterable, Iterator

from .document import CourseDocument, Slide
from .elements.element import Audio, Element, Picture, Video
from .layouts.layout import Layout
from .questions.feedback import FeedbackDesign
from .questions.question import Question
from .rules.rule import Action, PlaySound, Rule


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
        yield from _played((*rule.do, *rule.otherwise))


def _played(actions: Iterable[Action]) -> Iterator[str]:
    for action in actions:
        if isinstance(action, PlaySound) and action.media:
            yield action.media


def sounds_used(document: CourseDocument) -> set[str]:
    """Return the ids of the sounds that rules of slides, overlays, sections, the course play."""
    course = document.course
    owners = [course, *course.sections, *document.slides]
    owners += [overlay for slide in document.slides for overlay in slide.overlays]
    return {media for owner in owners for media in _sounds(owner.rules)}


def media_of_feedback(question: Question) -> Iterator[str]:
    """Yield the ids of the files that come with what is said to an answer."""
    for shown in question.feedback.shows:
        yield from (media for media in (shown.picture, shown.sound) if media)
    for row in question.table:
        yield from _played(row.do)


def media_of_design(design: FeedbackDesign) -> Iterator[str]:
    """Yield the ids of the speakers and sounds of the course's feedback."""
    for tone in (design.right, design.partly, design.wrong, design.plain):
        yield from (media for media in (tone.speaker, tone.sound) if media)


def media_used(parts: Iterable[Slide | Layout]) -> set[str]:
    """Return the ids of all files that slides or layouts use."""
    used: set[str] = set()
    for part in parts:
        if part.background and part.background.picture:
            used.add(part.background.picture)
        for element in part.elements:
            used.update(media_of(element))
        for question in getattr(part, "questions", ()):
            used.update(media_of_feedback(question))
    return used


def usage(document: CourseDocument) -> dict[str, tuple[str, ...]]:
    """Return, by file, the slides and layouts that use it, in order; unused files have none.

    What the course itself uses, its feedback and its rules, has the course's id last.
    """
    found: dict[str, list[str]] = {file.id: [] for file in document.course.media}
    for part in (*document.slides, *document.course.layouts):
        own = media_used((part,))
        if isinstance(part, Slide):
            own |= {m for owner in (part, *part.overlays) for m in _sounds(owner.rules)}
        for media in own:
            found.setdefault(media, []).append(part.id)
    course = document.course
    own = {m for owner in (course, *course.sections) for m in _sounds(owner.rules)}
    for media in own | set(media_of_design(course.feedback)):
        found.setdefault(media, []).append(course.id)
    return {media: tuple(places) for media, places in found.items()}
