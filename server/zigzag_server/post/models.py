"""Keys that packages sign their reports with, the reports, and the simulated post room."""

import secrets

from django.db import models

from zigzag_server.courses.models import Course


def _number() -> str:
    return secrets.token_urlsafe(16)


def _secret() -> str:
    return secrets.token_hex(32)


class PostKey(models.Model):
    """What one package may send for one quiz: reports signed with the `secret`, to its `number`.

    `post` are the settings (`zigzag_core.course.posts.Post`) as they were when it was published.
    A package of long ago may still send, so keys stay as long as their course.
    """

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="post_keys")
    number = models.CharField(max_length=40, unique=True, default=_number)
    secret = models.CharField(max_length=64, default=_secret)
    quiz = models.CharField(max_length=24)
    title = models.CharField(max_length=200)
    post = models.JSONField()
    created = models.DateTimeField(auto_now_add=True)


class MailState(models.TextChoices):
    """How far the mail of a report is."""

    NONE = "none"
    WAITING = "waiting"
    SENT = "sent"
    FAILED = "failed"


class Report(models.Model):
    """What an attempt at a quiz came to. One `name`, which the package gives, is kept once.

    `fields` are pairs of a name and a text. Of its mails so many were `handed` over; one that could
    not be is tried again when it is `due`.
    """

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="reports")
    key = models.ForeignKey(PostKey, on_delete=models.CASCADE, related_name="reports")
    name = models.CharField(max_length=100)
    quiz = models.CharField(max_length=24)
    title = models.CharField(max_length=200)
    attempt = models.PositiveIntegerField()
    fields = models.JSONField()
    answers = models.JSONField(default=list)
    words = models.TextField()
    """All texts in lower case, to search in."""
    received = models.DateTimeField(auto_now_add=True)
    mail = models.CharField(
        max_length=10, choices=MailState.choices, default=MailState.NONE)
    handed = models.PositiveSmallIntegerField(default=0)
    tries = models.PositiveSmallIntegerField(default=0)
    due = models.DateTimeField(null=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["course", "name"], name="one_report_per_name")]
        indexes = [
            models.Index(fields=["course", "-id"], name="reports_of_course"),
            models.Index(fields=["key", "received"], name="reports_by_time"),
            models.Index(fields=["mail", "due"], name="reports_to_mail"),
        ]


class Manner(models.TextChoices):
    """How the simulated post room answers."""

    UP = "up"
    SLOW = "slow"
    DOWN = "down"
    REFUSES = "refuses"


class Room(models.Model):
    """The switch of the simulated post room; there is one row at most."""

    manner = models.CharField(max_length=10, choices=Manner.choices, default=Manner.UP)


class Letter(models.Model):
    """A mail that the simulated post room has in its inbox, in place of sending it."""

    sender = models.CharField(max_length=400)
    to = models.CharField(max_length=400)
    subject = models.CharField(max_length=400)
    body = models.TextField()
    sent = models.DateTimeField(auto_now_add=True)
