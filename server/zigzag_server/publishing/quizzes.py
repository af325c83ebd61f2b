"""The quizzes of compiled courses: their numbers, and what learners get of them."""

import json
from collections.abc import Iterator
from functools import lru_cache

from pydantic import TypeAdapter
from zigzag_core.packaging.incremental import CompiledCourse
from zigzag_core.program import Grader
from zigzag_core.program.quiz import ProgramQuiz
from zigzag_core.quiz.drawing import Draws
from zigzag_core.quiz.measures import QuizNumbers

PROVED = 10_000
"""So many learners a proof draws a quiz for."""

_QUIZZES = TypeAdapter(tuple[ProgramQuiz, ...])


def quizzes_of(compiled: CompiledCourse) -> tuple[ProgramQuiz, ...]:
    """Return what the quizzes of a compiled course are drawn from, in the order of the course."""
    return _QUIZZES.validate_python(json.loads(compiled.around).get("quizzes", ()))


def numbers_of(compiled: CompiledCourse) -> list[QuizNumbers]:
    """Return the numbers behind the settings of each quiz."""
    course = compiled.course.pass_mark
    return [_numbers(quiz.model_dump_json(), _questions_of(compiled, quiz),
                     course if quiz.pass_mark is None else quiz.pass_mark)
            for quiz in quizzes_of(compiled)]


def draws_of(
    compiled: CompiledCourse, quiz: ProgramQuiz, seeds: range
) -> Iterator[tuple[str, ...]]:
    """Yield by seed the titles of the slides that a learner gets, in order."""
    titles = {slide.id: slide.title for slide in compiled.slides}
    draws = Draws(quiz)
    for seed in seeds:
        yield tuple(titles[slide] for slide in draws.by_seed(seed))


def _questions_of(compiled: CompiledCourse, quiz: ProgramQuiz) -> tuple[str, ...]:
    own = set(quiz.slides)
    return tuple(text for slide in compiled.slides if slide.id in own for text in slide.questions)


@lru_cache(maxsize=64)
def _numbers(quiz: str, questions: tuple[str, ...], pass_mark: float) -> QuizNumbers:
    """The numbers of a quiz; worked out once for as long as neither it nor its questions change."""
    # Only here, as it loads numpy: jobs have a limit on memory, and every process starts sooner.
    from zigzag_core.quiz.numbers import quiz_numbers

    graders = [Grader.model_validate_json(text) for text in questions]
    made = ProgramQuiz.model_validate_json(quiz)
    return quiz_numbers(made, graders, pass_mark, made.attempts or 1)
