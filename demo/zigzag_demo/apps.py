"""The Django app of the demo courses."""

from django.apps import AppConfig


class DemoConfig(AppConfig):
    name = "zigzag_demo"
    label = "demo"
