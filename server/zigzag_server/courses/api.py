"""Courses, slides, media, and the edits that the core thinks through."""

import json
from datetime import datetime
from typing import Any

from django.http import HttpRequest, HttpResponse
from django.utils import timezone
from ninja import Field, File, Router, Schema, Status
from ninja.files import UploadedFile
from zigzag_core import course as core
from zigzag_core.course.elements.blank import blank_course, course_for_dialogue
from zigzag_core.editing.changes import Change
from zigzag_core.words import player_words

from zigzag_server.accounts.auth import author
from zigzag_server.jobs import uploads
from zigzag_server.jobs.api import JobOut
from zigzag_server.jobs.starting import start
from zigzag_server.pages import Most, Start
from zigzag_server.problems import Problem, not_found

from . import saving, shelf, store
from .edited import media_urls
from .models import Course

router = Router(tags=["courses"])

LARGEST_ARCHIVE = 300_000_000


class CourseCard(Schema):
    """A course on the shelf, with its first slide to draw a picture of.

    `damaged` says why one cannot be read; what is left of it can be exported.
    """

    slug: str
    title: str
    slides: int
    changed: datetime
    size: core.SlideSize
    theme: core.Theme
    first_slide: core.Slide | None = Field(description="As it looks, its layout laid under it")
    media: dict[str, str] = Field(description="Addresses of the first slide's media, by id")
    damaged: str


class TitleIn(Schema):
    """A title for a course."""

    title: str = Field(min_length=1, max_length=200)


class NewCourseIn(TitleIn):
    """What a new course is called, and whether its slide is empty, for a `dialogue` on all of it.
    """

    dialogue: bool = False


class CourseOut(Schema):
    """A course's settings with the number of its state, and where its media are."""

    slug: str
    version: int
    course: core.Course
    media: dict[str, str] = Field(description="Addresses of media files, by id")
    previews: dict[str, str] = Field(description="Addresses of small pictures of them, by id")


class SlideOut(Schema):
    """A slide with the number of its state."""

    version: int
    slide: core.Slide


class Versions(Schema):
    """Numbers of the states of the settings, and of slides by id."""

    course: int | None = None
    slides: dict[str, int] = {}


class CourseWithSlides(CourseOut):
    """A course with all of its slides."""

    slides: list[SlideOut]


class SettingsIn(Schema):
    """Settings made from version `base`."""

    base: int
    course: core.Course


class ChangeIn(Schema):
    """A change, and the versions that it was made from: a new slide has version 0."""

    base: Versions
    change: Change


class Documents(Schema):
    """Settings, where they are meant, and slides by id."""

    course: core.Course | None = None
    slides: dict[str, core.Slide] = {}


class ChangeSaved(Schema):
    """The versions of what was written.

    `merged` are the documents in which others had changed something meanwhile, with both.
    """

    versions: Versions
    merged: Documents


class SlideIn(Schema):
    """A slide made from version `base`; 0 for a new one."""

    base: int
    slide: core.Slide


def _course_out(row: Course) -> dict[str, Any]:
    return {
        "slug": row.slug, "version": row.version, "course": row.document,
        **media_urls(store.settings_of(row)),
    }


@router.get("/courses", response=list[CourseCard])
def list_courses(
    request: HttpRequest, start: Start = 0, most: Most = shelf.PAGE
) -> list[dict[str, Any]]:
    """List the courses on the shelf, `most` from number `start` on, the last changed first."""
    return shelf.cards_of(author(request), start, most)


@router.post("/courses", response={201: CourseCard})
def create_course(request: HttpRequest, data: NewCourseIn) -> Status[Any]:
    """Make a new course with one slide to start from."""
    made = course_for_dialogue if data.dialogue else blank_course
    document = made(data.title, core.system_ids())
    return Status(201, shelf.card_of(store.create(author(request), document)))


@router.post("/courses/import", response={202: JobOut})
def import_course(
    request: HttpRequest, file: File[UploadedFile]
) -> Status[Any]:
    """Take in a course archive (`.zigzag`): a job. A bad one leaves nothing behind."""
    if (file.size or 0) > LARGEST_ARCHIVE:
        raise Problem(413, "too_large", "The archive is larger than 300 MB. Nothing was taken in.")
    return Status(202, uploads.start(author(request), "import", file))


@router.get("/courses/{slug}", response=CourseWithSlides)
def get_course(request: HttpRequest, slug: str) -> HttpResponse:
    """Return a course with all its slides."""
    row = store.course_of(author(request), slug)
    # Slides were validated when written: sent as they are stored, unread, large courses open fast.
    slides = ",".join(
        f'{{"version":{version},"slide":{text}}}' for version, text in store.slide_texts(row))
    head = json.dumps(_course_out(row)).removesuffix("}")
    return HttpResponse(f'{head},"slides":[{slides}]}}', content_type="application/json")


@router.post("/courses/{slug}/changes", response=ChangeSaved)
def save_change(request: HttpRequest, slug: str, data: ChangeIn) -> dict[str, Any]:
    """Write a change of the settings and of slides: all of it or nothing.

    What others have saved since goes together with it; where both have changed the same, the
    answer is 409 with the places, and nothing is written.
    """
    row = store.course_of(author(request), slug)
    base = saving.Versions(data.base.course, data.base.slides)
    saved = saving.save(author(request), row, base, data.change)
    versions = {"course": saved.versions.course, "slides": saved.versions.slides}
    return {"versions": versions, "merged": saved.merged}


@router.put("/courses/{slug}", response=CourseOut)
def put_course(request: HttpRequest, slug: str, data: SettingsIn) -> dict[str, Any]:
    """Write the course's settings: title, order of the slides, completion and so on."""
    row = store.course_of(author(request), slug)
    return _course_out(store.write_settings(author(request), row, data.base, data.course))


@router.patch("/courses/{slug}", response=CourseCard)
def rename_course(request: HttpRequest, slug: str, data: TitleIn) -> dict[str, Any]:
    """Rename a course."""
    row = store.course_of(author(request), slug)
    settings = store.settings_of(row).model_copy(update={"title": data.title})
    return shelf.card_of(store.write_settings(author(request), row, row.version, settings))


@router.delete("/courses/{slug}", response={204: None})
def delete_course(request: HttpRequest, slug: str) -> Status[Any]:
    """Take a course off the shelf; `restore` brings it back."""
    course = store.key_of(author(request), slug)
    Course.objects.filter(pk=course).update(deleted=timezone.now())
    return Status(204, None)


@router.post("/courses/{slug}/restore", response=CourseCard)
def restore_course(request: HttpRequest, slug: str) -> dict[str, Any]:
    """Bring back a deleted course."""
    row = store.course_of(author(request), slug, deleted=True)
    Course.objects.filter(pk=row.pk).update(deleted=None)
    return shelf.card_of(store.course_of(author(request), slug))


@router.post("/courses/{slug}/duplicate", response={202: JobOut})
def copy_course(request: HttpRequest, slug: str) -> Status[Any]:
    """Make a copy of a course that knows nothing of the original: a job."""
    user = author(request)
    row = store.course_of(user, slug)
    return Status(202, start(user, "duplicate", {"course": row.pk}, course=row.pk))


@router.post("/courses/{slug}/archive", response={202: JobOut})
def export_course(request: HttpRequest, slug: str) -> Status[Any]:
    """Make the course archive (`.zigzag`), media and all: a job whose file it is."""
    user = author(request)
    row = store.course_of(user, slug)
    job = start(user, "export", {"course": row.pk}, course=row.pk, equal=store.state_of(row))
    return Status(202, job)


@router.post("/courses/{slug}/left", response={202: JobOut})
def export_left(request: HttpRequest, slug: str) -> Status[Any]:
    """Make an archive of what is left of a course that cannot be read: a job whose file it is."""
    user = author(request)
    course = store.key_of(user, slug)
    return Status(202, start(user, "export_left", {"course": course}, course=course))


@router.get("/player-words/{language}", response=dict[str, str])
def get_player_words(request: HttpRequest, language: str) -> dict[str, str]:
    """Return the player's own words in a language, by key; else in English."""
    return player_words(language, {})


@router.get("/courses/{slug}/versions", response=Versions)
def get_versions(request: HttpRequest, slug: str) -> dict[str, Any]:
    """Return the versions of the settings and of each slide: a short look for what has changed."""
    row = store.course_of(author(request), slug)
    listed = set(row.document["slides"])
    versions = dict(row.slide_rows.values_list("slide_id", "version"))
    return {
        "course": row.version,
        "slides": {slide: v for slide, v in versions.items() if slide in listed},
    }


@router.put("/courses/{slug}/slides/{slide_id}", response=SlideOut)
def put_slide(request: HttpRequest, slug: str, slide_id: str, data: SlideIn) -> dict[str, Any]:
    """Write a slide. The course lists it only after its settings were written with it."""
    if data.slide.id != slide_id:
        raise Problem(422, "other_slide", "The slide's id is not the one in the address.")
    row = store.course_of(author(request), slug)
    written = store.write_slide(author(request), row, data.base, data.slide)
    return {"version": written.version, "slide": written.document}


@router.get("/courses/{slug}/slides/{slide_id}", response=SlideOut)
def get_slide(request: HttpRequest, slug: str, slide_id: str) -> dict[str, Any]:
    """Return one slide."""
    row = store.course_of(author(request), slug)
    slide = row.slide_rows.filter(slide_id=slide_id).first()
    if slide is None:
        raise not_found("slide")
    return {"version": slide.version, "slide": slide.document}
