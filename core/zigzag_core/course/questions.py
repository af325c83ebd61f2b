"""Questions: which elements ask, which answer, and how it is judged."""

from typing import Annotated, Literal

from pydantic import Field

from .model import Id, Model, Name
from .text import RichText

Points = Annotated[float, Field(ge=0, le=10_000)]


class Choice(Model):
    """One answer: an element of the slide, and whether it is the right one."""

    id: Id
    element: Id
    right: bool = False


class Feedback(Model):
    """Words after a right answer, a wrong one with tries left, and the last wrong one."""

    right: RichText = RichText()
    wrong: RichText = RichText()
    last: RichText = RichText()


class SingleChoice(Model):
    """Choose one of several. `attempts` None means without end; `points` for a right answer."""

    kind: Literal["single_choice"] = "single_choice"
    id: Id
    name: Name
    purpose: Literal["scored", "practice", "survey"] = "scored"
    prompt: Id | None = None
    choices: tuple[Choice, ...] = Field(default=(), max_length=26)
    submit: Id | None = None
    shuffle: bool = False
    points: Points = 1
    attempts: Annotated[int, Field(ge=1, le=100)] | None = 1
    feedback: Feedback = Feedback()


Question = SingleChoice
