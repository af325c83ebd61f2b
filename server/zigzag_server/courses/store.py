"""Reading and writing courses: versions, revisions, and what happens when two write at once."""

import json
from collections.abc import Iterable
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import pydantic
from django.contrib.auth.models import User
from django.db import transaction
from django.db.models import Max, TextField
from django.db.models.functions import Cast
from django.utils.text import slugify
from zigzag_core import course as core
from zigzag_core.course.reporting import Progress, telling, untold
from zigzag_core.course.salvage import Salvaged, salvaged
from zigzag_core.packaging.archive import reason

from zigzag_server.jobs.kinds import Again
from zigzag_server.problems import Problem, not_found

from .holding import hold
from .models import Course, Revision, SharedFile, Slide
from .saving import Stale, Versions, overtaken, write


def titles_of(user: User) -> list[str]:
    """Return the titles of the courses that `user` may see."""
    return list(Course.objects.filter(owner=user, deleted=None).values_list("title", flat=True))


def course_of(user: User, slug: str, deleted: bool = False) -> Course:
    """Return the course `slug` if `user` may see it; raise a 404 `Problem` otherwise."""
    rows = Course.objects.filter(owner=user, slug=slug, deleted__isnull=not deleted)
    try:
        row = rows.first()
    except ValueError:
        raise damaged(rows.values_list("title", flat=True)[0], "settings: no JSON") from None
    if row is None:
        raise not_found("course")
    return row


def key_of(user: User, slug: str) -> int:
    """Return the key of the course `slug`, also of one that cannot be read."""
    key = Course.objects.filter(owner=user, slug=slug, deleted=None).values_list(
        "pk", flat=True).first()
    if key is None:
        raise not_found("course")
    return key


def damaged(title: str, what: str) -> Problem:
    """Return the 422 `Problem` for a course that cannot be read."""
    return Problem(
        422, "damaged", f"“{title}” cannot be read ({what}). All that is stored of it is kept. "
        "On the shelf you can export what is left.")


def reason_of(error: pydantic.ValidationError, where: str) -> str:
    """Return where and why something stored cannot be read."""
    return f"{where}, {reason(error)}"


def settings_in(text: str) -> core.Course | str:
    """Return the settings that a stored text holds, or why it cannot be read."""
    try:
        return core.Course.model_validate(json.loads(text))
    except pydantic.ValidationError as error:
        return reason_of(error, "settings")
    except (ValueError, RecursionError):
        return "settings: no JSON"


def settings_of(row: Course) -> core.Course:
    """Return the settings of a course; raises a 422 `Problem` where they cannot be read."""
    try:
        return core.Course.model_validate(row.document)
    except pydantic.ValidationError as error:
        raise damaged(row.title, reason_of(error, "settings")) from None


def slide_texts(row: Course) -> list[tuple[int, str]]:
    """Return the version and the JSON text of the slides that the course lists, in its order."""
    stored = row.slide_rows.annotate(text=Cast("document", TextField()))
    by_id = {name: (version, text) for name, version, text
             in stored.values_list("slide_id", "version", "text")}
    try:
        return [by_id[slide] for slide in row.document["slides"]]
    except (KeyError, TypeError) as error:
        raise damaged(row.title, f"no slide {error}") from None


def document_of(row: Course, progress: Progress = untold) -> core.CourseDocument:
    """Return the whole course as the core knows it; `progress` is told how much is read."""
    texts = telling(slide_texts(row), progress)
    settings = settings_of(row)
    slides = tuple(
        _slide_in(row, name, text) for name, (_, text) in zip(settings.slides, texts, strict=True))
    try:
        return core.CourseDocument(course=settings, slides=slides)
    except pydantic.ValidationError as error:
        raise damaged(row.title, reason_of(error, "course")) from None


def read_document(row: Course) -> core.CourseDocument:
    """Return the whole course; read once for several questions about the same state of it."""
    return _read_document(row.pk, state_of(row))


@lru_cache(maxsize=2)
def _read_document(course: int, _state: str) -> core.CourseDocument:
    return document_of(Course.objects.get(pk=course))


def forget() -> None:
    """Forget all that is kept in memory."""
    _read_document.cache_clear()


def _slide_in(row: Course, name: str, text: str) -> core.Slide:
    try:
        return core.Slide.model_validate_json(text)
    except pydantic.ValidationError as error:
        raise damaged(row.title, reason_of(error, f"slide {name}")) from None


def left_of(course: int) -> Salvaged:
    """Return what can be read of the course with the key `course`, whatever is wrong with it."""
    text = Cast("document", TextField())
    title, settings = Course.objects.annotate(text=text).values_list("title", "text").get(pk=course)
    slides = Slide.objects.filter(course=course).annotate(text=text).order_by("pk")
    return salvaged(settings, title, dict(slides.values_list("slide_id", "text")))


def colours_of(row: Course) -> core.Colours:
    """Return the colours of a course's theme."""
    return core.Theme.model_validate(row.document["theme"]).colours


def keep_shared(owner: User, file: core.MediaFile) -> SharedFile:
    """Put a file into the library of `owner`, if it is not there yet."""
    known = SharedFile.objects.filter(owner=owner, sha256=file.sha256).first()
    return known or SharedFile.objects.create(
        owner=owner, sha256=file.sha256, document=file.model_dump(mode="json"))


def slides_naming(row: Course, ids: Iterable[str]) -> dict[str, core.Slide]:
    """Return the slides of a course in whose text any of `ids` occurs, by id."""
    wanted = tuple(ids)
    if not wanted:
        return {}
    named = zip(row.document["slides"], slide_texts(row), strict=True)
    return {
        slide: core.Slide.model_validate_json(text) for slide, (_, text) in named
        if any(name in text for name in wanted)
    }


def document_at(row: Course, revision: int) -> core.CourseDocument:
    """Return the whole course as it was right after `revision` (its key) was written."""
    kept = row.revisions.filter(pk__lte=revision, version__gt=0).order_by("pk")
    settings = kept.filter(slide_id="").last()
    if settings is None:
        raise not_found("state of the course")
    course = core.Course.model_validate(core.migrated(settings.document))
    last = dict(
        kept.filter(slide_id__in=course.slides).values_list("slide_id").annotate(Max("pk"))
    )
    rows = {r.slide_id: r for r in Revision.objects.filter(pk__in=last.values())}
    present = tuple(slide for slide in course.slides if slide in rows)
    slides = tuple(
        core.Slide.model_validate(core.migrated_slide(rows[slide].document)) for slide in present)
    course = course.model_copy(update={"slides": present})
    return core.CourseDocument(course=course, slides=slides)


def free_slug(title: str) -> str:
    """Return a slug for `title` that no course has."""
    stem = slugify(title)[:60] or "course"
    slug, number = stem, 2
    while Course.objects.filter(slug=slug).exists():
        slug, number = f"{stem}-{number}", number + 1
    return slug


@dataclass(frozen=True)
class CourseRows:
    """A course as it goes into the database: the JSON of its settings and of its slides, by id."""

    settings: dict[str, Any]
    slides: dict[str, dict[str, Any]]


def rows_of(document: core.CourseDocument) -> CourseRows:
    """Return what `create_from` stores of `document`."""
    return CourseRows(
        document.course.model_dump(mode="json"),
        {slide.id: slide.model_dump(mode="json") for slide in document.slides},
    )


def create(user: User, document: core.CourseDocument) -> Course:
    """Store `document` as a new course of `user`."""
    return create_from(user, rows_of(document))


@transaction.atomic
def create_from(user: User, rows: CourseRows) -> Course:
    """Store a new course of `user`."""
    title = rows.settings["title"]
    hold(user, (file["sha256"] for file in rows.settings["media"]))
    row = Course.objects.create(
        owner=user, slug=free_slug(title), title=title, document=rows.settings)
    Slide.objects.bulk_create(
        Slide(course=row, slide_id=name, document=slide) for name, slide in rows.slides.items())
    Revision.of(row, row.document, 1, user).save()
    Revision.objects.bulk_create(
        Revision.of(row, slide, 1, user, name)
        for name, slide in rows.slides.items())
    return row


def write_settings(user: User, row: Course, base: int, settings: core.Course) -> Course:
    """Write the course's settings, made from version `base`.

    Raises a 409 `Problem` with those that others have written since, 422 when slides or
    the identity do not fit.
    """
    try:
        write(user, row, Versions(base), settings, {})
    except Stale:
        raise overtaken(row, None) from None
    return Course.objects.get(pk=row.pk)


def write_slide(user: User, row: Course, base: int, slide: core.Slide) -> Slide:
    """Write a slide, made from version `base`; 0 makes a new one.

    Raises a 409 `Problem` with the one that others have written since.
    """
    try:
        write(user, row, Versions(None, {slide.id: base}), None, {slide.id: slide})
    except Stale:
        raise overtaken(row, slide.id) from None
    return row.slide_rows.get(slide_id=slide.id)


def keep_aside(user: User, row: Course, slide: core.Slide) -> Revision:
    """Keep a state of a slide that never was, or no longer is, the present one."""
    kept = Revision.of(row, slide.model_dump(mode="json"), 0, user, slide.id)
    kept.save()
    return kept


@transaction.atomic
def remember_publication(row: Course, known: core.Remembered, remembered: core.Remembered) -> None:
    """Keep the numbers that a publication has given, without touching anything else.

    Raises `Again` where they are no longer those in `known` that the publication went out from.
    """
    row = Course.objects.select_for_update().get(pk=row.pk)
    if row.document.get("remembered", {}) != _listed(known):
        raise Again
    document = {**row.document, "remembered": _listed(remembered)}
    Course.objects.filter(pk=row.pk).update(document=document)


def _listed(numbers: core.Remembered) -> dict[str, list[str]]:
    return {kind: list(ids) for kind, ids in numbers.items()}


def state_of(row: Course) -> str:
    """Return what differs as soon as anything in a course was saved."""
    return f"{row.pk}.{row.revisions.aggregate(Max('pk'))['pk__max']}"
