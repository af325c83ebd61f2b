"""The Django app of courses."""

from django.apps import AppConfig
from django.db.models.signals import post_migrate


class CoursesConfig(AppConfig):
    name = "zigzag_server.courses"
    label = "courses"

    def ready(self) -> None:
        """Raise documents of older formats whenever the database is brought up to date."""
        from .raising import raise_formats
        post_migrate.connect(raise_formats, sender=self)
