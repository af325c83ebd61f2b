"""`manage.py demo`: the demo account and the demo courses, once."""

import io
from argparse import ArgumentParser
from concurrent.futures import ThreadPoolExecutor
from typing import Any

from django.conf import settings
from django.contrib.auth import get_user_model
from django.contrib.auth.hashers import make_password
from django.contrib.auth.models import User
from django.core.management import call_command
from django.core.management.base import BaseCommand
from zigzag_server.accounts.demo import DEMO_NAME, DEMO_PASSWORD
from zigzag_server.courses import files, store
from zigzag_server.courses.models import Course

from zigzag_demo.at_the_counter import at_the_counter
from zigzag_demo.film import preview_of
from zigzag_demo.hut_warden import hut_warden_basics
from zigzag_demo.tool_library import tool_library


class Command(BaseCommand):
    help = "Make the demo account and its courses, where they are not there yet."

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("--serve", action="store_true",
                            help="bring the database up to date before, and serve after")

    def handle(self, *args: Any, **options: Any) -> None:
        # Hashing takes as long as all the rest, and needs none of it.
        with ThreadPoolExecutor(1) as beside:
            password = beside.submit(make_password, DEMO_PASSWORD)
            if options["serve"]:
                call_command("migrate", verbosity=0)
            user, made = get_user_model().objects.get_or_create(username=DEMO_NAME)
            if not Course.objects.filter(owner=user).exists():
                _make_courses(user)
            if made:
                user.password = password.result()
                user.save()
        self.stdout.write(
            f"Demo:  {settings.APP_ORIGIN}\n"
            f"Login: {DEMO_NAME} / {DEMO_PASSWORD}  (you start out signed in)"
        )
        if options["serve"]:
            call_command("serve")


def _make_courses(user: User) -> None:
    for document, media in (at_the_counter(), tool_library(), hut_warden_basics()):
        for sha256, data in media.items():
            files.keep(sha256, io.BytesIO(data), preview_of(sha256))
        store.create(user, document)
