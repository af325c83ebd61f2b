"""Jobs with whole courses: publishing, checking, trying out."""

from dataclasses import asdict
from typing import Any

from django.contrib.auth.models import User
from zigzag_core.compiler.compile import compile_course
from zigzag_core.course import CourseDocument
from zigzag_core.engine.index import Index
from zigzag_core.engine.ways import shortest_way
from zigzag_core.errors import NoQuiz
from zigzag_core.packaging.package import PackageKind, place_in_package
from zigzag_core.packaging.weight import weight_of
from zigzag_core.quiz.proving import prove
from zigzag_core.tracking.fullest import Room, rooms
from zigzag_core.tracking.plain import promise
from zigzag_core.tracking.progress import PROGRESS_ROOM
from zigzag_core.verification.findings.document import findings
from zigzag_core.verification.findings.runs import try_out
from zigzag_core.verification.route import route

from zigzag_server.courses import files, store
from zigzag_server.courses.models import Course
from zigzag_server.jobs.kinds import Finish, Report, in_words, kind

from . import programs, telling
from .packaging import publish
from .quizzes import PROVED, quizzes_of


@kind("publish", "Publishing")
def publish_course(
    owner: User, report: Report, course: int, package: PackageKind, note: str = ""
) -> Finish:
    """Make a package of the course with the key `course`."""
    return publish(owner, report, Course.objects.get(pk=course), package, note)


@kind("compile", "Compiling the course", priority=2, replaced=True)
def compile_slides(owner: User, report: Report, course: int) -> Finish:
    """Compile the slides of a large course, so that rehearsing it begins at once."""
    row = Course.objects.get(pk=course)
    report(0, "Reading the course")
    compiling = in_words(report, 0.1, 1, "Compiling the slides")
    programs.run(row, programs.compilation_of(row), place_in_package, compiling)
    return lambda: {}


@kind("check", "Checking the course", seconds=120, priority=2, replaced=True)
def check_course(owner: User, report: Report, course: int) -> Finish:
    """Say where the ways lead and what is wrong."""
    reading = in_words(report, 0, 0.5, "Reading the course")
    document = store.document_of(Course.objects.get(pk=course), reading)
    report(0.5, "Looking at the slides")
    found: dict[str, Any] = {
        "findings": [one.model_dump(mode="json") for one in findings(document)],
        "route": route(document).model_dump(mode="json"),
        "slides": len(document.slides), "questions": _questions(document),
    }
    return lambda: found


@kind("tracking", "Measuring progress", seconds=120, priority=2, replaced=True)
def measure_tracking(owner: User, report: Report, course: int) -> Finish:
    """Say what an LMS will be told, and how large saved progress gets."""
    reading = in_words(report, 0, 0.3, "Reading the course")
    document = store.document_of(Course.objects.get(pk=course), reading)
    needs: dict[str, Room] = {}
    shortest, used = 0, set[str]()
    if document.slides:
        compiling = in_words(report, 0.3, 1, "Looking at the slides")
        index = Index(compile_course(document, files.source_for(document.course), compiling))
        needs, shortest, used = rooms(index), shortest_way(index), set(index.program.media)
    found: dict[str, Any] = {
        "promise": promise(
            document.course, len(document.slides), _questions(document), shortest,
            sum(len(slide.dialogues) for slide in document.slides)),
        "progress": max((one.most for one in needs.values()), default=0),
        "rooms": [{"kind": kind, "limit": limit, "short": needs[kind].least if needs else 0,
                   "left_out": list(needs[kind].left_out) if needs else []}
                  for kind, limit in PROGRESS_ROOM.items()],
        "weight": asdict(weight_of(file for file in document.course.media if file.id in used)),
    }
    return lambda: found


@kind("told", "Finding out what an LMS will be told", seconds=180, priority=2, replaced=True)
def find_told(owner: User, report: Report, course: int, of: str = "") -> Finish:
    """Say what an LMS will be told; `of` names the publication that it is compared with."""
    row = Course.objects.get(pk=course)
    latest = row.publications.filter(pk=of).first() if of else None
    told, compared = telling.told_of(row, latest, in_words(report, 0, 1, "Taking the course"))
    found: dict[str, Any] = {
        **told.model_dump(mode="json"),
        "published": latest.created.isoformat() if latest and compared else None}
    return lambda: found


@kind("prove", "Proving the draw", seconds=300, replaced=True)
def prove_draw(owner: User, report: Report, course: int, of: str) -> Finish:
    """Draw the quiz of the section `of` for many learners, and say whether that was fair."""
    row = Course.objects.get(pk=course)
    report(0, "Reading the course")
    compiled = programs.run(
        row, programs.compilation_of(row), place_in_package,
        in_words(report, 0, 0.3, "Reading the course"))
    quiz = next((one for one in quizzes_of(compiled) if one.id == of), None)
    if quiz is None:
        raise NoQuiz
    found = asdict(prove(quiz, PROVED, in_words(report, 0.3, 1, "Drawing the quiz")))
    return lambda: found


def _questions(document: CourseDocument) -> int:
    return sum(len(slide.questions) for slide in document.slides)


@kind("try", "Trying the course out", seconds=300, priority=0, replaced=True)
def try_course(owner: User, report: Report, course: int) -> Finish:
    """Run the course through what learners can do, and say what never happens or goes wrong."""
    reading = in_words(report, 0, 0.1, "Reading the course")
    document = store.document_of(Course.objects.get(pk=course), reading)
    trying = in_words(report, 0.1, 1, "Trying what learners can do")
    found = try_out(document, trying).model_dump(mode="json")
    return lambda: found
