"""Showing that draws are what a quiz says: seeds drawn one by one, limits looked at, chance tested.

Nothing here uses how drawing works: every draw is held against the settings as they stand.
"""

from collections import Counter
from collections.abc import Hashable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction
from itertools import groupby, permutations
from math import erfc, factorial, sqrt
from random import Random
from typing import Literal, TypeVar

from zigzag_core.course.reporting import Progress
from zigzag_core.program.quiz import DrawnSet, DrawnUnit, ProgramQuiz

from .chances import chances
from .drawing import Draws

K = TypeVar("K", bound=Hashable)

MOST_BROKEN = 20
"""So many draws that break a limit are named."""

UNLIKELY = 0.001
"""Chance gives a worse result than this once in 1,000 proofs, all tests of one together."""

_MOST = 4
"""Of so many slides of a set, taken at random in each draw, every order is counted."""

_FEWEST = 5
"""What is expected less often than this is counted together (W. G. Cochran, 1954)."""


@dataclass(frozen=True)
class Evenness:
    """A chi-square test of a set: of which questions are *drawn*, or in which *order*.

    `chance` (0..1) is how likely a fair draw gives so large a `statistic`, or a larger one.
    """

    set: str
    of: Literal["drawn", "order"]
    statistic: float
    freedom: int
    chance: float


@dataclass(frozen=True)
class Broken:
    """A draw that does not keep to the settings: of which seed, and `why`."""

    seed: int
    why: str


@dataclass(frozen=True)
class Proof:
    """What came of drawing a quiz for so many `seeds`, from 0 on.

    So many draws are `violating` a limit, the first of them are `broken`. It is `even` where no
    test is too unlikely.
    """

    quiz: str
    seeds: int
    violating: int
    broken: tuple[Broken, ...]
    tests: tuple[Evenness, ...]
    even: bool


def prove(quiz: ProgramQuiz, seeds: int, progress: Progress | None = None) -> Proof:
    """Return what came of drawing `quiz` for the seeds from 0 to below `seeds`."""
    draws, count = Draws(quiz), 0
    broken: list[Broken] = []
    counts = [_Counts(one, row) for one, row in zip(quiz.sets, chances(draws), strict=True)]
    possible = {one.drawn.id for one in draws.sets if not one.impossible}
    for seed in range(seeds):
        if progress and seed % 500 == 0:
            progress(seed / seeds)
        slides = draws.by_seed(seed)
        why = next(violations(quiz, slides, possible), None)
        if why is not None:
            count += 1
            if len(broken) < MOST_BROKEN:
                broken.append(Broken(seed, why))
        for one in counts:
            one.add(slides, Random(seed))
    tests = tuple(test for one in counts for test in one.tests())
    return Proof(quiz.id, seeds, count, tuple(broken), tests,
                 all(test.chance * len(tests) >= UNLIKELY for test in tests))


def violations(
    quiz: ProgramQuiz, slides: Sequence[str], possible: frozenset[str] | set[str]
) -> Iterator[str]:
    """Yield what `slides` break of the settings of `quiz`; sets that are not `possible` come whole.
    """
    if len(set(slides)) < len(slides):
        yield "a slide comes twice"
    first, last = len(quiz.opening), len(slides) - len(quiz.closing)
    if (*slides[:first], *slides[last:]) != (*quiz.opening, *quiz.closing):
        yield "what opens or closes the quiz is not in its place"
    inside = slides[first:last]
    home = {slide: number for number, one in enumerate(quiz.sets)
            for unit in one.units for slide in unit.slides}
    if not set(inside) <= set(home):
        yield "a slide of no set is among those drawn"
        return
    numbers = [home[slide] for slide in inside]
    taken = sorted(set(numbers))
    if len(taken) > len(quiz.sets) if quiz.take is None else len(taken) > quiz.take:
        yield "too many sets are drawn"
    if quiz.order != "mixed":
        runs = [number for number, _ in groupby(numbers)]
        if len(runs) > len(taken):
            yield "the slides of a set do not follow each other"
        elif quiz.order == "kept" and runs != taken:
            yield "the sets do not come as listed"
    for number in taken:
        one = quiz.sets[number]
        own = [slide for slide in inside if home[slide] == number]
        yield from _in_set(one, own, one.id in possible, quiz.order == "mixed")


def _in_set(
    one: DrawnSet, own: Sequence[str], possible: bool, mixed: bool
) -> Iterator[str]:
    """What the slides drawn of a set break; among those of other sets (`mixed`) places differ."""
    drawn = [unit for unit in one.units if unit.slides[0] in own]
    if sum(len(unit.slides) for unit in drawn) != len(own):
        yield f"slides of “{one.id}” that come together come apart"
        return
    asked = sum(unit.questions for unit in drawn)
    if possible and one.take is not None and asked != one.take:
        yield f"{asked} questions of “{one.id}” are drawn instead of {one.take}"
    for number, limit in enumerate(one.limits if possible else ()):
        count = sum(sum(unit.counts[number:number + 1]) for unit in drawn)
        if count < limit.least or (limit.most is not None and count > limit.most):
            yield f"a balance of “{one.id}” is not kept"
    for unit in drawn:
        place = own.index(unit.slides[0])
        if tuple(own[place:place + len(unit.slides)]) != unit.slides:
            yield f"slides of “{one.id}” that come together come apart"
    if not mixed:
        yield from _places(one, own, drawn)


def _places(one: DrawnSet, own: Sequence[str], drawn: Sequence[DrawnUnit]) -> Iterator[str]:
    """What the units drawn of a set break of their order."""
    firsts, free, lasts = (
        [slide for unit in drawn if unit.pin == pin for slide in unit.slides]
        for pin in ("first", "none", "last"))
    rest = list(own)[len(firsts):len(own) - len(lasts)]
    for pinned, there, word in ((firsts, own[:len(firsts)], "first"),
                                (lasts, own[len(own) - len(lasts):], "last")):
        if list(there) != pinned:
            yield f"a slide of “{one.id}” does not stay {word}"
    if not one.shuffled and rest != free:
        yield f"the slides of “{one.id}” do not come as in the course"


class _Counts:
    """How often each question of a set is drawn, and some of them in each order.

    Of each draw one question counts, and the order of a few, all taken at random: so what is
    counted is independent.
    """

    def __init__(self, one: DrawnSet, likely: Sequence[Fraction]) -> None:
        self._set = one
        total = sum(chance * unit.questions for chance, unit in zip(likely, one.units, strict=True))
        self._expected = {
            unit.slides[0]: float(chance * unit.questions / total)
            for chance, unit in zip(likely, one.units, strict=True) if unit.questions and total}
        self._asking = {unit.slides[0]: unit for unit in one.units if unit.questions}
        self._free = [unit.slides[0] for unit in one.units if unit.pin == "none"]
        self._drawn: Counter[str] = Counter()
        self._orders: dict[int, Counter[tuple[int, ...]]] = {}

    def add(self, slides: Sequence[str], rng: Random) -> None:
        """Count one draw."""
        asking = [self._asking[slide] for slide in slides if slide in self._asking]
        if asking:
            weights = [unit.questions for unit in asking]
            self._drawn[rng.choices(asking, weights)[0].slides[0]] += 1
        place = {slide: at for at, slide in enumerate(slides)}
        free = [place[slide] for slide in self._free if slide in place]
        if self._set.shuffled and len(free) > 1:
            # As listed; so each order of their places is as likely, whichever they are.
            some = [free[at] for at in sorted(rng.sample(range(len(free)), min(len(free), _MOST)))]
            order = tuple(sorted(range(len(some)), key=some.__getitem__))
            self._orders.setdefault(len(some), Counter())[order] += 1

    def tests(self) -> Iterator[Evenness]:
        """Yield the tests that can be made of what was counted."""
        total = self._drawn.total()
        wanted = {slide: share * total for slide, share in self._expected.items() if share}
        yield from self._test("drawn", [_terms(self._drawn, wanted)])
        yield from self._test("order", [
            _terms(found, dict.fromkeys(
                permutations(range(count)), found.total() / factorial(count)))
            for count, found in self._orders.items()])

    def _test(
        self, of: Literal["drawn", "order"], terms: Sequence[tuple[float, int]]
    ) -> Iterator[Evenness]:
        statistic, freedom = sum(x for x, _ in terms), sum(free for _, free in terms)
        if freedom > 0:
            yield Evenness(self._set.id, of, statistic, freedom, at_least(statistic, freedom))


def _terms(found: Counter[K], wanted: Mapping[K, float]) -> tuple[float, int]:
    """The chi-square statistic of what was `found` and `wanted`, and its degrees of freedom."""
    large = {key: share for key, share in wanted.items() if share >= _FEWEST}
    rest = sum(wanted.values()) - sum(large.values())
    others = sum(found.values()) - sum(found[key] for key in large)
    statistic = sum((found[key] - share) ** 2 / share for key, share in large.items())
    if rest >= _FEWEST:
        statistic += (others - rest) ** 2 / rest
    return statistic, max(len(large) + (rest >= _FEWEST) - 1, 0)


def at_least(statistic: float, freedom: int) -> float:
    """Return how likely (0..1) chance gives so large a chi-square, or a larger one.

    Source: the cube root of chi-square is nearly normal, E. B. Wilson, M. M. Hilferty (1931). It
    is off by less than 0.001 from 3 degrees of freedom on, by 0.01 below.
    """
    spread = 2 / (9 * freedom)
    z = ((statistic / freedom) ** (1 / 3) - (1 - spread)) / sqrt(spread)
    return erfc(z / sqrt(2)) / 2
