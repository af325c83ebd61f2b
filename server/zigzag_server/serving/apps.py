"""The Django app that serves all others: the processes of `manage.py serve`."""

from django.apps import AppConfig


class ServingConfig(AppConfig):
    name = "zigzag_server.serving"
    label = "serving"
