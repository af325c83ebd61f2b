"""The course document: the course's own settings, and its slides."""

from typing import Annotated, Literal, Self

from pydantic import Field, field_validator, model_validator

from zigzag_core.words import ENGLISH

from .banked import BankRef
from .dialogues import Dialogue
from .elements.element import Element, Group
from .elements.overlay import Overlay
from .kinds import Is, MaybeLayout, MaybeSlide, SlideRef, Unset
from .layouts.layout import Background, Layout
from .media import MediaFile
from .model import Id, Model, Name
from .navigation import Navigation, NavigationHere
from .questions.feedback import FeedbackDesign
from .questions.question import Question, part_elements, part_ids
from .quizzes import Level, Quiz, Tag
from .rules.gates import Gate
from .rules.patterns import Pattern
from .rules.patterns import parts as parts_of
from .rules.rule import Rules, ToNext, ToSlide
from .rules.timing import Timing
from .rules.variables import Variable
from .sounds import BackgroundSound
from .style.style import Share
from .style.theme import NamedStyle, Theme
from .voices import Narrator, Pronunciation
from .walkthroughs import Walkthrough

FORMAT = 6
"""Number of the document format that this program writes."""


class Nowhere(Model):
    """The slide has no way on of its own: what is on it must lead on."""

    to: Literal["nowhere"] = "nowhere"


Onward = Annotated[ToNext | ToSlide | Nowhere, Field(discriminator="to")]

Notes = Annotated[str, Field(max_length=20_000)]


class Slide(Model):
    """One slide. `elements` stand in the running order: read out and reached in that order.

    Without a `background` of its own it has that of its `layout`. `onward` says where *next*
    leads. `indent` is how far in it stands in the outline. `notes` are for the author alone,
    the `transcript` is there for the learner to read. Its `gate` comes before the course's; where
    it is `ungated`, the slide has none. `tags` and `level` say what its questions are about and how
    hard they are: sets of a quiz are balanced by them. One that is used by reference names the
    question of a `bank` that it is.
    """

    id: Annotated[Id, Is("slide")]
    title: Name
    layout: MaybeLayout = None
    background: Background | None = None
    onward: Annotated[Onward, Unset()] = ToNext()
    indent: Annotated[int, Field(ge=0, le=3)] = 0
    notes: Notes = ""
    transcript: Notes = ""
    elements: tuple[Element, ...] = Field(default=(), max_length=2_000)
    questions: tuple[Question, ...] = Field(default=(), max_length=200)
    overlays: tuple[Overlay, ...] = Field(default=(), max_length=100)
    patterns: tuple[Pattern, ...] = Field(default=(), max_length=100)
    dialogues: tuple[Dialogue, ...] = Field(default=(), max_length=10)
    rules: Rules = ()
    timing: Timing = Timing()
    gate: Annotated[Gate | None, Unset()] = None
    ungated: bool = False
    navigation: NavigationHere = NavigationHere()
    tags: tuple[Tag, ...] = Field(default=(), max_length=20)
    level: Level | None = None
    bank: BankRef | None = None

    @model_validator(mode="after")
    def _references_hold(self) -> Self:
        ids = [element.id for element in self.elements]
        known = set(ids)
        if len(known) != len(ids):
            raise ValueError("two elements of the slide have the same id")
        check_groups(self.elements)
        self._check_overlays()
        for pattern in self.patterns:
            missing = parts_of(pattern) - known - {overlay.id for overlay in self.overlays}
            if missing:
                raise ValueError(f"“{pattern.name}” names an element that is not there")
        question_ids = [question.id for question in self.questions]
        if len(set(question_ids)) != len(question_ids):
            raise ValueError("two questions of the slide have the same id")
        taken: set[str] = set()
        for question in self.questions:
            for part in part_elements(question):
                if part not in known:
                    raise ValueError(f"question “{question.name}” names a missing element")
                if part in taken:
                    raise ValueError(f"question “{question.name}” uses an element that is taken")
                taken.add(part)
            ids = list(part_ids(question))
            if len(set(ids)) != len(ids):
                raise ValueError(f"two parts of question “{question.name}” have the same id")
        return self

    def _check_overlays(self) -> None:
        """Raise `ValueError` unless every element's overlay is there, and its group's with it."""
        overlays = {overlay.id for overlay in self.overlays}
        if len(overlays) != len(self.overlays):
            raise ValueError("two overlays of the slide have the same id")
        at = {element.id: element.overlay for element in self.elements}
        for element in self.elements:
            if element.overlay is not None and element.overlay not in overlays:
                raise ValueError(f"“{element.name}” is on an overlay that is not there")
            if element.group is not None and at[element.group] != element.overlay:
                raise ValueError(f"“{element.name}” and its group are on different overlays")


def valid_slide(slide: Slide) -> Slide:
    """Return `slide`, a changed copy of one, if it still keeps to all that is asked of slides.

    Raises Pydantic's `ValidationError` where it does not: copies are not looked at when made.
    """
    return Slide.model_validate(slide.model_dump())


def check_groups(elements: tuple[Element, ...]) -> None:
    """Raise `ValueError` unless every `group` is a group here and none is within itself."""
    groups = {element.id: element.group for element in elements if isinstance(element, Group)}
    for element in elements:
        seen, group = {element.id}, element.group
        while group is not None:
            if group not in groups:
                raise ValueError(f"“{element.name}” belongs to a group that is not there")
            if group in seen:
                raise ValueError(f"the group of “{element.name}” is within itself")
            seen.add(group)
            group = groups[group]


class Section(Model):
    """A part of the course; it begins before the slide `before`, or stands at the end.

    With a `quiz` its slides are drawn for each learner. Its background `sound` comes before the
    course's; where it is `silent`, there is none.
    """

    id: Annotated[Id, Is("section")]
    title: Name
    before: MaybeSlide = None
    rules: Rules = ()
    quiz: Quiz | None = None
    sound: Annotated[BackgroundSound | None, Unset()] = None
    silent: bool = False


Scoring = Literal["points", "weights", "best"]
"""What the score is made of: all points, the results of quizzes by weight, or the best of them."""


class Completion(Model):
    """When the course counts as completed; what is set must all hold.

    `slides_share` is the share of slides to be seen, 0..1, None when it does not count; of those
    on the learner's *way* (seen, or still to be come to), or of *all*. Of several runs of one
    learner the best, the first or the last `counts`.
    """

    slides_share: Share | None = 1.0
    slides_of: Literal["way", "all"] = "way"
    passing: bool = False
    counts: Literal["best", "first", "last"] = "best"

    @model_validator(mode="after")
    def _something_counts(self) -> Self:
        if self.slides_share is None and not self.passing:
            raise ValueError("completion needs slides seen, passing, or both")
        return self


class SlideSize(Model):
    """Width and height of all slides, in px."""

    w: Annotated[int, Field(ge=200, le=4_000)] = 1280
    h: Annotated[int, Field(ge=200, le=4_000)] = 720


class Guides(Model):
    """Lines to align with, in px: `across` at heights, `down` at distances from the left."""

    across: tuple[Annotated[float, Field(ge=0, le=4_000)], ...] = Field(default=(), max_length=50)
    down: tuple[Annotated[float, Field(ge=0, le=4_000)], ...] = Field(default=(), max_length=50)
    grid: Annotated[int, Field(ge=2, le=400)] = 20


RememberedKind = Literal["slides", "questions", "choices", "variables", "elements"]
Remembered = dict[RememberedKind, tuple[Id, ...]]
"""By kind, ids in the order in which they were first published: their numbers in saved progress."""


PlayerWord = Annotated[str, Field(min_length=1, max_length=400)]


class Course(Model):
    """The course's own settings: everything that is not on one slide.

    `words` are those that the author has instead of the player's own (`zigzag_core.words`), by key.

    `slides` is the order of the slides; sections that begin before the same slide follow each
    other as listed. `remembered` lists, by kind, the ids in the order in
    which they were first published: their numbers in saved progress (see `tracking.progress`).
    """

    format: Literal[6] = 6
    id: Id
    title: Name
    language: Annotated[str, Field(pattern=r"^[a-z]{2,3}(-[A-Za-z0-9]{2,8})*$")] = "en"
    words: dict[Annotated[str, Field(max_length=40)], PlayerWord] = {}
    size: SlideSize = SlideSize()
    slides: tuple[SlideRef, ...] = Field(default=(), max_length=5_000)
    sections: tuple[Section, ...] = Field(default=(), max_length=1_000)
    theme: Theme = Theme()
    styles: tuple[NamedStyle, ...] = Field(default=(), max_length=500)
    layouts: tuple[Layout, ...] = Field(default=(), max_length=200)
    guides: Guides = Guides()
    variables: tuple[Variable, ...] = Field(default=(), max_length=1_000)
    rules: Rules = ()
    gate: Annotated[Gate | None, Unset()] = None
    feedback: FeedbackDesign = FeedbackDesign()
    navigation: Navigation = Navigation()
    walkthroughs: tuple[Walkthrough, ...] = Field(default=(), max_length=100)
    media: tuple[MediaFile, ...] = Field(default=(), max_length=5_000)
    narrators: tuple[Narrator, ...] = Field(default=(), max_length=50)
    pronunciations: tuple[Pronunciation, ...] = Field(default=(), max_length=1_000)
    sound: Annotated[BackgroundSound | None, Unset()] = None
    completion: Completion = Completion()
    pass_mark: Annotated[float, Field(ge=0, le=100)] = 80
    scoring: Scoring = "points"
    remembered: Remembered = {}

    @field_validator("words")
    @classmethod
    def _words_are_known(cls, words: dict[str, str]) -> dict[str, str]:
        unknown = next((key for key in words if key not in ENGLISH), None)
        if unknown is not None:
            raise ValueError(f"the player has no words for “{unknown}”")
        return words

    @model_validator(mode="after")
    def _ids_are_unique(self) -> Self:
        for what, ids in (
            ("slides", self.slides),
            ("variables", [variable.id for variable in self.variables]),
            ("media", [file.id for file in self.media]),
            ("sections", [section.id for section in self.sections]),
            ("styles", [style.id for style in self.styles]),
            ("layouts", [layout.id for layout in self.layouts]),
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
                for part in (question.id, *part_ids(question)):
                    if part in seen:
                        raise ValueError("an id of a question or its parts occurs twice")
                    seen.add(part)
        return self
