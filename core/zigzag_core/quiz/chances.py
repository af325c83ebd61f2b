"""How likely each question is to be drawn, and what that means for two learners."""

from collections.abc import Mapping
from fractions import Fraction
from math import factorial

from zigzag_core.program.quiz import DrawnUnit

from .drawing import Draws, SetDraws

_Ways = Mapping[int, int]
"""Ways by the units that a shuffle of the whole quiz moves; 0 where it moves none."""

_Taken = dict[tuple[int, int], int]
"""Ways by how many sets are taken, and by the units that a shuffle of the whole quiz moves."""


def chances(draws: Draws) -> list[list[Fraction]]:
    """Return by set, for each of its units in order, how likely (0..1) it is drawn."""
    whole = [_ways(draws, one, one.selections.by_free) for one in draws.sets]
    found: list[list[Fraction]] = []
    known: dict[tuple[tuple[int, int], ...], _Taken] = {}
    for place, one in enumerate(draws.sets):
        # Sets that can come in as many ways leave as many to the others.
        like = tuple(whole[place].items())
        others = known.get(like) or _without(draws.take, whole, place)
        known[like] = others
        total = _weight(draws, whole[place], others, 1) + _weight(draws, {0: 1}, others, 0)
        by_place: dict[int, Fraction] = {}
        for number, alike in enumerate(one.selections.classes):
            having = _ways(draws, one, one.selections.having(number))
            chance = Fraction(_weight(draws, having, others, 1), total) if total else Fraction()
            by_place.update(dict.fromkeys(alike.units, chance))
        found.append([by_place[at] for at in range(len(one.drawn.units))])
    return found


def shared(draws: Draws, likely: list[list[Fraction]]) -> Fraction:
    """Return how many questions two learners have in common on average.

    Learners draw apart from each other, so both have a question with the square of its chance.
    """
    return sum((chance * chance * unit.questions
                for unit, chance in _units(draws, likely)), Fraction())


def asked(draws: Draws, likely: list[list[Fraction]]) -> Fraction:
    """Return how many questions a learner gets on average."""
    return sum((chance * unit.questions for unit, chance in _units(draws, likely)), Fraction())


def _units(draws: Draws, likely: list[list[Fraction]]) -> list[tuple[DrawnUnit, Fraction]]:
    return [(unit, chance) for one, row in zip(draws.sets, likely, strict=True)
            for unit, chance in zip(one.drawn.units, row, strict=True)]


def _ways(draws: Draws, one: SetDraws, by_free: _Ways) -> _Ways:
    if draws.quiz.order == "mixed":
        return by_free
    return {0: sum(ways * one.orders(free) for free, ways in by_free.items())}


def _without(take: int, whole: list[_Ways], place: int) -> _Taken:
    """What all sets but one come to, where nearly so many are taken as shall be."""
    others = [ways for other, ways in enumerate(whole) if other != place]
    found: _Taken = {(0, 0): 1}
    for left, ways in zip(range(len(others) - 1, -1, -1), others, strict=True):
        after: _Taken = {}
        for (taken, free), count in found.items():
            if taken + left >= take - 1:
                after[taken, free] = after.get((taken, free), 0) + count
            if taken < take:
                for own, more in ways.items():
                    key = taken + 1, free + own
                    after[key] = after.get(key, 0) + count * more
        found = after
    return found


def _weight(draws: Draws, ways: _Ways, others: _Taken, taken: int) -> int:
    """How many quizzes have one of `ways` of a set, and enough of the others."""
    return sum(
        own * count * factorial(free + more)
        for free, own in ways.items()
        for (sets, more), count in others.items() if sets + taken == draws.take)

