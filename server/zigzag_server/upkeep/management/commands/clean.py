"""`manage.py clean`: take away what need not be kept any longer."""

from argparse import ArgumentParser
from typing import Any

from django.core.management.base import BaseCommand

from zigzag_server.upkeep.cleaning import clean, in_words


class Command(BaseCommand):
    help = "Take away old states, packages, jobs, and files that nothing uses. Run it once a day."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("--dry-run", action="store_true", help="only say how much there is")

    def handle(self, *args: Any, **options: Any) -> None:
        cleaned = clean(only_count=options["dry_run"])
        begin = "Would take away" if options["dry_run"] else "Took away"
        self.stdout.write(f"{begin} {in_words(cleaned)}.")
