"""The record store: keys to it, statements, and documents."""

from django.conf import settings
from django.db import models


class Key(models.Model):
    """What opens the store of its owner. One with a `registration` opens no more than that."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    secret = models.CharField(max_length=64, unique=True)
    """The SHA-256 sum of the credentials, in hexadecimal."""
    name = models.CharField(max_length=200)
    registration = models.CharField(max_length=36, blank=True)
    created = models.DateTimeField(auto_now_add=True)


class Statement(models.Model):
    """A statement as it was sent, with what the store adds. Its number grows as it is stored."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    statement_id = models.CharField(max_length=36)
    stored = models.DateTimeField()
    verb = models.TextField()
    registration = models.CharField(max_length=36, blank=True)
    voided = models.BooleanField(default=False)
    refers = models.CharField(max_length=36, blank=True)
    """The id of the statement that it is about, where it is about one."""
    body = models.JSONField()

    class Meta:
        constraints = [models.UniqueConstraint(
            fields=["owner", "statement_id"], name="one_statement_by_id")]
        indexes = [models.Index(fields=["owner", "registration"], name="by_registration"),
                   models.Index(fields=["owner", "refers"], name="by_reference")]


class Mention(models.Model):
    """An agent or an activity that a statement is about, or that is named elsewhere in it."""

    statement = models.ForeignKey(Statement, on_delete=models.CASCADE, related_name="mentions")
    key = models.TextField(db_index=True)
    is_direct = models.BooleanField()


class Attachment(models.Model):
    """What came with a statement, under its SHA-2 sum in hexadecimal."""

    statement = models.ForeignKey(Statement, on_delete=models.CASCADE, related_name="attachments")
    sha2 = models.CharField(max_length=128)
    content = models.BinaryField()


class Document(models.Model):
    """A document of a client: of the state of a learner, of an agent, or of an activity."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    place = models.CharField(max_length=64)
    """The SHA-256 sum of what it belongs to: its sort, activity, agent, registration."""
    name = models.CharField(max_length=500)
    content = models.BinaryField()
    content_type = models.CharField(max_length=200)
    etag = models.CharField(max_length=64)
    changed = models.DateTimeField()

    class Meta:
        constraints = [models.UniqueConstraint(
            fields=["owner", "place", "name"], name="one_document_by_name")]
