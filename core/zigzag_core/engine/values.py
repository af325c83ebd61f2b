"""Values of the engine, and how they turn into each other. Total: every input gives a value.

Numbers are multiples of a millionth between plus and minus a thousand million, so that both
engines, in whatever language, compute and print the very same ones.
"""

import math
import re

from zigzag_core.course import Input, NumberVariable, TextVariable, Variable
from zigzag_core.program.limits import LIMITS

Value = bool | float | str

_DATE = re.compile(r"[0-9]{4}-(0[1-9]|1[0-2])-(0[1-9]|[12][0-9]|3[01])", re.ASCII)
_NUMBER = re.compile(r"^\s*(-?[0-9]{1,12})(?:[.,]([0-9]{1,12}))?\s*$", re.ASCII)


def number(value: float) -> float:
    """Return `value` clamped to ±1e9 and rounded half up to a millionth; not-a-number gives 0."""
    if value != value:
        return 0.0
    if value >= LIMITS.largest_number:
        return LIMITS.largest_number
    if value <= -LIMITS.largest_number:
        return -LIMITS.largest_number
    return math.floor(value * 1e6 + 0.5) / 1e6


def to_number(value: Value) -> float:
    """Return `value` as a number: yes is 1, a text that reads as a decimal is that, else 0."""
    if isinstance(value, bool):
        return 1.0 if value else 0.0
    if isinstance(value, str):
        match = _NUMBER.match(value)
        return number(float(f"{match[1]}.{match[2] or 0}")) if match else 0.0
    return number(value)


def to_text(value: Value) -> str:
    """Return `value` in words: ``yes`` or ``no``, numbers without trailing zeros, texts as is."""
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, str):
        return value
    scaled = round(abs(number(value)) * 1e6)
    whole, rest = divmod(scaled, 1_000_000)
    sign = "-" if value < 0 and scaled else ""
    decimals = f".{rest:06d}".rstrip("0") if rest else ""
    return f"{sign}{whole}{decimals}"


def to_yes_no(value: Value) -> bool:
    """Return whether `value` is yes, a number other than 0, or a text that is not empty."""
    return value != "" if isinstance(value, str) else bool(value)


def first_value(variable: Variable, learner: str) -> Value:
    """Return what `variable` begins with for the `learner`: a name, empty where it is not known."""
    if isinstance(variable, TextVariable) and variable.from_lms and learner:
        return clipped(learner)
    return fitted(variable, variable.default)


def fitted(variable: Variable, value: Value) -> Value:
    """Return `value` as `variable` can hold it: of its type, within its bounds."""
    if isinstance(variable, NumberVariable):
        scale = 10 ** variable.decimals
        rounded = number(math.floor(to_number(value) * scale + 0.5) / scale)
        return min(max(rounded, variable.min), variable.max)
    if isinstance(variable, TextVariable):
        return clipped(to_text(value))
    return to_yes_no(value)


def admitted(field: Input, value: Value) -> Value:
    """Return `value` as the input `field` lets it in: within its bounds, one of its options."""
    match field.input:
        case "number" if value == "":
            return ""
        case "number" | "slider":
            return min(max(to_number(value), number(field.low)), number(field.high))
        case "checkbox":
            return to_yes_no(value)
        case "choice":
            return value if value in field.options else ""
        case "scale":
            steps = {str(n) for n in range(int(field.low), int(field.high) + 1)}
            return value if value in steps or value == "0" else ""
        case "date":
            text = to_text(value)
            return text if _DATE.fullmatch(text) else ""
        case "text" | "long" | "name" | "mail":
            return to_text(value)


def clipped(text: str) -> str:
    """Return the first 250 characters (code points) of `text`."""
    return text[:LIMITS.longest_text]
