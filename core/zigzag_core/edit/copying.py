"""Copies in which what belongs together stays together."""

from collections.abc import Iterable, Mapping

from zigzag_core.course import (
    CourseDocument,
    Element,
    GoTo,
    IdSource,
    Question,
    Rule,
    Slide,
    ToSlide,
)
from zigzag_core.course.model import Model

from .names import free_name, free_title


class Clipping(Model):
    """Elements cut out or copied, with the questions that they are parts of."""

    elements: tuple[Element, ...] = ()
    questions: tuple[Question, ...] = ()


def clip(slide: Slide, ids: Iterable[str]) -> Clipping:
    """Return the elements `ids` of `slide`, and every question of which a choice is among them.

    A question comes with those of its parts that were chosen; the others are left out of it.
    """
    wanted = set(ids)
    elements = tuple(element for element in slide.elements if element.id in wanted)
    questions = tuple(
        _part(question, wanted) for question in slide.questions
        if any(choice.element in wanted for choice in question.choices)
    )
    return Clipping(elements=elements, questions=questions)


def _part(question: Question, wanted: set[str]) -> Question:
    return question.model_copy(update={
        "prompt": question.prompt if question.prompt in wanted else None,
        "submit": question.submit if question.submit in wanted else None,
        "choices": tuple(c for c in question.choices if c.element in wanted),
    })


def without(slide: Slide, ids: Iterable[str]) -> Slide:
    """Return `slide` without the elements `ids`; a question left without any choice goes too."""
    gone = set(ids)
    kept = {element.id for element in slide.elements} - gone
    questions = (_part(question, kept) for question in slide.questions)
    return slide.model_copy(update={
        "elements": tuple(element for element in slide.elements if element.id in kept),
        "questions": tuple(question for question in questions if question.choices),
    })


def paste(
    slide: Slide, clipping: Clipping, fresh: IdSource, dx: float = 0, dy: float = 0
) -> tuple[Slide, tuple[str, ...]]:
    """Return `slide` with copies of what is clipped, and the ids of the new elements.

    Copies lie on top, shifted by (dx, dy) px, and follow in the running order; names count on;
    questions are rewired to the copies.
    """
    ids = {element.id: fresh() for element in clipping.elements}
    names = {element.name for element in slide.elements}
    top = max((element.z for element in slide.elements), default=-1) + 1
    bottom = min((element.z for element in clipping.elements), default=0)
    copies = []
    for element in clipping.elements:
        name = free_name(element.name, names)
        names.add(name)
        copies.append(element.model_copy(update={
            "id": ids[element.id], "name": name, "z": element.z - bottom + top,
            "x": element.x + dx, "y": element.y + dy,
            "rules": _rules(element.rules, fresh, {}),
        }))
    taken = {question.name for question in slide.questions}
    questions = []
    for question in clipping.questions:
        name = free_name(question.name, taken)
        taken.add(name)
        questions.append(_question(question, ids, fresh).model_copy(update={"name": name}))
    grown = slide.model_copy(update={
        "elements": (*slide.elements, *copies), "questions": (*slide.questions, *questions),
    })
    return grown, tuple(ids.values())


def duplicate_slide(slide: Slide, fresh: IdSource, titles: Iterable[str] = ()) -> Slide:
    """Return a copy of `slide` with ids of its own; what pointed at the slide points at it."""
    copy_id = fresh()
    return _copied_slide(slide, copy_id, {slide.id: copy_id}, fresh).model_copy(
        update={"title": free_title(slide.title, titles)}
    )


def duplicate_course(
    document: CourseDocument, title: str, fresh: IdSource
) -> CourseDocument:
    """Return a copy of a course under `title`: every id is new, nothing was published yet."""
    slide_ids = {slide.id: fresh() for slide in document.slides}
    slides = tuple(
        _copied_slide(slide, slide_ids[slide.id], slide_ids, fresh) for slide in document.slides
    )
    course = document.course.model_copy(update={
        "id": fresh(), "title": title, "slides": tuple(slide.id for slide in slides),
        "remembered": {},
    })
    return CourseDocument(course=course, slides=slides)


def _copied_slide(
    slide: Slide, copy_id: str, slide_ids: Mapping[str, str], fresh: IdSource
) -> Slide:
    ids = {element.id: fresh() for element in slide.elements}
    return slide.model_copy(update={
        "id": copy_id,
        "elements": tuple(
            element.model_copy(update={
                "id": ids[element.id], "rules": _rules(element.rules, fresh, slide_ids),
            })
            for element in slide.elements
        ),
        "questions": tuple(_question(question, ids, fresh) for question in slide.questions),
    })


def _question(question: Question, ids: Mapping[str, str], fresh: IdSource) -> Question:
    return question.model_copy(update={
        "id": fresh(),
        "prompt": ids.get(question.prompt or ""),
        "submit": ids.get(question.submit or ""),
        "choices": tuple(
            choice.model_copy(update={"id": fresh(), "element": ids[choice.element]})
            for choice in question.choices
        ),
    })


def _rules(
    rules: tuple[Rule, ...], fresh: IdSource, slide_ids: Mapping[str, str]
) -> tuple[Rule, ...]:
    return tuple(
        rule.model_copy(update={
            "id": fresh(), "do": tuple(_action(action, slide_ids) for action in rule.do),
        })
        for rule in rules
    )


def _action(action: GoTo, slide_ids: Mapping[str, str]) -> GoTo:
    if isinstance(action.go, ToSlide) and action.go.slide in slide_ids:
        return action.model_copy(update={"go": ToSlide(slide=slide_ids[action.go.slide])})
    return action
