"""Which units of a set can be taken together: all permitted selections, counted and numbered.

Units that are alike (as many questions, the same counts, pinned or not) form a class. How many of
each class are taken decides whether a selection is permitted, so selections are counted class by
class with binomial coefficients, and a number is turned into a selection the same way (ranking and
unranking, Knuth, *The Art of Computer Programming*, volume 4A, section 7.2.1.3). The twin is
`web/player/engine/quiz/selecting.ts`.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from math import comb

from zigzag_core.program.quiz import DrawLimit, DrawnSet, DrawnUnit


@dataclass(frozen=True)
class Alike:
    """Units, by their place in the set, that make no difference to what is permitted.

    A class that is not `free` to be moved in a shuffle is pinned; one without questions is taken
    whole.
    """

    units: tuple[int, ...]
    questions: int
    counts: tuple[int, ...]
    free: bool


_Rest = tuple[int, int, tuple[int, ...], int]
"""From which class on, questions still to take, what counted so far, free units still to take."""


class Selections:
    """The permitted selections from the units of a set.

    `by_free` gives how many there are, by the number of units that a shuffle may move.
    """

    def __init__(
        self, units: Sequence[DrawnUnit], take: int | None, limits: Sequence[DrawLimit]
    ) -> None:
        self.classes = _classes(units, len(limits))
        self._limits = tuple(limits)
        self._everything = take is None
        self._take = sum(unit.questions for unit in units) if take is None else take
        self._ways: dict[_Rest, int] = {}
        most = sum(len(alike.units) for alike in self.classes if alike.free)
        self.by_free = {
            free: ways for free in range(most + 1) if (ways := self._count(self._first(free)))
        }

    def selection(self, free: int, rank: int) -> tuple[int, ...]:
        """Return the units of selection number `rank` of those with `free` units to shuffle.

        `rank` is from 0 to below ``by_free[free]``; units are given by their place, rising.
        """
        found: list[int] = []
        rest = self._first(free)
        for alike in self.classes:
            for taken, after in self._choices(rest):
                ways = self._count(after)
                size = comb(len(alike.units), taken) * ways
                if rank < size:
                    which, rank = divmod(rank, ways)
                    found += (alike.units[i] for i in combination(len(alike.units), taken, which))
                    rest = after
                    break
                rank -= size
        return tuple(sorted(found))

    def _first(self, free: int) -> _Rest:
        return 0, self._take, (0,) * len(self._limits), free

    def _count(self, rest: _Rest) -> int:
        """In how many ways the classes from `rest` on can be chosen from."""
        known = self._ways.get(rest)
        if known is None:
            first, questions, counted, free = rest
            if first == len(self.classes):
                met = all(count >= limit.least
                          for count, limit in zip(counted, self._limits, strict=True))
                known = int(questions == 0 and free == 0 and met)
            else:
                size = len(self.classes[first].units)
                known = sum(comb(size, taken) * self._count(after)
                            for taken, after in self._choices(rest))
            self._ways[rest] = known
        return known

    def _choices(self, rest: _Rest) -> list[tuple[int, _Rest]]:
        """How many of the next class can be taken, and what is left to do then."""
        first, questions, counted, free = rest
        alike = self.classes[first]
        size = len(alike.units)
        least = size if self._everything or not alike.questions else 0
        most = min(size, free) if alike.free else size
        if alike.questions:
            most = min(most, questions // alike.questions)
        found: list[tuple[int, _Rest]] = []
        for taken in range(least, most + 1):
            counts = self._counted(counted, alike, taken)
            if counts is None:
                break
            found.append((taken, (first + 1, questions - taken * alike.questions, counts,
                                  free - taken if alike.free else free)))
        return found

    def _counted(
        self, counted: tuple[int, ...], alike: Alike, taken: int
    ) -> tuple[int, ...] | None:
        """What has counted with so many more; None above a limit. Enough is as good as more."""
        after: list[int] = []
        for count, each, limit in zip(counted, alike.counts, self._limits, strict=True):
            total = count + each * taken
            if limit.most is None:
                total = min(total, limit.least)
            elif total > limit.most:
                return None
            after.append(total)
        return tuple(after)


def selections_of(drawn: DrawnSet) -> Selections:
    """Return the selections of a set; where nothing meets what it asks, all of it is taken."""
    asked = Selections(drawn.units, drawn.take, drawn.limits)
    return asked if asked.by_free else Selections(drawn.units, None, ())


def combination(size: int, taken: int, rank: int) -> tuple[int, ...]:
    """Return combination number `rank` of `taken` out of `size`, as places, rising.

    `rank` is from 0 to below ``comb(size, taken)``, in lexicographic order.
    """
    found: list[int] = []
    for place in range(size):
        if len(found) == taken:
            break
        with_it = comb(size - place - 1, taken - len(found) - 1)
        if rank < with_it:
            found.append(place)
        else:
            rank -= with_it
    return tuple(found)


def _classes(units: Sequence[DrawnUnit], limits: int) -> tuple[Alike, ...]:
    alike: dict[tuple[int, tuple[int, ...], bool], list[int]] = {}
    for place, unit in enumerate(units):
        counts = (*unit.counts, *(0,) * limits)[:limits]
        alike.setdefault((unit.questions, counts, unit.pin == "none"), []).append(place)
    return tuple(Alike(tuple(places), questions, counts, free)
                 for (questions, counts, free), places in alike.items())
