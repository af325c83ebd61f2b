"""What the conditions of a program make of variables: so much of their values matters."""

from collections.abc import Iterator
from dataclasses import dataclass, field
from typing import Any

from zigzag_core.course import NumberVariable
from zigzag_core.course.rules.expression import Node, names_in
from zigzag_core.engine.index import Index
from zigzag_core.engine.values import Value
from zigzag_core.program import SetVariable

_COMPARING = ("=", "!=", "<", "<=", ">", ">=")


@dataclass
class Comparisons:
    """`compared`: by variable the plain values it is compared with; `exact`: those that count."""

    compared: dict[str, set[Any]] = field(default_factory=dict)
    exact: set[str] = field(default_factory=set)
    defaults: dict[str, float] = field(default_factory=dict)

    def matters(self, variable: str, value: Value | None) -> Value | None:
        """Return what of a variable's value makes a difference to any condition.

        A counter from 0 that is only asked whether it is at least 5 is the same at 6 and at 60;
        between its default and what it is compared with every value counts.
        """
        if variable in self.exact:
            return value
        compared = self.compared.get(variable)
        if not compared:
            return None
        numbers = [n for n in compared if isinstance(n, (int, float)) and not isinstance(n, bool)]
        if len(numbers) < len(compared) or not isinstance(value, float):
            return value
        numbers.append(self.defaults.get(variable, 0.0))
        return min(max(value, min(numbers) - 1), max(numbers) + 1)


def comparisons(index: Index) -> Comparisons:
    """Return what the conditions of a program ask of its variables."""
    found = Comparisons(defaults={
        variable.id: float(variable.default) for variable in index.program.variables
        if isinstance(variable, NumberVariable)
    })
    for node in _conditions(index):
        _walk(node, found)
    for bound in index.rules.values():
        for action in (*bound.rule.then, *bound.rule.otherwise):
            if isinstance(action, SetVariable):
                # What goes into another variable counts in full.
                found.exact |= {
                    name for kind, name in names_in(action.value)
                    if kind == "variables" and name != action.variable
                }
    return found


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


def _walk(node: Node, found: Comparisons) -> None:
    if not isinstance(node, (list, tuple)) or not node:
        return
    if node[0] == "variable":
        found.exact.add(node[1])
        return
    if node[0] in _COMPARING and len(node) == 3:
        for one, other in ((node[1], node[2]), (node[2], node[1])):
            if _is_variable(one) and not isinstance(other, (list, tuple)):
                found.compared.setdefault(one[1], set()).add(other)
                return
    for part in node[1:]:
        _walk(part, found)


def _is_variable(node: Node) -> bool:
    return isinstance(node, (list, tuple)) and len(node) == 2 and node[0] == "variable"
