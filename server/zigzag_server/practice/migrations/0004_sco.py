"""Each SCO of a package has its own launch and attempts; packages so far have one."""

from typing import Any

import django.db.models.deletion
from django.db import migrations, models


def one_each(apps: Any, schema_editor: object) -> None:
    Package, Sco, Attempt = (
        apps.get_model("practice", name) for name in ("Package", "Sco", "Attempt"))
    for package in Package.objects.all():
        sco = Sco.objects.create(
            package=package, number=1, title=package.title, launch=package.launch,
            parameters=package.parameters, mastery_score=package.mastery_score,
            launch_data=package.launch_data)
        Attempt.objects.filter(package=package).update(sco=sco)


class Migration(migrations.Migration):
    dependencies = [("practice", "0003_index")]

    operations = [
        migrations.CreateModel(
            name="Sco",
            fields=[
                ("id", models.BigAutoField(auto_created=True, primary_key=True, serialize=False,
                                           verbose_name="ID")),
                ("number", models.PositiveIntegerField()),
                ("title", models.CharField(blank=True, max_length=200)),
                ("launch", models.CharField(max_length=500)),
                ("parameters", models.CharField(blank=True, max_length=2_000)),
                ("mastery_score", models.FloatField(null=True)),
                ("launch_data", models.TextField(blank=True)),
                ("package", models.ForeignKey(
                    on_delete=django.db.models.deletion.CASCADE, related_name="scos",
                    to="practice.package")),
            ],
            options={"constraints": [
                models.UniqueConstraint(fields=("package", "number"), name="one_sco")]},
        ),
        migrations.AddField(
            "attempt", "sco", models.ForeignKey(
                null=True, on_delete=django.db.models.deletion.CASCADE, related_name="attempts",
                to="practice.sco")),
        migrations.RunPython(one_each, migrations.RunPython.noop),
        migrations.RemoveConstraint("attempt", "one_by_number"),
        migrations.RemoveField("attempt", "package"),
        migrations.AlterField(
            "attempt", "sco", models.ForeignKey(
                on_delete=django.db.models.deletion.CASCADE, related_name="attempts",
                to="practice.sco")),
        migrations.AddConstraint("attempt", models.UniqueConstraint(
            fields=("sco", "learner", "number"), name="one_by_number")),
        *(migrations.RemoveField("package", name)
          for name in ("launch", "parameters", "mastery_score", "launch_data")),
    ]
