"""What operators over values give. Total: whatever the values are, there is a result.

Operators over numbers take every value as a number, those over texts as a text; equality
compares texts as texts and all else as numbers; a division by 0 gives 0.
"""

import math
import re
from collections.abc import Callable, Mapping

from .values import Value, clipped, number, to_number, to_text, to_yes_no


def apply(operator: str, values: list[Value]) -> Value:
    """Return what `operator` makes of `values`; 0 where there is no such operator."""
    over_values = _OVER_VALUES.get(operator)
    if over_values is not None:
        return over_values(values)
    over_numbers = _OVER_NUMBERS.get(operator)
    if over_numbers is not None:
        return over_numbers([to_number(value) for value in values])
    return 0.0


def _same(left: Value, right: Value) -> bool:
    if isinstance(left, str) or isinstance(right, str):
        return to_text(left) == to_text(right)
    return to_number(left) == to_number(right)


def _lower(text: str) -> str:
    """Lower the letters A to Z only: all that every language does alike."""
    return "".join(chr(ord(c) + 32) if "A" <= c <= "Z" else c for c in text)


def _folded(numbers: list[float], times: bool) -> float:
    """The sum or the product, each step a number of the engine."""
    total = numbers[0]
    for value in numbers[1:]:
        total = number(total * value if times else total + value)
    return total


def _remainder(a: float, b: float) -> float:
    return number(a - b * math.floor(a / b)) if b else 0.0


_SPACES = " \t\r\n\u00a0"
_MAIL = re.compile(
    r"[^ \t\r\n\u00a0@<>()\[\]\\,;:\"]{1,64}@"
    r"[^ \t\r\n\u00a0@<>()\[\]\\,;:\".]{1,63}(\.[^ \t\r\n\u00a0@<>()\[\]\\,;:\".]{1,63})+")


def is_mail(text: str) -> bool:
    """Return whether `text` has the form of a mail address: a name, ``@``, a domain with a dot."""
    return _MAIL.fullmatch(text.strip(_SPACES)) is not None


_OVER_VALUES: Mapping[str, Callable[[list[Value]], Value]] = {
    "not": lambda v: not to_yes_no(v[0]),
    "=": lambda v: _same(v[0], v[1]),
    "!=": lambda v: not _same(v[0], v[1]),
    "join": lambda v: clipped("".join(to_text(value) for value in v)),
    "length": lambda v: float(len(to_text(v[0]))),
    "lower": lambda v: _lower(to_text(v[0])),
    "is_filled": lambda v: to_text(v[0]).strip(_SPACES) != "",
    "is_mail": lambda v: is_mail(to_text(v[0])),
}
_OVER_NUMBERS: Mapping[str, Callable[[list[float]], Value]] = {
    "+": lambda n: _folded(n, times=False),
    "*": lambda n: _folded(n, times=True),
    "-": lambda n: number(n[0] - n[1] if len(n) == 2 else -n[0]),
    "/": lambda n: number(n[0] / n[1]) if n[1] else 0.0,
    "%": lambda n: _remainder(n[0], n[1]),
    "<": lambda n: n[0] < n[1],
    "<=": lambda n: n[0] <= n[1],
    ">": lambda n: n[0] > n[1],
    ">=": lambda n: n[0] >= n[1],
    "min": min,
    "max": max,
    "abs": lambda n: abs(n[0]),
    "round": lambda n: number(math.floor(n[0] + 0.5)),
    "floor": lambda n: number(math.floor(n[0])),
}
