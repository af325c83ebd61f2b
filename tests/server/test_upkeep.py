"""What is kept for how long."""

import io
from datetime import timedelta

import pytest
from django.core.files.base import ContentFile
from django.core.files.storage import default_storage
from django.core.management import call_command
from django.utils import timezone
from zigzag_server.courses import files
from zigzag_server.courses.models import Course, Revision
from zigzag_server.jobs.models import Job
from zigzag_server.publishing.models import Publication
from zigzag_server.upkeep.cleaning import clean

from .test_courses import opened, png


def rename(mika, course, *titles):
    for title in titles:
        mika("patch", f"/courses/{course}", {"title": title}, status=200)


def later(days):
    return timezone.now() + timedelta(days=days)


def test_nothing_of_a_course_at_work_is_taken_away(mika, course):
    rename(mika, course, "A", "B", "C")
    mika.job("post", f"/courses/{course}/packages", {"kind": "web"})
    before = Revision.objects.count(), opened(mika, course)
    cleaned = clean()
    assert (cleaned.courses, cleaned.states, cleaned.packages, cleaned.files) == (0, 0, 0, 0)
    assert (Revision.objects.count(), opened(mika, course)) == before


def test_of_old_states_the_last_of_each_day_and_the_newest_stay(mika, course):
    rename(mika, course, "A", "B", "C")
    rows = list(Revision.objects.filter(slide_id="").order_by("pk"))
    for days, row in zip((3, 3, 2, 1), rows[-4:], strict=True):
        Revision.objects.filter(pk=row.pk).update(created=timezone.now() - timedelta(days=days))
    slides = Revision.objects.exclude(slide_id="").count()
    assert clean(later(86)).states == 0
    assert clean(later(89)).states == 1
    left = list(Revision.objects.filter(slide_id="").order_by("pk"))
    assert left[-3:] == rows[-3:] and rows[-4] not in left
    assert Revision.objects.exclude(slide_id="").count() == slides
    assert opened(mika, course)["course"]["title"] == "C"


def test_the_newest_packages_of_each_kind_stay(mika, course, settings):
    settings.KEEP = {**settings.KEEP, "packages": 1}
    for kind in ("web", "scorm12", "web"):
        mika.job("post", f"/courses/{course}/packages", {"kind": kind})
        rename(mika, course, f"After {kind}")
    old = Publication.objects.order_by("pk").first()
    counted = clean(later(2), only_count=True)
    assert (counted.packages, counted.files) == (1, 1), "a dry run counts what would go with it"
    assert clean().packages == 1 and not Publication.objects.filter(pk=old.pk).exists()
    assert default_storage.exists(old.file), "files of today stay"
    assert clean(later(2)).files == 1 and not default_storage.exists(old.file)
    for left in Publication.objects.all():
        assert default_storage.exists(left.file)


def test_media_stay_while_a_state_or_a_library_names_them(mika, course):
    answer = mika("post", f"/courses/{course}/media", file=("p.png", png()), status=201)
    now = opened(mika, course)
    body = {"base": now["version"], "course": {**now["course"], "media": [answer["file"]]}}
    mika("put", f"/courses/{course}", body, status=200)
    sha256 = answer["file"]["sha256"]
    body = {"base": now["version"] + 1, "course": now["course"]}
    mika("put", f"/courses/{course}", body, status=200)
    clean(later(2))
    assert files.read(sha256), "an earlier state still names it"
    Revision.objects.filter(slide_id="").exclude(
        pk=Revision.objects.filter(slide_id="").last().pk).delete()
    assert clean(only_count=True).files == 0, "files of today stay"
    assert clean(later(2)).files >= 1
    with pytest.raises(FileNotFoundError):
        files.read(sha256)


def test_deleted_courses_go_in_the_end_and_jobs_after_a_day(mika, course):
    mika.archive(course)
    mika("delete", f"/courses/{course}", status=204)
    clean(later(2))
    assert not Job.objects.exists() and default_storage.listdir("results")[1] == []
    mika("post", f"/courses/{course}/restore", status=200)
    mika("delete", f"/courses/{course}", status=204)
    assert clean(later(31)).courses == 1 and not Course.objects.exists()


def test_a_dry_run_takes_nothing(mika, course):
    default_storage.save("uploads/left", ContentFile(b"x"))
    out = io.StringIO()
    call_command("clean", dry_run=True, stdout=out)
    assert out.getvalue().startswith("Would take away 0 courses, 0 states, 0 packages, 0 jobs")
    assert default_storage.exists("uploads/left")
    assert clean(later(2), only_count=True).files == 1 and clean(later(2)).files == 1
