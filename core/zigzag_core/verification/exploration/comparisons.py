"""What the conditions of a program make of what they ask: so much of its values matters."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from itertools import pairwise
from typing import Any

from zigzag_core.course import NumberVariable
from zigzag_core.course.rules.expression import GIVEN, Node
from zigzag_core.engine.index import Index
from zigzag_core.engine.values import Value
from zigzag_core.program import SetVariable

_COMPARING = ("=", "!=", "<", "<=", ">", ">=")
_FACTS = ("variable", "live", "watched", "seconds_on", "earned", "row", "outcome", "attempts",
          "attempts_left")

Fact = tuple[str, str]
"""An operator that names something, and what it names: ``("variable", "v1")``."""


@dataclass
class Comparisons:
    """What is asked of each fact.

    `compared`: the plain values that a fact is compared with; `exact`: facts of which every value
    counts, as they are reckoned with or go into something else. `defaults` are those of variables,
    `rises` and `falls` those that are counted up and down. `given` are the questions of whose
    parts it is asked how they were answered.
    """

    compared: dict[Fact, set[Any]] = field(default_factory=dict)
    exact: set[Fact] = field(default_factory=set)
    defaults: dict[str, float] = field(default_factory=dict)
    rises: set[str] = field(default_factory=set)
    falls: set[str] = field(default_factory=set)
    given: set[str] = field(default_factory=set)

    def asks(self, *fact: str) -> bool:
        """Return whether anything depends on a fact."""
        return fact in self.exact or fact in self.compared

    def numbers(self, *fact: str) -> list[float]:
        """Return the numbers that a fact is compared with, rising."""
        return sorted({
            float(n) for n in self.compared.get((fact[0], fact[1]), ())
            if isinstance(n, (int, float)) and not isinstance(n, bool)
        })

    def matters(self, variable: str, value: Value | None) -> Value | None:
        """Return what of a variable's value makes a difference to any condition.

        A counter that only rises and is asked whether it is at least 5 is the same at 6 and at 60.
        """
        fact = ("variable", variable)
        if fact in self.exact:
            return value
        compared = self.compared.get(fact)
        if not compared:
            return None
        numbers = [n for n in compared if isinstance(n, (int, float)) and not isinstance(n, bool)]
        if len(numbers) < len(compared) or not isinstance(value, float):
            return value
        numbers.append(self.defaults.get(variable, 0.0))
        if variable not in self.falls:
            value = min(value, max(numbers) + 1)
        if variable not in self.rises:
            value = max(value, min(numbers) - 1)
        return value


def comparisons(index: Index) -> Comparisons:
    """Return what everything in a program asks."""
    found = Comparisons(defaults={
        variable.id: float(variable.default) for variable in index.program.variables
        if isinstance(variable, NumberVariable)
    })
    for node in _conditions(index):
        _walk(node, found)
    heard = heard_variables(index)
    for bound in index.rules.values():
        for action in (*bound.rule.then, *bound.rule.otherwise):
            if isinstance(action, SetVariable):
                _note_set(action, found, heard)
    return found


def heard_variables(index: Index) -> set[str]:
    """Return the variables for whose changes rules wait."""
    heard = {bound.rule.target for bound in index.rules.values()
             if bound.rule.on == "variable_changed"}
    return set(index.variables) if None in heard else {name for name in heard if name}


def around(compared: Sequence[float], low: float, high: float) -> list[float]:
    """Return numbers from `low` to `high`, one for each way of being to those in `compared`.

    That is each of them, one between any two, and the ends.
    """
    inside = [n for n in compared if low <= n <= high]
    marks = sorted({low, *inside, high})
    between = [(one + other) / 2 for one, other in pairwise(marks)]
    return sorted({*marks, *between})


def _conditions(index: Index) -> Iterator[Any]:
    for bound in index.rules.values():
        yield bound.rule.condition
    for slide in index.program.slides:
        for fork in slide.forks:
            yield fork.condition
        if slide.gate:
            yield slide.gate.condition
    for element in index.elements.values():
        yield from (element.visible, element.enabled)
    for overlay in index.overlays.values():
        yield overlay.opens


def _note_set(action: SetVariable, found: Comparisons, heard: set[str]) -> None:
    """A variable that is counted up or down; what goes into another one counts in full."""
    match action.value:
        case [("+" | "-") as sign, ["variable", name], int() | float() as step] \
                if name == action.variable:
            up = (step > 0) == (sign == "+")
            (found.rises if up else found.falls).add(action.variable)
        case bool() | int() | float() | str() as value:
            # Whether that is a change depends on whether it was so before.
            if action.variable in heard:
                found.compared.setdefault(("variable", action.variable), set()).add(value)
        case value:
            _walk(value, found)


def _walk(node: Node, found: Comparisons) -> None:
    """Note the facts that are compared with plain values, and those that are not."""
    if not isinstance(node, (list, tuple)) or not node:
        return
    if node[0] == GIVEN:
        found.given.add(node[1])
    if node[0] in _FACTS:
        found.exact.add((node[0], node[1]))
        return
    if node[0] in _COMPARING:
        for one, other in ((node[1], node[2]), (node[2], node[1])):
            if _is_fact(one) and not isinstance(other, (list, tuple)):
                found.compared.setdefault((one[0], one[1]), set()).add(other)
                return
    for part in node[1:]:
        _walk(part, found)


def _is_fact(node: Node) -> bool:
    return isinstance(node, (list, tuple)) and len(node) == 2 and node[0] in _FACTS
