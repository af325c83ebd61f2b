"""Numbering what saved progress may name, once and for all."""

from collections.abc import Iterable

from zigzag_core.course import Area, Button, Course, CourseDocument, Slide


def remembered(document: CourseDocument) -> Course:
    """Return the course's settings with every id of today added at the end of `remembered`.

    What was published before keeps its number, even when it is gone from the course.
    """
    slides = document.slides
    questions = [question for slide in slides for question in slide.questions]
    today = {
        "slides": [slide.id for slide in slides],
        "questions": [question.id for question in questions],
        "choices": [choice.id for question in questions for choice in question.choices],
        "variables": [variable.id for variable in document.course.variables],
        "elements": [name for slide in slides for name in _controls(slide)],
    }
    before = document.course.remembered
    lists = {kind: _extended(before.get(kind, ()), ids) for kind, ids in today.items()}
    return document.course.model_copy(update={"remembered": lists})


def _controls(slide: Slide) -> list[str]:
    """The elements that can be clicked: all that a run remembers of elements so far."""
    parts = {choice.element for question in slide.questions for choice in question.choices}
    return [
        e.id for e in slide.elements if e.rules or isinstance(e, Button | Area) or e.id in parts
    ]


def _extended(before: tuple[str, ...], ids: Iterable[str]) -> tuple[str, ...]:
    known = set(before)
    return before + tuple(name for name in ids if name not in known)
