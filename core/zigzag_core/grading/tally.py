"""How much of a response is right: the parts counted, for each form of question.

A response is a tuple of (part, value) pairs. *choose*: the chosen parts, with no value. *texts*,
*free*, *scale*: what stands in each part. *pairs*: items and the targets that they are on.
*order*: all parts as ordered. *spots*: the parts that were hit, or the grader itself where none
was, and where (``x,y``). The twin is `web/player/engine/tally.ts`.
"""

from dataclasses import dataclass
from itertools import pairwise

from zigzag_core.program import Grader

from .accepted import accepted

Given = tuple[tuple[str, str], ...]


@dataclass(frozen=True)
class Tally:
    """`right` parts of `of`, and how many were `wrong`; `parts` are the right ones' ids."""

    right: int
    wrong: int
    of: int
    parts: frozenset[str] = frozenset()

    @property
    def complete(self) -> bool:
        """Whether it is all right and nothing else."""
        return self.right == self.of and not self.wrong


def measure(grader: Grader, given: Given) -> Tally:
    """Return what is right and wrong in `given`; nothing is either for *free* and *scale*."""
    match grader.form:
        case "choose":
            return _chosen(grader, {part for part, _ in given})
        case "texts":
            return _written(grader, dict(given))
        case "pairs":
            return _paired(grader, given)
        case "order":
            return _ordered(grader, [part for part, _ in given])
        case "spots":
            return _hit(grader, given)
    return Tally(0, 0, 0)


def wanted_in(grader: Grader) -> set[str]:
    """Return the parts that are right: those to be chosen, found or put somewhere."""
    return {part.id for part in grader.parts if part.right}


def _chosen(grader: Grader, chosen: set[str]) -> Tally:
    right = wanted_in(grader)
    return Tally(len(chosen & right), len(chosen - right), len(right), frozenset(chosen & right))


def _written(grader: Grader, written: dict[str, str]) -> Tally:
    right = {
        part.id for part in grader.parts
        if part.accepts is not None and accepted(part.accepts, written.get(part.id, ""))
    }
    filled = sum(bool(written.get(part.id)) for part in grader.parts)
    return Tally(len(right), filled - len(right), len(grader.parts), frozenset(right))


def _paired(grader: Grader, given: Given) -> Tally:
    """Each pair that belongs is right, each that does not is wrong."""
    on: dict[str, list[str]] = {}
    for item, target in given:
        on.setdefault(item, []).append(target)
    right = wrong = of = 0
    parts = set()
    for part in grader.parts:
        wanted = len(part.right) if part.endless else min(len(part.right), 1)
        good = sum(target in part.right for target in on.get(part.id, ()))
        bad = len(on.get(part.id, ())) - good
        of, right, wrong = of + wanted, right + good, wrong + bad
        if good == wanted and not bad:
            parts.add(part.id)
    return Tally(right, wrong, of, frozenset(parts))


def _ordered(grader: Grader, order: list[str]) -> Tally:
    """A part is in its place where one of its level belongs; neighbours are right where the
    second is of the same level as the first or of the next one."""
    levels: dict[str, int] = {}
    for part in grader.parts:
        levels[part.id] = max(len(set(levels.values())) - part.level, 0)
    wanted = list(levels.values())
    put = [levels[part] for part in order if part in levels]
    in_place = frozenset(
        part for part, here, there in zip(order, put, wanted, strict=False) if here == there)
    if grader.counts == "all" or len(wanted) < 2:
        return Tally(len(in_place), len(order) - len(in_place), len(wanted), in_place)
    links = [after - before in (0, 1) for before, after in pairwise(put)]
    if grader.counts == "pairs":
        return Tally(sum(links), len(links) - sum(links), len(wanted) - 1, in_place)
    longest = here = 0
    for link in links:
        here = here + 1 if link else 0
        longest = max(longest, here)
    run = longest + 1 if longest else 0
    return Tally(run, len(order) - run, len(wanted), in_place)


def _hit(grader: Grader, given: Given) -> Tally:
    """A place that is hit twice counts once; every other mark is wrong, unless it costs a click."""
    right = wanted_in(grader)
    hit = {part for part, _ in given}
    wrong = len(hit - right - {grader.id}) + sum(part == grader.id for part, _ in given)
    if grader.clicks_spent and grader.at_most is not None:
        wrong = 0
    of = min(grader.needed or len(right), len(right))
    return Tally(min(len(hit & right), of), wrong, of, frozenset(hit & right))


def is_ready(grader: Grader, given: Given) -> bool:
    """Return whether `given` is enough to be submitted."""
    if grader.form == "free":
        return sum(len(text) for _, text in given) >= max(grader.at_least, 1)
    if grader.form == "scale":
        return len(given) == len(grader.parts)
    return len(given) >= max(grader.at_least, 1)


def is_unjudged(grader: Grader, given: Given, judged: Given | None) -> bool:
    """Return whether `given` is enough, and another answer than the one `judged` last, if any."""
    if not is_ready(grader, given):
        return False
    if judged is None:
        return True
    if grader.form == "order":
        return given != judged
    return sorted(given) != sorted(judged)
