"""The reports of a course's quizzes, and the demo's post room."""

from datetime import datetime
from typing import Annotated, Any

from django.conf import settings
from django.db.models import QuerySet
from django.http import HttpRequest, HttpResponse
from ninja import Field, Query, Router, Schema, Status

from zigzag_server import spreadsheets
from zigzag_server.accounts.auth import author
from zigzag_server.courses import store
from zigzag_server.description import TYPE
from zigzag_server.problems import not_found

from . import room, sheets
from .models import Letter, MailState, Manner, Report

router = Router(tags=["post"])

PAGE = 50


class ReportedAnswerOut(Schema):
    """A question with its answer in words, and the points it got `of` so many."""

    question: str
    given: str
    result: str
    points: float
    of: float


class ReportOut(Schema):
    """What an attempt at a quiz came to: `fields` are pairs of a name and a text."""

    id: int
    quiz: str
    title: str
    attempt: int
    received: datetime
    fields: list[tuple[str, str]]
    answers: list[ReportedAnswerOut]
    mail: MailState


class QuizOut(Schema):
    """A quiz that reports have come from."""

    id: str
    title: str


class ReportsOut(Schema):
    """A page of reports, the newest first, of `count` in all; `quizzes` are those that have any."""

    count: int
    reports: list[ReportOut]
    quizzes: list[QuizOut]


class Filter(Schema):
    """Which reports: of one quiz, with a text in them."""

    quiz: str = Field(default="", max_length=24)
    search: str = Field(default="", max_length=200)


Wanted = Annotated[Filter, Query()]
Page = Annotated[int, Query(ge=1, le=100_000)]


class LetterOut(Schema):
    """A mail in the post room's inbox."""

    id: int
    sender: str
    to: str
    subject: str
    body: str
    sent: datetime


class RoomOut(Schema):
    """The simulated post room: how it answers, its newest mails, and how many reports came."""

    manner: Manner
    letters: list[LetterOut]
    reports: int


class MannerIn(Schema):
    """How the post room is to answer."""

    manner: Manner


def _found(request: HttpRequest, slug: str, wanted: Filter) -> QuerySet[Report]:
    rows = store.course_of(author(request), slug).reports.order_by("-pk")
    if wanted.quiz:
        rows = rows.filter(quiz=wanted.quiz)
    for word in wanted.search.lower().split()[:10]:
        rows = rows.filter(words__contains=word)
    return rows


@router.get("/courses/{slug}/reports", response=ReportsOut)
def list_reports(
    request: HttpRequest, slug: str, wanted: Wanted, page: Page = 1,
) -> dict[str, Any]:
    """List the reports of a course's quizzes, the newest first, 50 on a page."""
    rows = _found(request, slug, wanted)
    every = store.course_of(author(request), slug).reports
    quizzes = dict(every.order_by("pk").values_list("quiz", "title"))
    return {
        "count": rows.count(), "reports": list(rows[(page - 1) * PAGE:page * PAGE]),
        "quizzes": [{"id": quiz, "title": title} for quiz, title in quizzes.items()],
    }


@router.delete("/courses/{slug}/reports/{report_id}", response={204: None})
def delete_report(request: HttpRequest, slug: str, report_id: int) -> Status[None]:
    """Delete a report for good: people may ask for that."""
    gone, _ = store.course_of(author(request), slug).reports.filter(pk=report_id).delete()
    if not gone:
        raise not_found("report")
    return Status(204, None)


@router.get("/courses/{slug}/reports.{form}", response={200: bytes},
            openapi_extra={TYPE: tuple(spreadsheets.TYPES.values())})
def download_reports(
    request: HttpRequest, slug: str, form: spreadsheets.Form, wanted: Wanted,
) -> HttpResponse:
    """Download the reports as a table: `csv`, or `xlsx`."""
    data, type_ = sheets.written(_found(request, slug, wanted), form)
    return HttpResponse(data, content_type=type_, headers={
        "Content-Disposition": f'attachment; filename="reports-{slug}.{form}"'})


def _needs_room() -> None:
    if not settings.POST_ROOM:
        raise not_found("post room")


@router.get("/post-room", response=RoomOut)
def show_room(request: HttpRequest) -> dict[str, Any]:
    """Show the simulated post room; there is one with the demo only."""
    _needs_room()
    owned = Report.objects.filter(course__owner=author(request))
    return {"manner": room.manner(), "letters": list(Letter.objects.order_by("-pk")[:PAGE]),
            "reports": owned.count()}


@router.put("/post-room", response=RoomOut)
def switch_room(request: HttpRequest, data: MannerIn) -> dict[str, Any]:
    """Let the post room answer slowly, not at all, with a refusal, or as it should."""
    _needs_room()
    room.switch(data.manner)
    return show_room(request)
