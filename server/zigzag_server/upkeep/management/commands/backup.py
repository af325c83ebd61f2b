"""`manage.py backup`: a copy of all that is kept, while it is in use."""

from argparse import ArgumentParser
from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandError

from zigzag_server.upkeep.backup import CannotBackUp, back_up


class Command(BaseCommand):
    help = "Write the database and all files to one ZIP. Authors go on working meanwhile."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("file", type=Path, metavar="FILE.zip")

    def handle(self, *args: Any, **options: Any) -> None:
        path: Path = options["file"]
        try:
            files = back_up(path)
        except CannotBackUp as error:
            raise CommandError(str(error)) from None
        except OSError as error:
            raise CommandError(
                f"{path} cannot be written: {error.strerror}. Nothing was written.") from None
        self.stdout.write(f"{path}: {files:,} files, {path.stat().st_size:,} bytes")
