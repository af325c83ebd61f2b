"""A library of files for each author; courses raised to format 2 of the document."""

import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models

from zigzag_server.courses.store import raise_formats


def forwards(apps, schema_editor):
    raise_formats(apps.get_model("courses", "Course"), apps.get_model("courses", "Slide"))


class Migration(migrations.Migration):
    dependencies = [
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
        ("courses", "0001_initial"),
    ]

    operations = [
        migrations.CreateModel(
            name="SharedFile",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
                ("sha256", models.CharField(max_length=64)),
                ("document", models.JSONField()),
                ("owner", models.ForeignKey(on_delete=django.db.models.deletion.CASCADE, to=settings.AUTH_USER_MODEL)),
            ],
            options={
                "constraints": [models.UniqueConstraint(fields=("owner", "sha256"), name="one_row_per_shared_file")],
            },
        ),
        migrations.RunPython(forwards, migrations.RunPython.noop),
    ]
