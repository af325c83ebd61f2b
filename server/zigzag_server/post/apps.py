"""The Django app of the post."""

from django.apps import AppConfig


class PostConfig(AppConfig):
    name = "zigzag_server.post"
    label = "post"
