"""Base class and plain value types shared by every part of the course document."""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, StringConstraints

Id = Annotated[str, StringConstraints(pattern=r"^[a-z0-9]{4,24}$")]
"""Identity of a thing in a course. References are by id, never by name."""

Name = Annotated[str, StringConstraints(max_length=200)]
"""A name for people; may be changed at any time without breaking a reference."""

Colour = Annotated[str, StringConstraints(pattern=r"^#[0-9a-f]{6}$")]
"""An sRGB colour as ``#rrggbb``, lower case."""

Role = Literal[
    "ink", "quiet", "paper", "sheet", "primary", "on_primary", "soft", "accent", "edge"
]
"""What a colour of the theme is for: words, lesser words, the slide, panels on it, what acts and
the words on that, its tint, what is pointed out, lines."""

Paint = Annotated[str, StringConstraints(
    pattern="^(#[0-9a-f]{6}|ink|quiet|paper|sheet|primary|on_primary|soft|accent|edge)$"
)]
"""A colour: ``#rrggbb`` for good, or the name of one of the theme's."""

FARTHEST = 20_000
"""So far (px) from the slide's corner, and so large, can anything be."""

Pixels = Annotated[float, Field(ge=-FARTHEST, le=FARTHEST)]
"""A place on the slide, in slide pixels."""

Length = Annotated[float, Field(ge=0, le=FARTHEST)]
"""A size on the slide, in slide pixels."""


class Model(BaseModel):
    """A frozen, strict value: unknown fields, infinities and over-long texts are refused."""

    model_config = ConfigDict(
        extra="forbid", frozen=True, allow_inf_nan=False, str_max_length=20_000
    )
