"""The slide that asks for the learner's details before a quiz, made in one step."""

from collections.abc import Iterable, Iterator
from typing import Annotated, Literal

from pydantic import Field

from zigzag_core.course import (
    Course,
    Element,
    IdSource,
    Input,
    Slide,
    TextVariable,
    Variable,
)
from zigzag_core.course.document import Section
from zigzag_core.course.elements.element import InputKind
from zigzag_core.course.layouts.shipped import TITLE_ONLY
from zigzag_core.course.model import Model, Name
from zigzag_core.course.posts import Post
from zigzag_core.course.questions.new_questions import Maker
from zigzag_core.course.rules.variables import YesNoVariable
from zigzag_core.course.sections import slides_by_section
from zigzag_core.errors import NoQuiz
from zigzag_core.words import Say, say_english

from ..layouts.following import slide_from, with_layout
from ..names import free_name

MOST_DETAILS = 12
"""As many as find room on one slide."""

DetailKind = Literal["name", "mail", "text", "choice", "number", "date", "agreement"]

_INPUTS: dict[DetailKind, InputKind] = {
    "name": "name", "mail": "mail", "text": "text", "choice": "choice", "number": "number",
    "date": "date", "agreement": "checkbox"}

_TOP, _STEP, _GAP = 150.0, 92.0, 40.0


class Detail(Model):
    """One thing that learners are asked for, under its `label`.

    One that is *hidden* is not asked for: it has its `default`, which in texts and reports stands
    as the others do. A name begins as the LMS knows it.
    """

    kind: DetailKind = "text"
    label: Name
    need: Literal["required", "optional", "hidden"] = "required"
    default: Annotated[str, Field(max_length=250)] = ""
    options: tuple[Annotated[str, Field(min_length=1, max_length=250)], ...] = Field(
        default=(), max_length=50)


def usual_details(say: Say = say_english) -> tuple[Detail, ...]:
    """Return what is asked for most: name and mail address."""
    return (Detail(kind="name", label=say("detail_name")),
            Detail(kind="mail", label=say("detail_mail")))


def with_details(
    course: Course, section: str, details: Iterable[Detail], fresh: IdSource,
    say: Say = say_english,
) -> tuple[Course, Slide]:
    """Return `course` with a details slide at the beginning of the quiz `section`, and the slide.

    Each detail is kept in a variable of its name. Where reports have the name that the LMS knows,
    they get the one that is asked for. `say` gives the title in the course's language.
    Raises `NoQuiz` where the section is no quiz.
    """
    found = next((one for one in course.sections if one.id == section), None)
    if found is None or found.quiz is None:
        raise NoQuiz
    course, layout = with_layout(course, TITLE_ONLY)
    slide = slide_from(layout, course, say("details_title"), fresh)
    taken = [variable.name for variable in course.variables]
    variables: list[Variable] = []
    asked: list[tuple[Detail, str]] = []
    for detail in details:
        variable = _variable(detail, free_name(detail.label, taken), fresh)
        taken.append(variable.name)
        variables.append(variable)
        if detail.need != "hidden":
            asked.append((detail, variable.id))
    fields = tuple(_fields(asked, Maker(fresh, course.styles, say)))
    slide = slide.model_copy(update={"elements": (*slide.elements, *fields)})
    name = next((variable.id for variable in variables
                 if isinstance(variable, TextVariable) and variable.from_lms), None)
    quiz = found.quiz.model_copy(update={
        "details": slide.id, "post": found.quiz.post and _posting(found.quiz.post, name)})
    course = course.model_copy(update={"variables": (*course.variables, *variables)})
    return _opened_by(course, found.model_copy(update={"quiz": quiz}), slide.id), slide


def _posting(post: Post, name: str | None) -> Post:
    return post if name is None else post.model_copy(update={"fields": tuple(
        field.model_copy(update={"of": name}) if field.of == "learner_name" else field
        for field in post.fields)})


def _opened_by(course: Course, section: Section, slide: str) -> Course:
    """The course with the slide at the beginning of a section, as that is now.

    Empty sections that began where it did, and are listed before it, still come before it.
    """
    behind, here = 0, True
    for one, own in slides_by_section(course.slides, course.sections):
        if one is not None and one.id == section.id:
            break
        behind += len(own)
    sections: list[Section] = []
    for other in course.sections:
        if other.id == section.id:
            sections.append(section.model_copy(update={"before": slide}))
            here = False
        elif here and other.before == section.before:
            sections.append(other.model_copy(update={"before": slide}))
        else:
            sections.append(other)
    return course.model_copy(update={
        "slides": (*course.slides[:behind], slide, *course.slides[behind:]),
        "sections": tuple(sections)})


def _variable(detail: Detail, name: str, fresh: IdSource) -> Variable:
    if detail.kind == "agreement":
        return YesNoVariable(id=fresh(), name=name, default=detail.default == "yes")
    return TextVariable(
        id=fresh(), name=name, default=detail.default, from_lms=detail.kind == "name")


def _fields(asked: list[tuple[Detail, str]], make: Maker) -> Iterator[Element]:
    """The inputs, below each other; in two columns where one is too short for them."""
    columns = 1 if len(asked) <= 5 else 2
    rows = -(-len(asked) // columns)
    width = (make.width - _GAP) / 2
    step = min(_STEP + 24, 520 / max(rows, 1))
    for at, (detail, variable) in enumerate(asked):
        column, row = divmod(at, rows)
        yield Input(
            id=make.fresh(), name=detail.label, label=detail.label,
            input=_INPUTS[detail.kind], variable=variable, required=detail.need == "required",
            options=detail.options, low=-1e9, high=1e9,
            x=make.left + column * (width + _GAP), y=_TOP + row * step, w=width,
            h=min(_STEP, step - 8), **make.follow("input"))
