"""An answer as an interaction record of SCORM 2004, and of xAPI, which takes the same patterns.

Sources: IEEE 1484.11.1 (the data model of SCORM 2004 4th Edition), interactions; ADL, *xAPI 1.0.3*,
part 2, section 2.4.4.1 (interaction activities). Parts stand as their ids, in the author's order.
The twin is `web/player/tracking/records2004.ts`.
"""

import re
from collections.abc import Iterable
from dataclasses import dataclass, replace
from typing import Any

from zigzag_core.course.questions.question import Accepts
from zigzag_core.course.text.numbers import number_in
from zigzag_core.grading.tally import Given
from zigzag_core.program import Grader, GraderPart, GraderTarget

from .records12 import cut, precise

SHORT, LONG = 250, 4_000
_BETWEEN, _INSIDE, _TO = "[,]", "[.]", "[:]"
_RESERVED = re.compile(r"\[[,.:]\]|^\{(?=(?:lang|case_matters|order_matters)=)")
_MOST_PATTERNS = 5
_MOST_PREFIX = 40
INTERACTION = "http://adlnet.gov/expapi/activities/cmi.interaction"


@dataclass(frozen=True)
class Record2004:
    """The type of the interaction, the learner's response, and the patterns of right ones."""

    type: str
    response: str
    patterns: tuple[str, ...] = ()


def record2004(grader: Grader, given: Given) -> Record2004:
    """Return how `given` is told to an LMS by SCORM 2004, or to an LRS by xAPI."""
    found = _record(grader, given)
    # Nothing is right in a survey.
    return replace(found, patterns=()) if grader.purpose == "survey" else found


def _record(grader: Grader, given: Given) -> Record2004:
    ids = [part.id for part in grader.parts]
    match grader.form:
        case "choose":
            return _choice(grader, [part for part, _ in given])
        case "pairs":
            right = [(p.id, target) for p in grader.parts
                     for target in (p.right if p.endless else p.right[:1])]
            return Record2004("matching", _pairs(given), _one(_pairs(right)))
        case "order":
            return Record2004("sequencing", _list(part for part, _ in given), _one(_list(ids)))
        case "spots":
            marks = [(part, where.replace(",", ":")) for part, where in given]
            right = [(part.id, "") for part in grader.parts if part.right]
            patterns = _one(_pairs(right), "{order_matters=false}")
            return Record2004("performance", _pairs(marks), patterns)
        case "scale":
            if len(grader.parts) == 1:
                return Record2004("likert", cut(given[0][1], SHORT) if given else "")
            return Record2004("performance", _pairs(given))
        case "free":
            return Record2004("long-fill-in", cut(" ".join(text for _, text in given), LONG))
    return _written(grader, dict(given))


def _choice(grader: Grader, chosen: list[str]) -> Record2004:
    right = [part.id for part in grader.parts if part.right]
    if grader.kind != "true_false":
        return Record2004("choice", _list(chosen), _one(_list(right)))
    truth = {part.id: word for part, word in zip(grader.parts, ("true", "false"), strict=False)}
    return Record2004("true-false", "".join(truth.get(c, "") for c in chosen[:1]),
                      _one("".join(truth.get(r, "") for r in right[:1])))


def _written(grader: Grader, written: dict[str, str]) -> Record2004:
    texts = [cut(_literal(written.get(part.id, "")), SHORT) for part in grader.parts]
    accepts = [part.accepts for part in grader.parts if part.accepts]
    if grader.kind == "numeric" and accepts:
        number = number_in(texts[0], accepts[0].units)
        if number is not None:
            return Record2004("numeric", precise(number), _ranges(accepts[0]))
    loose = all(one.any_case for one in accepts)
    prefix = f"{{case_matters={'false' if loose else 'true'}}}{{order_matters=true}}"
    if len(grader.parts) == 1 and accepts:
        words = accepts[0].words[:_MOST_PATTERNS]
        patterns = tuple(prefix + cut(_literal(word), SHORT) for word in words)
    else:
        firsts = [a.words[0] if a.words else "" for a in accepts]
        patterns = _one(_list(cut(_literal(word), SHORT) for word in firsts), prefix)
    return Record2004("fill-in", _list(texts), patterns)


def id_words(grader: Grader) -> dict[str, str]:
    """Return the words behind the ids in a record, for an LMS that shows them."""
    words = {part.id: part.words for part in grader.parts}
    words |= {target.id: target.words for target in grader.targets}
    if grader.kind != "true_false":
        return words
    truth = zip(("true", "false"), (part.words for part in grader.parts), strict=False)
    return {**words, **dict(truth)}


def interaction_definition(grader: Grader, language: str) -> dict[str, Any]:
    """Return the definition of the xAPI activity that a question is, with the words of its parts.
    """
    unanswered = record2004(grader, ())
    accepts = next((part.accepts for part in grader.parts if part.accepts), None)
    is_number = grader.kind == "numeric" and accepts is not None
    kind = "numeric" if is_number else unanswered.type
    patterns = unanswered.patterns
    if accepts and is_number and grader.purpose != "survey":
        patterns = _ranges(accepts)
    parts = _components(grader.parts, language)
    targets = _components(grader.targets, language)
    definition: dict[str, Any] = {
        "type": INTERACTION, "interactionType": kind, "description": {language: grader.prompt},
        **({"correctResponsesPattern": list(patterns)} if patterns else {}),
    }
    match kind:
        case "choice" | "sequencing":
            return {**definition, "choices": parts}
        case "matching":
            return {**definition, "source": parts, "target": targets}
        case "performance":
            return {**definition, "steps": parts}
    return definition


def _ranges(accepts: Accepts) -> tuple[str, ...]:
    return tuple(f"{precise(r.low)}{_TO}{precise(r.high)}"
                 for r in accepts.ranges[:_MOST_PATTERNS])


def _components(
    parts: Iterable[GraderPart | GraderTarget], language: str
) -> list[dict[str, Any]]:
    return [{"id": part.id, "description": {language: part.words}} for part in parts]


def _list(values: Iterable[str]) -> str:
    """`values` with the delimiter between them: as many as there is room for."""
    listed = ""
    for number, value in enumerate(values):
        longer = f"{listed}{_BETWEEN}{value}" if number else value
        if len(longer.encode("utf-16-le")) // 2 > LONG - _MOST_PREFIX:
            break
        listed = longer
    return listed


def _literal(text: str) -> str:
    """`text` with nothing in it that stands for a delimiter or a property: the standard has no
    way to say that such a sign is meant as it is, so a space parts it."""
    return _RESERVED.sub(lambda found: f"{found[0][0]} {found[0][1:]}", text)


def _pairs(pairs: Iterable[tuple[str, str]]) -> str:
    return _list(f"{one}{_INSIDE}{other}" for one, other in pairs)


def _one(text: str, prefix: str = "") -> tuple[str, ...]:
    return (prefix + text,) if text else ()
