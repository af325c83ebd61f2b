"""Which kinds of things a course is made of, and marks for the fields that name or make one.

A field that refers to something, or that gives a thing its identity, says so in its type. The one
visitor (`references`) reads these marks: rewiring copies, taking away what names something that
is gone, usage lists and checks all follow from them.
"""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Annotated, Any, Literal

from .model import Id

Kind = Literal[
    "element", "overlay", "slide", "section", "question", "part", "row", "pattern", "rule", "cue",
    "move", "variable", "medium", "look", "style", "layout", "walkthrough", "set", "band",
    "dialogue", "turn", "beat", "reply", "line", "speaker",
]


@dataclass(frozen=True)
class Is:
    """The field is the identity of a thing of this kind."""

    kind: Kind


@dataclass(frozen=True)
class Refers:
    """The field names a thing: one of `kinds`, the first that has it.

    What holds the field goes away with the thing. A `weak` reference may name nothing, or a word
    of its own (such as a value that the course keeps), and stays as it is. One `of_pairs` names
    something only in questions that put items on targets; elsewhere it is a text. What one `sets`
    gets another value there.
    """

    kinds: tuple[Kind, ...]
    weak: bool = False
    of_pairs: bool = False
    sets: bool = False


@dataclass(frozen=True)
class RefersBy:
    """The field names a thing whose kind depends on the other fields of what holds it."""

    kinds: Callable[[Any], tuple[Kind, ...]]
    weak: bool = False


@dataclass(frozen=True)
class Unset:
    """Where the thing is gone, the field is without one: None, or what it is by default."""


@dataclass(frozen=True)
class Names:
    """The field holds an expression, which may name things."""


@dataclass(frozen=True)
class NamesInEvent:
    """The field is an event of a run, some fields of which name things."""


ElementRef = Annotated[Id, Refers(("element",))]
ShownRef = Annotated[Id, Refers(("element", "overlay"))]
OverlayRef = Annotated[Id, Refers(("overlay",))]
SlideRef = Annotated[Id, Refers(("slide",))]
QuestionRef = Annotated[Id, Refers(("question",))]
PartRef = Annotated[Id, Refers(("part",))]
PatternRef = Annotated[Id, Refers(("pattern",))]
CueRef = Annotated[Id, Refers(("cue",))]
MoveRef = Annotated[Id, Refers(("move",))]
SetVariableRef = Annotated[Id, Refers(("variable",), sets=True)]
MediaRef = Annotated[Id, Refers(("medium",))]
StyleRef = Annotated[Id, Refers(("style",))]
LayoutRef = Annotated[Id, Refers(("layout",))]
QuestionSetRef = Annotated[Id, Refers(("set",))]

# Where the thing is gone, these are without one.
MaybeElement = Annotated[ElementRef | None, Unset()]
MaybeOverlay = Annotated[OverlayRef | None, Unset()]
MaybeSlide = Annotated[SlideRef | None, Unset()]
MaybeQuestionSet = Annotated[QuestionSetRef | None, Unset()]
MaybePattern = Annotated[PatternRef | None, Unset()]
MaybeMove = Annotated[MoveRef | None, Unset()]
MaybeDialogue = Annotated[Annotated[Id, Refers(("dialogue",))] | None, Unset()]
MaybeVariable = Annotated[SetVariableRef | None, Unset()]
MaybeMedia = Annotated[MediaRef | None, Unset()]
MaybeStyle = Annotated[StyleRef | None, Unset()]
MaybeLayout = Annotated[LayoutRef | None, Unset()]
MaybeSlot = Annotated[Annotated[Id, Refers(("element",), weak=True)] | None, Unset()]
"""The element of the slide's layout that one of the slide follows."""
