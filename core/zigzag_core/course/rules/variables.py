"""Variables: what the course remembers under a name."""

from typing import Annotated, Literal

from pydantic import Field

from ..kinds import Is
from ..model import Id, Model, Name

Description = Annotated[str, Field(max_length=500)]


class NumberVariable(Model):
    """A number between `min` and `max`, rounded to `decimals`."""

    type: Literal["number"] = "number"
    id: Annotated[Id, Is("variable")]
    name: Name
    description: Description = ""
    default: Annotated[float, Field(ge=-1e9, le=1e9)] = 0
    min: Annotated[float, Field(ge=-1e9, le=1e9)] = -1e9
    max: Annotated[float, Field(ge=-1e9, le=1e9)] = 1e9
    decimals: Annotated[int, Field(ge=0, le=6)] = 6


class TextVariable(Model):
    """A variable that holds text of at most 250 characters.

    `from_lms`: it begins as the learner's name where that is known, else with the default.
    """

    type: Literal["text"] = "text"
    id: Annotated[Id, Is("variable")]
    name: Name
    description: Description = ""
    default: str = Field(default="", max_length=250)
    from_lms: bool = False


class YesNoVariable(Model):
    """A variable that is true or false."""

    type: Literal["yes_no"] = "yes_no"
    id: Annotated[Id, Is("variable")]
    name: Name
    description: Description = ""
    default: bool = False


Variable = Annotated[NumberVariable | TextVariable | YesNoVariable, Field(discriminator="type")]
