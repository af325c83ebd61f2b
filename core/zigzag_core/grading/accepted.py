"""Whether typed words or numbers are among the accepted ones.

The twin is `web/player/engine/accepted.ts`.
"""

import unicodedata
from decimal import Decimal

from zigzag_core.course.questions.question import Accepts, NumberRange
from zigzag_core.course.text.numbers import SPACE, number_in


def as_ranges(accepts: Accepts) -> Accepts:
    """Return `accepts` with the numbers that are `near` to some value as ranges, ends included.

    The ends are reckoned in decimals: 0.3 with 0.1 off begins at 0.2, not just above it.
    """
    more = []
    for near in accepts.near:
        value, off = Decimal(str(near.value)), Decimal(str(near.off))
        by = abs(value) * off / 100 if near.per_cent else off
        more.append(NumberRange(low=float(value - by), high=float(value + by)))
    return accepts.model_copy(update={"ranges": (*accepts.ranges, *more), "near": ()})


def accepted(accepts: Accepts, given: str) -> bool:
    """Return whether `given` is one of the accepted words, or a number in one of the ranges."""
    if accepts.ranges:
        number = number_in(given, accepts.units)
        if number is not None and any(r.low <= number <= r.high for r in accepts.ranges):
            return True
    plain_given = plainer(accepts, given)
    if not plain_given:
        return False
    for words in accepts.words:
        wanted = plainer(accepts, words)
        if plain_given == wanted:
            return True
        if accepts.typos and wanted:
            slips = slips_allowed(len(wanted))
            if slips and distance(plain_given, wanted, slips) <= slips:
                return True
    return False


def plainer(accepts: Accepts, text: str) -> str:
    """Return `text` without what may differ, by Unicode's canonical forms and categories."""
    words = unicodedata.normalize("NFC", text)
    if accepts.any_accents:
        apart = unicodedata.normalize("NFD", words)
        words = unicodedata.normalize("NFC", "".join(
            sign for sign in apart if unicodedata.category(sign) != "Mn"
        ))
    if accepts.any_case:
        words = words.lower()
    if accepts.any_punctuation:
        words = "".join(sign for sign in words if not unicodedata.category(sign).startswith("P"))
    return SPACE.sub("" if accepts.any_spaces else " ", words).strip(" ")


def slips_allowed(length: int) -> int:
    """Return how many slips a word of `length` letters may have: none under 4, two from 8 on."""
    return 0 if length < 4 else 1 if length < 8 else 2


def distance(a: str, b: str, most: int) -> int:
    """Return the slips from `a` to `b`, at most `most` + 1.

    A slip is a letter inserted, left out, replaced, or swapped with its neighbour, no part of
    the text being touched twice (optimal string alignment, after Damerau 1964).
    """
    if abs(len(a) - len(b)) > most:
        return most + 1
    before: list[int] = []
    last = list(range(len(b) + 1))
    for i, x in enumerate(a, 1):
        now = [i]
        for j, y in enumerate(b, 1):
            best = min(last[j] + 1, now[j - 1] + 1, last[j - 1] + (x != y))
            if i > 1 and j > 1 and x == b[j - 2] and a[i - 2] == y:
                best = min(best, before[j - 2] + 1)
            now.append(best)
        before, last = last, now
    return min(last[-1], most + 1)
