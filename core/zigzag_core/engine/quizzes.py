"""Drawing the quizzes of a run. The twin is `web/player/engine/quizzes.ts`."""

from collections.abc import Collection

from zigzag_core.program.quiz import ProgramQuiz
from zigzag_core.quiz.drawing import drawn

from .index import Index
from .run import Run
from .state import Draw


def first_draws(index: Index, seed: int) -> tuple[Draw, ...]:
    """Return what a learner gets of each quiz at the first attempt."""
    return tuple(Draw(quiz.id, drawn(quiz, seed)) for quiz in index.program.quizzes)


def draws_to_resume(
    index: Index, first: tuple[Draw, ...], saved: tuple[Draw, ...], visited: Collection[str]
) -> tuple[Draw, ...]:
    """Return the draws of a run that goes on: those `saved`.

    Of a quiz that came later, and that nobody has begun, the `first` is added.
    """
    known = {draw.quiz for draw in saved} | {
        quiz.id for quiz in index.program.quizzes
        if any(slide in visited for slide in quiz.slides)}
    return saved + tuple(draw for draw in first if draw.quiz not in known)


def leave_whole(run: Run, slide: str) -> None:
    """Let a quiz that `slide` was not drawn for be as the course has it: somebody wants to see it.

    Whoever wants to see the first slide of a quiz wants to see the quiz: that stays as drawn.
    """
    if slide in run.index.ordered(run.state.draws).position:
        return
    quiz = next((q for q in run.index.program.quizzes if slide in q.slides[1:]), None)
    if quiz is not None:
        run.update(draws=tuple(draw for draw in run.state.draws if draw.quiz != quiz.id))


def draw_again(run: Run, name: str) -> None:
    """Begin the next attempt at a quiz: it is drawn anew."""
    quiz = next((quiz for quiz in run.index.program.quizzes if quiz.id == name), None)
    if quiz is None:
        return
    before = next((draw for draw in run.state.draws if draw.quiz == name), None)
    after = _next_draw(quiz, before or Draw(name, ()), run)
    others = {draw.quiz: draw for draw in run.state.draws}
    run.update(draws=tuple({**others, name: after}.values()))


def _next_draw(quiz: ProgramQuiz, before: Draw, run: Run) -> Draw:
    attempt = before.attempt + 1
    if quiz.again == "same":
        return Draw(quiz.id, before.slides, attempt)
    if quiz.again == "new":
        return Draw(quiz.id, drawn(quiz, run.state.seed, attempt), attempt)
    seen = dict.fromkeys((*before.seen, *(
        slide for slide in before.slides if slide in run.state.visited)))
    return Draw(quiz.id, drawn(quiz, run.state.seed, attempt, seen), attempt, tuple(seen))
