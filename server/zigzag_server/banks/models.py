"""Question banks and what is in them."""

from django.conf import settings
from django.db import models

MOST_BANKS = 200
"""As many banks as one author has."""


class Bank(models.Model):
    """Questions that their owner keeps for all courses."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE)
    name = models.CharField(max_length=200)
    created = models.DateTimeField(auto_now_add=True)

    def __str__(self) -> str:
        return self.name


class BankQuestion(models.Model):
    """A question of a bank, under its `key`: a slide as JSON (`zigzag_core.editing.banks.Banked`).

    `asked` is what it asks, in words, by which reports are found. `source` says where it is from,
    `notes` are for the author alone. Courses have taken it `uses` times, the last time when it was
    `used`.
    """

    bank = models.ForeignKey(Bank, on_delete=models.CASCADE, related_name="questions")
    key = models.CharField(max_length=24, unique=True)
    title = models.CharField(max_length=200)
    asked = models.TextField(blank=True)
    kind = models.CharField(max_length=30, blank=True)
    level = models.CharField(max_length=10, blank=True)
    tags = models.JSONField(default=list)
    notes = models.TextField(blank=True)
    source = models.CharField(max_length=500, blank=True)
    document = models.JSONField()
    version = models.PositiveIntegerField(default=1)
    changed = models.DateTimeField(auto_now=True)
    used = models.DateTimeField(null=True)
    uses = models.PositiveIntegerField(default=0)

    class Meta:
        ordering = ["pk"]
