"""Which units of a set can be taken together: all permitted selections, counted and numbered.

Units that are alike (as many questions, the same counts, pinned or not) form a class. How many of
each class are taken decides whether a selection is permitted, so selections are counted class by
class with binomial coefficients, and a number is turned into a selection the same way (ranking and
unranking, Knuth, *The Art of Computer Programming*, volume 4A, section 7.2.1.3). The twin is
`web/player/engine/quiz/selecting.ts`.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from math import comb

from zigzag_core.program.limits import LIMITS
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

    `by_free` gives how many there are, by the number of units that a shuffle may move; none where
    counting takes more than `LIMITS.most_counted` steps. So many `steps` it took.
    """

    def __init__(
        self, units: Sequence[DrawnUnit], take: int | None, limits: Sequence[DrawLimit],
        certain: int | None = None,
    ) -> None:
        """With a class that is `certain`, only selections with its first unit are counted."""
        self._asked = units, take, limits
        self._certain = certain
        self.classes = _classes(units, len(limits))
        self._limits = tuple(limits)
        self._everything = take is None
        self._take = sum(unit.questions for unit in units) if take is None else take
        self._ways: dict[_Rest, int] = {}
        self._reach = _reaches(self.classes)
        self.steps = 0
        self.by_free = self._counted_by_free()

    def _counted_by_free(self) -> dict[int, int]:
        found: dict[int, int] = {}
        for free in range(self._reach[0].free + 1):
            ways = self._count(self.first(free))
            if self.steps > LIMITS.most_counted:
                return {}
            if ways:
                found[free] = ways
        return found

    @property
    def size(self) -> int:
        """How many cases had to be told from each other to count them."""
        return len(self._ways)

    def having(self, number: int) -> dict[int, int]:
        """Return how many selections have a certain unit of class `number`, by their free units."""
        return Selections(*self._asked, certain=number).by_free

    def best(self, worth: Sequence[Sequence[float]]) -> float:
        """Return the most that a selection is worth; `worth` gives by class what so many of its
        units are worth together at most.
        """
        known: dict[_Rest, float] = {}

        def most(rest: _Rest) -> float:
            if rest[0] == len(self.classes):
                return 0.0
            if rest not in known:
                known[rest] = max(
                    worth[rest[0]][taken] + most(after)
                    for taken, after in self._choices(rest) if self._count(after))
            return known[rest]

        return max((most(self.first(free)) for free in self.by_free), default=0.0)

    def taken(self, free: int) -> Iterator[tuple[_Rest, list[tuple[float, int, _Rest]]]]:
        """Yield, from the first class on, what can come of each rest and how likely that is.

        Rests come before those that follow from them.
        """
        open_, seen = [self.first(free)], {self.first(free)}
        for rest in open_:
            if rest[0] == len(self.classes):
                continue
            size, all_ways = len(self.classes[rest[0]].units), self._count(rest)
            chosen = [
                (comb(size, taken) * self._count(after) / all_ways, taken, after)
                for taken, after in self._choices(rest) if self._count(after)]
            yield rest, chosen
            for _, _, after in chosen:
                if after not in seen:
                    seen.add(after)
                    open_.append(after)

    def selection(self, free: int, rank: int) -> tuple[int, ...]:
        """Return the units of selection number `rank` of those with `free` units to shuffle.

        `rank` is from 0 to below ``by_free[free]``; units are given by their place, rising.
        """
        found: list[int] = []
        rest = self.first(free)
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

    def first(self, free: int) -> _Rest:
        """Return what is to be done at the beginning, with so many free units to take."""
        return 0, self._take, (0,) * len(self._limits), free

    def _count(self, rest: _Rest) -> int:
        """In how many ways the classes from `rest` on can be chosen from."""
        known = self._ways.get(rest)
        if known is None:
            first, questions, counted, free = rest
            if not self._reach[first].holds(questions, free):
                known = 0
            elif first == len(self.classes):
                known = int(all(count >= limit.least
                                for count, limit in zip(counted, self._limits, strict=True)))
            else:
                choices = self._choices(rest)
                self.steps += len(choices)
                # Too many: what is counted then is not used.
                if self.steps > LIMITS.most_counted:
                    return 0
                size = len(self.classes[first].units)
                known = sum(self._some(first, size, taken) * self._count(after)
                            for taken, after in choices)
            self._ways[rest] = known
        return known

    def _some(self, number: int, size: int, taken: int) -> int:
        """In how many ways so many units of a class are chosen."""
        if number != self._certain:
            return comb(size, taken)
        return comb(size - 1, taken - 1) if taken else 0

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


@dataclass(frozen=True)
class _Reach:
    """What the classes from one on can give: so many `free` units, each with `least` to `most`
    questions, and so many `pinned` questions beside them.
    """

    free: int = 0
    least: int = 0
    most: int = 0
    pinned: int = 0

    def holds(self, questions: int, free: int) -> bool:
        """Return whether so many questions may come with so many free units."""
        return (free <= self.free
                and self.least * free <= questions <= self.most * free + self.pinned)


def _reaches(classes: Sequence[Alike]) -> list[_Reach]:
    found = [_Reach()]
    for alike in reversed(classes):
        after, each = found[-1], alike.questions
        if alike.free:
            found.append(_Reach(
                after.free + len(alike.units), min(after.least, each) if after.free else each,
                max(after.most, each), after.pinned))
        else:
            found.append(replace(after, pinned=after.pinned + each * len(alike.units)))
    return found[::-1]


def selections_of(drawn: DrawnSet) -> tuple[Selections, bool]:
    """Return the selections of a set, and whether they are as it asks.

    Where nothing meets what it asks, all of it is taken.
    """
    asked = Selections(drawn.units, drawn.take, drawn.limits)
    return (asked, True) if asked.by_free else (Selections(drawn.units, None, ()), False)


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
