"""The course document: the course's own settings, and its slides."""

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from .elements import Element
from .model import Colour, Id, Model, Name
from .questions import Question
from .style import Share

FORMAT = 1
"""Number of the document format that this program writes."""


class Background(Model):
    colour: Colour = "#fbf8f3"
    picture: Id | None = None
    fit: Literal["contain", "cover", "fill"] = "cover"


class Slide(Model):
    """One slide. `elements` stand in the running order: read out and reached in that order."""

    id: Id
    title: Name
    background: Background = Background()
    elements: tuple[Element, ...] = Field(default=(), max_length=2_000)
    questions: tuple[Question, ...] = Field(default=(), max_length=200)

    @model_validator(mode="after")
    def _references_hold(self) -> Self:
        ids = [element.id for element in self.elements]
        known = set(ids)
        if len(known) != len(ids):
            raise ValueError("two elements of the slide have the same id")
        question_ids = [question.id for question in self.questions]
        if len(set(question_ids)) != len(question_ids):
            raise ValueError("two questions of the slide have the same id")
        taken: set[str] = set()
        for question in self.questions:
            parts = [choice.element for choice in question.choices]
            parts += [part for part in (question.prompt, question.submit) if part]
            for part in parts:
                if part not in known:
                    raise ValueError(f"question “{question.name}” names a missing element")
                if part in taken:
                    raise ValueError(f"question “{question.name}” uses an element that is taken")
                taken.add(part)
            choice_ids = {choice.id for choice in question.choices}
            if len(choice_ids) != len(question.choices):
                raise ValueError(f"two choices of question “{question.name}” have the same id")
        return self


class NumberVariable(Model):
    type: Literal["number"] = "number"
    id: Id
    name: Name
    default: Annotated[float, Field(ge=-1e9, le=1e9)] = 0
    min: Annotated[float, Field(ge=-1e9, le=1e9)] = -1e9
    max: Annotated[float, Field(ge=-1e9, le=1e9)] = 1e9


class TextVariable(Model):
    type: Literal["text"] = "text"
    id: Id
    name: Name
    default: str = Field(default="", max_length=250)


class YesNoVariable(Model):
    type: Literal["yes_no"] = "yes_no"
    id: Id
    name: Name
    default: bool = False


Variable = Annotated[NumberVariable | TextVariable | YesNoVariable, Field(discriminator="type")]


class Completion(Model):
    """When the course counts as completed; what is set must all hold.

    `slides_share` is the share of slides to be seen, 0..1, None when it does not count.
    """

    slides_share: Share | None = 1.0
    passing: bool = False

    @model_validator(mode="after")
    def _something_counts(self) -> Self:
        if self.slides_share is None and not self.passing:
            raise ValueError("completion needs slides seen, passing, or both")
        return self


class MediaFile(Model):
    """A file of the course. `sha256` names the stored bytes; `size` in bytes, w and h in px."""

    id: Id
    name: Name
    type: Literal["image/png", "image/jpeg", "image/webp", "image/gif", "image/svg+xml"]
    sha256: Annotated[str, Field(pattern=r"^[0-9a-f]{64}$")]
    size: Annotated[int, Field(ge=0)]
    w: Annotated[int, Field(ge=0, le=100_000)] = 0
    h: Annotated[int, Field(ge=0, le=100_000)] = 0


class SlideSize(Model):
    w: Annotated[int, Field(ge=200, le=4_000)] = 1280
    h: Annotated[int, Field(ge=200, le=4_000)] = 720


class Course(Model):
    """The course's own settings: everything that is not on one slide.

    `slides` is the order of the slides. `remembered` lists, by kind, the ids in the order in
    which they were first published: their numbers in saved progress (see `tracking.progress`).
    """

    format: Literal[1] = 1
    id: Id
    title: Name
    language: Annotated[str, Field(pattern=r"^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$")] = "en"
    size: SlideSize = SlideSize()
    slides: tuple[Id, ...] = Field(default=(), max_length=5_000)
    variables: tuple[Variable, ...] = Field(default=(), max_length=1_000)
    media: tuple[MediaFile, ...] = Field(default=(), max_length=5_000)
    completion: Completion = Completion()
    pass_mark: Annotated[float, Field(ge=0, le=100)] = 80
    remembered: dict[Literal["slides", "questions", "choices", "variables", "elements"],
                     tuple[Id, ...]] = {}

    @model_validator(mode="after")
    def _ids_are_unique(self) -> Self:
        for what, ids in (
            ("slides", self.slides),
            ("variables", [variable.id for variable in self.variables]),
            ("media", [file.id for file in self.media]),
        ):
            if len(set(ids)) != len(ids):
                raise ValueError(f"an id occurs twice among the {what}")
        return self


class CourseDocument(Model):
    """A whole course: its settings and its slides, in order."""

    course: Course
    slides: tuple[Slide, ...] = Field(default=(), max_length=5_000)

    @model_validator(mode="after")
    def _slides_match_the_order(self) -> Self:
        if tuple(slide.id for slide in self.slides) != self.course.slides:
            raise ValueError("the slides are not those that the course lists, in its order")
        seen: set[str] = set()
        for slide in self.slides:
            for element in slide.elements:
                if element.id in seen:
                    raise ValueError("an element id occurs on two slides")
                seen.add(element.id)
            for question in slide.questions:
                for part in (question.id, *(choice.id for choice in question.choices)):
                    if part in seen:
                        raise ValueError("a question or choice id occurs twice in the course")
                    seen.add(part)
        return self
