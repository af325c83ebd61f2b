"""What edits answer with: the change that they come to."""

from collections.abc import Iterable, Mapping
from typing import Any

from ninja import Schema
from zigzag_core import course as core
from zigzag_core.course.document import valid_slide
from zigzag_core.editing.changes import Change, diff

from . import files


class Edited(Schema):
    """The change that an edit comes to, made from the documents that were sent.

    `selected` are the elements to select then. `media` and `previews` are the addresses of the
    files that the course has afterwards, where its settings change. `made` is the id of the
    pattern, overlay or slide that was made. `covers` says that what is new lies over something,
    since there was no room; `left_out` how many lines of a pasted table were left out; `notes` what
    the author should know of how it was made.
    """

    change: Change
    selected: list[str] = []
    media: dict[str, str] = {}
    previews: dict[str, str] = {}
    made: str = ""
    covers: bool = False
    left_out: int = 0
    notes: list[str] = []


def edited_slide(
    before: core.Slide, after: core.Slide, selected: Iterable[str] = (),
    courses: tuple[core.Course, core.Course] | None = None, **more: Any,
) -> dict[str, Any]:
    """Return the answer of an edit that makes `after` of the slide `before`.

    `courses` are the settings before and after, where they may change too. Raises Pydantic's
    `ValidationError` where the slide would break a rule.
    """
    return edited({before.id: before}, (after,), selected, courses, **more)


def edited(
    before: Mapping[str, core.Slide], after: Iterable[core.Slide], selected: Iterable[str] = (),
    courses: tuple[core.Course, core.Course] | None = None, **more: Any,
) -> dict[str, Any]:
    """Return the answer of an edit of several slides; those that are not in `before` are new."""
    changed = {
        slide.id: valid_slide(slide).model_dump(mode="json")
        for slide in after if before.get(slide.id) is not slide
    }
    new: dict[str, Any] = {"slides": changed}
    old: dict[str, Any] = {"slides": {
        name: before[name].model_dump(mode="json") for name in changed if name in before
    }}
    addresses: dict[str, Any] = {}
    if courses is not None and courses[0] is not courses[1]:
        old["course"], new["course"] = (course.model_dump(mode="json") for course in courses)
        addresses = media_urls(courses[1])
    return {"change": diff(old, new), "selected": list(selected), **addresses, **more}


def between(before: core.CourseDocument, after: core.CourseDocument) -> dict[str, Any]:
    """Return the answer of an edit of a whole course."""
    known = {slide.id: slide for slide in before.slides}
    changed = [slide for slide in after.slides
               if slide is not known[slide.id] and slide != known[slide.id]]
    return edited(known, changed, (), (before.course, after.course))


def media_urls(course: core.Course) -> dict[str, dict[str, str]]:
    """Return the addresses of a course's files and of small pictures of them, by id."""
    colours = course.theme.colours
    return {
        "media": {file.id: files.media_url(file, colours) for file in course.media},
        "previews": {file.id: files.preview_url(file, colours) for file in course.media},
    }
