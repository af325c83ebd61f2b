"""The shape of expressions: JSON trees, checked when a course is read.

A leaf is a number, a text or a yes/no. A node is a list: an operator and its arguments.
What a node gives is defined in `zigzag_core.engine.expression`.
"""

from collections.abc import Iterator, Mapping, Sequence
from typing import Annotated, Any

from pydantic import BeforeValidator

from ..kinds import Names

ARITY: Mapping[str, tuple[int, int]] = {
    "+": (2, 50), "-": (1, 2), "*": (2, 50), "/": (2, 2), "%": (2, 2),
    "=": (2, 2), "!=": (2, 2), "<": (2, 2), "<=": (2, 2), ">": (2, 2), ">=": (2, 2),
    "and": (1, 50), "or": (1, 50), "not": (1, 1), "if": (3, 3),
    "min": (1, 50), "max": (1, 50), "abs": (1, 1), "round": (1, 1), "floor": (1, 1),
    "join": (1, 50), "length": (1, 1), "lower": (1, 1),
}
"""Operators that take expressions, with how many of them at least and at most."""

NAMED: Mapping[str, str] = {
    "variable": "variables", "live": "live",
    "seen": "slides", "clicked": "elements",
    "shown": "elements", "watched": "elements", "dropped": "elements",
    "open": "overlays", "all_seen": "sets", "seen_of": "sets", "left_of": "sets",
    "seconds_on": "slides", "gate": "slides",
    "chosen": "questions", "locked": "questions", "attempts": "questions",
    "attempts_left": "questions", "right": "questions", "earned": "questions",
    "row": "questions", "outcome": "questions", "told": "questions",
}
"""Operators that take one name, with the kind of thing that is named. *dropped* gives the target
that an element lies on, as its id; *watched* the share (0..1) of a film or sound that was played;
*seconds_on* the time on a slide since it was last entered; *gate* whether its gate is open; *row*
the row of the answer table that was taken, 0 for none; *outcome* right, partly, wrong, neutral,
*told* in words how it was judged."""

GIVEN = "given"
"""Names a question and one of its parts: whether it was chosen, or what was put into it."""

DEPTH = 40


def check_expression(node: Any, depth: int = 0) -> Any:
    """Return `node` if it has the shape of an expression; raise `ValueError` otherwise."""
    if isinstance(node, (bool, int, float, str)):
        return node
    if depth > DEPTH:
        raise ValueError("the expression is nested too deeply")
    if not isinstance(node, (list, tuple)) or not node or not isinstance(node[0], str):
        raise ValueError("an expression is a number, a text, a yes/no or a list with an operator")
    operator, *arguments = node
    if operator == GIVEN:
        if len(arguments) != 2 or not all(isinstance(name, str) for name in arguments):
            raise ValueError("“given” takes a question and one of its parts")
        return node
    if operator in NAMED:
        if len(arguments) != 1 or not isinstance(arguments[0], str):
            raise ValueError(f"“{operator}” takes one name")
        return node
    if operator not in ARITY:
        raise ValueError(f"there is no operator “{operator}”")
    least, most = ARITY[operator]
    if not least <= len(arguments) <= most:
        raise ValueError(f"“{operator}” takes {least} to {most} values")
    for argument in arguments:
        check_expression(argument, depth + 1)
    return node


def joined(operator: str, parts: Sequence[Any]) -> Any:
    """Return `operator` over any number of `parts` (two at least), nested where it takes fewer.

    For what may be grouped at will: ``and``, ``or``, ``+``.
    """
    most = ARITY[operator][1]
    while len(parts) > most:
        parts = [joined(operator, group) if len(group) > 1 else group[0] for group in (
            parts[at:at + most] for at in range(0, len(parts), most))]
    return [operator, *parts]


def names_in(node: Any) -> Iterator[tuple[str, str]]:
    """Yield (kind, name) for everything that `node` names; kinds as in `NAMED`."""
    if isinstance(node, (list, tuple)) and node:
        if node[0] == GIVEN:
            yield "questions", node[1]
        elif node[0] in NAMED:
            yield NAMED[node[0]], node[1]
        else:
            for part in node[1:]:
                yield from names_in(part)


Expression = Annotated[Any, BeforeValidator(check_expression), Names()]
