"""The Django app of the question banks."""

from django.apps import AppConfig


class BanksConfig(AppConfig):
    name = "zigzag_server.banks"
    label = "banks"
