"""Whose files are whose: those of all courses, kept states and libraries are their owners'."""

import django.db.models.deletion
from django.apps.registry import Apps
from django.conf import settings
from django.db import migrations, models
from django.db.backends.base.schema import BaseDatabaseSchemaEditor


def note_held(apps: Apps, editor: BaseDatabaseSchemaEditor) -> None:
    """Note for each author the files that their courses and their library name."""
    held = set(apps.get_model("courses", "SharedFile").objects.values_list("owner", "sha256"))
    courses = apps.get_model("courses", "Course").objects.values_list("owner", "document")
    states = apps.get_model("courses", "Revision").objects.filter(slide_id="").values_list(
        "course__owner", "document")
    for owner, document in (*courses.iterator(), *states.iterator()):
        if isinstance(document, dict):
            held |= {(owner, file["sha256"]) for file in document.get("media", ())}
    model = apps.get_model("courses", "HeldFile")
    model.objects.bulk_create(model(owner_id=owner, sha256=sha256) for owner, sha256 in held)


class Migration(migrations.Migration):
    dependencies = [
        ("courses", "0004_format_6"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]
    operations = [
        migrations.CreateModel("HeldFile", [
            ("id", models.BigAutoField(
                auto_created=True, primary_key=True, serialize=False, verbose_name="ID")),
            ("sha256", models.CharField(db_index=True, max_length=64)),
            ("owner", models.ForeignKey(
                on_delete=django.db.models.deletion.CASCADE, to=settings.AUTH_USER_MODEL)),
        ]),
        migrations.AddConstraint("heldfile", models.UniqueConstraint(
            fields=("owner", "sha256"), name="one_row_per_held_file")),
        migrations.RunPython(note_held, migrations.RunPython.noop),
    ]
