"""Courses raised to format 6 of the document."""

from django.db import migrations

from zigzag_server.courses.store import raise_formats


def forwards(apps, schema_editor):
    raise_formats(apps.get_model("courses", "Course"), apps.get_model("courses", "Slide"))


class Migration(migrations.Migration):
    dependencies = [("courses", "0003_format_3")]
    operations = [migrations.RunPython(forwards, migrations.RunPython.noop)]
