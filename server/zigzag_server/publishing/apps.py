"""The Django app of publishing."""

from django.apps import AppConfig


class PublishingConfig(AppConfig):
    name = "zigzag_server.publishing"
    label = "publishing"
