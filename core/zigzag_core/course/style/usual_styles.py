"""The named styles that every new course begins with. Their ids are the same in all courses."""

from ..model import Id
from .style import Style, StylePatch
from .theme import NamedStyle, StyleUse

BUTTON_LOOKS = {
    "hover": StylePatch(opacity=0.88), "pressed": StylePatch(opacity=0.76),
    "disabled": StylePatch(fill="#dcd6ca", text_colour="#5f655f"),
}
CHOICE_LOOKS = {
    "hover": StylePatch(border_colour="primary"),
    "selected": StylePatch(border_colour="primary", border_width=4, fill="soft"),
}

USUAL_STYLES: tuple[NamedStyle, ...] = (
    NamedStyle(id="styletitle", name="Title", use="title", style=Style(
        font="heading", size=48, bold=True, valign="middle", line_height=1.15, fit="shrink",
    )),
    NamedStyle(id="styleheading", name="Heading", use="heading", style=Style(
        font="heading", size=32, bold=True, text_colour="primary", valign="middle",
        line_height=1.2,
    )),
    NamedStyle(id="styletext", name="Text", use="text", style=Style(size=28)),
    NamedStyle(id="stylelead", name="Lead", style=Style(size=34, line_height=1.3)),
    NamedStyle(id="stylesmall", name="Small print", style=Style(size=20, text_colour="quiet")),
    NamedStyle(id="stylebutton", name="Button", use="button", looks=BUTTON_LOOKS, style=Style(
        fill="primary", text_colour="on_primary", size=26, bold=True, radius=10, align="center",
        valign="middle",
    )),
    NamedStyle(id="styleanswer", name="Answer", use="answer", looks=CHOICE_LOOKS, style=Style(
        fill="sheet", border_colour="edge", border_width=2, radius=12, padding=18, size=26,
        valign="middle",
    )),
    NamedStyle(id="stylepanel", name="Panel", use="shape", style=Style(
        fill="soft", radius=16, padding=24, size=26, valign="middle",
    )),
    NamedStyle(id="styleinput", name="Input", use="input", style=Style(
        fill="sheet", border_colour="quiet", border_width=2, radius=8, padding=12, size=24,
    )),
    NamedStyle(id="styletable", name="Table", use="table", style=Style(
        fill="sheet", border_colour="edge", border_width=2, padding=12, size=22, valign="middle",
    )),
)

_BY_USE: dict[StyleUse, NamedStyle] = {style.use: style for style in USUAL_STYLES if style.use}
_BY_ID: dict[Id, NamedStyle] = {style.id: style for style in USUAL_STYLES}


def usual(use: StyleUse, styles: tuple[NamedStyle, ...] = USUAL_STYLES) -> NamedStyle:
    """Return the style that is the usual one for `use` among `styles`, else the shipped one."""
    return next((style for style in styles if style.use == use), _BY_USE[use])


def shipped_style(style: Id) -> NamedStyle:
    """Return the shipped style with this id; raises `KeyError` when there is none."""
    return _BY_ID[style]
