"""Edits of quizzes: nothing is stored, they answer a change."""

from typing import Any, Literal

from django.http import HttpRequest
from ninja import Field, Router, Schema
from zigzag_core import course as core
from zigzag_core.course.questions.descriptors import QuestionKind
from zigzag_core.course.quizzes import MOST_OUTCOMES
from zigzag_core.editing.quizzes.certificate import with_certificate
from zigzag_core.editing.quizzes.clearing import with_clear_buttons
from zigzag_core.editing.quizzes.details import (
    MOST_DETAILS,
    Detail,
    usual_details,
    with_details,
)
from zigzag_core.editing.quizzes.making import plant_questions
from zigzag_core.editing.quizzes.outcome import with_outcome, with_panels
from zigzag_core.editing.quizzes.reading import LONGEST, read_questions
from zigzag_core.editing.quizzes.written import Misread, Written
from zigzag_core.words import say_in

from .edited import Edited, edited, edited_slide

router = Router(tags=["edits"])

_ROOM = 4 * LONGEST
"""A text that is too long is read so far as to say so."""


class OutcomeIn(Schema):
    """The settings of a course, and the section of it that is a quiz."""

    course: core.Course
    section: str = Field(max_length=40)


class PanelsIn(OutcomeIn):
    """The same, and the slide that gets the panels."""

    slide: core.Slide


class CertificateIn(OutcomeIn):
    """The same, and the outcome slides of the quiz, from which a button leads to it."""

    outcomes: list[core.Slide] = Field(default=[], max_length=MOST_OUTCOMES)


class ClearButtonsIn(Schema):
    """The settings of a course, and slides of a quiz."""

    course: core.Course
    slides: list[core.Slide] = Field(max_length=500)


class DetailsIn(OutcomeIn):
    """The same, and what learners are asked for; where nothing is named, name and mail address."""

    details: list[Detail] = Field(default=[], max_length=MOST_DETAILS)


class QuestionTextIn(Schema):
    """A text with questions: plain text, a table of a spreadsheet, or CSV (`docs/questions.md`)."""

    text: str = Field(max_length=_ROOM)


class QuestionsIn(QuestionTextIn):
    """The same, and where they go: into the sets of the quiz `section`, else behind `after`."""

    course: core.Course
    section: str | None = Field(default=None, max_length=40)
    after: str | None = Field(default=None, max_length=40)


class AnswerOut(Schema):
    """An answer as it was understood."""

    words: str
    right: bool


class ReadOut(Schema):
    """What stands at a `line` (from 1): a question, or `why` it is none."""

    line: int
    words: str
    kind: QuestionKind | Literal[""] = ""
    answers: list[AnswerOut] = []
    points: float = 1
    level: str = ""
    tags: list[str] = []
    set: str = ""
    why: str = ""


@router.post("/new-outcome", response=Edited)
def edit_new_outcome(request: HttpRequest, data: OutcomeIn) -> dict[str, Any]:
    """Make an outcome slide at the end of a quiz, with a panel for each band of its result."""
    say = say_in(data.course.language, data.course.words)
    course, slide = with_outcome(data.course, data.section, core.system_ids(), say)
    return edited({}, (slide,), (), (data.course, course), made=slide.id)


@router.post("/new-certificate", response=Edited)
def edit_new_certificate(request: HttpRequest, data: CertificateIn) -> dict[str, Any]:
    """Make a certificate at the end of a quiz, and buttons on its outcome slides that lead there.
    """
    say = say_in(data.course.language, data.course.words)
    course, slide, outcomes = with_certificate(
        data.course, data.section, data.outcomes, core.system_ids(), say)
    before = {one.id: one for one in data.outcomes}
    return edited(before, (slide, *outcomes), (), (data.course, course), made=slide.id)


@router.post("/band-panels", response=Edited)
def edit_band_panels(request: HttpRequest, data: PanelsIn) -> dict[str, Any]:
    """Add a panel for each band of a quiz that has none on the slide, like those that it has."""
    say = say_in(data.course.language, data.course.words)
    slide, made = with_panels(data.course, data.section, data.slide, core.system_ids(), say)
    return edited_slide(data.slide, slide, made)


@router.post("/clear-buttons", response=Edited)
def edit_clear_buttons(request: HttpRequest, data: ClearButtonsIn) -> dict[str, Any]:
    """Add a button that clears the answer to each question on the slides that has none."""
    say = say_in(data.course.language, data.course.words)
    before = {one.id: one for one in data.slides}
    made = with_clear_buttons(data.course, data.slides, core.system_ids(), say)
    return edited(before, tuple(made), ())


@router.post("/new-details", response=Edited)
def edit_new_details(request: HttpRequest, data: DetailsIn) -> dict[str, Any]:
    """Make a slide at the beginning of a quiz that asks for the learner's details."""
    say = say_in(data.course.language, data.course.words)
    course, slide = with_details(
        data.course, data.section, data.details or usual_details(say), core.system_ids(), say)
    return edited({}, (slide,), (), (data.course, course), made=slide.id)


@router.post("/read-questions", response=list[ReadOut])
def edit_read_questions(request: HttpRequest, data: QuestionTextIn) -> list[ReadOut]:
    """Tell, line by line, which questions a text holds; nothing is made."""
    return [read_out(one) for one in read_questions(data.text)]


@router.post("/questions", response=Edited)
def edit_questions(request: HttpRequest, data: QuestionsIn) -> dict[str, Any]:
    """Make a slide of each question in a text; what is none is left out."""
    found = read_questions(data.text)
    written = [one for one in found if isinstance(one, Written)]
    say = say_in(data.course.language, data.course.words)
    planted = plant_questions(
        data.course, written, data.after, core.system_ids(), data.section, say)
    return edited({}, planted.slides, (), (data.course, planted.course),
                  made=planted.slides[0].id if planted.slides else "",
                  left_out=len(found) - len(written))


def read_out(one: Written | Misread) -> ReadOut:
    """Return what was read, as it is told."""
    if isinstance(one, Misread):
        return ReadOut(line=one.line, words=one.words, why=one.why)
    return ReadOut(
        line=one.line, words=one.prompt, kind=one.sample or one.kind, points=one.points,
        answers=[AnswerOut(words=words, right=right) for words, right in one.answers],
        level=one.level or "", tags=list(one.tags), set=one.set)
