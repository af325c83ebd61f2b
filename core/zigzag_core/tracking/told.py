"""What an LMS holds of a run, in each standard: for authors, before a course is published."""

from collections.abc import Collection, Mapping
from typing import Annotated

from pydantic import Field

from zigzag_core.course.model import Model
from zigzag_core.engine import completion, results
from zigzag_core.engine.index import Index
from zigzag_core.engine.objectives import ObjectiveStatus, objectives
from zigzag_core.engine.state import State

from . import cmi5
from .progress import pack
from .scorm12 import lesson_status


class ToldObjective(Model):
    """How a quiz or dialogue stands; `score` in per cent."""

    title: str
    status: ObjectiveStatus
    score: float | None


class Told(Model):
    """What an LMS holds.

    `status` is the one of SCORM 1.2; SCORM 2004 has `completion`, `success` and a `measure` of
    0..1; by cmi5 the `verbs` were said. In all of them the `score` is in per cent (None: nothing
    was scored), so many `answers` are recorded, and `progress` has so many characters.
    """

    status: str
    completion: str
    success: str
    measure: float
    verbs: tuple[str, ...]
    score: float | None
    answers: Annotated[int, Field(ge=0)]
    objectives: tuple[ToldObjective, ...]
    progress: Annotated[int, Field(ge=0)]


def told(
    index: Index, state: State, answers: int, verbs: Collection[str], titles: Mapping[str, str]
) -> Told:
    """Return what an LMS holds of a run that has come to `state`.

    So many `answers` were judged in it, and these `verbs` said by cmi5. `titles` are those of the
    quizzes, by their ids.
    """
    judged = index.program.completion.passing or bool(state.marked)
    answered = any(answer.attempts for answer in state.answers.values())
    names = {one.record: titles.get(one.id, "") for one in index.program.quizzes}
    names |= {one.record: one.title for one in index.program.objectives}
    return Told(
        status=lesson_status(index, state),
        completion="completed" if completion.gone_through(index, state) else "incomplete",
        success=state.success if judged else "unknown",
        measure=completion.measure(index, state), verbs=tuple(verbs),
        score=results.score(index, state) if answered else None, answers=answers,
        objectives=tuple(ToldObjective(
            title=names.get(one.record) or one.record, status=one.status, score=one.score)
            for one in objectives(index, state)),
        progress=len(pack(index, state)))


def newly_said(index: Index, state: State, said: Collection[str]) -> list[str]:
    """Return the verbs that are said by cmi5 once, and are due now: in their order."""
    return [one["verb"]["id"].removeprefix(cmi5.VERB)
            for one in cmi5.statements(index, state, (), said, "course", 0)]
