"""Courses raised to format 3 of the document."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("courses", "0002_format_2")]
    operations = []  # Documents are raised after all migrations: see `courses.raising`.
