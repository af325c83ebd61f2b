"""Conditions of a script that ask for nothing but values."""

import operator
from collections.abc import Callable, Iterable, Mapping
from functools import reduce

from zigzag_core.course.names import Names
from zigzag_core.course.rules import expression_text
from zigzag_core.course.rules.expression import Node
from zigzag_core.dialogue.following import Asked, Followed, followed
from zigzag_core.dialogue.graph import Graph
from zigzag_core.errors import NotReadable

_OF_ALL: Mapping[str, Callable[[float, float], float]] = {
    "+": operator.add, "*": operator.mul, "min": min, "max": max}
_OF_TWO: Mapping[str, Callable[[float, float], float]] = {
    "=": operator.eq, "!=": operator.ne, "<": operator.lt, "<=": operator.le,
    ">": operator.gt, ">=": operator.ge}


def with_values(graph: Graph, begins: Mapping[str, float]) -> Followed:
    """Return the ways of a dialogue that there are, where its values begin so, by their names.

    Values that `begins` does not name begin with 0. Conditions that ask for more than values, or
    calculate with them in another way than by ``+ - * min max``, are taken to hold.
    """
    changed = [effect.value for step in graph.steps if step.beat
               for reply in step.beat.replies for effect in reply.effects]
    ask = asker((*begins, *changed))
    return followed(graph, ask, {name.casefold(): value for name, value in begins.items()})


def asker(names: Iterable[str]) -> Callable[[str], Asked | None]:
    """Return what reads conditions that ask for values with these names."""
    known = Names({"variables": {name.casefold(): name for name in names}})

    def ask(text: str) -> Asked | None:
        try:
            node = expression_text.read(text, known)
        except NotReadable:
            return None
        used: set[str] = set()
        if not _asks_values(node, used):
            return None
        return Asked(frozenset(used), lambda values: bool(_value(node, values)))

    return ask


def _asks_values(node: Node, used: set[str]) -> bool:
    """Whether `_value` can tell a condition; `used` gets the values that it asks for."""
    if isinstance(node, (bool, int, float)):
        return True
    if isinstance(node, str):
        return False
    head, rest = node[0], node[1:]
    if head == "variable":
        used.add(rest[0])
        return True
    return (head in _OF_ALL or head in _OF_TWO or head in ("and", "or", "not", "-")) and all(
        _asks_values(part, used) for part in rest)


def _value(node: Node, values: Mapping[str, float]) -> float:
    if isinstance(node, (bool, int, float)):
        return float(node)
    head, rest = str(node[0]), node[1:]
    if head == "variable":
        return values[str(rest[0])]
    found = [_value(part, values) for part in rest]
    match head:
        case "and":
            return float(all(found))
        case "or":
            return float(any(found))
        case "not":
            return float(not found[0])
        case "-":
            return found[0] - found[1] if len(found) > 1 else 0 - found[0]
    if head in _OF_TWO:
        return float(_OF_TWO[head](*found))
    return reduce(_OF_ALL[head], found)
