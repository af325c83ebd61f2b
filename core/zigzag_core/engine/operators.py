"""What operators over values give. Total: whatever the values are, there is a result.

Operators over numbers take every value as a number, those over texts as a text; equality
compares texts as texts and all else as numbers; a division by 0 gives 0.
"""

import math

from .values import Value, clipped, number, to_number, to_text, to_yes_no


def apply(operator: str, values: list[Value]) -> Value:
    """Return what `operator` makes of `values`."""
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
