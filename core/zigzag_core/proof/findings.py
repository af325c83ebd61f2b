"""Checks that look at the document alone."""

from collections.abc import Iterator
from typing import Literal

from zigzag_core.course import CourseDocument, Picture, Slide, ToSlide
from zigzag_core.course.model import Model


class Finding(Model):
    """Something that is wrong: `error` keeps learners from finishing, `warning` is for thought."""

    level: Literal["error", "warning"]
    code: str
    message: str
    slide: str | None = None
    element: str | None = None


def findings(document: CourseDocument) -> list[Finding]:
    """Return all findings, in the order of the slides, errors of the course first."""
    return list(_course(document)) + [
        finding for slide in document.slides for finding in _slide(slide, document)
    ]


def _course(document: CourseDocument) -> Iterator[Finding]:
    if not document.slides:
        yield Finding(level="error", code="no_slides", message="The course has no slides yet.")
        return
    scored = [
        question for slide in document.slides for question in slide.questions
        if question.purpose == "scored" and question.points
    ]
    if document.course.completion.passing and not scored:
        yield Finding(
            level="error", code="cannot_pass",
            message="Passing counts, but no question gives points: nobody can pass.",
        )


def _slide(slide: Slide, document: CourseDocument) -> Iterator[Finding]:
    known = set(document.course.slides)
    media = {file.id for file in document.course.media}
    for element in slide.elements:
        for rule in element.rules:
            for action in rule.do:
                if isinstance(action.go, ToSlide) and action.go.slide not in known:
                    yield Finding(
                        level="error", code="lost_slide", slide=slide.id, element=element.id,
                        message=f"“{element.name}” goes to a slide that no longer exists.",
                    )
        if isinstance(element, Picture):
            if element.media is None or element.media not in media:
                yield Finding(
                    level="warning", code="no_picture", slide=slide.id, element=element.id,
                    message=f"“{element.name}” shows no picture yet.",
                )
            elif not element.alt and not element.decoration:
                yield Finding(
                    level="warning", code="no_alternative", slide=slide.id, element=element.id,
                    message=f"“{element.name}” has no text alternative and is not decoration.",
                )
    for question in slide.questions:
        right = sum(choice.right for choice in question.choices)
        place = question.prompt or (question.choices[0].element if question.choices else None)
        problem = None
        if len(question.choices) < 2:
            problem = ("error", "few_choices", "needs at least two answers")
        elif question.purpose != "survey" and right == 0:
            problem = ("error", "no_right_answer", "has no right answer")
        elif question.submit is None:
            problem = ("error", "no_submit", "has no button that submits it")
        if problem:
            level, code, words = problem
            yield Finding(
                level=level, code=code, slide=slide.id, element=place,
                message=f"The question “{question.name}” {words}.",
            )
