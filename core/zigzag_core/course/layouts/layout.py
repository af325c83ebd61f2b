"""Layouts: arrangements that slides take their background and placed elements from."""

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from ..elements.element import Element
from ..kinds import ElementRef, Is, MaybeMedia
from ..model import Id, Model, Name, Paint


class Background(Model):
    """What lies behind a slide: a colour, and a picture fitted into the slide."""

    colour: Paint = "paper"
    picture: MaybeMedia = None
    fit: Literal["contain", "cover", "fill"] = "cover"


class Layout(Model):
    """`slots` names the elements that each slide fills in itself; all others stand as they are."""

    id: Annotated[Id, Is("layout")]
    name: Name
    background: Background = Background()
    elements: tuple[Element, ...] = Field(default=(), max_length=200)
    slots: tuple[ElementRef, ...] = Field(default=(), max_length=200)

    @model_validator(mode="after")
    def _slots_exist(self) -> Self:
        known = {element.id for element in self.elements}
        if len(known) != len(self.elements):
            raise ValueError(f"two elements of the layout “{self.name}” have the same id")
        if set(self.slots) - known:
            raise ValueError(f"the layout “{self.name}” names a slot that it does not have")
        return self
