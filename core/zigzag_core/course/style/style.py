"""How an element looks. One flat set of properties; each kind uses those that mean something."""

from typing import Annotated, Literal, get_args

from pydantic import Field

from ..kinds import Is, MaybeMedia
from ..model import Id, Length, Model, Name, Paint, Pixels
from ..text.rich_text import RichText

Align = Literal["left", "center", "right"]
VerticalAlign = Literal["top", "middle", "bottom"]
Font = Literal["text", "heading"]
Look = Literal[
    "default", "hover", "focus", "pressed", "visited", "selected", "disabled", "dragged"
]
"""The looks that every element has and that follow by themselves."""

GIVEN_LOOKS: frozenset[str] = frozenset(get_args(Look))

Fit = Literal["keep", "shrink", "grow"]
"""What happens to words that do not fit: they run over, get smaller, or the box gets taller."""

SMALLEST_FONT, LARGEST_FONT, WIDEST_BORDER = 6, 400, 200
FontSize = Annotated[float, Field(ge=SMALLEST_FONT, le=LARGEST_FONT)]
Share = Annotated[float, Field(ge=0, le=1)]
BorderWidth = Annotated[float, Field(ge=0, le=WIDEST_BORDER)]
LineHeight = Annotated[float, Field(ge=0.8, le=4)]


class Shadow(Model):
    """A shadow as in CSS: moved by (x, y) px, blurred by `blur` px, in `colour` at `opacity`."""

    x: Annotated[float, Field(ge=-200, le=200)] = 0
    y: Annotated[float, Field(ge=-200, le=200)] = 4
    blur: Annotated[float, Field(ge=0, le=200)] = 16
    colour: Paint = "#000000"
    opacity: Share = 0.25


class Style(Model):
    """Lengths in slide pixels, opacity 0..1; no fill or border colour means none is drawn.

    `line_height` is a multiple of the font's size.
    """

    fill: Paint | None = None
    border_colour: Paint | None = None
    border_width: BorderWidth = 0
    border_style: Literal["solid", "dashed", "dotted"] = "solid"
    radius: Length = 0
    opacity: Share = 1
    shadow: Shadow | None = None
    padding: Length = 0
    text_colour: Paint = "ink"
    size: FontSize = 28
    bold: bool = False
    italic: bool = False
    font: Font = "text"
    line_height: LineHeight = 1.35
    align: Align = "left"
    valign: VerticalAlign = "top"
    fit: Fit = "keep"


class StylePatch(Model):
    """What a look changes; what is absent stays as in the default look.

    `name` is that of a look of the author's own. Besides the style a look may change the words,
    the picture, and the place and size (px).
    """

    name: Name | None = None
    text: RichText | None = None
    label: Annotated[str, Field(max_length=500)] | None = None
    media: MaybeMedia = None
    x: Pixels | None = None
    y: Pixels | None = None
    w: Length | None = None
    h: Length | None = None
    turn: Annotated[float, Field(ge=-360, le=360)] | None = None
    fill: Paint | None = None
    border_colour: Paint | None = None
    border_width: BorderWidth | None = None
    radius: Length | None = None
    opacity: Share | None = None
    text_colour: Paint | None = None
    size: FontSize | None = None
    bold: bool | None = None
    italic: bool | None = None
    shadow: Shadow | None = None
    border_style: Literal["solid", "dashed", "dotted"] | None = None
    padding: Length | None = None
    font: Font | None = None
    line_height: LineHeight | None = None
    align: Align | None = None
    valign: VerticalAlign | None = None


LookId = Id
"""A `Look`, or the id of one of the author's own."""

Looks = dict[Annotated[LookId, Is("look")], StylePatch]
