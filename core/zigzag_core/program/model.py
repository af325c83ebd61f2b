"""A program: slides with elements, overlays and rules over few primitives, as JSON.

Everything an author makes from a block (a question, its feedback) is here already taken apart
into elements, overlays, rules, expressions and graders. Both engines read exactly this.
"""

from typing import Annotated, Literal

from pydantic import Field

from zigzag_core.course import (
    Background,
    Completion,
    Element,
    Look,
    Onward,
    SlideSize,
    Theme,
    ToNext,
    Variable,
)
from zigzag_core.course.model import Id, Model
from zigzag_core.course.questions import Points

from .expression import Expression

ProgramId = Annotated[str, Field(pattern=r"^[a-z0-9_]{1,48}$")]
"""An id of the document, or one that the compiler made by adding to it."""


class Go(Model):
    do: Literal["go"] = "go"
    to: Literal["next", "previous", "slide", "leave"]
    slide: Id | None = None


class Show(Model):
    do: Literal["show"] = "show"
    element: ProgramId


class Hide(Model):
    do: Literal["hide"] = "hide"
    element: ProgramId


class SetLook(Model):
    """Give an element a look; None gives it back the one that follows from its state."""

    do: Literal["look"] = "look"
    element: ProgramId
    look: Look | None


class SetVariable(Model):
    do: Literal["set"] = "set"
    variable: ProgramId
    value: Expression


class OpenOverlay(Model):
    do: Literal["open"] = "open"
    overlay: ProgramId


class CloseOverlay(Model):
    do: Literal["close"] = "close"
    overlay: ProgramId


class Choose(Model):
    do: Literal["choose"] = "choose"
    question: ProgramId
    choice: ProgramId


class Submit(Model):
    do: Literal["submit"] = "submit"
    question: ProgramId


class Reset(Model):
    """Clear a question: answer, attempts, points and lock."""

    do: Literal["reset"] = "reset"
    question: ProgramId


class Announce(Model):
    """Tell it to a screen reader."""

    do: Literal["announce"] = "announce"
    text: str


Action = Annotated[
    Go | Show | Hide | SetLook | SetVariable | OpenOverlay | CloseOverlay
    | Choose | Submit | Reset | Announce,
    Field(discriminator="do"),
]

Event = Literal[
    "clicked", "entered", "slide_entered", "slide_left", "overlay_opened", "overlay_closed",
    "variable_changed", "answered_right", "answered_wrong", "answered_last", "answered",
]
"""What a rule may wait for; *entered* when an input got a new value. A question raises
*answered_right*; or *answered_wrong* while tries are left, *answered_last* when none is; or
*answered* where nothing is right or wrong."""


class ProgramRule(Model):
    """When `on` happens to `target` (None: anything): `then` if `condition`, else `otherwise`."""

    id: ProgramId
    on: Event
    target: ProgramId | None = None
    block: bool = False
    condition: Expression = True
    then: tuple[Action, ...] = ()
    otherwise: tuple[Action, ...] = ()


class ProgramElement(Model):
    """An element as drawn (`draw`, without its authors' rules) and what it takes part in."""

    draw: Element
    control: Literal["none", "button", "choice", "input"] = "none"
    question: ProgramId | None = None
    choice: ProgramId | None = None
    visible: Expression = True
    enabled: Expression = True
    rules: tuple[ProgramRule, ...] = ()


class Overlay(Model):
    """Elements that open over the slide, under a title.

    They stand under each other in a panel `w` px wide, at the `place` on the slide, and take
    the height they need.
    """

    id: ProgramId
    title: str
    tone: Literal["plain", "right", "wrong"] = "plain"
    place: Literal["center", "bottom"] = "bottom"
    w: float = 720
    blocks: bool = True
    dims: bool = True
    elements: tuple[ProgramElement, ...] = ()
    rules: tuple[ProgramRule, ...] = ()


class ProgramSlide(Model):
    """A slide with what its layout and the named styles give it. `onward`: where *next* leads."""

    id: Id
    title: str
    onward: Onward = ToNext()
    transcript: str = ""
    background: Background
    elements: tuple[ProgramElement, ...] = ()
    overlays: tuple[Overlay, ...] = ()
    rules: tuple[ProgramRule, ...] = ()


class Grader(Model):
    """How one question is judged. `choices` in the author's order, `texts` their words;
    `record` names the question in interaction records: letters, digits, ``-`` and ``_``."""

    id: ProgramId
    slide: Id
    name: str
    record: str
    prompt: str
    purpose: Literal["scored", "practice", "survey"]
    choices: tuple[ProgramId, ...]
    texts: tuple[str, ...]
    right: tuple[ProgramId, ...]
    points: Points
    attempts: int | None
    shuffle: bool


class ProgramMedia(Model):
    """Where a media file is (a relative URL in a package), and its size in px."""

    src: str
    type: str = "image/png"
    w: int = 0
    h: int = 0


class Program(Model):
    format: Literal[1] = 1
    course: Id
    title: str
    language: str
    size: SlideSize
    theme: Theme = Theme()
    slides: tuple[ProgramSlide, ...]
    variables: tuple[Variable, ...] = ()
    questions: tuple[Grader, ...] = ()
    rules: tuple[ProgramRule, ...] = ()
    media: dict[Id, ProgramMedia] = {}
    completion: Completion
    pass_mark: float
    remembered: dict[Literal["slides", "questions", "choices", "variables", "elements"],
                     tuple[Id, ...]]


