"""What stands in brackets behind a reply or the name of a turn."""

import re
from dataclasses import replace

from .marks import bracketed, marked, places, unmarked
from .script import ENDINGS, POINTS, Effect, EndingKind, Reply

MOST_EFFECTS = 20
"""So many values one reply may change."""
SHORTEST, LONGEST_TIME = 1.0, 3_600.0
"""So many seconds there may be to reply."""
LONGEST_PAUSE = 60.0
"""A pause is no longer (s)."""
_VALUE = r"(?P<value>[^\W\d][^=+−]{0,79}?)"
_NUMBER = r"(?P<number>\d{1,6}(?:\.\d{1,6})?)"
_EFFECT = re.compile(rf"{_VALUE}\s*(?P<sign>[=+−-])\s*{_NUMBER}")
_SET = re.compile(rf"{_VALUE}\s*=\s*[-−]{_NUMBER}")
_POINTS = re.compile(rf"{POINTS}\s+(?P<sign>[-−]?)(?P<number>\d{{1,4}}(?:\.\d{{1,6}})?)",
                     re.IGNORECASE)
_SECONDS = re.compile(r"(?P<number>\d{1,4}(?:\.\d{1,6})?)\s*(?:s|sec|seconds?)?", re.IGNORECASE)
_AFTER = re.compile(rf"after\s+{_SECONDS.pattern}", re.IGNORECASE)
_IF = re.compile(r"if\s+(.+)", re.IGNORECASE | re.DOTALL)


def read_settings(reply: Reply, text: str) -> Reply | None:
    """Return `reply` with the settings that stand in `text`; None where that is none of them.

    Numbers have up to six digits before the point (points four) and six behind it, names of values
    up to 80 characters; a reply changes up to `MOST_EFFECTS` of them.
    """
    for part in _apart(text):
        read = _one(reply, part)
        if read is None or len(read.effects) > MOST_EFFECTS:
            return None
        reply = read
    return reply


def _one(reply: Reply, part: str) -> Reply | None:
    if part.casefold() == "once":
        return replace(reply, once=True)
    if condition := _IF.fullmatch(part):
        return replace(reply, condition=condition[1].strip())
    if after := _AFTER.fullmatch(part):
        seconds = float(after["number"])
        return replace(reply, after=seconds) if SHORTEST <= seconds <= LONGEST_TIME else None
    if points := _POINTS.fullmatch(part):
        return replace(reply, points=_number(points["sign"], points["number"]))
    if lower := _SET.fullmatch(part):
        effect = Effect(lower["value"], -float(lower["number"]), sets=True)
        return replace(reply, effects=(*reply.effects, effect))
    if found := _EFFECT.fullmatch(part):
        effect = Effect(found["value"], _number(found["sign"], found["number"]),
                        sets=found["sign"] == "=")
        return replace(reply, effects=(*reply.effects, effect))
    return None


def written_settings(reply: Reply) -> str:
    """Return the settings of `reply` with their brackets; an empty text where it has none."""
    parts = ["once"] if reply.once else []
    if reply.points is not None:
        parts.append(f"{POINTS} {figure(reply.points)}")
    if reply.after is not None:
        parts.append(f"after {figure(reply.after)} s")
    for effect in reply.effects:
        sign = "= " if effect.sets else "+" if effect.number >= 0 else ""
        parts.append(f"{effect.value} {sign}{figure(effect.number)}")
    if reply.condition:
        parts.append(f"if {marked(reply.condition)}")
    return f" [{', '.join(parts)}]" if parts else ""


def conditional(text: str) -> tuple[str, str]:
    """Return `text` before a condition in brackets at its end, and that (empty: there is none)."""
    before, inside = bracketed(text)
    found = None if inside is None else _IF.fullmatch(unmarked(inside))
    return (before, found[1].strip()) if found else (text, "")


def written_condition(condition: str) -> str:
    """Return a condition in its brackets; an empty text where there is none."""
    return f" [if {marked(condition)}]" if condition else ""


def read_ending(text: str) -> EndingKind | None:
    """Return the ending that stands in the brackets behind a turn; None where it is none."""
    words = text.casefold().split()
    if words[:1] != ["ending"] or len(words) > 2:
        return None
    return next((one for one in ENDINGS if [one] == words[1:]), None if words[1:] else "open")


def read_pause(words: str) -> float:
    """Return the seconds of a pause (``2``, ``2 s``, ``2,5``), up to `LONGEST_PAUSE`; 0 for others.
    """
    found = _SECONDS.fullmatch(words.strip().replace(",", "."))
    return min(float(found["number"]), LONGEST_PAUSE) if found else 0.0


def figure(number: float) -> str:
    """Return a number as it stands in a script."""
    return f"{number:g}" if abs(number) < 1e6 else f"{number:.0f}"


def _apart(text: str) -> list[str]:
    """The settings one by one: commas part them, but for those behind *if*, which comes last."""
    found, begin = [], 0
    for at, _ in places(text, ","):
        if _IF.match(text[begin:].lstrip()):
            break
        found.append(text[begin:at])
        begin = at + 1
    return [part for part in map(unmarked, [*found, text[begin:]]) if part]


def _number(sign: str, digits: str) -> float:
    return -float(digits) if sign in ("-", "−") else float(digits)
