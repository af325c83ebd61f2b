"""An answer as a SCORM 1.2 interaction record: its type, and response and pattern in its form.

Source: ADL, *SCORM Version 1.2, The SCORM Run-Time Environment* (2001), section 3.4.7.
Parts stand as one sign each in the author's order, whatever the learner's order was. The twin is
`web/player/tracking/records12.ts`.
"""

import math
from collections.abc import Iterable
from dataclasses import dataclass, replace
from itertools import combinations, islice, product

from zigzag_core.course.text.numbers import number_in
from zigzag_core.grading.tally import Given
from zigzag_core.program import Grader

LONGEST = 255
_MOST = 20
"""So many right responses are told where there are more ways to be right."""
_LARGE = 1e9
_LETTERS = "abcdefghijklmnopqrstuvwxyz0123456789"
_DIGITS = "123456789abcdefghijklmnopqrstuvwxyz0"


@dataclass(frozen=True)
class Record:
    """The type of the interaction, the response, and the patterns of right ones.

    `more` is what of an open answer does not fit into one response, in pieces that do.
    """

    type: str
    response: str
    patterns: tuple[str, ...] = ()
    more: tuple[str, ...] = ()


def record(grader: Grader, given: Given) -> Record:
    """Return how `given` is told to the LMS."""
    found = _record(grader, given)
    # Nothing is right in a survey.
    return replace(found, patterns=()) if grader.purpose == "survey" else found


def _record(grader: Grader, given: Given) -> Record:
    sign = {part.id: _sign(_LETTERS, n) for n, part in enumerate(grader.parts)}
    match grader.form:
        case "choose":
            return _choice(grader, given, sign)
        case "pairs":
            on = {target.id: _sign(_DIGITS, n) for n, target in enumerate(grader.targets)}
            pairs = [f"{sign[p]}.{on[t]}" for p, t in given if p in sign and t in on]
            ways = [[",".join(f"{sign[p.id]}.{on[t]}" for t in p.right if t in on)] if p.endless
                    else [f"{sign[p.id]}.{on[t]}" for t in p.right if t in on]
                    for p in grader.parts]
            every = islice(product(*(way for way in ways if way and way != [""])), _MOST)
            return Record("matching", _short(",".join(pairs)),
                          _patterns(*(",".join(one) for one in every)))
        case "order":
            return Record("sequencing", ",".join(sign[p] for p, _ in given),
                          _patterns(",".join(sign.values())))
        case "spots":
            marks = [sign.get(p, "-") for p, _ in given]
            right = [sign[p.id] for p in grader.parts if p.right]
            enough = min(grader.needed or len(right), len(right))
            return Record("performance", _short(",".join(marks)), _patterns(
                *(",".join(some) for some in islice(combinations(right, enough), _MOST))))
        case "scale":
            if len(grader.parts) == 1 and len(given) == 1 and len(given[0][1]) == 1:
                return Record("likert", given[0][1])
            return Record("fill-in", _short("; ".join(f"{sign[p]}={v}" for p, v in given)))
        case "free":
            text = " ".join(v for _, v in given)
            first, *more = _pieces(text) or [""]
            return Record("fill-in", first, more=tuple(more))
    return _written(grader, dict(given))


def _choice(grader: Grader, given: Given, sign: dict[str, str]) -> Record:
    right = [sign[part.id] for part in grader.parts if part.right]
    chosen = [sign[part] for part, _ in given]
    if grader.kind == "true_false":
        truth = {"a": "t", "b": "f"}
        return Record("true-false", truth.get("".join(chosen), ""),
                      _patterns(truth.get("".join(right), "")))
    return Record("choice", ",".join(chosen), _patterns(",".join(right)))


def _written(grader: Grader, written: dict[str, str]) -> Record:
    texts = [written.get(part.id, "") for part in grader.parts]
    accepts = [part.accepts for part in grader.parts if part.accepts]
    if grader.kind == "numeric" and accepts:
        number = number_in(texts[0], accepts[0].units)
        exact = tuple(precise(r.low) for r in accepts[0].ranges if r.low == r.high)
        if number is not None:
            return Record("numeric", precise(number), exact)
        return Record("fill-in", _short(texts[0]), exact)
    if len(texts) == 1 and accepts:
        return Record("fill-in", _short(texts[0]), _patterns(*accepts[0].words))
    ways = islice(product(*(one.words or ("",) for one in accepts)), _MOST)
    return Record("fill-in", _short(_several(texts)), _patterns(*map(_several, ways)))


def _several(texts: Iterable[str]) -> str:
    """Several texts as one; a comma within one of them stands behind a backslash, as does that."""
    return ", ".join(text.replace("\\", "\\\\").replace(",", "\\,") for text in texts)


def sign_words(grader: Grader) -> dict[str, str]:
    """Return the words behind the signs of a record, for an LMS that shows them."""
    if grader.kind == "true_false":
        return dict(zip("tf", (part.words for part in grader.parts), strict=False))
    sign = [_sign(_LETTERS, n) for n in range(len(grader.parts))]
    if grader.form == "pairs":
        return {
            f"{sign[n]}.{_sign(_DIGITS, m)}": f"{part.words} → {target.words}"
            for n, part in enumerate(grader.parts) for m, target in enumerate(grader.targets)
        }
    if grader.form not in ("choose", "order", "spots", "scale"):
        return {}
    words = {sign[n]: part.words for n, part in enumerate(grader.parts)}
    return {**words, "-": "beside it"} if grader.form == "spots" else words


def decimal(value: float) -> str:
    """Return a CMIDecimal with at most two places and no trailing zeros."""
    text = f"{value:.2f}".rstrip("0").rstrip(".")
    return "0" if text == "-0" else text


def _sign(signs: str, index: int) -> str:
    """One character for a place; from the 36th on they are all the last one."""
    return signs[min(index, len(signs) - 1)]


def precise(value: float) -> str:
    """Return a CMIDecimal with at most six places: an answer is recorded as it was given."""
    if abs(value) >= _LARGE:
        return decimal(value)
    text = f"{math.floor(value * 1e6 + 0.5) / 1e6:.6f}".rstrip("0").rstrip(".")
    return "0" if text == "-0" else text


def _short(text: str) -> str:
    return cut(text, LONGEST)


def cut(text: str, longest: int) -> str:
    """Return the beginning of `text` that is at most so long, counted in UTF-16 units."""
    return next(iter(_pieces(text, longest)), "")


def _pieces(text: str, longest: int = LONGEST) -> list[str]:
    """Return `text` in pieces that are at most so long, counted in UTF-16 units."""
    pieces, piece, length = [], "", 0
    for sign in text:
        units = 2 if ord(sign) > 0xFFFF else 1
        if length + units > longest:
            pieces.append(piece)
            piece, length = "", 0
        piece, length = piece + sign, length + units
    return [*pieces, piece] if piece else pieces


def _patterns(*texts: str) -> tuple[str, ...]:
    return tuple(_short(text) for text in texts if text)
