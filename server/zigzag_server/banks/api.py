"""Question banks: listing, keeping, describing, and what courses take of them."""

from collections.abc import Mapping
from datetime import datetime
from typing import Annotated, Any, Literal

from django.db.models import Count, QuerySet
from django.http import HttpRequest
from ninja import Field, Router, Schema, Status
from zigzag_core import course as core
from zigzag_core.course.banked import BankRef
from zigzag_core.course.quizzes import Level, Tag
from zigzag_core.editing.banks import differs, updated, with_banked

from zigzag_server.accounts.auth import author
from zigzag_server.courses import holding
from zigzag_server.courses.edited import Edited, edited
from zigzag_server.pages import Most, Start
from zigzag_server.problems import Problem, not_found

from .keeping import bank_of, banked_of, described, keep, note_use, questions_of
from .models import MOST_BANKS, Bank, BankQuestion
from .results import results_of

router = Router(tags=["banks"])

PAGE = 50
AT_ONCE = 200
"""So many questions are kept, taken or looked up at once."""

Key = Annotated[str, Field(max_length=24)]


class BankIn(Schema):
    """A name for a bank."""

    name: str = Field(min_length=1, max_length=200)


class BankOut(Schema):
    """A bank, with so many questions."""

    id: int
    name: str
    count: int


class BankQuestionOut(Schema):
    """A question of a bank. In reports it was right so many times `of` so many."""

    key: str
    title: str
    asked: str
    kind: str
    level: str
    tags: list[str]
    notes: str
    source: str
    version: int
    changed: datetime
    used: datetime | None
    uses: int
    right: int = 0
    of: int = 0


class BankPageOut(Schema):
    """A page of a bank, of `count` questions in all that fit; `tags` are those of the bank."""

    name: str
    count: int
    questions: list[BankQuestionOut]
    tags: list[str]


class BankDescribedIn(Schema):
    """What is to be said of a question; nothing is as it was where it is left out."""

    notes: str | None = Field(default=None, max_length=4_000)
    source: str | None = Field(default=None, max_length=500)
    tags: list[Tag] | None = Field(default=None, max_length=20)
    level: Level | Literal[""] | None = None


class BankKeepIn(Schema):
    """Slides of a course, with its settings, that a bank is to keep."""

    course: core.Course
    slides: list[core.Slide] = Field(min_length=1, max_length=AT_ONCE)


class BankKeptOut(Schema):
    """Which question of a bank each slide is now, by slide."""

    refs: dict[str, BankRef]


class BankTakeIn(Schema):
    """Which questions a set of a quiz gets: by `reference`, or as copies."""

    course: core.Course
    section: str = Field(max_length=40)
    into: str = Field(max_length=24)
    questions: list[Key] = Field(min_length=1, max_length=AT_ONCE)
    reference: bool = True


class BankStateIn(Schema):
    """Slides that are questions of banks, with the settings of their course."""

    course: core.Course
    slides: list[core.Slide] = Field(max_length=AT_ONCE)


class BankStateOut(Schema):
    """How a slide stands to its bank: gone from it, changed here, behind the bank's `version`."""

    slide: str
    there: bool
    version: int = 0
    newer: bool = False
    changed: bool = False


@router.get("/banks", response=list[BankOut])
def list_banks(request: HttpRequest) -> QuerySet[Bank]:
    """List the author's question banks by name."""
    return Bank.objects.filter(owner=author(request)).annotate(
        count=Count("questions")).order_by("name", "pk")


@router.post("/banks", response={201: BankOut})
def make_bank(request: HttpRequest, data: BankIn) -> Status[Any]:
    """Make a question bank."""
    if Bank.objects.filter(owner=author(request)).count() >= MOST_BANKS:
        raise Problem(422, "many_banks", f"You have {MOST_BANKS} banks, as many as there can be. "
                      "Nothing was made: delete one that you do not need.")
    made = Bank.objects.create(owner=author(request), name=data.name)
    return Status(201, {"id": made.pk, "name": made.name, "count": 0})


@router.put("/banks/{bank_id}", response=BankOut)
def rename_bank(request: HttpRequest, bank_id: int, data: BankIn) -> dict[str, Any]:
    """Rename a question bank."""
    bank = bank_of(author(request), bank_id)
    bank.name = data.name
    bank.save()
    return {"id": bank.pk, "name": bank.name, "count": bank.questions.count()}


@router.delete("/banks/{bank_id}", response={204: None})
def delete_bank(request: HttpRequest, bank_id: int) -> Status[None]:
    """Delete a question bank for good. Courses keep what they took of it."""
    bank_of(author(request), bank_id).delete()
    return Status(204, None)


@router.get("/banks/{bank_id}/questions", response=BankPageOut)
def list_bank_questions(
    request: HttpRequest, bank_id: int, start: Start = 0, most: Most = PAGE,
    search: Annotated[str, Field(max_length=200)] = "",
) -> dict[str, Any]:
    """List the questions of a bank, with how they were answered as far as reports tell.

    With `search`, only those whose title, words, tags, notes and source have each of its words in
    them.
    """
    bank = bank_of(author(request), bank_id)
    rows = list(bank.questions.defer("document"))
    words = search.casefold().split()
    found = [row for row in rows if all(word in _words_of(row) for word in words)]
    page = found[start:start + most]
    results = results_of(bank.owner, (row.asked for row in page))
    return {
        "name": bank.name, "count": len(found),
        "questions": [_out(row, results) for row in page],
        "tags": sorted({tag for row in rows for tag in row.tags})}


@router.post("/banks/{bank_id}/questions", response=BankKeptOut)
def keep_in_bank(request: HttpRequest, bank_id: int, data: BankKeepIn) -> dict[str, Any]:
    """Keep slides of a course in a bank; one that is a question of a bank is its next version."""
    bank = bank_of(author(request), bank_id)
    holding.check(bank.owner.pk, data.course.media, ())
    return {"refs": keep(bank, data.slides, data.course)}


@router.patch("/banks/{bank_id}/questions/{key}", response=BankQuestionOut)
def describe_bank_question(
    request: HttpRequest, bank_id: int, key: str, data: BankDescribedIn
) -> dict[str, Any]:
    """Change the notes, source, tags or level of a question of a bank."""
    row = _question(request, bank_id, key)
    described(row, **data.model_dump(exclude_none=True))
    return _out(row, results_of(row.bank.owner, (row.asked,)))


@router.delete("/banks/{bank_id}/questions/{key}", response={204: None})
def delete_bank_question(request: HttpRequest, bank_id: int, key: str) -> Status[None]:
    """Take a question out of a bank for good. Courses keep what they took."""
    _question(request, bank_id, key).delete()
    return Status(204, None)


@router.post("/edits/bank-questions", response=Edited)
def edit_bank_questions(request: HttpRequest, data: BankTakeIn) -> dict[str, Any]:
    """Put questions of banks into a set of a quiz, by reference or as copies."""
    rows = questions_of(author(request), data.questions)
    missing = next((key for key in data.questions if key not in rows), None)
    if missing is not None:
        raise not_found("question")
    taken = [rows[key] for key in data.questions]
    fresh = core.system_ids()
    course, slides = with_banked(
        data.course, data.section, data.into,
        [(banked_of(row), BankRef(question=row.key, version=row.version)
          if data.reference else None) for row in taken], [fresh() for _ in taken])
    note_use(taken)
    return edited({}, slides, (), (data.course, course), made=slides[0].id)


@router.post("/edits/bank-states", response=list[BankStateOut])
def bank_states(request: HttpRequest, data: BankStateIn) -> list[dict[str, Any]]:
    """Tell how slides that are questions of banks stand to these."""
    rows = questions_of(author(request), (s.bank.question for s in data.slides if s.bank))
    found = []
    for slide in data.slides:
        row = rows.get(slide.bank.question) if slide.bank else None
        if slide.bank is None or row is None:
            found.append({"slide": slide.id, "there": False})
            continue
        found.append({
            "slide": slide.id, "there": True, "version": row.version,
            "newer": row.version > slide.bank.version,
            "changed": row.version == slide.bank.version
            and differs(slide, banked_of(row), data.course)})
    return found


@router.post("/edits/bank-updates", response=Edited)
def edit_bank_updates(request: HttpRequest, data: BankStateIn) -> dict[str, Any]:
    """Bring slides that are questions of banks to the version that these have now."""
    rows = questions_of(author(request), (s.bank.question for s in data.slides if s.bank))
    course, slides = data.course, []
    for slide in data.slides:
        row = rows.get(slide.bank.question) if slide.bank else None
        if row is not None:
            course, made = updated(slide, banked_of(row), row.version, course)
            slides.append(made)
    return edited({s.id: s for s in data.slides}, slides, (), (data.course, course))


def _question(request: HttpRequest, bank_id: int, key: str) -> BankQuestion:
    row = bank_of(author(request), bank_id).questions.filter(key=key).first()
    if row is None:
        raise not_found("question")
    return row


def _words_of(row: BankQuestion) -> str:
    return " ".join((
        row.title, row.asked, row.kind.replace("_", " "), row.level, row.notes, row.source,
        *row.tags)).casefold()


def _out(row: BankQuestion, results: Mapping[str, tuple[int, int]]) -> dict[str, Any]:
    right, of = results.get(row.asked, (0, 0))
    return {**{name: getattr(row, name) for name in BankQuestionOut.model_fields
               if name not in ("right", "of")}, "right": right, "of": of}
