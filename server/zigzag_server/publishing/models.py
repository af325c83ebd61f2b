"""Packages that were made of courses, and slides as they were compiled."""

from django.conf import settings
from django.db import models

from zigzag_server.courses.models import Course


class Publication(models.Model):
    """One package: its kind, its file in storage, and what it was made with.

    Those of a course are numbered from 1. The `note` is the author's; `changes` say in words what
    is different from the one before.
    """

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="publications")
    kind = models.CharField(max_length=20)
    file = models.CharField(max_length=200)
    size = models.PositiveBigIntegerField()
    slides = models.PositiveIntegerField()
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    created = models.DateTimeField(auto_now_add=True)
    number = models.PositiveIntegerField(default=0)
    note = models.CharField(max_length=1_000, blank=True)
    changes = models.JSONField(default=list)


class KeptSlide(models.Model):
    """A slide as it was compiled (`zigzag_core.packaging.incremental`), to be used again."""

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="kept_slides")
    slide_id = models.CharField(max_length=24)
    text = models.TextField()

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["course", "slide_id"], name="one_kept_per_slide")
        ]
