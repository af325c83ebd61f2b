"""Taking a report: it is looked at, kept once, and its mail is asked for."""

import hashlib
import hmac
from datetime import timedelta
from typing import Annotated

from django.db import IntegrityError, transaction
from django.utils import timezone
from pydantic import BaseModel, Field, ValidationError
from zigzag_core.course.json_text import NotPlain, read_json
from zigzag_core.course.posts import MOST_FIELDS, Post

from zigzag_server.problems import Problem

from . import mailing
from .models import MailState, PostKey, Report

LARGEST = 4_000_000
"""Bytes that a report may have."""
MOST_A_MINUTE = 600
"""So many reports of one package are taken in a minute: more than a large class at its end."""
MOST_OF_KEY = 200_000
_MOST_ANSWERS = 5_000

_Short = Annotated[str, Field(max_length=250)]
_Long = Annotated[str, Field(max_length=1_000)]


class AnswerIn(BaseModel):
    """A question with its answer in words, the result, and the points it got `of` so many."""

    question: _Long
    given: _Long
    result: Annotated[str, Field(max_length=20)]
    points: Annotated[float, Field(ge=-1e9, le=1e9)]
    of: Annotated[float, Field(ge=-1e9, le=1e9)]


class ReportIn(BaseModel):
    """A report as a package sends it."""

    id: Annotated[str, Field(pattern=r"^[a-z0-9-]{1,100}$")]
    quiz: Annotated[str, Field(max_length=24)]
    attempt: Annotated[int, Field(ge=1, le=1_000)]
    fields: Annotated[list[tuple[_Short, _Short]], Field(max_length=MOST_FIELDS + 1)]
    answers: Annotated[list[AnswerIn], Field(max_length=_MOST_ANSWERS)] = []


def take(number: str, signature: str, body: bytes) -> bool:
    """Keep the report in `body`, which the key `number` has signed; return whether it is new.

    The signature is the HMAC with SHA-256 (RFC 2104) of the body, in hex. Raises a `Problem`: 404
    for a key that there is not, 403 for another signature, 413, 422 or 429 for what cannot be
    taken.
    """
    if len(body) > LARGEST:
        raise Problem(413, "too_large", f"A report has {LARGEST:,} bytes at most.")
    key = PostKey.objects.select_related("course").filter(
        number=number, course__deleted=None).first()
    if key is None:
        raise Problem(404, "not_found", "This package may send no reports here any more.")
    wanted = hmac.new(bytes.fromhex(key.secret), body, hashlib.sha256).hexdigest()
    if not hmac.compare_digest(wanted.encode(), signature.encode()):
        raise Problem(403, "not_signed", "The report is not signed by its package.")
    report = _read(body)
    if Report.objects.filter(course=key.course, name=report.id).exists():
        return False
    _check_rate(key)
    return _keep(key, report)


def _read(body: bytes) -> ReportIn:
    try:
        return ReportIn.model_validate(read_json(body))
    except (NotPlain, ValidationError) as error:
        raise Problem(422, "no_report", "This is no report.") from error


def _check_rate(key: PostKey) -> None:
    minute_ago = timezone.now() - timedelta(minutes=1)
    if key.reports.filter(received__gt=minute_ago).count() >= MOST_A_MINUTE:
        raise Problem(429, "too_many", "Too many reports at once: try again in a minute.")
    if key.reports.count() >= MOST_OF_KEY:
        raise Problem(413, "too_many", "This package has sent as many reports as are kept.")


def _keep(key: PostKey, report: ReportIn) -> bool:
    post = Post.model_validate(key.post)
    mailed = bool(post.mail or post.copy_to)
    texts = [text for pair in report.fields for text in pair]
    try:
        with transaction.atomic():
            Report.objects.create(
                course=key.course, key=key, name=report.id, quiz=key.quiz, title=key.title,
                attempt=report.attempt, fields=[list(pair) for pair in report.fields],
                answers=[one.model_dump() for one in report.answers],
                words="\n".join([key.title, *texts]).lower(),
                mail=MailState.WAITING if mailed else MailState.NONE,
                due=timezone.now() if mailed else None)
    except IntegrityError:
        # The same report came twice at the same moment.
        return False
    if mailed:
        transaction.on_commit(lambda: mailing.ask(key.course))
    return True
