"""`manage.py courses`: what is on the shelf."""

from typing import Any

from django.core.management.base import BaseCommand

from zigzag_server.courses.models import Course


class Command(BaseCommand):
    help = "List the courses: slug, title and number of slides, a line each."

    def handle(self, *args: Any, **options: Any) -> None:
        for row in Course.objects.filter(deleted=None).order_by("slug"):
            self.stdout.write(f"{row.slug}\t{row.title}\t{len(row.document['slides'])} slides")
