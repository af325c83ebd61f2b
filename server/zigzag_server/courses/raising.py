"""Raising stored documents to the present format, whenever the database is brought up to date."""

from typing import Any

from zigzag_core import course as core

from .models import Course


def raise_formats(**_: Any) -> None:
    """Raise all stored courses of an older format; called after Django's own migrations.

    Kept states stay as they were written; they are raised when they are read.
    """
    for row in Course.objects.exclude(document__format=core.FORMAT).iterator():
        since = row.document.get("format", 1)
        settings = core.Course.model_validate(core.migrated(row.document))
        for slide in row.slide_rows.all():
            raised = core.Slide.model_validate(core.migrated_slide(slide.document, since))
            row.slide_rows.filter(pk=slide.pk).update(document=raised.model_dump(mode="json"))
        Course.objects.filter(pk=row.pk).update(document=settings.model_dump(mode="json"))
