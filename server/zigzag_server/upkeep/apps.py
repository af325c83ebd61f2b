"""The Django app of cleaning."""

from django.apps import AppConfig


class UpkeepConfig(AppConfig):
    name = "zigzag_server.upkeep"
    label = "upkeep"
