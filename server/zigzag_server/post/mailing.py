"""Mail of reports: written from the settings of the post, handed to Django's mail."""

from collections.abc import Iterator, Mapping
from datetime import timedelta
from email.utils import formataddr
from smtplib import SMTPException

from django.conf import settings
from django.core.mail import EmailMessage
from django.db.models import QuerySet
from django.utils import timezone
from zigzag_core.course.posts import FIELD, Post
from zigzag_core.engine.operators import is_mail

from zigzag_server.courses.models import Course
from zigzag_server.jobs.starting import start
from zigzag_server.problems import Problem

from .models import MailState, Report

MOST_TRIES = 40
"""With pauses that grow to six hours that is more than a week."""
LONGEST_PAUSE = timedelta(hours=6)
MOST_COPIES_AN_HOUR = 120
"""Copies to learners of one package: whoever has it could have them sent to anybody."""


def ask(course: Course) -> None:
    """Have the waiting mails of a course's author sent by a job."""
    try:
        start(course.owner, "post_mail", {})
    except Problem:
        # The author has too much at work: the next minute asks again.
        return


def ask_for_due() -> None:
    """Have all mails sent that wait and are due."""
    for course in Course.objects.filter(pk__in=due().values("course")):
        ask(course)


def due() -> QuerySet[Report]:
    """Return the reports whose mail is to be sent now, the oldest first."""
    return Report.objects.filter(
        mail=MailState.WAITING, due__lte=timezone.now()).order_by("due")


def send(report: Report) -> bool:
    """Hand the mails of a report over; return whether that went well.

    Otherwise it waits, each time longer, until it is given up.
    """
    post = Post.model_validate(report.key.post)
    try:
        for mail in list(mails(report, post))[report.handed:]:
            mail.send()
            report.handed += 1
    except (OSError, SMTPException, ValueError) as error:
        _put_off(report, error)
        return False
    report.mail, report.due = MailState.SENT, None
    report.save(update_fields=["mail", "handed", "due"])
    return True


def _put_off(report: Report, error: Exception) -> None:
    report.tries += 1
    # What cannot be put into a mail at all does not get better.
    if report.tries >= MOST_TRIES or isinstance(error, ValueError):
        report.mail, report.due = MailState.FAILED, None
    else:
        pause = min(timedelta(minutes=2 ** min(report.tries, 12)), LONGEST_PAUSE)
        report.due = timezone.now() + pause
    report.save(update_fields=["mail", "handed", "tries", "due"])


def mails(report: Report, post: Post) -> Iterator[EmailMessage]:
    """Yield the mails of a report: to the address of the post, and a copy to the learner."""
    fields = dict(report.fields)
    subject = _one_line(filled(post.subject, fields)) or f"{report.title}: {report.course.title}"
    body = "\n\n".join(part for part in (
        filled(post.before, fields), _table(report, post), _answers(report),
        filled(post.after, fields), filled(post.small_print, fields)) if part)
    sender = formataddr((_one_line(post.sender), settings.DEFAULT_FROM_EMAIL))
    for address in (post.mail, _copy_address(report, post)):
        if address:
            yield EmailMessage(subject[:200], body, sender, [address])


def filled(text: str, fields: Mapping[str, str]) -> str:
    """Return `text` with the fields that it names; what is no field stays as it stands."""
    return FIELD.sub(lambda gap: fields.get(gap[1], gap[0]), text)


def _one_line(text: str) -> str:
    return " ".join(text.split())


def _table(report: Report, post: Post) -> str:
    told = {field.name for field in post.fields}
    return "\n".join(f"{name}: {text}" for name, text in report.fields if name in told)


def _answers(report: Report) -> str:
    return "\n\n".join(
        f"{number}. {one['question']}\n   {one['given'] or '–'}\n"
        f"   {one['result'] or 'not answered'}, {one['points']:g} of {one['of']:g}"
        for number, one in enumerate(report.answers, 1))


def _copy_address(report: Report, post: Post) -> str:
    """The learner's own address, where a copy is wanted, and not too many were."""
    if post.copy_to is None:
        return ""
    name = next((field.name for field in post.sent if field.of == post.copy_to), "")
    address = dict(report.fields).get(name, "").strip()
    hour_ago = timezone.now() - timedelta(hours=1)
    lately = report.key.reports.filter(received__gt=hour_ago, pk__lt=report.pk).count()
    return address if is_mail(address) and lately < MOST_COPIES_AN_HOUR else ""
