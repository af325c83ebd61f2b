#!/usr/bin/env python
"""Zigzag's command line: `manage.py help` lists what it can do."""

import os
import sys


def main() -> None:
    """Run a command of Django or of Zigzag."""
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "zigzag_server.settings")
    from django.core.management import execute_from_command_line

    execute_from_command_line(sys.argv)


if __name__ == "__main__":
    main()
