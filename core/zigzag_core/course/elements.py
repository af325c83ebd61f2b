"""The elements that may stand on a slide."""

from typing import Annotated, Literal

from pydantic import Field

from .model import Id, Length, Model, Name, Pixels
from .rules import Rule
from .style import Look, Style, StylePatch
from .text import RichText


class ElementBase(Model):
    """What every element has. `z` is the paint order; the slide's list is the running order."""

    id: Id
    name: Name
    x: Pixels = 0
    y: Pixels = 0
    w: Length = 200
    h: Length = 100
    z: int = Field(default=0, ge=-1_000_000, le=1_000_000)
    alt: str = Field(default="", max_length=2_000)
    decoration: bool = False
    style: Style = Style()
    looks: dict[Look, StylePatch] = {}
    rules: tuple[Rule, ...] = Field(default=(), max_length=200)


class Text(ElementBase):
    kind: Literal["text"] = "text"
    text: RichText = RichText()
    level: Literal["body", "title", "heading"] = "body"


class Shape(ElementBase):
    """A drawn figure; a `line` runs across its box, rising to the right when `rising`."""

    kind: Literal["shape"] = "shape"
    shape: Literal["rectangle", "ellipse", "line"] = "rectangle"
    rising: bool = False


class Picture(ElementBase):
    """A picture from the course's media; `media` is None until one is chosen."""

    kind: Literal["picture"] = "picture"
    media: Id | None = None
    fit: Literal["contain", "cover", "fill"] = "contain"


class Button(ElementBase):
    kind: Literal["button"] = "button"
    label: str = Field(default="Button", max_length=500)


Element = Annotated[Text | Shape | Picture | Button, Field(discriminator="kind")]
