"""New passwords: for who knows the one so far, and by mail for who has forgotten it."""

from datetime import timedelta

from axes.utils import reset as forget_wrong_ones
from django.conf import settings
from django.contrib.auth.models import User
from django.contrib.auth.password_validation import validate_password
from django.contrib.auth.tokens import default_token_generator
from django.core.exceptions import ValidationError
from django.core.mail import send_mail
from django.db.models import Q
from django.utils import timezone
from django.utils.encoding import force_bytes
from django.utils.http import urlsafe_base64_decode, urlsafe_base64_encode

from zigzag_server.jobs.starting import start
from zigzag_server.problems import Problem

from . import sessions
from .models import ResetMail, Token

_REST = timedelta(minutes=5)
"""Between two mails for one account."""
_MOST = 10
"""So many accounts may have one mail address."""


def put(user: User, new: str) -> None:
    """Give an author another password. Raises a 422 `Problem` for a weak one."""
    try:
        validate_password(new, user)
    except ValidationError as error:
        words = " ".join(error.messages)
        raise Problem(422, "weak_password", f"{words} Nothing was changed.") from None
    user.set_password(new)
    user.save(update_fields=["password"])


def ask_for_mail(name: str) -> None:
    """Have a mail sent to the authors with this name or mail address, if there are any.

    Who asks is not told whether there are.
    """
    found = User.objects.filter(
        Q(username=name) | Q(email__iexact=name), is_active=True).exclude(email="")
    rests = ResetMail.objects.filter(sent__gt=timezone.now() - _REST).values("owner")
    for user in found.exclude(pk__in=rests)[:_MOST]:
        ResetMail.objects.create(owner=user)
        start(user, "reset_mail", {})


def send(user: User) -> None:
    """Send an author the address at which a new password can be chosen, once and for a day."""
    name = urlsafe_base64_encode(force_bytes(user.pk))
    address = f"{settings.APP_ORIGIN}/reset/{name}/{default_token_generator.make_token(user)}"
    send_mail(
        "A new password for Zigzag",
        f"Somebody, likely you, has asked for a new password for “{user.get_username()}”.\n"
        f"Choose it here within a day:\n\n{address}\n\n"
        "If it was not you, nothing needs to be done: the password is as it was.\n",
        None, [user.email],
    )


def reset(name: str, token: str, new: str) -> None:
    """Give the author to whom the mail went another password; sessions and tokens end.

    Raises a 403 `Problem` for a mail that is too old or was used, 422 for a weak password.
    """
    user = _named(name)
    if user is None or not default_token_generator.check_token(user, token):
        raise Problem(403, "old_mail", "This address is too old, or it was used already. Ask for "
                      "another mail. The password is as it was.")
    put(user, new)
    sessions.end_all(user)
    Token.objects.filter(owner=user).delete()
    forget_wrong_ones(username=user.get_username())


def _named(name: str) -> User | None:
    try:
        return User.objects.filter(
            pk=int(urlsafe_base64_decode(name)), is_active=True).first()
    except (ValueError, OverflowError):
        return None
