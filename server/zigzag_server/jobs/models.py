"""Work that takes time, as it is kept: what is asked for, how far it is, what came of it."""

from django.conf import settings
from django.db import models


class State(models.TextChoices):
    """How far a job is."""

    QUEUED = "queued"
    RUNNING = "running"
    DONE = "done"
    FAILED = "failed"
    CANCELLED = "cancelled"


UNFINISHED = (State.QUEUED, State.RUNNING)


class Job(models.Model):
    """One piece of work for its owner.

    `key` is the same for equal work, of which only one is unfinished at a time. `share` goes from
    0 to 1, `words` say what is being done. `result` is there when it is done, `problem` (as the
    API tells problems) when it failed. `worker` is the host and process that runs it, last heard
    of at `seen`.
    """

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    course = models.ForeignKey("courses.Course", on_delete=models.CASCADE, null=True)
    kind = models.CharField(max_length=20)
    key = models.CharField(max_length=120)
    arguments = models.JSONField(default=dict)
    state = models.CharField(max_length=10, choices=State.choices, default=State.QUEUED)
    share = models.FloatField(default=0)
    words = models.CharField(max_length=200, blank=True)
    result = models.JSONField(null=True)
    problem = models.JSONField(null=True)
    worker = models.CharField(max_length=120, blank=True)
    tries = models.PositiveSmallIntegerField(default=0)
    created = models.DateTimeField(auto_now_add=True)
    seen = models.DateTimeField(null=True)
    ended = models.DateTimeField(null=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(
                fields=["owner", "key"], condition=models.Q(state__in=UNFINISHED),
                name="one_run_for_equal_jobs",
            ),
        ]
        indexes = [
            models.Index(fields=["owner", "key"], name="jobs_by_key"),
            models.Index(fields=["state"], name="jobs_by_state"),
        ]
