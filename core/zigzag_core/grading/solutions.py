"""Responses that are right, and such that are not: for trying a course out, and for tests."""

from collections.abc import Iterator
from itertools import combinations, islice

from zigzag_core.course.text.numbers import in_digits
from zigzag_core.program import Grader, GraderPart
from zigzag_core.program.events import Answered, On

from .grade import judge
from .tally import Given

_MOST = 20
"""So many wrong responses of one sort are enough."""


def right_response(grader: Grader) -> Given:
    """Return a response that is judged right, if the question has one."""
    match grader.form:
        case "choose":
            return tuple((part.id, "") for part in grader.parts if part.right)
        case "texts":
            return tuple((part.id, _right_text(part)) for part in grader.parts)
        case "pairs":
            return _right_pairs(grader)
        case "order":
            return tuple((part.id, "") for part in grader.parts)
        case "spots":
            hits = [part.id for part in grader.parts if part.right]
            return tuple((hit, f"{n},0") for n, hit in enumerate(hits[: grader.needed], 1))
        case "scale":
            return tuple((part.id, "1") for part in grader.parts)
    return tuple((part.id, "x" * max(grader.at_least, 1)) for part in grader.parts)


def wrong_response(grader: Grader) -> Given:
    """Return a response that is judged wrong, if the question has one."""
    match grader.form:
        case "choose":
            wrong = [part.id for part in grader.parts if not part.right]
            return tuple((name, "") for name in wrong[: max(grader.at_least, 1)])
        case "texts":
            return tuple((part.id, "~wrong~") for part in grader.parts)
        case "pairs":
            for part in grader.parts:
                for target in grader.targets:
                    if target.id not in part.right:
                        return ((part.id, target.id),)
            return ()
        case "order":
            return tuple((part.id, "") for part in reversed(grader.parts))
        case "spots":
            return ((grader.id, "0,0"),)
    return right_response(grader)


def wrong_responses(grader: Grader) -> Iterator[Given]:
    """Yield responses that are all judged wrong and differ each from the one before, as whole as
    they can be: for a learner who tries again and again."""
    yield from (given for given in _perhaps_wrong(grader)
                if given and judge(grader, given, 1).result == "wrong")


def _perhaps_wrong(grader: Grader) -> Iterator[Given]:
    match grader.form:
        case "choose":
            wrong = [part.id for part in grader.parts if not part.right]
            for count in range(max(grader.at_least, 1), min(
                    grader.at_most or len(wrong), len(wrong)) + 1):
                for some in islice(combinations(wrong, count), _MOST):
                    yield tuple((name, "") for name in some)
        case "texts":
            for n in range(_MOST):
                yield tuple((part.id, "~" * (n + 1)) for part in grader.parts)
        case "pairs":
            for n in range(len(grader.targets)):
                yield tuple(_wrong_pairs(grader, n))
        case "order":
            parts = [part.id for part in reversed(grader.parts)]
            for n in range(len(parts)):
                yield tuple((name, "") for name in (*parts[n:], *parts[:n]))
        case "spots":
            marks = grader.at_most or sum(bool(part.right) for part in grader.parts)
            for n in range(_MOST):
                yield tuple((grader.id, f"{n},{mark}") for mark in range(max(marks, 1)))


def _wrong_pairs(grader: Grader, shift: int) -> Iterator[tuple[str, str]]:
    """Every item on a target that it does not belong on, and that still takes one."""
    room = {target.id: target.takes for target in grader.targets}
    for part in grader.parts:
        wrong = [target.id for target in grader.targets
                 if target.id not in part.right and room[target.id] != 0]
        if wrong:
            found = wrong[shift % len(wrong)]
            left = room[found]
            room[found] = None if left is None else left - 1
            yield part.id, found


def answering(grader: Grader, given: Given) -> Iterator[Answered]:
    """Yield the events by which a learner comes to the response `given`, of any form but *choose*.
    """
    for position, (part, value) in enumerate(given):
        yield {"event": "answered", "question": grader.id, "part": part,
               "value": str(position) if grader.form == "order" else value}


def responding(grader: Grader, wanted: Given, given: Given) -> Iterator[Answered | On]:
    """Yield the events by which a learner who has answered `given` comes to `wanted`."""
    if grader.form == "choose":
        clicked = set(wanted) if grader.at_most == 1 else set(wanted) ^ set(given)
        for part in grader.parts:
            if (part.id, "") in clicked and part.element:
                yield {"event": "clicked", "target": part.element}
        return
    if grader.form == "spots":
        # Marks that are there stay, and there may be no room for others.
        for part_id, where in given:
            yield {"event": "answered", "question": grader.id, "part": part_id,
                   "value": f"-{where}"}
    yield from answering(grader, wanted)


def _right_text(part: GraderPart) -> str:
    if part.accepts is None:
        return ""
    if part.accepts.words:
        return part.accepts.words[0]
    low = part.accepts.ranges[0].low if part.accepts.ranges else 0
    return in_digits(low)


def _right_pairs(grader: Grader) -> Given:
    """Every item on a target that it belongs on and that still takes one, most limited first."""
    room = {target.id: target.takes for target in grader.targets}
    pairs: list[tuple[str, str]] = []
    for part in sorted(grader.parts, key=lambda part: len(part.right)):
        wanted = len(part.right) if part.endless else min(len(part.right), 1)
        for target in part.right:
            left = room.get(target)
            if wanted and (left is None or left > 0) and target in room:
                pairs.append((part.id, target))
                wanted -= 1
                if left is not None:
                    room[target] = left - 1
    return tuple(pairs)
