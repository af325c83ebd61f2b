"""The Django app of accounts."""

from django.apps import AppConfig


class AccountsConfig(AppConfig):
    name = "zigzag_server.accounts"
    label = "accounts"

    def ready(self) -> None:
        """Have sessions noted as they begin."""
        from . import sessions  # noqa: F401
