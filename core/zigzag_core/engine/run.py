"""One step in the making: the state so far, the effects, and the events still to be followed up.

Containers of the state are replaced, never changed in place.
"""

from collections import deque
from dataclasses import replace
from typing import Any

from zigzag_core.course.rules.expression import Node
from zigzag_core.program.events import Effect, Ran
from zigzag_core.program.random import step32

from .expression import evaluate
from .index import Index
from .state import State
from .values import fitted, to_yes_no

Raised = tuple[str, str, str | None]
"""An event, what it happened to, and the detail that narrows it down."""


class Run:
    """What the parts of the engine share. `log`, where there is one, takes every rule that ran;
    `entered` says that a slide was entered, until that has been looked at. Of the quizzes that are
    `refused` no attempt is left to begin."""

    __slots__ = ("before", "effects", "entered", "handled", "index", "log", "queue", "refused",
                 "state")

    def __init__(self, index: Index, state: State, log: list[Ran] | None) -> None:
        self.index = index
        self.before = self.state = state
        self.effects: list[Effect] = []
        self.queue: deque[Raised] = deque()
        self.handled = 0
        self.entered = False
        self.refused: set[str] = set()
        self.log = log

    def update(self, **changes: Any) -> None:
        """Set fields of the state."""
        self.state = replace(self.state, **changes)

    def raised(self, event: str, target: str, detail: str | None = None) -> None:
        """Note that something happened; rules follow once what is under way is done."""
        self.queue.append((event, target, detail))

    def holds(self, condition: Node) -> bool:
        """Return whether an expression is true now."""
        return condition is True or to_yes_no(evaluate(self.index, self.state, condition))

    def set_variable(self, name: str, value: Node) -> None:
        """Set a variable to the value of an expression, fitted to its type and range."""
        variable = self.index.variables.get(name)
        if variable is None:
            return
        fresh = fitted(variable, evaluate(self.index, self.state, value))
        if fresh != self.state.variables.get(name):
            self.update(variables={**self.state.variables, name: fresh})
            self.raised("variable_changed", name)

    def draw(self, count: int) -> int:
        """Return a whole number from 0 to below `count`, from the run's own generator."""
        rng, drawn = step32(self.state.rng)
        self.update(rng=rng)
        return drawn % max(count, 1)
