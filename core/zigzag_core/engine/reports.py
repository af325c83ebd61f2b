"""Reports of what a quiz came to. The twin is `web/player/engine/reports.ts`."""

from zigzag_core.program.events import Report
from zigzag_core.program.quiz import ProgramQuiz

from . import quiz_results
from .expression import live
from .index import Index
from .run import Run
from .state import State
from .values import Value, to_text


def tell_finished(run: Run) -> None:
    """Report each attempt that was finished in this step."""
    if run.state.taking is run.before.taking:
        return
    for quiz in run.index.posting:
        before, now = (quiz_results.taking_of(state, quiz) for state in (run.before, run.state))
        if now.finished and not before.finished:
            run.effects.append(report(run.index, run.state, quiz))


def tell_unsent(run: Run) -> None:
    """Report again what was finished and is not known to have arrived."""
    for quiz in run.index.posting:
        taking = quiz_results.taking_of(run.before, quiz)
        if taking.finished and not taking.sent:
            run.effects.append(report(run.index, run.state, quiz))


def report(index: Index, state: State, quiz: ProgramQuiz) -> Report:
    """Return the report of the present attempt. It has the same id whenever it is asked for."""
    taking, number = quiz_results.taking_of(state, quiz), quiz_results.attempt(state, quiz)
    fields = quiz.post.fields if quiz.post else ()
    return {
        "effect": "report", "quiz": quiz.id, "attempt": number,
        "id": f"{state.seed:x}-{quiz.id}-{number}-{taking.over:x}",
        "fields": [(field.name, to_text(_value(index, state, quiz, field.of)))
                   for field in fields],
    }


def _value(index: Index, state: State, quiz: ProgramQuiz, of: str) -> Value:
    """What stands in a field: a variable, or a value of the course; of *this* quiz."""
    if of in state.variables:
        return state.variables[of]
    if of in quiz_results.OF_QUIZ:
        return quiz_results.fact(index, state, of, quiz)
    return live(index, state, of)
