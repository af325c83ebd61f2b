"""Jobs of the post: mails, which may take long to hand over."""

from django.contrib.auth.models import User
from huey import crontab

from zigzag_server.jobs.kinds import Finish, kind
from zigzag_server.jobs.kinds import Report as Told

from . import mailing


@kind("post_mail", "Sending reports by mail", seconds=300, priority=2)
def send_mails(owner: User, report: Told) -> Finish:
    """Send the mails of an author's courses that are due."""
    sent = 0
    while True:
        waiting = mailing.due().filter(course__owner=owner).select_related("key", "course").first()
        if waiting is None:
            break
        report(0, "Sending reports by mail")
        sent += mailing.send(waiting)
    return lambda: {"sent": sent}


def _each_minute() -> None:
    """Each minute, ask for what waits: a mail server may have been away."""
    mailing.ask_for_due()


def _declare() -> None:
    from zigzag_server.jobs.queue import waited_for
    waited_for.periodic_task(crontab(minute="*"))(_each_minute)


_declare()
