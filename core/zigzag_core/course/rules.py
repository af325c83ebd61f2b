"""Rules as authors write them: *When* an event, *do* actions."""

from typing import Annotated, Literal

from pydantic import Field

from .model import Id, Model


class Clicked(Model):
    """The element that owns the rule is clicked (or pressed by keyboard)."""

    event: Literal["clicked"] = "clicked"


class ToNext(Model):
    to: Literal["next"] = "next"


class ToPrevious(Model):
    to: Literal["previous"] = "previous"


class ToSlide(Model):
    to: Literal["slide"] = "slide"
    slide: Id


class LeaveCourse(Model):
    to: Literal["leave"] = "leave"


Destination = Annotated[
    ToNext | ToPrevious | ToSlide | LeaveCourse, Field(discriminator="to")
]


class GoTo(Model):
    action: Literal["go"] = "go"
    go: Destination = ToNext()


class Rule(Model):
    id: Id
    when: Clicked = Clicked()
    do: tuple[GoTo, ...] = Field(default=(GoTo(),), min_length=1, max_length=50)
