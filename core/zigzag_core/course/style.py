"""How an element looks. One flat set of properties; each kind uses those that mean something."""

from typing import Annotated, Literal

from pydantic import Field

from .model import Colour, Length, Model

Align = Literal["left", "center", "right"]
VerticalAlign = Literal["top", "middle", "bottom"]
Font = Literal["text", "heading"]
Look = Literal["default", "hover", "focus", "pressed", "visited", "selected", "disabled"]

FontSize = Annotated[float, Field(ge=6, le=400)]
Share = Annotated[float, Field(ge=0, le=1)]
BorderWidth = Annotated[float, Field(ge=0, le=200)]


class Style(Model):
    """Lengths in slide pixels, opacity 0..1; no fill or border colour means none is drawn."""

    fill: Colour | None = None
    border_colour: Colour | None = None
    border_width: BorderWidth = 0
    radius: Length = 0
    opacity: Share = 1
    padding: Length = 0
    text_colour: Colour = "#22302b"
    size: FontSize = 28
    bold: bool = False
    font: Font = "text"
    align: Align = "left"
    valign: VerticalAlign = "top"


class StylePatch(Model):
    """What a look changes; what is absent stays as in the default look."""

    fill: Colour | None = None
    border_colour: Colour | None = None
    border_width: BorderWidth | None = None
    radius: Length | None = None
    opacity: Share | None = None
    text_colour: Colour | None = None
    size: FontSize | None = None
    bold: bool | None = None
