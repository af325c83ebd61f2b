"""Courses as they are stored: settings in one row, each slide in one, every state in another."""

from typing import Any

from django.conf import settings
from django.contrib.auth.models import User
from django.db import models

from .packed_json import PackedJSONField


class Course(models.Model):
    """A course: its settings as JSON (`zigzag_core.course.Course`). `deleted` keeps it for undo."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    slug = models.SlugField(max_length=80, unique=True)
    title = models.CharField(max_length=200)
    document = models.JSONField()
    version = models.PositiveIntegerField(default=1)
    created = models.DateTimeField(auto_now_add=True)
    changed = models.DateTimeField(auto_now=True)
    deleted = models.DateTimeField(null=True)

    def __str__(self) -> str:
        return self.title


class Slide(models.Model):
    """A slide of a course as JSON. It stays when the course no longer lists it, for undo."""

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="slide_rows")
    slide_id = models.CharField(max_length=24)
    document = models.JSONField()
    version = models.PositiveIntegerField(default=1)
    changed = models.DateTimeField(auto_now=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["course", "slide_id"], name="one_row_per_slide")
        ]


class Revision(models.Model):
    """An accepted write: of a slide, or of the course's settings where `slide_id` is empty.

    `title` is that of the document.
    """

    course = models.ForeignKey(Course, on_delete=models.CASCADE, related_name="revisions")
    slide_id = models.CharField(max_length=24, blank=True)
    version = models.PositiveIntegerField()
    title = models.CharField(max_length=200, blank=True)
    document = PackedJSONField()
    author = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.SET_NULL, null=True)
    created = models.DateTimeField(auto_now_add=True)

    class Meta:
        indexes = [models.Index(fields=["course", "slide_id", "-version"], name="by_thing")]

    @classmethod
    def of(
        cls, course: Course, document: dict[str, Any], version: int, author: User,
        slide_id: str = "",
    ) -> "Revision":
        """Return a state of a slide or of the settings, not yet stored."""
        return cls(course=course, slide_id=slide_id, version=version, document=document,
                   title=document["title"], author=author)


class SharedFile(models.Model):
    """A media file (`zigzag_core.course.MediaFile`) that its owner keeps for all courses."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    sha256 = models.CharField(max_length=64)
    document = models.JSONField()

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["owner", "sha256"], name="one_row_per_shared_file")
        ]


class HeldFile(models.Model):
    """That an author has sent the bytes with a hash, or was given them with a course.

    A course may name these files only: who knows no more than a hash gets no bytes for it.
    """

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    sha256 = models.CharField(max_length=64, db_index=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["owner", "sha256"], name="one_row_per_held_file")
        ]


class Original(models.Model):
    """From which file (`sha256`) another was `made`, in which quality, for its owner.

    `document` is the original as a `MediaFile` where browsers play it.
    """

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    made = models.CharField(max_length=64)
    sha256 = models.CharField(max_length=64)
    quality = models.CharField(max_length=10)
    document = models.JSONField(null=True)

    class Meta:
        constraints = [
            models.UniqueConstraint(fields=["owner", "made"], name="one_original_of_a_file")
        ]
