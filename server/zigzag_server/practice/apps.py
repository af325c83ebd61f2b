"""The Django app of the practice LMS."""

from django.apps import AppConfig


class PracticeConfig(AppConfig):
    name = "zigzag_server.practice"
    label = "practice"
