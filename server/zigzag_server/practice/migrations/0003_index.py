from django.db import migrations, models


class Migration(migrations.Migration):

    dependencies = [("practice", "0002_mark")]

    operations = [
        migrations.RemoveConstraint("call", "one_call_per_place"),
        migrations.RemoveConstraint("mark", "one_mark_per_answer"),
        migrations.RenameField("call", "place", "index"),
        migrations.RenameField("mark", "place", "index"),
        migrations.AddConstraint(
            "call",
            models.UniqueConstraint(fields=["launch", "index"], name="one_call_per_index")),
        migrations.AddConstraint(
            "mark",
            models.UniqueConstraint(fields=["launch", "index"], name="one_mark_per_answer")),
    ]
