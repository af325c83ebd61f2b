"""The elements that may stand on a slide."""

from itertools import pairwise
from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from ..kinds import (
    ElementRef,
    Is,
    MaybeElement,
    MaybeMedia,
    MaybeOverlay,
    MaybeSlot,
    MaybeStyle,
    MaybeVariable,
    Refers,
)
from ..model import Id, Length, Model, Name, Pixels
from ..rules.expression import Expression
from ..rules.rule import Rules
from ..rules.timing import Effect, Move
from ..style.style import Looks, Share, Style
from ..text.rich_text import RichText

Turn = Annotated[float, Field(ge=-360, le=360)]
Ratio = Annotated[float, Field(ge=-10, le=10)]


class Point(Model):
    """A place in an element's box, in shares of its width and height from its upper left."""

    x: Ratio
    y: Ratio


Points = Annotated[tuple[Point, ...], Field(min_length=3, max_length=100)]


def points(*pairs: tuple[float, float]) -> tuple[Point, ...]:
    """Return corners from pairs of shares."""
    return tuple(Point(x=x, y=y) for x, y in pairs)


TRIANGLE = points((0.5, 0), (1, 1), (0, 1))


REACH = 24
"""How near to a target (px) a drop counts where its author says nothing else."""


class Drag(Model):
    """How an element can be dragged, and where it may be dropped.

    On one of its `targets` it stays as dropped, snaps to the target's middle, goes to the place
    (`x`, `y`), returns to where it was, or is replaced by an overlay; `elsewhere` it stays or
    returns. A drop counts within `reach` px of a target.
    """

    targets: Annotated[tuple[ElementRef, ...], Field(max_length=200)] = ()
    on_target: Literal["stay", "snap", "place", "return", "overlay"] = "snap"
    elsewhere: Literal["stay", "return"] = "return"
    reach: Annotated[int, Field(ge=0, le=500)] = REACH
    x: Pixels = 0
    y: Pixels = 0
    overlay: MaybeOverlay = None


class ElementBase(Model):
    """What every element has. `z` is the paint order; the slide's list is the running order.

    `overlay` names the overlay that it is on; None is the slide itself. `enters` and `leaves`
    say how it comes and goes when it is shown and hidden, `pulse` how it draws attention.

    `turn` is in degrees clockwise around the middle. `group` names the group that it belongs to,
    `named_style` the style and `slot` the element of the slide's layout that it follows, in all
    but what is listed in `own`: names of style properties, ``looks``, and ``box`` for its place.

    `shown` is the condition under which it is there, as long as no rule has shown or hidden it:
    False is hidden at first, an expression is looked at anew at every moment.
    """

    id: Annotated[Id, Is("element")]
    name: Name
    x: Pixels = 0
    y: Pixels = 0
    w: Length = 200
    h: Length = 100
    z: int = Field(default=0, ge=-1_000_000, le=1_000_000)
    turn: Turn = 0
    flip_x: bool = False
    flip_y: bool = False
    alt: str = Field(default="", max_length=2_000)
    decoration: bool = False
    group: MaybeElement = None
    locked: bool = False
    hidden_while_editing: bool = False
    named_style: MaybeStyle = None
    slot: MaybeSlot = None
    own: tuple[Annotated[str, Field(max_length=30)], ...] = Field(default=(), max_length=40)
    style: Style = Style()
    looks: Looks = {}
    rules: Rules = ()
    overlay: MaybeOverlay = None
    shown: Expression = True
    drag: Drag | None = None
    moves: tuple[Move, ...] = Field(default=(), max_length=50)
    enters: Effect = "none"
    leaves: Effect = "none"
    pulse: Literal["none", "beat", "sway", "glow"] = "none"


class Text(ElementBase):
    """Words on the slide; `level` says what a screen reader calls them.

    Each word is highlighted while `spoken_by`, a video or audio, says it.
    """

    kind: Literal["text"] = "text"
    text: RichText = RichText()
    level: Literal["body", "title", "heading"] = "body"
    spoken_by: MaybeElement = None


class Shape(ElementBase):
    """A drawn figure, which may hold words.

    A `line` runs across its box, rising to the right when `rising`; an `arrow` does so too, with
    its head at the right end. `points` are the corners of a `polygon`; `tail` is the place that
    a `callout` points at.
    """

    kind: Literal["shape"] = "shape"
    shape: Literal["rectangle", "ellipse", "line", "arrow", "callout", "polygon"] = "rectangle"
    rising: bool = False
    points: Points = TRIANGLE
    tail: Point = Point(x=0.2, y=1.35)
    text: RichText = RichText()


class Crop(Model):
    """How much is cut off at each side, in shares of the whole picture."""

    left: Share = 0
    top: Share = 0
    right: Share = 0
    bottom: Share = 0


class Picture(ElementBase):
    """A picture from the course's media; `media` is None until one is chosen.

    `mask` cuts it to a shape; for a polygon that is `points`.
    """

    kind: Literal["picture"] = "picture"
    media: MaybeMedia = None
    fit: Literal["contain", "cover", "fill"] = "contain"
    crop: Crop = Crop()
    mask: Literal["none", "ellipse", "polygon"] = "none"
    points: Points = TRIANGLE


Fade = Annotated[int, Field(ge=0, le=60_000)]
FileTime = Annotated[int, Field(ge=0, le=360_000_000)]
"""A place (ms) in a video or audio."""


class Piece(Model):
    """What is played of a file, from `since` until `until` (ms)."""

    since: FileTime
    until: FileTime

    @model_validator(mode="after")
    def _ends_later(self) -> Self:
        if self.until <= self.since:
            raise ValueError("a piece ends after it begins")
        return self


class Playing(ElementBase):
    """What videos and audio have in common. `volume` 0..1.

    Only the `pieces` of the file are played, in order; without any all of it. Sound gets louder for
    `fade_in` ms at the begin, and lower for `fade_out` ms before the end. One that plays `alone`
    lets all others stand still.
    """

    media: MaybeMedia = None
    start: Literal["click", "auto"] = "click"
    controls: bool = True
    loop: bool = False
    volume: Share = 1
    pieces: tuple[Piece, ...] = Field(default=(), max_length=50)
    fade_in: Fade = 0
    fade_out: Fade = 0
    alone: bool = False

    @model_validator(mode="after")
    def _pieces_are_apart(self) -> Self:
        if any(one.until > following.since for one, following in pairwise(self.pieces)):
            raise ValueError("pieces are in order and do not overlap")
        return self


class Video(Playing):
    """A video; `poster` is the picture shown before it plays, `mask` cuts it to a shape."""

    kind: Literal["video"] = "video"
    poster: MaybeMedia = None
    fit: Literal["contain", "cover"] = "contain"
    mask: Literal["none", "ellipse"] = "none"


class Audio(Playing):
    """A sound with or without controls.

    As `narration` a `narrator` says its `words`; without controls nothing is seen of it unless it
    waits.
    """

    kind: Literal["audio"] = "audio"
    narration: bool = False
    words: str = Field(default="", max_length=20_000)
    narrator: str = Field(default="", max_length=60)


class Button(ElementBase):
    """A button with a label; rules say what it does."""

    kind: Literal["button"] = "button"
    label: str = Field(default="Button", max_length=500)


class Area(ElementBase):
    """A clickable region: invisible, or tinted by its fill. `points` are a polygon's corners."""

    kind: Literal["area"] = "area"
    shape: Literal["rectangle", "ellipse", "polygon"] = "rectangle"
    points: Points = TRIANGLE


InputKind = Literal[
    "text", "number", "choice", "checkbox", "slider", "long", "scale", "name", "mail", "date"]


class Input(ElementBase):
    """Something to fill in or set; what is entered is kept in `variable`.

    `options` are those of a choice list; `low`, `high` and `step` hold for numbers and sliders.
    *long* takes several lines. A *scale* has points from `low` to `high`; its options name the
    lowest, the highest, and, where it is there, having no opinion. A *name* is the learner's, a
    *mail* address has to look like one, a *date* is kept as in ISO 8601. While one that is
    `required` is empty, the slide's gate is closed.
    """

    kind: Literal["input"] = "input"
    input: InputKind = "text"
    label: str = Field(default="", max_length=500)
    variable: MaybeVariable = None
    options: tuple[Annotated[str, Field(max_length=250)], ...] = Field(default=(), max_length=200)
    low: float = Field(default=0, ge=-1e9, le=1e9)
    high: float = Field(default=100, ge=-1e9, le=1e9)
    step: float = Field(default=1, gt=0, le=1e9)
    required: bool = False


class Meter(ElementBase):
    """Shows how far something has come: a value as in a text (`ValueRun`)."""

    kind: Literal["meter"] = "meter"
    meter: Literal["bar", "ring", "text"] = "bar"
    of: Annotated[str, Refers(("variable", "set"), weak=True)] = Field(
        default="slides_seen", max_length=50)
    low: float = Field(default=0, ge=-1e9, le=1e9)
    high: float = Field(default=100, ge=-1e9, le=1e9)


class Group(ElementBase):
    """Elements that belong together; their `group` names it. Its box is theirs together."""

    kind: Literal["group"] = "group"


class Table(ElementBase):
    """Rows of cells, all of one length. `columns` are the columns' shares of the width."""

    kind: Literal["table"] = "table"
    cells: tuple[tuple[Annotated[str, Field(max_length=2_000)], ...], ...] = Field(
        default=(("", ""), ("", "")), min_length=1, max_length=100
    )
    columns: tuple[Annotated[float, Field(gt=0, le=1)], ...] = Field(default=(), max_length=30)
    header_row: bool = True
    header_column: bool = False


class Embed(ElementBase):
    """A web page from elsewhere, kept apart from the course. Only ``https`` addresses."""

    kind: Literal["embed"] = "embed"
    address: str = Field(default="", max_length=2_000, pattern=r"^(https://[^\s\"'<>]+)?$")


Element = Annotated[
    Text | Shape | Picture | Video | Audio | Button | Area | Input | Meter | Group | Table | Embed,
    Field(discriminator="kind"),
]
