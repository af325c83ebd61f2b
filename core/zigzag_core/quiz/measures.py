"""What is worked out of the settings of a quiz."""

from dataclasses import dataclass


@dataclass(frozen=True)
class Seen:
    """By how many of 100 learners a slide is seen on average, and give or take how many."""

    slide: str
    mean: float
    give: float


@dataclass(frozen=True)
class Many:
    """A whole number from 1 on, however large: a figure from 1 to below 10, and a power of ten.

    What is less than 10¹⁵ comes back exactly from these.
    """

    figure: float
    power: int


@dataclass(frozen=True)
class Chance:
    """How likely (0..1) somebody gets so many points."""

    points: float
    chance: float


@dataclass(frozen=True)
class QuizNumbers:
    """What the settings of one quiz come to.

    `quizzes` are all different ones, orders counted. Two learners get the same one with the chance
    `same`, and `shared` questions of `asked` in common on average. Between `lowest` and `highest`
    points can be reached. Who guesses passes with the chance `passing` (None: not worked out, the
    limits make too many cases); at `safe_mark` per cent
    fewer than one in 100 would (None: at no mark). `points` gives how likely such a learner gets
    how many points, from few to many; they are told apart by `step`. `impossible` are the sets
    from which nothing can be drawn as they ask.
    """

    quiz: str
    quizzes: Many
    same: float
    asked: float
    shared: float
    seen: tuple[Seen, ...]
    lowest: float
    highest: float
    passing: float | None
    safe_mark: int | None
    points: tuple[Chance, ...]
    step: float
    impossible: tuple[str, ...]
