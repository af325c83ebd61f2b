"""Jobs for accounts: mails, which may take long to hand over."""

from django.contrib.auth.models import User

from zigzag_server.jobs.kinds import Finish, Report, kind

from . import passwords


@kind("reset_mail", "Sending a mail", seconds=60, priority=2)
def reset_mail(owner: User, report: Report) -> Finish:
    """Send an author the address at which a new password can be chosen."""
    report(0, "Sending a mail")
    passwords.send(owner)
    return lambda: {}
