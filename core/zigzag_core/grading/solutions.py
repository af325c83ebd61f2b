"""Responses that are right, and such that are not: for trying a course out, and for tests."""

from collections.abc import Iterator

from zigzag_core.course.text.numbers import in_digits
from zigzag_core.program import Grader, GraderPart
from zigzag_core.program.events import Answered

from .tally import Given


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


def answering(grader: Grader, given: Given) -> Iterator[Answered]:
    """Yield the events by which a learner comes to the response `given`, of any form but *choose*.
    """
    for position, (part, value) in enumerate(given):
        yield {"event": "answered", "question": grader.id, "part": part,
               "value": str(position) if grader.form == "order" else value}


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
