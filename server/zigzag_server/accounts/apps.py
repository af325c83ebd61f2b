"""The Django app of accounts."""

from django.apps import AppConfig


class AccountsConfig(AppConfig):
    name = "zigzag_server.accounts"
    label = "accounts"
