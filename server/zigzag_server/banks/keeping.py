"""Putting questions into banks, and taking them out."""

from collections.abc import Iterable, Iterator, Sequence
from typing import Any

from django.contrib.auth.models import User
from django.db import transaction
from django.db.models import F
from django.utils import timezone
from zigzag_core import course as core
from zigzag_core.course.banked import MOST_IN_A_BANK, BankRef
from zigzag_core.course.text.spoken import all_spoken
from zigzag_core.editing.banks import Banked, kept

from zigzag_server.problems import Problem, not_found

from .models import Bank, BankQuestion


def bank_of(owner: User, key: int) -> Bank:
    """Return a bank of `owner`; raises a 404 `Problem`."""
    found = Bank.objects.filter(owner=owner, pk=key).first()
    if found is None:
        raise not_found("bank")
    return found


def questions_of(owner: User, keys: Iterable[str]) -> dict[str, BankQuestion]:
    """Return the questions with these keys that are in banks of `owner`, by key."""
    return {row.key: row for row in BankQuestion.objects.filter(
        bank__owner=owner, key__in=set(keys))}


def banked_of(row: BankQuestion) -> Banked:
    """Return what a bank keeps of a question."""
    return Banked.model_validate(row.document)


@transaction.atomic
def keep(
    bank: Bank, slides: Sequence[core.Slide], course: core.Course
) -> dict[str, BankRef]:
    """Put slides of a course into a bank; return which question each is now, by slide.

    A slide that is a question of one of the owner's banks becomes its next version there. Raises a
    422 `Problem` where a slide asks nothing, or the bank would get more than it holds.
    """
    known = questions_of(bank.owner, (slide.bank.question for slide in slides if slide.bank))
    refs = {}
    fresh = core.system_ids()
    for slide in slides:
        if not slide.questions:
            raise Problem(422, "asks_nothing", f"“{slide.title}” asks nothing, so a bank cannot "
                          "keep it. Nothing was kept: choose only slides with questions.")
        row = known.get(slide.bank.question) if slide.bank else None
        if row is None:
            ref = BankRef(question=fresh(), from_here=True)
            row = BankQuestion(bank=bank, key=ref.question)
            banked = kept(slide.model_copy(update={"bank": None}), course)
        else:
            banked = kept(slide, course, banked_of(row))
            row.version += 1
            ref = BankRef(question=row.key, version=row.version,
                          from_here=bool(slide.bank and slide.bank.from_here))
        _write(row, banked)
        refs[slide.id] = ref
    if bank.questions.count() > MOST_IN_A_BANK:
        raise Problem(422, "bank_full", f"A bank holds {MOST_IN_A_BANK:,} questions. Nothing was "
                      "kept: put them into another bank.")
    return refs


def media_of_banks() -> Iterator[str]:
    """Yield the hashes of the files that questions of all banks use."""
    for media in BankQuestion.objects.values_list("document__media", flat=True):
        yield from (file["sha256"] for file in media or ())


def note_use(rows: Iterable[BankQuestion]) -> None:
    """Note that a course takes these questions."""
    BankQuestion.objects.filter(pk__in=[row.pk for row in rows]).update(
        used=timezone.now(), uses=F("uses") + 1)


def _write(row: BankQuestion, banked: Banked) -> None:
    slide = banked.slide
    [question, *_] = slide.questions
    row.title, row.kind, row.level = slide.title, question.kind, slide.level or ""
    row.tags = list(slide.tags)
    row.asked = all_spoken(slide.elements).get(question.prompt or "", question.name)
    row.document = banked.model_dump(mode="json")
    row.save()


def described(row: BankQuestion, **change: Any) -> None:
    """Change what is said of a question; its tags and level are those of its slide too.

    These make no new version: what courses have stays as it is.
    """
    for name, value in change.items():
        setattr(row, name, value)
    slide = {**row.document["slide"], "tags": row.tags, "level": row.level or None}
    row.document = {**row.document, "slide": slide}
    row.save()
