"""Timing: cues along a time axis, and moves along a path."""

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from ..kinds import ElementRef, Is, MaybeElement, MaybeMove, Unset
from ..model import Id, Model, Name, Pixels

Milliseconds = Annotated[int, Field(ge=0, le=3_600_000)]
Effect = Literal["none", "fade", "slide", "scale", "flip"]
"""How something appears or leaves; learners who want reduced motion get the end at once."""

Easing = Literal["linear", "ease", "ease-in", "ease-out", "ease-in-out"]


class SpokenWord(Model):
    """A word of what is said: its `number` from 0 (`course.text.splitting`), and itself."""

    number: Annotated[int, Field(ge=0, le=10_000)]
    word: Annotated[str, Field(max_length=200)] = ""


class Cue(Model):
    """At `at` ms something happens to `what`, an element.

    It *appears* (and leaves again at `until`), starts one of its moves, or starts to play. A
    *moment* is only there for rules to wait for. One that is set to a `word` of the narration goes
    to where that is heard, when it is spoken anew.
    """

    id: Annotated[Id, Is("cue")]
    name: Name = ""
    does: Literal["appear", "move", "play", "moment"] = "appear"
    what: ElementRef | None = None
    at: Milliseconds = 0
    until: Milliseconds | None = None
    effect: Effect = "fade"
    leaves_with: Effect = "fade"
    move: MaybeMove = None
    word: Annotated[SpokenWord | None, Unset()] = None


class Timing(Model):
    """The time axis of a slide or overlay: `length` in ms; `starts` by itself or by a rule.

    With `follows`, a video or audio, its time is that of what plays, and it is at least as long.
    """

    length: Milliseconds = 0
    follows: MaybeElement = None
    starts: bool = True
    repeats: bool = False
    cues: tuple[Cue, ...] = Field(default=(), max_length=500)

    @model_validator(mode="after")
    def _ids_are_unique(self) -> Self:
        if len({cue.id for cue in self.cues}) != len(self.cues):
            raise ValueError("two cues have the same id")
        return self


class Offset(Model):
    """A place relative to where the element stands, in px."""

    x: Pixels
    y: Pixels


class Move(Model):
    """A change of place, which begins where the element is then. `times` 0: no end.

    It goes along the `path` to where that ends on the slide; or *by* as much as the path is long
    from where it is; or *to* the middle of another element.
    """

    id: Annotated[Id, Is("move")]
    name: Name = "Move"
    path: tuple[Offset, ...] = Field(default=(Offset(x=200, y=0),), min_length=1, max_length=200)
    goes: Literal["path", "by", "to"] = "path"
    to: MaybeElement = None
    curved: bool = False
    duration: Annotated[int, Field(ge=50, le=600_000)] = 1_000
    easing: Easing = "ease-in-out"
    times: Annotated[int, Field(ge=0, le=1_000)] = 1
