"""The shape of expressions: JSON trees, checked when a course is read.

A leaf is a number, a text or a yes/no. A node is a list: an operator and its arguments.
What a node gives is defined in `zigzag_core.engine.expression`.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Annotated, Any, Literal, TypeAlias

from pydantic import BeforeValidator

from ..json_text import check_plain
from ..kinds import Names

Node: TypeAlias = bool | int | float | str | Sequence[Any]
"""A tree of an expression: a leaf, or an operator and its arguments, which are nodes or names."""

Gives = Literal["number", "text", "yes_no", "any"]
Named = Literal[
    "variables", "live", "slides", "elements", "overlays", "sets", "questions", "quizzes",
    "question_sets", "bands",
]


@dataclass(frozen=True)
class Operator:
    """What an operator gives, and what it takes: values, or one name of something."""

    gives: Gives
    least: int = 1
    most: int = 1
    names: Named | None = None


OPERATORS: Mapping[str, Operator] = {
    "+": Operator("number", 2, 50), "-": Operator("number", 1, 2), "*": Operator("number", 2, 50),
    "/": Operator("number", 2, 2), "%": Operator("number", 2, 2),
    "=": Operator("yes_no", 2, 2), "!=": Operator("yes_no", 2, 2),
    "<": Operator("yes_no", 2, 2), "<=": Operator("yes_no", 2, 2),
    ">": Operator("yes_no", 2, 2), ">=": Operator("yes_no", 2, 2),
    "and": Operator("yes_no", 1, 50), "or": Operator("yes_no", 1, 50), "not": Operator("yes_no"),
    "if": Operator("any", 3, 3),
    "min": Operator("number", 1, 50), "max": Operator("number", 1, 50), "abs": Operator("number"),
    "round": Operator("number"), "floor": Operator("number"),
    "join": Operator("text", 1, 50), "length": Operator("number"), "lower": Operator("text"),
    "is_filled": Operator("yes_no"), "is_mail": Operator("yes_no"),
    "variable": Operator("any", names="variables"), "live": Operator("any", names="live"),
    "seen": Operator("yes_no", names="slides"), "clicked": Operator("yes_no", names="elements"),
    "shown": Operator("yes_no", names="elements"),
    "watched": Operator("number", names="elements"),
    "dropped": Operator("text", names="elements"), "open": Operator("yes_no", names="overlays"),
    "all_seen": Operator("yes_no", names="sets"), "seen_of": Operator("number", names="sets"),
    "left_of": Operator("number", names="sets"),
    "seconds_on": Operator("number", names="slides"), "gate": Operator("yes_no", names="slides"),
    "chosen": Operator("yes_no", names="questions"),
    "unjudged": Operator("yes_no", names="questions"),
    "locked": Operator("yes_no", names="questions"),
    "attempts": Operator("number", names="questions"),
    "attempts_left": Operator("number", names="questions"),
    "right": Operator("yes_no", names="questions"), "earned": Operator("number", names="questions"),
    "row": Operator("number", names="questions"), "outcome": Operator("text", names="questions"),
    "told": Operator("text", names="questions"),
    "quiz_points": Operator("number", names="quizzes"),
    "quiz_max_points": Operator("number", names="quizzes"),
    "quiz_score": Operator("number", names="quizzes"),
    "quiz_right": Operator("number", names="quizzes"),
    "quiz_judged": Operator("number", names="quizzes"),
    "quiz_questions": Operator("number", names="quizzes"),
    "quiz_answered": Operator("number", names="quizzes"),
    "quiz_seconds": Operator("number", names="quizzes"),
    "quiz_attempt": Operator("number", names="quizzes"),
    "quiz_attempts_left": Operator("number", names="quizzes"),
    "quiz_best": Operator("number", names="quizzes"),
    "quiz_pass_mark": Operator("number", names="quizzes"),
    "quiz_result": Operator("text", names="quizzes"),
    "quiz_passed": Operator("yes_no", names="quizzes"),
    "quiz_finished": Operator("yes_no", names="quizzes"),
    "quiz_sent": Operator("yes_no", names="quizzes"),
    "quiz_band": Operator("text", names="quizzes"),
    "quiz_wait": Operator("number", names="quizzes"),
    "quiz_day": Operator("text", names="quizzes"),
    "set_score": Operator("number", names="question_sets"),
    "set_right": Operator("number", names="question_sets"),
    "in_band": Operator("yes_no", names="bands"),
}
"""All operators but `GIVEN`. *dropped* gives the target that an element lies on, as its id;
*is_filled* is a text of more than spaces, *is_mail* one in the form of a mail address;
*watched* the share (0..1) of a video or audio that was played; *seconds_on* the time on a slide
since it was last entered; *gate* whether its gate is open; *row* the row of the answer table that
was taken, 0 for none; *unjudged* whether there is an answer that can be submitted and is not the
one that was judged last; *outcome* right, partly, wrong, neutral, *told* in words how it was
judged. What they give is defined in `engine.expression`; of quizzes, their sets and the bands of
their results in `engine.quiz_results`."""

ARITY: Mapping[str, tuple[int, int]] = {
    name: (operator.least, operator.most) for name, operator in OPERATORS.items()
    if operator.names is None
}
NAMED: Mapping[str, Named] = {
    name: operator.names for name, operator in OPERATORS.items() if operator.names is not None
}

GIVEN = "given"
"""Names a question and one of its parts: whether it was chosen, or what was put into it."""

DEPTH = 40
LONGEST_TEXT = 20_000
LONGEST_NAME = 48
"""Of what an expression names: an id, or the name of a value that the course keeps itself."""


def check_expression(node: object, depth: int = 0) -> Node:
    """Return `node` if it has the shape of an expression; raise `ValueError` otherwise."""
    if isinstance(node, (bool, int, float, str)):
        check_plain(node)
        if isinstance(node, str) and len(node) > LONGEST_TEXT:
            raise ValueError(f"a text in an expression has {LONGEST_TEXT} characters at most")
        return node
    if depth > DEPTH:
        raise ValueError("the expression is nested too deeply")
    if not isinstance(node, (list, tuple)) or not node or not isinstance(node[0], str):
        raise ValueError("an expression is a number, a text, a yes/no or a list with an operator")
    operator, *arguments = node
    if operator == GIVEN:
        if len(arguments) != 2 or not all(_is_name(name) for name in arguments):
            raise ValueError("“given” takes a question and one of its parts")
        return node
    if operator in NAMED:
        if len(arguments) != 1 or not _is_name(arguments[0]):
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


def _is_name(value: object) -> bool:
    return isinstance(value, str) and len(value) <= LONGEST_NAME and value.isascii()


def joined(operator: str, parts: Sequence[Node]) -> Node:
    """Return `operator` over any number of `parts`, nested where it takes fewer; one stays itself.

    For what may be grouped at will: ``and``, ``or``, ``+``.
    """
    most = ARITY[operator][1]
    while len(parts) > most:
        parts = [joined(operator, parts[at:at + most]) for at in range(0, len(parts), most)]
    return [operator, *parts] if len(parts) > 1 else parts[0]


def names_in(node: Node) -> Iterator[tuple[str, str]]:
    """Yield (kind, name) for everything that `node` names; kinds as in `NAMED`."""
    if isinstance(node, (list, tuple)) and node:
        if node[0] == GIVEN:
            yield "questions", node[1]
        elif node[0] in NAMED:
            yield NAMED[node[0]], node[1]
        else:
            for part in node[1:]:
                yield from names_in(part)


def parts_of(node: Node) -> Iterator[Sequence[Any]]:
    """Yield `node`, where it is more than a plain value, and all such within it."""
    if isinstance(node, (list, tuple)) and node:
        yield node
        for part in node[1:]:
            yield from parts_of(part)


Expression = Annotated[Any, BeforeValidator(check_expression), Names()]
