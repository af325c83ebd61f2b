"""The numbers behind the settings of a quiz.

Importing this module loads numpy, which takes time and memory.
"""

from collections.abc import Sequence
from fractions import Fraction
from math import log10, sqrt

from zigzag_core.program import Grader
from zigzag_core.program.quiz import ProgramQuiz

from .chances import asked, chances, shared
from .drawing import Draws
from .measures import Chance, Many, QuizNumbers, Seen
from .odds import guesses_by_slide, passes, safe_mark, spread
from .reach import points_by_slide, reachable


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

