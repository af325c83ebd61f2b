"""Writes the tables and defaults of the core as TypeScript: one source for both languages."""

from pathlib import Path
from typing import Any

from django.core.management.base import BaseCommand, CommandParser

from zigzag_server.tables import typescript


class Command(BaseCommand):
    help = "Write the core's tables for the web pages as TypeScript files into a folder."

    def add_arguments(self, parser: CommandParser) -> None:
        parser.add_argument("folder")

    def handle(self, *args: Any, folder: str, **options: Any) -> None:
        for name, text in typescript().items():
            (Path(folder) / name).write_text(text)
