"""How people write numbers, and what they mean when they do."""

import re
from decimal import Decimal

SPACE = re.compile(r"[ \t\n\r\f\v\u00a0\u2000-\u200a\u202f\u205f\u3000]+")
_NUMBER = re.compile(r"[+-]?([0-9]{1,16}([.,][0-9]{0,20})?|[.,][0-9]{1,20})(e[+-]?[0-9]{1,2})?")


def in_digits(number: float) -> str:
    """Return `number` with every digit that tells it from its neighbours: ``0.00001``, ``1234567``.

    A whole number has no decimals, and zero no sign.
    """
    if number == int(number):
        return str(int(number))
    return format(Decimal(repr(number)), "f")


def number_in(text: str, units: tuple[str, ...] = ()) -> float | None:
    """Return the number that `text` is, with a decimal comma or point and perhaps a unit.

    Spaces count for nothing. Any other letters make it no number: None.
    """
    tight = SPACE.sub("", text).lower()
    for unit in sorted((SPACE.sub("", unit).lower() for unit in units), key=len, reverse=True):
        if unit and tight.endswith(unit):
            tight = tight[: -len(unit)]
            break
    tight = tight.replace("\u2212", "-")
    if not _NUMBER.fullmatch(tight):
        return None
    return float(tight.replace(",", "."))
