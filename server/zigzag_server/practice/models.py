"""The practice LMS: packages, and what learners have done in them."""

import secrets
import uuid

from django.conf import settings
from django.db import models


class Package(models.Model):
    """A package put into the practice LMS. Its files lie in storage under `folder`."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    title = models.CharField(max_length=200)
    standard = models.CharField(max_length=20, default="scorm12")
    """As in `zigzag_core.packaging.read_manifest`."""
    sequenced = models.BooleanField(default=False)
    folder = models.CharField(max_length=100)
    about = models.JSONField(default=dict)
    """Words for the package's questions and answers, where it brings them (`zigzag.json`)."""
    files = models.PositiveIntegerField()
    size = models.PositiveBigIntegerField()
    created = models.DateTimeField(auto_now_add=True)


class Sco(models.Model):
    """What of a package is launched by itself and has a status of its own: `number` from 1."""

    package = models.ForeignKey(Package, on_delete=models.CASCADE, related_name="scos")
    number = models.PositiveIntegerField()
    title = models.CharField(max_length=200, blank=True)
    launch = models.CharField(max_length=500)
    parameters = models.CharField(max_length=2_000, blank=True)
    mastery_score = models.FloatField(null=True)
    threshold = models.FloatField(null=True)
    launch_data = models.TextField(blank=True)
    activity = models.TextField(blank=True)
    move_on = models.CharField(max_length=20, blank=True)
    """Of an assignable unit of cmi5, the id of its publisher, and what it takes to be satisfied."""

    class Meta:
        constraints = [models.UniqueConstraint(fields=["package", "number"], name="one_sco")]


class Attempt(models.Model):
    """One learner's attempt at a SCO: it goes on over several visits until the package ends it."""

    sco = models.ForeignKey(Sco, on_delete=models.CASCADE, related_name="attempts")
    learner = models.CharField(max_length=40)
    number = models.PositiveIntegerField()
    registration = models.UUIDField(default=uuid.uuid4)
    core = models.JSONField(default=dict)
    """The data model as last committed (`cmi`, nested as in the standard)."""
    status = models.CharField(max_length=20, default="not attempted")
    score = models.FloatField(null=True)
    location = models.CharField(max_length=1_000, blank=True)
    exit = models.CharField(max_length=20, default="suspend")
    started = models.DateTimeField(auto_now_add=True)
    changed = models.DateTimeField(auto_now=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["sco", "learner", "number"], name="one_by_number")
        ]


def _token() -> str:
    return secrets.token_urlsafe(24)


class Launch(models.Model):
    """One visit: from a launch to leaving. `milliseconds` as the package reports them."""

    attempt = models.ForeignKey(Attempt, on_delete=models.CASCADE, related_name="launches")
    token = models.CharField(max_length=40, unique=True, default=_token)
    started = models.DateTimeField(auto_now_add=True)
    seen = models.DateTimeField(auto_now=True)
    finished = models.BooleanField(default=False)
    milliseconds = models.PositiveBigIntegerField(default=0)
    interactions = models.JSONField(default=list)
    answered_before = models.PositiveIntegerField(default=0)
    """So many interactions the attempt had when the visit began, which it goes on from (2004)."""
    key = models.ForeignKey("records.Key", on_delete=models.SET_NULL, null=True)
    """The key to the record store that the visit was given (cmi5)."""
    fetched = models.BooleanField(default=False)
    mode = models.CharField(max_length=10, default="normal")


class Mark(models.Model):
    """What a trainer gives for an answer: the one at `index` among the records of a launch."""

    launch = models.ForeignKey(Launch, on_delete=models.CASCADE, related_name="marks")
    index = models.PositiveIntegerField()
    points = models.FloatField()
    comment = models.TextField(blank=True)
    changed = models.DateTimeField(auto_now=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["launch", "index"], name="one_mark_per_answer")
        ]


class Call(models.Model):
    """One call of the run-time API, raw. `index` counts within the launch."""

    launch = models.ForeignKey(Launch, on_delete=models.CASCADE, related_name="calls")
    index = models.PositiveIntegerField()
    at = models.DateTimeField()
    method = models.CharField(max_length=40)
    arguments = models.JSONField(default=list)
    result = models.TextField(blank=True)
    error = models.CharField(max_length=10, default="0")

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["launch", "index"], name="one_call_per_index")
        ]
