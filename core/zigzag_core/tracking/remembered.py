"""The numbers by which saved progress names things, and what becomes of things that changed.

They are the positions in `Program.remembered`, which only ever grows from one publication to the
next; so progress of an older publication still names the same things. A fingerprint over the
names that were known at the time guards against another course's progress.
"""

from collections.abc import Iterable, Sequence
from dataclasses import replace
from typing import get_args

from zigzag_core.course.document import RememberedKind
from zigzag_core.engine.index import Index
from zigzag_core.engine.state import Answer
from zigzag_core.engine.values import number
from zigzag_core.errors import Damaged, OtherCourse
from zigzag_core.grading.tally import measure
from zigzag_core.program import Grader, Program
from zigzag_core.program.limits import LIMITS
from zigzag_core.program.random import fnv1a

KINDS: tuple[RememberedKind, ...] = get_args(RememberedKind)


class Names:
    """The things of one kind: by number in `names`, and their numbers."""

    def __init__(self, names: Sequence[str]) -> None:
        self.names = names
        self.numbers = {name: number for number, name in enumerate(names)}

    def known(self, names: Iterable[str]) -> list[int]:
        """Return the numbers of those of `names` that have one, in rising order."""
        return sorted(self.numbers[name] for name in names if name in self.numbers)

    def name(self, number: int) -> str:
        """Return the name with a number. Raises `Damaged` where there is none."""
        if not 0 <= number < len(self.names):
            raise Damaged("the saved progress names a thing that was never published")
        return self.names[number]

    def named(self, numbers: Iterable[int]) -> list[str]:
        """Return the names with these numbers."""
        return [self.name(number) for number in numbers]


class Remembered:
    """All that the progress of a program may name."""

    def __init__(self, program: Program) -> None:
        self._course = program.course
        lists = [Names(program.remembered.get(kind, ())) for kind in KINDS]
        self._lists = lists
        self.slides, self.questions, self.parts, self.variables, self.elements = lists
        self.lengths = [len(names.names) for names in lists]

    def fingerprint(self, lengths: Sequence[int]) -> int:
        """Return 32 bits that tell this course, as it was when the lists had these lengths."""
        known = [self._course]
        for names, length in zip(self._lists, lengths, strict=True):
            known += names.names[:length]
        return fnv1a(",".join(known))

    def check(self, lengths: Sequence[int], fingerprint: int) -> None:
        """Raise `OtherCourse` where the progress was not saved by this course."""
        if any(length > own for length, own in zip(lengths, self.lengths, strict=True)):
            raise OtherCourse("the saved progress is from another course or a newer publication")
        if fingerprint != self.fingerprint(lengths):
            raise OtherCourse("the saved progress is from another course")


def slide_to_resume(index: Index, slide: str | None, visited: Sequence[str]) -> str | None:
    """Return the slide that was shown; where it is gone, the last one that was seen."""
    return slide if slide in index.position else visited[-1] if visited else None


def restored_answer(grader: Grader, answer: Answer) -> Answer:
    """Return an answer as the question can have it now.

    What was right and wrong in it is counted again: that is not kept.
    """
    given = _still_there(grader, answer.given)
    answer = replace(
        answer, given=given, judged=None if answer.judged is None else given,
        slips=min(answer.slips, LIMITS.most_slips),
        points=max(min(number(answer.points), grader.points), _lowest(grader, answer)),
    )
    if answer.result is None:
        return answer
    tally = measure(grader, answer.given)
    return replace(answer, right=tally.right, wrong=tally.wrong + answer.slips)


def _lowest(grader: Grader, answer: Answer) -> float:
    """The fewest points that an answer, or none, can have."""
    return number(grader.floor if answer.attempts else -grader.unanswered)


def _still_there(
    grader: Grader, given: Iterable[tuple[str, str]]
) -> tuple[tuple[str, str], ...]:
    """What was given, without what the question no longer has; an order only if it is whole."""
    parts = {part.id for part in grader.parts}
    targets = {target.id for target in grader.targets}
    kept = tuple(
        (part, value) for part, value in given
        if (part in parts or part == grader.id)
        and (grader.form != "pairs" or value in targets)
    )
    return () if grader.form == "order" and len(kept) != len(parts) else kept
