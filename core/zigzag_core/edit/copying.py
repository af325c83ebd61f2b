"""Copies in which what belongs together stays together."""

from collections.abc import Iterable, Mapping
from typing import Any

from zigzag_core.course import (
    Course,
    CourseDocument,
    Element,
    GoTo,
    IdSource,
    Input,
    MediaFile,
    Meter,
    NamedStyle,
    Onward,
    Question,
    Rule,
    Shape,
    Slide,
    Text,
    ToSlide,
    ValueRun,
    Variable,
)
from zigzag_core.course.media_use import media_of
from zigzag_core.course.model import Model

from .groups import boxed, outermost, with_members
from .names import free_name, free_title


class Clipping(Model):
    """Elements cut out or copied, with the questions that they are parts of.

    `variables`, `media` and `styles` are what they use of their course, for pasting in another.
    """

    elements: tuple[Element, ...] = ()
    questions: tuple[Question, ...] = ()
    variables: tuple[Variable, ...] = ()
    media: tuple[MediaFile, ...] = ()
    styles: tuple[NamedStyle, ...] = ()


def clip(slide: Slide, ids: Iterable[str], course: Course | None = None) -> Clipping:
    """Return the elements `ids` of `slide`, and every question of which a choice is among them.

    A group comes with its members. A question comes with those of its parts that were chosen;
    the others are left out of it. What they use of `course` comes along.
    """
    wanted = with_members(slide.elements, ids)
    elements = tuple(element for element in slide.elements if element.id in wanted)
    questions = tuple(
        _part(question, wanted) for question in slide.questions
        if any(choice.element in wanted for choice in question.choices)
    )
    clipping = Clipping(elements=elements, questions=questions)
    return _with_belongings(clipping, course) if course else clipping


def _with_belongings(clipping: Clipping, course: Course) -> Clipping:
    elements = clipping.elements
    media = {name for element in elements for name in media_of(element)}
    styles = {element.named_style for element in elements}
    variables = variables_of(elements)
    return clipping.model_copy(update={
        "variables": tuple(v for v in course.variables if v.id in variables),
        "media": tuple(file for file in course.media if file.id in media),
        "styles": tuple(style for style in course.styles if style.id in styles),
    })


def variables_of(elements: Iterable[Element]) -> set[str]:
    """Return the ids of the variables that `elements` set or show."""
    found: set[str] = set()
    for element in elements:
        if isinstance(element, Input) and element.variable:
            found.add(element.variable)
        if isinstance(element, Meter):
            found.add(element.of)
        if isinstance(element, Text | Shape):
            found.update(
                run.of for block in element.text.blocks for run in block.runs
                if isinstance(run, ValueRun)
            )
    return found


def welcome(course: Course, clipping: Clipping) -> Course:
    """Return `course` with what `clipping` uses and the course has not; else `course` itself."""
    def missing(have: Iterable[Any], come: Iterable[Any]) -> tuple[Any, ...]:
        known = {thing.id for thing in have}
        return tuple(thing for thing in come if thing.id not in known)

    names = {variable.name for variable in course.variables}
    variables = []
    for variable in missing(course.variables, clipping.variables):
        name = free_name(variable.name, names)
        names.add(name)
        variables.append(variable.model_copy(update={"name": name}))
    media = missing(course.media, clipping.media)
    styles = tuple(
        # The usual style of this course stays the usual one.
        style.model_copy(update={"use": None})
        if any(other.use == style.use for other in course.styles) else style
        for style in missing(course.styles, clipping.styles)
    )
    if not (variables or media or styles):
        return course
    return course.model_copy(update={
        "variables": (*course.variables, *variables), "media": (*course.media, *media),
        "styles": (*course.styles, *styles),
    })


def _part(question: Question, wanted: set[str]) -> Question:
    return question.model_copy(update={
        "prompt": question.prompt if question.prompt in wanted else None,
        "submit": question.submit if question.submit in wanted else None,
        "choices": tuple(c for c in question.choices if c.element in wanted),
    })


def without(slide: Slide, ids: Iterable[str]) -> Slide:
    """Return `slide` without the elements `ids` and the members of groups among them.

    A question left without any choice goes too, and a group left without any member.
    """
    gone = with_members(slide.elements, ids)
    elements = boxed(tuple(element for element in slide.elements if element.id not in gone))
    kept = {element.id for element in elements}
    questions = (_part(question, kept) for question in slide.questions)
    return slide.model_copy(update={
        "elements": elements,
        "questions": tuple(question for question in questions if question.choices),
    })


def paste(
    slide: Slide, clipping: Clipping, fresh: IdSource, dx: float = 0, dy: float = 0
) -> tuple[Slide, tuple[str, ...]]:
    """Return `slide` with copies of what is clipped, and the ids of the new elements to select.

    Copies lie on top in their own order, shifted by (dx, dy) px, and follow in the running
    order; names count on; groups and questions are rewired to the copies. A place that came from
    a layout stays as it was.
    """
    ids = {element.id: fresh() for element in clipping.elements}
    names = {element.name for element in slide.elements}
    top = max((element.z for element in slide.elements), default=-1) + 1
    by_height = sorted(clipping.elements, key=lambda element: element.z)
    levels = {element.id: top + n for n, element in enumerate(by_height)}
    copies = []
    for element in clipping.elements:
        name = free_name(element.name, names)
        names.add(name)
        copies.append(_unslotted(element).model_copy(update={
            "id": ids[element.id], "name": name, "z": levels[element.id],
            "x": element.x + dx, "y": element.y + dy, "group": ids.get(element.group or ""),
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
    chosen = outermost(clipping.elements, ids)
    return grown, tuple(ids[name] for name in chosen)


def _unslotted(element: Element) -> Element:
    """The element on its own: it no longer fills a slot of a layout."""
    if element.slot is None:
        return element
    own = tuple(name for name in element.own if name != "box")
    return element.model_copy(update={
        "slot": None, "own": own if element.named_style else (),
    })


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
        "sections": tuple(
            section.model_copy(update={"before": slide_ids.get(section.before or "")})
            for section in document.course.sections
        ),
        "remembered": {},
    })
    return CourseDocument(course=course, slides=slides)


def _copied_slide(
    slide: Slide, copy_id: str, slide_ids: Mapping[str, str], fresh: IdSource
) -> Slide:
    ids = {element.id: fresh() for element in slide.elements}
    return slide.model_copy(update={
        "id": copy_id, "onward": _onward(slide.onward, slide_ids),
        "elements": tuple(
            element.model_copy(update={
                "id": ids[element.id], "group": ids.get(element.group or ""),
                "rules": _rules(element.rules, fresh, slide_ids),
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


def _onward(onward: Onward, slide_ids: Mapping[str, str]) -> Onward:
    if isinstance(onward, ToSlide) and onward.slide in slide_ids:
        return ToSlide(slide=slide_ids[onward.slide])
    return onward


def _action(action: GoTo, slide_ids: Mapping[str, str]) -> GoTo:
    if isinstance(action.go, ToSlide) and action.go.slide in slide_ids:
        return action.model_copy(update={"go": ToSlide(slide=slide_ids[action.go.slide])})
    return action
