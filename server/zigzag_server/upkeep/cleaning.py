"""What is kept for how long, and taking away the rest.

The rule, adjustable in the settings (`KEEP`):

- a course that was deleted stays for some days, in which it can be brought back;
- every saved state of a slide or of a course's settings stays for some days; of older ones the last
  of each day stays, and always the newest;
- of the packages of a course the newest of each kind stay;
- media stay while any course, kept state or library names them, and with them their originals;
- what jobs have made for a download, and what was uploaded for them, stays for a day;
- a token that has ended stays as long as a deleted course; sessions go with their end;
- so does what was left unfinished when a process ended, in storage and of practice packages.
"""

from collections.abc import Iterable, Iterator
from dataclasses import asdict, dataclass
from datetime import datetime, timedelta
from typing import Any, TypeVar

from django.conf import settings
from django.contrib.sessions.models import Session
from django.core.files.storage import default_storage
from django.core.management import call_command
from django.db.models import Max, Model, QuerySet
from django.db.models.functions import TruncDate
from django.utils import timezone

from zigzag_server.accounts.models import ResetMail, SignIn, Token
from zigzag_server.banks.keeping import media_of_banks
from zigzag_server.courses.models import Course, HeldFile, Original, Revision, SharedFile
from zigzag_server.jobs.models import UNFINISHED, Job
from zigzag_server.practice.models import Package
from zigzag_server.publishing.models import Publication
from zigzag_server.storage import BEING_WRITTEN, files_in

M = TypeVar("M", bound=Model)

A_DAY = timedelta(days=1)


@dataclass(frozen=True)
class Cleaned:
    """How much was taken away, or would be: rows, files, and the bytes of the files."""

    courses: int
    states: int
    packages: int
    jobs: int
    files: int
    bytes: int


def clean(now: datetime | None = None, only_count: bool = False) -> Cleaned:
    """Take away what need not be kept at the time `now`; with `only_count` only say how much.

    What is new within a day is left alone, so that it may run beside authors at work.
    """
    at = now or timezone.now()
    old = _Old(
        courses=Course.objects.filter(
            deleted__lt=at - timedelta(days=settings.KEEP["deleted_days"])),
        states=Revision.objects.filter(pk__in=_old_states(at)),
        packages=Publication.objects.filter(pk__in=_old_packages()),
        jobs=Job.objects.exclude(state__in=UNFINISHED).filter(created__lt=at - A_DAY),
    )
    files = list(_unused_files(at, old))
    cleaned = Cleaned(
        courses=old.courses.count(), states=old.states.count(), packages=old.packages.count(),
        jobs=old.jobs.count(), files=len(files),
        bytes=sum(default_storage.size(path) for path in files),
    )
    if not only_count:
        _clean_accounts(at)
        for rows in (old.jobs, old.packages, old.states, old.courses):
            rows.delete()
        for path in files:
            if _is_old(path, at):
                default_storage.delete(path)
                if path.startswith("media/"):
                    sha256 = path.rpartition("/")[2]
                    HeldFile.objects.filter(sha256=sha256).delete()
                    Original.objects.filter(made=sha256).delete()
    return cleaned


def _clean_accounts(at: datetime) -> None:
    long_ago = at - timedelta(days=settings.KEEP["deleted_days"])
    call_command("clearsessions")
    ResetMail.objects.filter(sent__lt=at - A_DAY).delete()
    SignIn.objects.exclude(session_key__in=Session.objects.values("session_key")).delete()
    Token.objects.filter(expires__lt=long_ago).delete()


@dataclass(frozen=True)
class _Old:
    """The rows that need not be kept."""

    courses: QuerySet[Course]
    states: QuerySet[Revision]
    packages: QuerySet[Publication]
    jobs: QuerySet[Job]


def in_words(cleaned: Cleaned) -> str:
    """Return what was taken away as one line."""
    parts = [f"{many:,} {what}" for what, many in asdict(cleaned).items() if what != "bytes"]
    return f"{', '.join(parts)} ({cleaned.bytes / 1_000_000:,.1f} MB)"


def _old_states(at: datetime) -> list[int]:
    """States from before the days in which all are kept, but the last of each day."""
    old = Revision.objects.filter(created__lt=at - timedelta(days=settings.KEEP["state_days"]))
    last = Revision.objects.values("course", "slide_id").annotate(last=Max("pk"))
    of_day = old.annotate(day=TruncDate("created")).values("course", "slide_id", "day")
    kept = {row["last"] for row in (*last, *of_day.annotate(last=Max("pk")))}
    return [pk for pk in old.values_list("pk", flat=True) if pk not in kept]


def _old_packages() -> list[int]:
    """Packages that as many of their course and kind are newer than as are kept."""
    seen: dict[tuple[int, str], int] = {}
    old = []
    rows = Publication.objects.order_by("-pk").values_list("pk", "course_id", "kind")
    for pk, course, kind in rows:
        seen[course, kind] = seen.get((course, kind), 0) + 1
        if seen[course, kind] > settings.KEEP["packages"]:
            old.append(pk)
    return old


def _unused_files(at: datetime, old: _Old) -> Iterator[str]:
    """Files in storage that nothing names but what is `old`, and that are older than a day."""
    media = set(_media_in_use(old))
    media |= {original for made, original in Original.objects.values_list("made", "sha256")
              if made in media}
    media |= {job.arguments.get("sha256") for job in Job.objects.filter(
        kind="convert", state__in=UNFINISHED)}
    packages = set(_left(Publication, old.packages).values_list("file", flat=True))
    jobs = list(_left(Job, old.jobs))
    results = {(job.result or {}).get("path") for job in jobs}
    uploads = {job.arguments.get("upload") for job in jobs if job.state in UNFINISHED}
    for folder, used in (
        ("media", media), ("previews", media), ("packages", packages), ("results", results),
        ("uploads", uploads), (BEING_WRITTEN, set()),
    ):
        for path in files_in(folder):
            name = path.rpartition("/")[2] if used is media else path
            if name not in used and _is_old(path, at):
                yield path
    folders = set(Package.objects.values_list("folder", flat=True))
    for path in files_in("practice"):
        if "/".join(path.split("/")[:2]) not in folders and _is_old(path, at):
            yield path


def _is_old(path: str, at: datetime) -> bool:
    return default_storage.get_modified_time(path) < at - A_DAY


def _media_in_use(old: _Old) -> Iterator[str]:
    """The hashes of all media that a course, a kept state or a library names."""
    states = _left(Revision, old.states).filter(slide_id="").exclude(course__in=old.courses)
    settings_of: Iterable[Any] = (
        *_left(Course, old.courses).values_list("document", flat=True),
        *states.values_list("document", flat=True),
    )
    for document in settings_of:
        yield from (file["sha256"] for file in document.get("media", ()))
    yield from SharedFile.objects.values_list("sha256", flat=True)
    yield from media_of_banks()


def _left(model: type[M], old: QuerySet[M]) -> QuerySet[M]:
    """The rows that stay when those of `old` go."""
    return model._default_manager.exclude(pk__in=old.values("pk"))
