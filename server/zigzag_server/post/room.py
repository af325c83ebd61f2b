"""The simulated post room of the demo: an inbox in place of a mail server, and a switch."""

from collections.abc import Sequence

from django.core.mail import EmailMessage
from django.core.mail.backends.base import BaseEmailBackend

from .models import Letter, Manner, Room

MOST_LETTERS = 500


def manner() -> Manner:
    """Return how the post room answers now."""
    found = Room.objects.first()
    return Manner(found.manner) if found else Manner.UP


def switch(to: Manner) -> None:
    """Let the post room answer so from now on."""
    Room.objects.update_or_create(pk=1, defaults={"manner": to})


class RoomBackend(BaseEmailBackend):
    """Puts mails into the inbox of the post room. While it is down, it takes none."""

    def send_messages(self, email_messages: Sequence[EmailMessage]) -> int:
        """Keep each mail, and return how many there were; raises `OSError` while it is down."""
        if manner() == Manner.DOWN:
            raise OSError("the post room is down")
        for mail in email_messages:
            Letter.objects.create(
                sender=mail.from_email[:400], to=", ".join(mail.to)[:400],
                subject=str(mail.subject)[:400], body=str(mail.body))
        kept = Letter.objects.order_by("-pk").values("pk")[MOST_LETTERS:]
        Letter.objects.filter(pk__in=list(kept.values_list("pk", flat=True))).delete()
        return len(email_messages)
