"""The Django app of the record store."""

from django.apps import AppConfig


class RecordsConfig(AppConfig):
    name = "zigzag_server.records"
    label = "records"
