"""The Django app of jobs."""

from django.apps import AppConfig
from django.utils.module_loading import autodiscover_modules


class JobsConfig(AppConfig):
    name = "zigzag_server.jobs"
    label = "jobs"

    def ready(self) -> None:
        """Load the kinds of jobs: each app declares its own in a module `jobs`."""
        autodiscover_modules("jobs")
