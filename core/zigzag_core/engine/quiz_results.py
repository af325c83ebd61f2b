"""What an attempt at a quiz has come to. The twin is `web/player/engine/quizResults.ts`."""

from collections.abc import Callable, Collection, Mapping, Sequence
from typing import Literal

from zigzag_core.course.text.rich_text import TAG
from zigzag_core.grading.grade import is_judged, most_of
from zigzag_core.program import Grader
from zigzag_core.program.limits import LIMITS
from zigzag_core.program.quiz import ProgramBand, ProgramQuiz

from . import wall
from .index import Index
from .state import NOT_BEGUN, Answer, Earlier, State, Taking
from .values import Value, number

_NONE = Answer()


def taking_of(state: State, quiz: ProgramQuiz) -> Taking:
    """Return how far the present attempt at a quiz is."""
    return state.taking.get(quiz.id, NOT_BEGUN)


def graders_of(index: Index, state: State, quiz: ProgramQuiz) -> tuple[Grader, ...]:
    """Return the questions of a quiz that the learner gets."""
    return index.ordered(state.draws).graders(quiz.id)


def share(index: Index, state: State, quiz: ProgramQuiz) -> float:
    """Return which share (0..1) of all points the present attempt has; 0 where it gives none."""
    return _share(state, graders_of(index, state, quiz))


def counted(index: Index, state: State, quiz: ProgramQuiz) -> float:
    """Return the share (0..1) of the points that counts, of all attempts.

    The present attempt is one of them where it is finished, or the first; and where the best
    counts.
    """
    taking = taking_of(state, quiz)
    found = taking.earlier
    if taking.finished or not found.count or quiz.counts == "best":
        found = with_one(found, share(index, state, quiz))
    match quiz.counts:
        case "best":
            return found.best
        case "first":
            return found.first
        case "last":
            return found.last
    return number(found.total / found.count)


def with_one(earlier: Earlier, result: float) -> Earlier:
    """Return what attempts came to, with one more."""
    return Earlier(
        count=earlier.count + 1, first=earlier.first if earlier.count else result,
        best=max(earlier.best, result), last=result, total=number(earlier.total + result))


def counted_before(index: Index, state: State) -> float:
    """Return by how many points earlier attempts change what the answers come to now."""
    change = 0.0
    for quiz in index.program.quizzes:
        taking = taking_of(state, quiz)
        if taking.earlier.count:
            graders = graders_of(index, state, quiz)
            change += number(counted(index, state, quiz) * _most(graders)) - _points(state, graders)
    return change


def course_score(index: Index, state: State) -> float | None:
    """Return the score of a course (per cent) that its quizzes make, by weight or the best of them.

    None where no quiz gives points, or none of them weighs anything.
    """
    found = [(quiz.weight, counted(index, state, quiz)) for quiz in index.program.quizzes
             if _most(graders_of(index, state, quiz))]
    if index.program.scoring == "best":
        return percent(max(share for _, share in found)) if found else None
    weight = sum(own for own, _ in found)
    return percent(number(sum(own * share for own, share in found) / weight)) if weight else None


def standing(
    index: Index, state: State, quiz: ProgramQuiz
) -> tuple[Literal["passed", "failed", "completed", "incomplete", "not attempted"], float | None]:
    """Return how a quiz stands, in the words of SCORM 1.2 for an objective, and its score.

    The score is in per cent. There is none before it was begun, nor of one that gives no points,
    which is *completed* in the end.
    """
    graders, taking = graders_of(index, state, quiz), taking_of(state, quiz)
    over = taking.earlier.count or _finished(index, state, quiz)
    begun = over or taking.used or len(unanswered(index, state, quiz)) < len(graders)
    score = percent(counted(index, state, quiz)) if _most(graders) else None
    if passed(index, state, quiz):
        return "passed", score
    if over:
        return "completed" if score is None else "failed", score
    return ("incomplete", score) if begun else ("not attempted", None)


def pass_mark(index: Index, quiz: ProgramQuiz) -> float:
    """Return from how many per cent on a quiz is passed."""
    return index.program.pass_mark if quiz.pass_mark is None else quiz.pass_mark


def passed(index: Index, state: State, quiz: ProgramQuiz) -> bool:
    """Return whether the result that counts reaches the pass mark."""
    if not _most(graders_of(index, state, quiz)):
        return False
    return percent(counted(index, state, quiz)) >= pass_mark(index, quiz)


def reached(index: Index, state: State, quiz: ProgramQuiz) -> bool | None:
    """Return whether the present attempt reaches the pass mark; None where it gives no points."""
    if not _most(graders_of(index, state, quiz)):
        return None
    return percent(share(index, state, quiz)) >= pass_mark(index, quiz)


def keeps_from_passing(index: Index, state: State, quiz: ProgramQuiz) -> bool:
    """Return whether a pass mark of the quiz's own is not reached yet."""
    return quiz.pass_mark is not None and not passed(index, state, quiz) and bool(
        _most(graders_of(index, state, quiz)))


def percent(of: float) -> float:
    """Return a share in per cent, with two decimals."""
    return int(of * 10_000 + 0.5) / 100


def attempt(state: State, quiz: ProgramQuiz) -> int:
    """Return the number of the present attempt, from 1."""
    return next((draw.attempt for draw in state.draws if draw.quiz == quiz.id), 1)


def minutes_to_wait(state: State, quiz: ProgramQuiz) -> int:
    """Return the minutes, rounded up, until the next attempt may begin."""
    over, here = taking_of(state, quiz).over, wall.now(state)
    if quiz.wait is None or not over or not here:
        return 0
    return max(-((here - over - quiz.wait * 60) // 60), 0)


def is_closed(state: State, grader: Grader) -> bool:
    """Return whether a question that one way asks and another does not is not open any more."""
    return any(state.variables.get(name) is True for name in grader.closed_by)


def unanswered(index: Index, state: State, quiz: ProgramQuiz) -> tuple[Grader, ...]:
    """Return the questions of the present attempt that have no answer."""
    return tuple(q for q in graders_of(index, state, quiz)
                 if not _has_answer(state.answers.get(q.id, _NONE)) and not is_closed(state, q))


def band(
    index: Index, state: State, quiz: ProgramQuiz, of: str | None = None
) -> ProgramBand | None:
    """Return the band that the present attempt is in: with all its questions, or those of a set."""
    graders = graders_of(index, state, quiz) if of is None else _graders_in(
        index, state, quiz, _slides_of(quiz, of))
    match quiz.banded:
        case "points":
            reached = number(_points(state, graders))
        case "right":
            reached = float(_right(state, graders))
        case _:
            reached = percent(_share(state, graders))
    return next((one for one in reversed(quiz.bands)
                 if one.of == of and reached >= one.least), None)


def fact(index: Index, state: State, operator: str, quiz: ProgramQuiz | None) -> Value:
    """Return what `operator`, one of the ``quiz_`` ones, gives for a quiz; of none a nothing."""
    if quiz is None:
        return _NOTHING.get(operator, 0.0)
    return _FACTS[operator](index, state, quiz)


def of_set(index: Index, state: State, operator: str, name: str) -> float:
    """Return what *set_score* (per cent) or *set_right* gives for a set of questions."""
    for quiz in index.program.quizzes:
        for one in quiz.sets:
            if one.id == name:
                graders = _graders_in(index, state, quiz, _slides_of(quiz, name))
                return percent(_share(state, graders)) if operator == "set_score" \
                    else float(_right(state, graders))
    return 0.0


def in_band(index: Index, state: State, name: str) -> bool:
    """Return whether the result is in the band `name` of its quiz."""
    for quiz in index.program.quizzes:
        asked = next((one for one in quiz.bands if one.id == name), None)
        if asked is not None:
            found = band(index, state, quiz, asked.of)
            return found is not None and found.id == name
    return False


def of_part(index: Index, state: State, name: str) -> float | None:
    """Return the score (per cent) that the id of a set, or a tag after `TAG`, stands for.

    That of a tag tells of the quiz that the slide is in, else of the last before it. None for any
    other name.
    """
    if name.startswith(TAG):
        quiz = index.quiz_for(state.slide or "")
        tagged = next(
            (one.slides for one in quiz.tags if one.name == name[len(TAG):]), ()) if quiz else ()
        return percent(_share(state, _graders_in(index, state, quiz, tagged))) if quiz else 0.0
    known = any(one.id == name for quiz in index.program.quizzes for one in quiz.sets)
    return of_set(index, state, "set_score", name) if known else None


def _slides_of(quiz: ProgramQuiz, name: str) -> tuple[str, ...]:
    """The slides of a set; none where it is gone."""
    return tuple(slide for one in quiz.sets if one.id == name
                 for unit in one.units for slide in unit.slides)


def _graders_in(
    index: Index, state: State, quiz: ProgramQuiz, slides: Collection[str]
) -> list[Grader]:
    """The questions that the learner gets on some slides of a quiz."""
    inside = frozenset(slides)
    return [q for q in graders_of(index, state, quiz) if q.slide in inside]


def _points(state: State, graders: Sequence[Grader]) -> float:
    return sum(state.answers.get(q.id, _NONE).points for q in graders if q.purpose == "scored")


def _most(graders: Sequence[Grader]) -> float:
    return sum(map(most_of, graders))


def _share(state: State, graders: Sequence[Grader]) -> float:
    most = _most(graders)
    return number(max(_points(state, graders) / most, 0)) if most else 0.0


def _right(state: State, graders: Sequence[Grader]) -> int:
    return sum(state.answers.get(q.id, _NONE).result == "right" for q in graders)


def _has_answer(answer: Answer) -> bool:
    return answer.attempts > 0 or bool(answer.given)


def _result(
    index: Index, state: State, quiz: ProgramQuiz
) -> Literal["open", "passed", "failed", "finished"]:
    if passed(index, state, quiz):
        return "passed"
    if not _finished(index, state, quiz):
        return "open"
    return "failed" if _most(graders_of(index, state, quiz)) else "finished"


def _finished(index: Index, state: State, quiz: ProgramQuiz) -> bool:
    """Whether it was finished, or nothing in it can be answered any more."""
    if taking_of(state, quiz).finished:
        return True
    graders = graders_of(index, state, quiz)
    return bool(graders) and all(
        state.answers.get(q.id, _NONE).locked or is_closed(state, q) for q in graders)


def _band_name(index: Index, state: State, quiz: ProgramQuiz) -> str:
    found = band(index, state, quiz)
    return found.name if found else ""


_NOTHING: Mapping[str, Value] = {
    "quiz_result": "open", "quiz_band": "", "quiz_day": "", "quiz_passed": False,
    "quiz_finished": False, "quiz_sent": False}

_FACTS: Mapping[str, Callable[[Index, State, ProgramQuiz], Value]] = {
    "quiz_points": lambda index, state, quiz: number(
        _points(state, graders_of(index, state, quiz))),
    "quiz_max_points": lambda index, state, quiz: number(
        _most(graders_of(index, state, quiz))),
    "quiz_score": lambda index, state, quiz: percent(share(index, state, quiz)),
    "quiz_right": lambda index, state, quiz: float(
        _right(state, graders_of(index, state, quiz))),
    "quiz_judged": lambda index, state, quiz: float(sum(
        q.purpose != "survey" and is_judged(q) for q in graders_of(index, state, quiz))),
    "quiz_questions": lambda index, state, quiz: float(
        len(graders_of(index, state, quiz))),
    "quiz_answered": lambda index, state, quiz: float(
        len(graders_of(index, state, quiz)) - len(unanswered(index, state, quiz))),
    "quiz_seconds": lambda index, state, quiz: float(
        taking_of(state, quiz).used // 1_000),
    "quiz_attempt": lambda index, state, quiz: float(attempt(state, quiz)),
    "quiz_attempts_left": lambda index, state, quiz: float(
        max((quiz.attempts or LIMITS.most_attempts) - attempt(state, quiz), 0)),
    "quiz_best": lambda index, state, quiz: percent(max(
        share(index, state, quiz), taking_of(state, quiz).earlier.best)),
    "quiz_pass_mark": lambda index, state, quiz: number(pass_mark(index, quiz)),
    "quiz_result": _result,
    "quiz_passed": passed,
    "quiz_finished": _finished,
    "quiz_sent": lambda _, state, quiz: taking_of(state, quiz).sent,
    "quiz_band": _band_name,
    "quiz_wait": lambda _, state, quiz: float(minutes_to_wait(state, quiz)),
    "quiz_day": lambda _, state, quiz: wall.day(
        state, taking_of(state, quiz).over or wall.now(state)),
}

OF_QUIZ = frozenset(_FACTS)
"""The operators, and values that the course keeps, that tell of a quiz."""
