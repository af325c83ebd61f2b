"""Kept states take less room: their JSON is compressed, and their title stands beside it."""

from typing import Any

from django.apps.registry import Apps
from django.db import migrations, models
from django.db.backends.base.schema import BaseDatabaseSchemaEditor

from zigzag_server.courses.packed_json import PackedJSONField

AT_ONCE = 200


def pack(apps: Apps, editor: BaseDatabaseSchemaEditor) -> None:
    """Compress what is kept, some at a time."""
    states: Any = apps.get_model("courses", "Revision").objects
    some: list[Any] = []
    for state in states.only("pk", "document").iterator(AT_ONCE):
        state.packed = state.document
        state.title = str(state.document.get("title", ""))[:200]
        some.append(state)
        if len(some) == AT_ONCE:
            states.bulk_update(some, ["packed", "title"])
            some = []
    states.bulk_update(some, ["packed", "title"])


class Migration(migrations.Migration):
    dependencies = [("courses", "0005_held_file")]
    operations = [
        migrations.AddField(
            "revision", "title", models.CharField(blank=True, max_length=200, default=""),
            preserve_default=False),
        migrations.AddField("revision", "packed", PackedJSONField(null=True)),
        migrations.RunPython(pack, migrations.RunPython.noop),
        migrations.RemoveField("revision", "document"),
        migrations.RenameField("revision", "packed", "document"),
        migrations.AlterField("revision", "document", PackedJSONField()),
    ]
