"""The numbers behind the settings of a quiz."""

from collections.abc import Sequence
from dataclasses import dataclass
from fractions import Fraction
from math import log10, sqrt

from zigzag_core.program import Grader
from zigzag_core.program.quiz import ProgramQuiz

from .chances import asked, chances, shared
from .drawing import Draws
from .odds import guesses_by_slide, passes, safe_mark, spread
from .reach import points_by_slide, reachable


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


def quiz_numbers(
    quiz: ProgramQuiz, questions: Sequence[Grader], pass_mark: float, attempts: int = 1
) -> QuizNumbers:
    """Return the numbers of `quiz`; `pass_mark` is in per cent, `attempts` are at the whole quiz.

    All are exact, but for points, which are told apart by a 512th of their range where there are
    more, and guesses of questions with more than 5,000 answers, of which 1,500 are drawn.
    """
    draws = Draws(quiz)
    likely = chances(draws)
    # What opens and closes the quiz everybody gets.
    for_all = len({*quiz.opening, *quiz.closing} & {question.slide for question in questions})
    lowest, highest = reachable(draws, points_by_slide(questions))
    guessed = spread(draws, guesses_by_slide(questions))
    return QuizNumbers(
        quiz=quiz.id, quizzes=many(draws.count), same=float(Fraction(1, draws.count)),
        asked=for_all + float(asked(draws, likely)),
        shared=for_all + float(shared(draws, likely)),
        seen=tuple(_seen(draws, likely)), lowest=lowest, highest=highest,
        passing=passes(guessed, pass_mark, attempts) if guessed else None,
        safe_mark=safe_mark(guessed, attempts) if guessed else None,
        points=tuple(Chance(points, chance) for points, chance in guessed.by_points())
        if guessed else (),
        step=guessed.step if guessed else 0,
        impossible=tuple(one.drawn.id for one in draws.sets if one.impossible),
    )


def many(number: int) -> Many:
    """Return `number`, from 1 on, as its first figures and a power of ten."""
    power = int(log10(number))
    if 10**power > number:
        power -= 1
    return Many(number / 10**power, power)


def _seen(draws: Draws, likely: Sequence[Sequence[Fraction]]) -> list[Seen]:
    found = [Seen(slide, 100.0, 0.0) for slide in (*draws.quiz.opening, *draws.quiz.closing)]
    for one, row in zip(draws.sets, likely, strict=True):
        for unit, chance in zip(one.drawn.units, row, strict=True):
            p = float(chance)
            found += (Seen(slide, 100 * p, sqrt(100 * p * (1 - p))) for slide in unit.slides)
    return found

