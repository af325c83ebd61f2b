"""What is left of a course that cannot be read any more: all of it but what is wrong."""

import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any, TypeVar

from pydantic import ValidationError

from .document import Course, CourseDocument, Slide
from .model import Model

M = TypeVar("M", bound=Model)

_MOST = 1_000
"""So many things that are wrong are left out; of a text that has more nothing is left."""


@dataclass(frozen=True)
class Salvaged:
    """A course, and what was left out of it: for each thing its place and what is wrong there."""

    document: CourseDocument
    left_out: tuple[str, ...]


def salvaged(settings: str, title: str, slides: Mapping[str, str]) -> Salvaged:
    """Return what can be read of a course that is stored as JSON texts.

    `settings` are its settings, `slides` its slides by id. What cannot be read is left out: a
    part of a slide, a slide, the settings, which are then new ones of that `title` with all slides.
    """
    left_out: list[str] = []
    kept: dict[str, Slide] = {}
    for name, text in slides.items():
        slide, wrong = _readable(Slide, text)
        left_out += [f"slide {name}, {words}" for words in wrong]
        if slide is not None and slide.id == name:
            kept[name] = slide
        else:
            left_out.append(f"slide {name}")
    course, wrong = _readable(Course, settings)
    left_out += [f"settings, {words}" for words in wrong]
    if course is None:
        left_out.append("settings")
        course = Course(id="salvaged", title=title[:200] or "Untitled", slides=tuple(kept))
    course = course.model_copy(update={
        "slides": tuple(name for name in course.slides if name in kept)})
    return Salvaged(_without_twins(course, kept, left_out), tuple(left_out))


def _without_twins(course: Course, slides: Mapping[str, Slide], left_out: list[str]
                   ) -> CourseDocument:
    """The course, without slides whose things have the ids of others."""
    order: tuple[str, ...] = ()
    document = CourseDocument(course=course.model_copy(update={"slides": ()}))
    for name in course.slides:
        try:
            document = CourseDocument(
                course=course.model_copy(update={"slides": (*order, name)}),
                slides=(*document.slides, slides[name]))
        except ValidationError:
            left_out.append(f"slide {name}: its things have the ids of others")
        else:
            order = (*order, name)
    return document


def _readable(kind: type[M], text: str) -> tuple[M | None, list[str]]:
    """What `text` holds of a model, without what is wrong in it, and what that was."""
    try:
        raw = json.loads(text)
    except (ValueError, RecursionError):
        return None, []
    wrong: list[str] = []
    while len(wrong) <= _MOST:
        try:
            return kind.model_validate(raw), wrong
        except ValidationError as error:
            first = error.errors(include_url=False, include_context=False, include_input=False)[0]
        except (ValueError, RecursionError):
            return None, wrong
        place = _take_out(raw, first["loc"])
        if place is None:
            return None, wrong
        wrong.append(f"{' › '.join(place)}: {first['msg'].removeprefix('Value error, ')}")
    return None, wrong


def _take_out(raw: object, place: Sequence[int | str]) -> list[str] | None:
    """Take the innermost item of a list at `place` out of `raw`, else the field that it is in.

    Return the place of what was taken out; None where there is nothing such.
    """
    steps: list[tuple[Any, Any]] = []
    inner: Any = raw
    for part in place:
        # What is no name or number here says which kind of thing it is.
        if (isinstance(inner, dict) and part in inner) or (
                isinstance(inner, list) and isinstance(part, int) and part < len(inner)):
            steps.append((inner, part))
            inner = steps[-1][0][part]
    lists = [n for n, (owner, _) in enumerate(steps) if isinstance(owner, list)]
    at = lists[-1] if lists else 0
    if not steps:
        return None
    owner, part = steps[at]
    del owner[part]
    return [str(name) for _, name in steps[:at + 1]]
