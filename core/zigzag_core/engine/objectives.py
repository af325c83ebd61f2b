"""How the objectives of a course stand. The twin is `web/player/engine/objectives.ts`."""

from dataclasses import dataclass
from typing import Literal

from zigzag_core.course.rules.expression import Node
from zigzag_core.program import ProgramObjective

from . import quiz_results
from .expression import evaluate
from .index import Index
from .state import State
from .values import number, to_yes_no

ObjectiveStatus = Literal["passed", "failed", "completed", "incomplete", "not attempted"]
"""The words of SCORM 1.2 (section 3.4.4)."""


@dataclass(frozen=True)
class Objective:
    """An objective under its name in records; `score` is in per cent, None where there is none."""

    record: str
    status: ObjectiveStatus
    score: float | None


def objectives(index: Index, state: State) -> list[Objective]:
    """Return how all objectives stand: the quizzes first, each in the order of the course."""
    return [
        *(Objective(quiz.record, *quiz_results.standing(index, state, quiz))
          for quiz in index.program.quizzes),
        *(_standing(index, state, one) for one in index.program.objectives)]


def objectives_of(index: Index, question: str) -> list[str]:
    """Return the names of the objectives that a question belongs to."""
    grader = index.questions.get(question)
    quiz = index.quiz_of.get(grader.slide) if grader else None
    return [*([quiz.record] if quiz else []),
            *(one.record for one in index.program.objectives if question in one.questions)]


def _standing(index: Index, state: State, one: ProgramObjective) -> Objective:
    def holds(condition: Node) -> bool:
        return to_yes_no(evaluate(index, state, condition))

    answers = [state.answers[name] for name in one.questions if name in state.answers]
    points = sum(answer.points for answer in answers)
    status: ObjectiveStatus = (
        "passed" if holds(one.passed) else "failed" if holds(one.failed)
        else "completed" if holds(one.completed)
        else "incomplete" if any(answer.attempts or answer.given for answer in answers)
        else "not attempted")
    score = None if one.most <= 0 or status == "not attempted" else quiz_results.percent(
        number(max(points / one.most, 0)))
    return Objective(one.record, status, score)
