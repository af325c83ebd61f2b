"""Tokens with a scope and an end; sessions; mails for new passwords."""

from datetime import datetime, timedelta

import django.db.models.deletion
from django.conf import settings
from django.db import migrations, models
from django.utils import timezone


def a_year_from_now() -> datetime:
    """Tokens that were made without an end go on for a year."""
    return timezone.now() + timedelta(days=366)


OWNER = models.ForeignKey(
    on_delete=django.db.models.deletion.CASCADE, to=settings.AUTH_USER_MODEL)
ID = models.BigAutoField(
    auto_created=True, primary_key=True, serialize=False, verbose_name="ID")


class Migration(migrations.Migration):

    dependencies = [
        ("accounts", "0001_initial"),
        migrations.swappable_dependency(settings.AUTH_USER_MODEL),
    ]

    operations = [
        migrations.AddField("token", "expires", models.DateTimeField(default=a_year_from_now),
                            preserve_default=False),
        migrations.AddField("token", "parent", models.ForeignKey(
            null=True, on_delete=django.db.models.deletion.CASCADE, to="accounts.token")),
        migrations.AddField("token", "scope", models.CharField(
            choices=[("read", "Read"), ("all", "All")], default="all", max_length=4)),
        migrations.CreateModel("ResetMail", [
            ("id", ID.clone()), ("sent", models.DateTimeField(auto_now_add=True)),
            ("owner", OWNER.clone()),
        ]),
        migrations.CreateModel("SignIn", [
            ("id", ID.clone()),
            ("session_key", models.CharField(max_length=40, unique=True)),
            ("created", models.DateTimeField(auto_now_add=True)),
            ("seen", models.DateTimeField(auto_now_add=True)),
            ("address", models.CharField(blank=True, max_length=45)),
            ("agent", models.CharField(blank=True, max_length=300)),
            ("owner", OWNER.clone()),
        ]),
    ]
