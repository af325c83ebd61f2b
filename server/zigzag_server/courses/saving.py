"""Saving changes: each is made from versions, and goes together with what others saved since."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field
from typing import Any

import pydantic
from django.contrib.auth.models import User
from django.db import transaction
from django.utils import timezone
from zigzag_core import course as core
from zigzag_core.editing.changes import (
    Applied,
    Change,
    Conflict,
    SetValue,
    apply,
    diff,
    merge,
)

from zigzag_server.problems import Problem

from .holding import check
from .models import Course, Revision, Slide

TRIES = 5
"""So often is a change put together anew when others save at the same moment."""


@dataclass(frozen=True)
class Versions:
    """Numbers of the states of the settings (None: they are not meant) and of slides, by id."""

    course: int | None = None
    slides: Mapping[str, int] = field(default_factory=dict)


@dataclass(frozen=True)
class Saved:
    """The versions after a change, and the documents in which it met what others had saved."""

    versions: Versions
    merged: Mapping[str, Any]


@dataclass(frozen=True)
class Documents:
    """Settings (None: they are not meant) and slides by id, with their versions.

    A slide that there is not yet has version 0 and no document.
    """

    versions: Versions
    course: dict[str, Any] | None
    slides: Mapping[str, dict[str, Any]]

    def json(self, names: Iterable[str] | None = None) -> dict[str, Any]:
        """The documents as one, or those of the slides `names` and, for ``""``, the settings."""
        wanted = None if names is None else set(names)
        found: dict[str, Any] = {"slides": {
            name: slide for name, slide in self.slides.items() if wanted is None or name in wanted
        }}
        if self.course is not None and (wanted is None or "" in wanted):
            found["course"] = self.course
        return found


class Stale(Exception):
    """Somebody else has written at the same moment."""


def save(user: User, row: Course, base: Versions, change: Change) -> Saved:
    """Write `change`, made from the versions `base`, to a course of `user`: all of it or nothing.

    What others have saved since stays, and goes together with the change. Raises a 409 `Problem`
    where both have changed the same, with the paths, their documents, and these with what of
    the change is in no conflict; 422 where the course would break a rule. Sending a change twice
    writes it once.
    """
    for _ in range(TRIES):
        now = _read(row, change)
        stale = _stale(base, now.versions)
        applied = _put_together(row, base, now, stale, change)
        try:
            settings, slides = _checked(applied.document, now)
        except pydantic.ValidationError as error:
            if stale:
                raise conflict(
                    now, stale, _only(applied.document, stale), applied.conflicts,
                    str(error.errors()[0]["msg"]),
                ) from error
            raise
        if applied.conflicts:
            raise conflict(now, stale, _only(applied.document, stale), applied.conflicts)
        try:
            versions = write(user, row, now.versions, settings, slides)
        except Stale:
            continue
        return Saved(versions, _only(applied.document, stale))
    raise Problem(
        503, "busy", "Others are saving in this course without a break. What you changed is kept "
        "in your browser and is sent again.")


@transaction.atomic
def write(
    user: User, row: Course, base: Versions,
    settings: core.Course | None, slides: Mapping[str, core.Slide],
) -> Versions:
    """Write documents over those of the versions `base`, and a revision for each.

    Raises `Stale` where the versions are others by now, and a 422 `Problem` where the settings
    are another course's or list slides that there are not.
    """
    written: dict[str, int] = {}
    for name, slide in slides.items():
        written[name] = base.slides.get(name, 0) + 1
        _write_slide(user, row, slide, written[name])
    course = None
    if settings is not None and base.course is not None:
        course = base.course + 1
        _write_settings(user, row, settings, course)
    elif slides:
        Course.objects.filter(pk=row.pk).update(changed=timezone.now())
    return Versions(course, written)


def _write_slide(user: User, row: Course, slide: core.Slide, version: int) -> None:
    document = slide.model_dump(mode="json")
    if version == 1:
        _, made = Slide.objects.get_or_create(
            course=row, slide_id=slide.id, defaults={"document": document})
    else:
        made = bool(Slide.objects.filter(
            course=row, slide_id=slide.id, version=version - 1,
        ).update(document=document, version=version, changed=timezone.now()))
    if not made:
        raise Stale
    Revision.of(row, document, version, user, slide.id).save()


def _write_settings(user: User, row: Course, settings: core.Course, version: int) -> None:
    stored = Course.objects.select_for_update().get(pk=row.pk)
    if stored.version != version - 1:
        raise Stale
    if settings.id != stored.document["id"]:
        raise Problem(422, "other_course", "These settings belong to another course.")
    known = set(stored.slide_rows.values_list("slide_id", flat=True))
    if missing := [slide for slide in settings.slides if slide not in known]:
        raise Problem(422, "no_such_slide",
                      f"The course lists a slide that does not exist: {missing[0]}.")
    check(stored.owner_id, settings.media, (file["sha256"] for file in stored.document["media"]))
    document = settings.model_dump(mode="json")
    # What was published keeps its numbers for good, whatever an editor sends.
    document["remembered"] = stored.document.get("remembered", {})
    stored.document, stored.title, stored.version = document, settings.title, version
    stored.save()
    Revision.of(row, document, version, user).save()


def _read(row: Course, change: Change) -> Documents:
    """What stands now of all that `change` touches."""
    touched: set[str] = set()
    settings = False
    for operation in change.operations:
        match operation.path:
            case ("course", *_):
                settings = True
            case ("slides", name, *_):
                touched.add(name)
            case _:
                raise Problem(422, "no_such_path",
                              "The change refers to nothing in a course. Nothing was changed.")
    stored = Course.objects.get(pk=row.pk)
    rows = {slide.slide_id: slide for slide in row.slide_rows.filter(slide_id__in=touched)}
    return Documents(
        Versions(
            stored.version if settings else None,
            {name: rows[name].version if name in rows else 0 for name in touched},
        ),
        stored.document if settings else None,
        {name: slide.document for name, slide in rows.items()},
    )


def _stale(base: Versions, now: Versions) -> list[str]:
    """The slides that have changed since `base`, and "" if the settings have."""
    stale = [name for name, version in now.slides.items()
             if version and base.slides.get(name, 0) != version]
    return [*stale, ""] if now.course is not None and base.course != now.course else stale


def _put_together(
    row: Course, base: Versions, now: Documents, stale: list[str], change: Change
) -> Applied:
    if not stale:
        return apply(change, now.json(), force=True)
    before = _as_of(row, base, stale)
    if before is None:
        return apply(change, now.json())
    return merge(change, diff(before, now.json(stale)), now.json())


def _as_of(row: Course, base: Versions, names: Iterable[str]) -> dict[str, Any] | None:
    """The documents `names` as they were at `base`; None where they are kept no more."""
    found: dict[str, Any] = {"slides": {}}
    for name in names:
        version = base.slides.get(name, 0) if name else base.course
        if not version:
            continue
        kept = row.revisions.filter(slide_id=name, version=version).first()
        if kept is None:
            return None
        if name:
            found["slides"][name] = core.migrated_slide(kept.document)
        else:
            found["course"] = core.migrated(kept.document)
    return found


def _checked(
    document: dict[str, Any], now: Documents
) -> tuple[core.Course | None, dict[str, core.Slide]]:
    """The documents that differ from `now`, as models; raises Pydantic's `ValidationError`."""
    course = document.get("course")
    settings = None if course is None or course is now.course else (
        core.Course.model_validate(course))
    slides = {
        name: core.Slide.model_validate(slide) for name, slide in document["slides"].items()
        if slide is not now.slides.get(name)
    }
    for name, slide in slides.items():
        if slide.id != name:
            raise Problem(422, "other_slide", "The slide's id differs from the one of its place.")
    return settings, slides


def _only(document: Mapping[str, Any], names: Iterable[str]) -> dict[str, Any]:
    found: dict[str, Any] = {"slides": {
        name: document["slides"][name] for name in names if name in document["slides"]}}
    if "" in names and "course" in document:
        found["course"] = document["course"]
    return found


def overtaken(row: Course, slide_id: str | None) -> Problem:
    """Return the 409 `Problem` for a slide, or the settings (None), that were written as a whole
    and that others have changed since."""
    row.refresh_from_db()
    if slide_id is None:
        path: tuple[str, ...] = ("course",)
        now = Documents(Versions(row.version), row.document, {})
    else:
        path = ("slides", slide_id)
        found = row.slide_rows.filter(slide_id=slide_id)
        now = Documents(
            Versions(None, {slide.slide_id: slide.version for slide in found}), None,
            {slide.slide_id: slide.document for slide in found},
        )
    whole = SetValue.model_construct(path=path, value=None, was=None)
    return conflict(now, [slide_id or ""], {}, [Conflict(whole, "changed")])


def conflict(
    now: Documents, stale: list[str], merged: dict[str, Any], conflicts: Iterable[Conflict],
    reason: str = "",
) -> Problem:
    """Return the 409 `Problem` for what others have changed since, in its one form.

    `conflicts` are the places that both have changed; `theirs` are the documents as they are
    now, `merged` these with what of the change is in no conflict.
    """
    return Problem(
        409, "conflict",
        "The same was changed elsewhere in the meantime. Nothing was overwritten: look at both "
        "versions and choose.",
        conflicts=[{"path": list(one.operation.path), "why": one.why} for one in conflicts],
        reason=reason,
        versions={"course": now.versions.course, "slides": dict(now.versions.slides)},
        theirs=now.json(stale), merged=merged,
    )
