"""`manage.py verify`: look whether all that is stored is there and whole."""

import sys
from argparse import ArgumentParser
from typing import Any

from django.core.management.base import BaseCommand

from zigzag_server.upkeep.cleaning import clean, in_words
from zigzag_server.upkeep.verifying import verify


class Command(BaseCommand):
    help = "Look whether the database, courses and files are whole. Ends with 1 where they are not."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("--heal", action="store_true",
                            help="take away media that are cut, to be sent again, "
                            "and what nothing uses, as `clean` does")

    def handle(self, *args: Any, **options: Any) -> None:
        found = verify(heal=options["heal"])
        for line in (*found.wrong, *found.healed):
            self.stdout.write(line)
        if options["heal"]:
            self.stdout.write(f"Took away {in_words(clean())}.")
        if not found.wrong:
            self.stdout.write("All that is stored is there and whole.")
        elif len(found.healed) < len(found.wrong):
            sys.exit(1)
