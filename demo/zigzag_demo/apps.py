from django.apps import AppConfig


class DemoConfig(AppConfig):
    name = "zigzag_demo"
    label = "demo"
