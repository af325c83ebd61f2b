"""`manage.py post_room`: how the simulated post room answers."""

from argparse import ArgumentParser
from typing import Any

from django.core.management.base import BaseCommand

from zigzag_server.post import room
from zigzag_server.post.models import Manner


class Command(BaseCommand):
    help = "Let the simulated post room answer as it should, slowly, not at all, or refuse."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("manner", choices=Manner.values)

    def handle(self, *args: Any, **options: Any) -> None:
        room.switch(Manner(options["manner"]))
        self.stdout.write(f"The post room: {options['manner']}")
