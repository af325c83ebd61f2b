"""Raising stored documents to the present format, whenever the database is brought up to date."""

from typing import Any

from django.db import connections
from zigzag_core import course as core

from .models import Course


def raise_formats(using: str = "default", **_: Any) -> None:
    """Raise all stored courses of an older format; called after Django's own migrations.

    Kept states stay as they were written; they are raised when they are read.
    """
    if Course._meta.db_table not in connections[using].introspection.table_names():
        return  # Another app was brought up to date by itself, in an empty database.
    for row in Course.objects.exclude(document__format=core.FORMAT).iterator():
        since = row.document.get("format", 1)
        settings = core.Course.model_validate(core.migrated(row.document))
        for slide in row.slide_rows.all():
            raised = core.Slide.model_validate(core.migrated_slide(slide.document, since))
            row.slide_rows.filter(pk=slide.pk).update(document=raised.model_dump(mode="json"))
        Course.objects.filter(pk=row.pk).update(document=settings.model_dump(mode="json"))
