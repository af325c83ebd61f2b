"""Gates: what must be true before the learner may leave a slide forward."""

from typing import Annotated, Literal

from pydantic import Field

from ..kinds import MaybeDialogue, MaybeElement, MaybePattern, QuestionRef
from ..model import Model
from ..style.style import Share
from .expression import Expression
from .rule import Seconds


class AllOfSet(Model):
    """All of a pattern's set was seen."""

    wants: Literal["set"] = "set"
    set: MaybePattern = None


class AllHere(Model):
    """All on this slide that can be clicked was."""

    wants: Literal["all"] = "all"


class QuestionAnswered(Model):
    """A question was answered to its end, or answered right; None: all questions of the slide."""

    wants: Literal["answered", "right"] = "answered"
    question: QuestionRef | None = None


class MediaWatched(Model):
    """A share (0..1) of a video's or audio's distinct seconds was really played."""

    wants: Literal["watched"] = "watched"
    media: MaybeElement = None
    share: Share = 0.95


class DialogueTaken(Model):
    """A dialogue has ended once (None: each of the slide), or with `every` ending that it has."""

    wants: Literal["dialogue"] = "dialogue"
    dialogue: MaybeDialogue = None
    every: bool = False


class TimeSpent(Model):
    """The learner was on the slide for so many seconds."""

    wants: Literal["time"] = "time"
    seconds: Seconds = 10


class ConditionHolds(Model):
    """An expression is true."""

    wants: Literal["condition"] = "condition"
    condition: Expression = True


Wanted = Annotated[
    AllOfSet | AllHere | QuestionAnswered | MediaWatched | DialogueTaken | TimeSpent
    | ConditionHolds,
    Field(discriminator="wants"),
]


class Gate(Model):
    """What all must be true to go on. While it is closed, Next is `meanwhile` hidden, disabled,
    or answers with `message`. `for_good`: once open, it stays open."""

    wants: tuple[Wanted, ...] = Field(default=(AllHere(),), max_length=20)
    meanwhile: Literal["hidden", "disabled", "message"] = "message"
    message: str = Field(default="", max_length=500)
    for_good: bool = True
