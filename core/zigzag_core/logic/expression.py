"""What expressions give. Total: whatever the values are, there is a result.

Operators over numbers take every value as a number, those over texts as a text; equality
compares texts as texts and all else as numbers; a division by 0 gives 0.
"""

import math
from typing import Any

from . import results
from .index import Index
from .state import Answer, State
from .values import Value, clipped, number, to_number, to_text, to_yes_no

_NONE = Answer()


def evaluate(index: Index, state: State, node: Any) -> Value:
    """Return the value of expression `node` in `state`; names that no longer exist give 0 or no."""
    if isinstance(node, (bool, str)):
        return node
    if isinstance(node, (int, float)):
        return number(node)
    operator = node[0]
    if operator == "variable":
        return state.variables.get(node[1], 0.0)
    if operator == "live":
        return live(index, state, node[1])
    if operator == "seen":
        return node[1] in state.visited
    if operator == "clicked":
        return node[1] in state.clicked
    if operator in _OF_QUESTION:
        return _of_question(index, state, operator, node[1])
    if operator == "and":
        return all(to_yes_no(evaluate(index, state, part)) for part in node[1:])
    if operator == "or":
        return any(to_yes_no(evaluate(index, state, part)) for part in node[1:])
    if operator == "if":
        chosen = node[2] if to_yes_no(evaluate(index, state, node[1])) else node[3]
        return evaluate(index, state, chosen)
    return _apply(operator, [evaluate(index, state, part) for part in node[1:]])


def _apply(operator: str, values: list[Value]) -> Value:
    match operator:
        case "not":
            return not to_yes_no(values[0])
        case "=":
            return _same(values[0], values[1])
        case "!=":
            return not _same(values[0], values[1])
        case "join":
            return clipped("".join(to_text(value) for value in values))
        case "length":
            return float(len(to_text(values[0])))
        case "lower":
            return _lower(to_text(values[0]))
    numbers = [to_number(value) for value in values]
    match operator:
        case "+" | "*":
            total = numbers[0]
            for value in numbers[1:]:
                total = number(total + value if operator == "+" else total * value)
            return total
        case "-":
            return number(numbers[0] - numbers[1] if len(numbers) == 2 else -numbers[0])
        case "/":
            return number(numbers[0] / numbers[1]) if numbers[1] else 0.0
        case "%":
            if not numbers[1]:
                return 0.0
            return number(numbers[0] - numbers[1] * math.floor(numbers[0] / numbers[1]))
        case "<":
            return numbers[0] < numbers[1]
        case "<=":
            return numbers[0] <= numbers[1]
        case ">":
            return numbers[0] > numbers[1]
        case ">=":
            return numbers[0] >= numbers[1]
        case "min":
            return min(numbers)
        case "max":
            return max(numbers)
        case "abs":
            return abs(numbers[0])
        case "round":
            return number(math.floor(numbers[0] + 0.5))
        case "floor":
            return number(math.floor(numbers[0]))
    return 0.0


def _same(left: Value, right: Value) -> bool:
    if isinstance(left, str) or isinstance(right, str):
        return to_text(left) == to_text(right)
    return to_number(left) == to_number(right)


def _lower(text: str) -> str:
    """Lower the letters A to Z only: all that every language does alike."""
    return "".join(chr(ord(c) + 32) if "A" <= c <= "Z" else c for c in text)


def live(index: Index, state: State, name: str) -> Value:
    """Return a value that the course itself keeps (`LiveValue`); unknown names give 0."""
    match name:
        case "points":
            return number(results.points(index, state))
        case "max_points":
            return number(index.max_points)
        case "score":
            return number(results.score(index, state) or 0.0)
        case "slides_seen":
            return float(results.slides_seen(index, state))
        case "slides":
            return float(len(index.order))
        case "slide_number":
            return float(index.position.get(state.slide or "", -1) + 1)
    return 0.0


_OF_QUESTION = frozenset({"chosen", "locked", "attempts", "attempts_left", "right", "earned"})


def _of_question(index: Index, state: State, operator: str, question: str) -> Value:
    answer = state.answers.get(question, _NONE)
    match operator:
        case "chosen":
            return bool(answer.chosen)
        case "locked":
            return answer.locked
        case "attempts":
            return float(answer.attempts)
        case "right":
            return answer.result == "right"
        case "earned":
            return number(answer.points)
    grader = index.questions.get(question)
    if grader is None or grader.attempts is None:
        return 0.0
    return float(max(grader.attempts - answer.attempts, 0))
