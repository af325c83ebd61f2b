"""The theme: colours, fonts, and the styles that new elements of a kind begin with."""

from typing import Annotated, Literal

from ..kinds import Is
from ..model import Colour, Id, Model, Name, Role
from .style import Looks, Style

Family = Literal[
    "Atkinson Hyperlegible Next", "Bricolage Grotesque", "Source Serif 4", "Nunito",
    "Fraunces", "Rubik",
]
"""Font families that ship with the player."""

StyleUse = Literal["title", "heading", "text", "button", "answer", "shape", "input", "table"]
"""What a named style may be the usual one for."""


class Colours(Model):
    """The theme's colours by what they are for; see `Role`."""

    ink: Colour = "#22302b"
    quiet: Colour = "#5b665f"
    paper: Colour = "#fbf8f3"
    sheet: Colour = "#fffdf7"
    primary: Colour = "#1e5b4b"
    on_primary: Colour = "#ffffff"
    soft: Colour = "#e1ede6"
    accent: Colour = "#e8a33d"
    edge: Colour = "#c9bda6"


class Fonts(Model):
    """The families for running text and for headings."""

    text: Family = "Atkinson Hyperlegible Next"
    heading: Family = "Bricolage Grotesque"


class Theme(Model):
    """The colours and fonts that a course's styles refer to."""

    name: Name = "Paper and spruce"
    colours: Colours = Colours()
    fonts: Fonts = Fonts()


class NamedStyle(Model):
    """A style under a name: what follows it changes with it. `use` makes it the usual one."""

    id: Annotated[Id, Is("style")]
    name: Name
    use: StyleUse | None = None
    style: Style = Style()
    looks: Looks = {}


def colour_of(paint: str, colours: Colours) -> str:
    """Return `paint` as ``#rrggbb``: itself, or the theme's colour of that name."""
    return paint if paint.startswith("#") else getattr(colours, paint)


ROLES: tuple[Role, ...] = (
    "ink", "quiet", "paper", "sheet", "primary", "on_primary", "soft", "accent", "edge",
)
