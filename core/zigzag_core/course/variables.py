"""Variables: what the course remembers under a name."""

from typing import Annotated, Literal

from pydantic import Field

from .model import Id, Model, Name


class NumberVariable(Model):
    type: Literal["number"] = "number"
    id: Id
    name: Name
    default: Annotated[float, Field(ge=-1e9, le=1e9)] = 0
    min: Annotated[float, Field(ge=-1e9, le=1e9)] = -1e9
    max: Annotated[float, Field(ge=-1e9, le=1e9)] = 1e9


class TextVariable(Model):
    type: Literal["text"] = "text"
    id: Id
    name: Name
    default: str = Field(default="", max_length=250)


class YesNoVariable(Model):
    type: Literal["yes_no"] = "yes_no"
    id: Id
    name: Name
    default: bool = False


Variable = Annotated[NumberVariable | TextVariable | YesNoVariable, Field(discriminator="type")]
