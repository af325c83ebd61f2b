"""What the settings of quizzes come to, and what learners get of them."""

from typing import Annotated, Any

from django.http import HttpRequest
from ninja import Query, Router, Schema, Status
from zigzag_core.quiz.drawing import drawn
from zigzag_core.quiz.measures import QuizNumbers
from zigzag_core.quiz.proving import Proof

from zigzag_server.accounts.auth import author
from zigzag_server.courses import store
from zigzag_server.jobs.api import JobOut
from zigzag_server.jobs.models import Job, State
from zigzag_server.problems import not_found

from .compiling import compiled_or_job, job_of
from .quizzes import numbers_of, quizzes_of

router = Router(tags=["quizzes"])

Seed = Annotated[int, Query(ge=0, lt=2**32)]


class NumbersOut(Schema):
    """The numbers behind the settings of each quiz of a course, in its order."""

    quizzes: list[QuizNumbers]


class DrawOut(Schema):
    """The slides that a learner gets of a quiz, in order."""

    slides: list[str]


@router.get("/courses/{slug}/quizzes", response={200: NumbersOut, 202: JobOut})
def get_numbers(request: HttpRequest, slug: str) -> Status[Any]:
    """Say what the settings of the course's quizzes come to.

    The answer is 202 with a job until the course is compiled.
    """
    user = author(request)
    compiled = compiled_or_job(user, store.course_of(user, slug))
    if isinstance(compiled, Job):
        return Status(202, compiled)
    return Status(200, {"quizzes": numbers_of(compiled)})


@router.get("/courses/{slug}/quizzes/{quiz}/proof", response={200: Proof, 202: JobOut})
def get_proof(request: HttpRequest, slug: str, quiz: str) -> Status[Any]:
    """Say what came of drawing a quiz for 10,000 learners: whether all limits held, and chance.

    The answer is 202 with a job until they are drawn.
    """
    user = author(request)
    row = store.course_of(user, slug)
    if not any(one.id == quiz and one.quiz for one in store.settings_of(row).sections):
        raise not_found("quiz")
    job = job_of(user, row, "prove", quiz)
    return Status(200, job.result) if job.state == State.DONE else Status(202, job)


@router.get("/courses/{slug}/quizzes/{quiz}/draw", response={200: DrawOut, 202: JobOut})
def get_draw(request: HttpRequest, slug: str, quiz: str, seed: Seed) -> Status[Any]:
    """Say which slides of a quiz the learner with this seed gets.

    The answer is 202 with a job until the course is compiled.
    """
    user = author(request)
    compiled = compiled_or_job(user, store.course_of(user, slug))
    if isinstance(compiled, Job):
        return Status(202, compiled)
    found = next((one for one in quizzes_of(compiled) if one.id == quiz), None)
    if found is None:
        raise not_found("quiz")
    return Status(200, {"slides": drawn(found, seed)})
