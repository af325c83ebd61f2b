"""The Django app of the practice LMS."""

from django.apps import AppConfig


class PracticeConfig(AppConfig):
    name = "zigzag_server.practice"
    label = "practice"

    def ready(self) -> None:
        """Look at what packages of cmi5 say to the record store."""
        from zigzag_server.records import statements

        from . import sessions5

        statements.guards.append(sessions5.out_of_turn)
        statements.receivers.append(sessions5.receive)
