"""The points of somebody who guesses, over all quizzes that can be drawn; and the odds of passing.

Draws are followed class by class with the chance of each step, and the points of what is drawn are
added up as distributions.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import comb
from typing import TypeVar

from zigzag_core.grading.grade import gives_points
from zigzag_core.program import Grader

from .drawing import Draws, SetDraws
from .guessing import Guess, guess
from .reach import reachable
from .selecting import Alike
from .spread import FINEST, MOST, Grid, Spread, Waves, axis

K = TypeVar("K")

MOST_CASES = 4_000
"""Of more cases of all sets together the odds are not worked out."""


@dataclass(frozen=True)
class Worth:
    """What a slide is worth at most (hundredths of points), and what guessing gives."""

    most: int
    guessed: Guess


def guesses_by_slide(questions: Sequence[Grader]) -> dict[str, Worth]:
    """Return what guessing gives on each slide whose questions give points."""
    alike: dict[str, Guess] = {}
    found: dict[str, Worth] = {}
    for question in questions:
        if not gives_points(question):
            continue
        form = _form(question)
        if form not in alike:
            alike[form] = guess(question)
        before = found.get(question.slide, Worth(0, {0: 1.0}))
        found[question.slide] = Worth(
            before.most + round(question.points * 100), _sum(before.guessed, alike[form]))
    return found


def spread(draws: Draws, worth: Mapping[str, Worth]) -> Spread | None:
    """Return how likely all points are that somebody who guesses can come to.

    None where the limits of its sets make too many cases.
    """
    if sum(one.selections.size for one in draws.sets) > MOST_CASES:
        return None
    guessing = _Guessing(draws, worth)
    return guessing.grid.read(guessing.waves())


def passes(spread: Spread, per_cent: float, attempts: int = 1) -> float:
    """Return how likely (0..1) one of so many `attempts` comes to at least `per_cent`."""
    return float(1 - (1 - spread.passing(per_cent)) ** attempts)


def safe_mark(spread: Spread, attempts: int = 1, odds: float = 0.01) -> int | None:
    """Return the lowest pass mark, in whole per cent, that fewer than one in 100 guessers reach.

    None where even 100 per cent is reached more often.
    """
    return next((mark for mark in range(1, 101) if passes(spread, mark, attempts) < odds), None)


def _form(question: Grader) -> str:
    """The same for questions that guesses do the same in: ids and words make no difference."""
    ids = [*(part.id for part in question.parts), *(target.id for target in question.targets)]
    names = {name: str(number) for number, name in enumerate(ids)}
    parts = [
        ([names.get(name, name) for name in part.right], part.points, part.level, part.endless,
         part.options, part.how, str(part.accepts))
        for part in question.parts]
    targets = [(target.takes, [names.get(name, name) for name in target.only])
               for target in question.targets]
    rows = [(row.asks, row.at_least, row.points,
             [(names.get(part, part), names.get(value, value), same)
              for part, value, same in row.within]) for row in question.rows]
    rest = question.model_dump_json(exclude={
        "id", "slide", "name", "record", "prompt", "parts", "targets", "rows", "pinned"})
    return f"{rest}{parts}{targets}{rows}"


def _sum(one: Guess, other: Guess) -> Guess:
    found: Guess = {}
    for points, chance in one.items():
        for more, likely in other.items():
            found[points + more] = found.get(points + more, 0.0) + chance * likely
    return found


class _Guessing:
    """Adds up what guessing gives, over the draws of one quiz."""

    def __init__(self, draws: Draws, worth: Mapping[str, Worth]) -> None:
        self._draws, self._worth = draws, worth
        least, most = reachable(draws, {slide: float(one.most) for slide, one in worth.items()})
        lowest, _ = reachable(
            draws, {slide: float(min(one.guessed)) for slide, one in worth.items()})
        _, highest = reachable(
            draws, {slide: float(max(one.guessed)) for slide, one in worth.items()})
        self.grid = Grid(
            axis(int(least), int(most), {one.most for one in worth.values()}, MOST),
            axis(int(lowest), int(highest),
                 {points for one in worth.values() for points in one.guessed}, FINEST))
        self._slides = {
            slide: self.grid.of(one.most, one.guessed) for slide, one in worth.items()}
        self._sets: dict[str, dict[int, Waves]] = {}

    def waves(self) -> Waves:
        """Return what the whole quiz comes to."""
        fixed = self._of_slides((*self._draws.quiz.opening, *self._draws.quiz.closing))
        return fixed * (self._mixed() if self._draws.quiz.order == "mixed" else self._apart())

    def _of_slides(self, slides: Sequence[str]) -> Waves:
        found = self.grid.nothing
        for slide in slides:
            if slide in self._slides:
                found = found * self._slides[slide]
        return found

    def _of_class(self, one: SetDraws, alike: Alike) -> list[Waves]:
        """By how many of a class are taken: what they come to, any of them as likely."""
        kinds: dict[tuple[object, ...], list[tuple[str, ...]]] = {}
        for place in alike.units:
            slides = one.drawn.units[place].slides
            key = tuple((own.most, *own.guessed.items()) for slide in slides
                        if (own := self._worth.get(slide)))
            kinds.setdefault(key, []).append(slides)
        found = [self.grid.nothing]
        for units in kinds.values():
            waves, powers = self._of_slides(units[0]), [self.grid.nothing]
            for _ in units:
                powers.append(powers[-1] * waves)
            found = self._joined(found, powers)
        return found

    def _joined(self, some: Sequence[Waves], others: Sequence[Waves]) -> list[Waves]:
        """By how many are taken of two lots of units: what they come to, any choice as likely."""
        first, second = len(some) - 1, len(others) - 1
        if not first:
            return list(others)
        found: list[Waves] = []
        for taken in range(first + second + 1):
            mixed = self.grid.none
            for of_first in range(max(0, taken - second), min(first, taken) + 1):
                ways = comb(first, of_first) * comb(second, taken - of_first)
                mixed += some[of_first] * others[taken - of_first] * (
                    ways / comb(first + second, taken))
            found.append(mixed)
        return found

    def _of_set(self, one: SetDraws) -> dict[int, Waves]:
        """What a set comes to, by the units that a shuffle moves."""
        # Sets that ask the same of questions that are worth the same are worked out once.
        asks = [
            (unit.questions, unit.counts, unit.pin,
             [(own.most, own.guessed) for slide in unit.slides if (own := self._worth.get(slide))])
            for unit in one.drawn.units]
        form = f"{one.drawn.take} {one.drawn.limits} {asks}"
        if form not in self._sets:
            self._sets[form] = self._worked_out(one)
        return self._sets[form]

    def _worked_out(self, one: SetDraws) -> dict[int, Waves]:
        classes = [self._of_class(one, alike) for alike in one.selections.classes]
        found: dict[int, Waves] = {}
        for free in one.selections.by_free:
            states: dict[object, Waves] = {one.selections.first(free): self.grid.nothing}
            for rest, chosen in one.selections.taken(free):
                here = states.pop(rest)
                for chance, taken, after in chosen:
                    there = states.setdefault(after, self.grid.none)
                    there += here * classes[rest[0]][taken] * chance
            found[free] = sum(states.values(), self.grid.none)
        return found

    def _apart(self) -> Waves:
        """Sets that are drawn apart from each other."""
        states: dict[int, Waves] = {self._draws.take: self.grid.nothing}
        for place, one in enumerate(self._draws.sets):
            own = self.grid.none
            for free, waves in self._of_set(one).items():
                own += waves * (one.selections.by_free[free] * one.orders(free) / one.count)
            after: dict[int, Waves] = {}
            for left, here in states.items():
                skipped, taken = self._draws.ways_on(place, left)
                if skipped:
                    _add(after, left, here * skipped)
                if taken:
                    _add(after, left - 1, here * own * taken)
            states = after
        return sum(states.values(), self.grid.none)

    def _mixed(self) -> Waves:
        """Sets of which all that is drawn is shuffled as one."""
        states: dict[tuple[int, int], Waves] = {
            (self._draws.take, free): self.grid.nothing * share
            for free, share in self._draws.mixed_shares().items()}
        for place, one in enumerate(self._draws.sets):
            own = self._of_set(one)
            after: dict[tuple[int, int], Waves] = {}
            for (left, free), here in states.items():
                for moved, chance in self._draws.mixed_ways_on(place, left, free):
                    if moved is None:
                        _add(after, (left, free), here * chance)
                    else:
                        _add(after, (left - 1, free - moved), here * own[moved] * chance)
            states = after
        return sum(states.values(), self.grid.none)


def _add(states: dict[K, Waves], key: K, waves: Waves) -> None:
    states[key] = states[key] + waves if key in states else waves
