"""Every quiz that a learner can get, counted and numbered; and the one that a seed gives.

Each permitted sequence of slides has one number. A number drawn uniformly gives a quiz drawn
uniformly, with nothing drawn in vain and no shuffle that prefers some orders. The twin is
`web/player/engine/quiz/drawing.ts`.
"""

from collections.abc import Collection, Iterable, Iterator, Sequence
from functools import cached_property
from math import factorial
from typing import TypeVar

from zigzag_core.program.limits import LIMITS
from zigzag_core.program.quiz import DrawLimit, DrawnSet, DrawnUnit, ProgramQuiz
from zigzag_core.program.random import fnv1a, step32

from .selecting import Selections, selections_of

T = TypeVar("T")

_MOST_TRIES = 128
"""Each try fits with a chance of one half at least; it is never known that all have failed."""


class SetDraws:
    """What can be drawn of one set; `impossible` where nothing can as it asks."""

    def __init__(self, drawn: DrawnSet, selections: Selections | None = None) -> None:
        self.drawn = drawn
        self.impossible = False
        if selections is None:
            selections, possible = selections_of(drawn)
            self.impossible = not possible
        self.selections = selections

    def orders(self, free: int) -> int:
        """Return in how many orders a selection comes whose shuffle moves `free` units."""
        return factorial(free) if self.drawn.shuffled else 1

    @cached_property
    def count(self) -> int:
        """In how many ways the set can come, orders counted."""
        by_free = self.selections.by_free
        return sum(ways * self.orders(free) for free, ways in by_free.items())

    def units(self, rank: int) -> tuple[DrawnUnit, ...]:
        """Return the units of way number `rank`, in order."""
        for free, ways in self.selections.by_free.items():
            size = ways * self.orders(free)
            if rank < size:
                selection, order = divmod(rank, self.orders(free))
                places = self.selections.selection(free, selection)
                return in_order([self.drawn.units[place] for place in places],
                                order if self.drawn.shuffled else None)
            rank -= size
        raise IndexError(rank)


class Draws:
    """All quizzes that a learner can get."""

    def __init__(self, quiz: ProgramQuiz, sets: Sequence[SetDraws] | None = None) -> None:
        self.quiz = quiz
        self.sets = sets or [SetDraws(drawn) for drawn in quiz.sets]
        there = len(self.sets)
        self.take = there if quiz.take is None else min(quiz.take, there)

    @cached_property
    def count(self) -> int:
        """How many different quizzes there are, orders counted; 1 for one without sets."""
        if self.quiz.order == "mixed":
            return sum(ways * factorial(free) for free, ways in self._mixed.items())
        return self._apart[0][self.take] * self._set_orders

    def slides(self, rank: int) -> tuple[str, ...]:
        """Return the slides of quiz number `rank` (0 to below `count`), in order."""
        units = self._mixed_units(rank) if self.quiz.order == "mixed" else self._apart_units(rank)
        drawn = (slide for unit in units for slide in unit.slides)
        return (*self.quiz.opening, *drawn, *self.quiz.closing)

    def by_seed(self, seed: int, attempt: int = 1) -> tuple[str, ...]:
        """Return the slides that an attempt (from 1) of a run with `seed` gets, in order."""
        own_seed = fnv1a(f"{self.quiz.id} {attempt} {seed}")
        return self.slides(below(self.count, own_seed)) or self.quiz.slides

    def ways_on(self, place: int, left: int) -> tuple[float, float]:
        """Return how likely set number `place` is left out, and taken, with `left` sets to take."""
        here, after = self._apart[place][left], self._apart[place + 1]
        skipped = after[left] / here
        return skipped, (self.sets[place].count * after[left - 1] / here if left else 0.0)

    def mixed_shares(self) -> dict[int, float]:
        """Return how likely each number of units is that the shuffle of all sets moves."""
        return {free: ways * factorial(free) / self.count for free, ways in self._mixed.items()}

    def mixed_ways_on(
        self, place: int, left: int, free: int
    ) -> Iterator[tuple[int | None, float]]:
        """Yield how likely set number `place` comes with so many units to move; None is not at all.

        With `left` sets and `free` units still to take.
        """
        here, after = self._mixed_from[place][left][free], self._mixed_from[place + 1]
        if after[left].get(free):
            yield None, after[left][free] / here
        if left:
            for own, ways in self.sets[place].selections.by_free.items():
                others = after[left - 1].get(free - own, 0)
                if others:
                    yield own, ways * others / here

    @property
    def _set_orders(self) -> int:
        return factorial(self.take) if self.quiz.order == "shuffled" else 1

    @cached_property
    def _apart(self) -> list[list[int]]:
        """By the first set and how many sets are still taken: in how many ways, set after set."""
        table = [[int(left == 0) for left in range(self.take + 1)]]
        for one in reversed(self.sets):
            after = table[-1]
            table.append([after[left] + (one.count * after[left - 1] if left else 0)
                          for left in range(self.take + 1)])
        return table[::-1]

    def _apart_units(self, rank: int) -> Iterable[DrawnUnit]:
        rank, order = divmod(rank, self._set_orders)
        found: list[tuple[DrawnUnit, ...]] = []
        left = self.take
        for place, one in enumerate(self.sets):
            without = self._apart[place + 1][left]
            if rank < without:
                continue
            within, rank = divmod(rank - without, self._apart[place + 1][left - 1])
            found.append(one.units(within))
            left -= 1
        if self.quiz.order == "shuffled":
            found = permuted(found, order)
        return (unit for units in found for unit in units)

    @cached_property
    def _mixed_from(self) -> list[list[dict[int, int]]]:
        """By the first set and how many sets are still taken: selections by their free units."""
        table = [[{0: 1} if left == 0 else {} for left in range(self.take + 1)]]
        for one in reversed(self.sets):
            after = table[-1]
            row: list[dict[int, int]] = []
            for left in range(self.take + 1):
                ways = dict(after[left])
                for free, own in one.selections.by_free.items() if left else ():
                    for others, count in after[left - 1].items():
                        ways[free + others] = ways.get(free + others, 0) + own * count
                row.append(ways)
            table.append(row)
        return table[::-1]

    @property
    def _mixed(self) -> dict[int, int]:
        """Selections from all sets together, by their free units, rising."""
        return dict(sorted(self._mixed_from[0][self.take].items()))

    def _mixed_units(self, rank: int) -> Iterable[DrawnUnit]:
        for free, ways in self._mixed.items():
            size = ways * factorial(free)
            if rank < size:
                selection, order = divmod(rank, factorial(free))
                return in_order(self._mixed_selection(free, selection), order)
            rank -= size
        raise IndexError(rank)

    def _mixed_selection(self, free: int, rank: int) -> list[DrawnUnit]:
        found: list[DrawnUnit] = []
        left = self.take
        for place, one in enumerate(self.sets):
            without = self._mixed_from[place + 1][left].get(free, 0)
            if rank < without:
                continue
            rank -= without
            after = self._mixed_from[place + 1][left - 1] if left else {}
            for own, ways in one.selections.by_free.items():
                others = after.get(free - own, 0)
                if rank < ways * others:
                    selection, rank = divmod(rank, others)
                    found += (one.drawn.units[i] for i in one.selections.selection(own, selection))
                    free, left = free - own, left - 1
                    break
                rank -= ways * others
        return found


def in_order(units: Sequence[DrawnUnit], order: int | None) -> tuple[DrawnUnit, ...]:
    """Return `units` with the pinned at their ends, the others in order number `order`.

    None keeps them as they are.
    """
    free = [unit for unit in units if unit.pin == "none"]
    return (
        *(unit for unit in units if unit.pin == "first"),
        *(free if order is None else permuted(free, order)),
        *(unit for unit in units if unit.pin == "last"),
    )


def permuted(items: Sequence[T], rank: int) -> list[T]:
    """Return `items` in order number `rank` (0 to below ``len(items)!``), by Lehmer's code."""
    rest, found = list(items), []
    size = factorial(len(rest))
    for left in range(len(rest), 0, -1):
        size //= left
        place, rank = divmod(rank, size)
        found.append(rest.pop(place))
    return found


def below(count: int, seed: int) -> int:
    """Return a whole number from 0 to below `count`, each as likely, as the generator gives bits.

    Bits are drawn as many as `count` - 1 has, and drawn again where they come to too much.
    """
    bits = (count - 1).bit_length()
    words = (bits + 31) // 32
    number, state = 0, seed
    for _ in range(_MOST_TRIES):
        number = 0
        for _ in range(words):
            state, word = step32(state)
            number = number << 32 | word
        number >>= words * 32 - bits
        if number < count:
            return number
    return number % count


def drawn(
    quiz: ProgramQuiz, seed: int, attempt: int = 1, seen: Collection[str] = ()
) -> tuple[str, ...]:
    """Return the slides that an attempt gets, in order; questions `seen` before as few as can be.

    Of a quiz from which nothing comes, all slides.
    """
    draws = Draws(quiz, [_fresh(one, seen) for one in quiz.sets] if seen else None)
    return draws.by_seed(seed, attempt)


def _fresh(drawn: DrawnSet, seen: Collection[str]) -> SetDraws:
    """The draws of a set in which the fewest questions are among those `seen`."""
    limits = len(drawn.limits)
    units = [
        unit.model_copy(update={"counts": (
            *(*unit.counts, *(0,) * limits)[:limits],
            unit.questions if any(slide in seen for slide in unit.slides) else 0)})
        for unit in drawn.units
    ]
    steps = 0
    for again in range(sum(unit.questions for unit in units) + 1):
        fewest = (*drawn.limits, DrawLimit(least=again, most=again))
        selections = Selections(units, drawn.take, fewest)
        if selections.by_free:
            return SetDraws(drawn, selections)
        steps += selections.steps
        if steps > LIMITS.most_counted:
            break
    return SetDraws(drawn)
