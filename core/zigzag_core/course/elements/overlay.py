"""Overlays: elements that open together over the slide and close again."""

from typing import Annotated, Literal

from ..kinds import Is
from ..model import Id, Model, Name
from ..rules.expression import Expression
from ..rules.rule import Rules
from ..rules.timing import Timing


class Overlay(Model):
    """As large as the slide, and over it. Elements are on it by naming it as their `overlay`.

    It may dim what is below and block it (then the focus stays on it), pause the slide's
    timing, close the others when it opens, and close on Escape or on a click beside what is on
    it. Opened `again`, it resumes as it was left, or is reset. Rules open it; where `shown` says
    more than no, it also opens as soon as that holds, and closes when it holds no longer.
    """

    id: Annotated[Id, Is("overlay")]
    name: Name
    dims: bool = True
    blocks: bool = True
    pauses: bool = False
    closes_others: bool = False
    on_escape: bool = True
    on_outside: bool = False
    again: Literal["reset", "resume"] = "reset"
    shown: Expression = False
    timing: Timing = Timing()
    rules: Rules = ()
