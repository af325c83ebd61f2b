"""Courses raised to format 6 of the document."""

from django.db import migrations


class Migration(migrations.Migration):
    dependencies = [("courses", "0003_format_3")]
    operations = []  # Documents are raised after all migrations: see `courses.raising`.
