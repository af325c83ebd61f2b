"""`manage.py restore`: put a backup back."""

import sys
from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management import call_command
from django.core.management.base import BaseCommand, CommandError

from zigzag_server.upkeep.backup import CannotBackUp, put_back
from zigzag_server.upkeep.verifying import verify


class Command(BaseCommand):
    help = "Put a backup into an empty data folder (ZIGZAG_DATA), and look whether all is whole."
    requires_system_checks = ()

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("file", type=Path, metavar="FILE.zip")

    def handle(self, *args: Any, **options: Any) -> None:
        try:
            files = put_back(options["file"], settings.VAR)
        except CannotBackUp as error:
            raise CommandError(str(error)) from None
        call_command("migrate", verbosity=0)
        self.stdout.write(f"{files:,} files were put back. All sign in anew.")
        if wrong := verify().wrong:
            self.stdout.write("\n".join(wrong))
            sys.exit(1)
