"""Jobs with whole courses: taking in an archive, making one, and copying a course."""

import uuid
from typing import Any, BinaryIO

from django.contrib.auth.models import User
from django.core.files.base import ContentFile
from django.core.files.storage import default_storage
from zigzag_core.course import Colours, CourseDocument, MediaFile, system_ids
from zigzag_core.editing.copies.copying import duplicate_course
from zigzag_core.editing.mending import mended
from zigzag_core.editing.names import free_title
from zigzag_core.errors import BadFile
from zigzag_core.media.digest import sha256_of
from zigzag_core.media.transcoding import Quality
from zigzag_core.packaging.archive import export_archive
from zigzag_core.voice.course import spoken
from zigzag_core.voice.recordings import heard_in

from zigzag_server.jobs import uploads
from zigzag_server.jobs.kinds import Finish, Report, in_words, kind
from zigzag_server.storage import storage

from . import converting, files, store
from .edited import Edited
from .importing import take_in_course
from .models import Course
from .replacing import ReplaceIn, replaced
from .speaking import keeper
from .taking import NotPlayed, named, take_in

MOST_LEFT_OUT = 50
"""Of what was left out no more is told."""


@kind("import", "Taking in the course", cleanup=uploads.remove)
def import_course(owner: User, report: Report, upload: str) -> Finish:
    """Take in the course archive that was kept as `upload`."""
    with uploads.opened(upload) as file:
        return take_in_course(owner, report, file)


@kind("take", "Looking into the file", seconds=120, priority=2, cleanup=uploads.remove)
def take_file(
    owner: User, report: Report, upload: str, name: str, course: int | None
) -> Finish:
    """Take in the file that was kept as `upload`: for a course, or else for the library.

    A job that converts it goes on with what browsers do not play.
    """
    report(0, f"Looking into “{name}”")
    with uploads.opened(upload) as content:
        try:
            file = take_in(owner, name, content)
        except NotPlayed as found:
            quality = converting.first_quality(found.duration)
            before = converting.made_before(owner, sha256_of(content), quality, name)
            if before is None:
                goes_on = converting.wait_for_conversion(owner, content, name, course, found)
                return lambda: {"next": goes_on.pk}
            file = before.model_copy(update={"chapters": found.chapters})
    return _kept(owner, file, course)


@kind("convert", "Converting the file", seconds=4 * 3_600, priority=0)
def convert_file(
    owner: User, report: Report, sha256: str, quality: Quality, course: int | None,
    about: dict[str, Any], played: dict[str, Any] | None,
) -> Finish:
    """Make a stored video or audio into one that browsers play, of a `quality`.

    It is for a course, or else for the library; see `converting.begin`.
    """
    name = about["name"]
    report(0, f"Converting “{name}”")
    try:
        made = converting.convert(
            owner, sha256, quality, name, in_words(report, 0, 1, f"Converting “{name}”"))
    except BadFile as error:
        raise named(error, name) from None
    file = converting.belonging(made, about)
    kept = _kept(owner, file, course)

    def finish() -> dict[str, Any]:
        converting.note(owner, file, sha256, quality, played)
        return kept()
    return finish


def _kept(owner: User, file: MediaFile, course: int | None) -> Finish:
    """What puts a file into the library where it is for no course, and tells of it."""
    colours = store.colours_of(Course.objects.get(pk=course)) if course else Colours()
    result = {**files.shown(file, colours), "file": file.model_dump(mode="json")}

    def finish() -> dict[str, Any]:
        shared = None if course else store.keep_shared(owner, file).pk
        return {"media": result, "shared": shared}
    return finish


@kind("export", "Making the archive")
def export_course(owner: User, report: Report, course: int) -> Finish:
    """Make the archive of the course with the key `course` as it is now, media and all."""
    row = Course.objects.get(pk=course)
    path = _packed(store.document_of(row), report)
    return lambda: {"path": path, "file": f"{row.slug}.zigzag"}


def _packed(document: CourseDocument, report: Report) -> str:
    """Make the archive of a course, and return where it is stored."""
    done = 0

    def media(file: MediaFile) -> BinaryIO:
        nonlocal done
        report(0.2 + 0.7 * done / len(document.course.media), f"Packing “{file.name}”")
        done += 1
        return files.opened_of(file)

    path = f"results/{uuid.uuid4().hex}"
    with storage().writing(path) as into:
        export_archive(document, media, into)
    return path


@kind("export_left", "Saving what is left")
def export_left(owner: User, report: Report, course: int) -> Finish:
    """Make an archive of what can be read of the course with the key `course`."""
    slug = Course.objects.values_list("slug", flat=True).get(pk=course)
    left = store.left_of(course)
    report(0.1, "Looking at the media")
    there: list[MediaFile] = []
    gone: list[MediaFile] = []
    for file in left.document.course.media:
        (there if files.is_whole(file.sha256) else gone).append(file)
    settings = left.document.course.model_copy(update={"media": tuple(there)})
    document = mended(left.document.model_copy(update={"course": settings}))
    path = _packed(document, report)
    left_out = [*left.left_out, *(f"{file.name}: not stored" for file in gone)][:MOST_LEFT_OUT]
    return lambda: {"path": path, "file": f"{slug}-what-is-left.zigzag", "left_out": left_out}


@kind("speak", "Speaking")
def speak_course(
    owner: User, report: Report, course: int, keys: list[str] | None
) -> Finish:
    """Speak what has no voice yet in a course, or other words than it says; `keys`: only there."""
    document = store.document_of(Course.objects.get(pk=course))
    made = spoken(document, keeper(owner), in_words(report, 0, 1, "Speaking"), keys)
    colours = document.course.theme.colours
    voices = [{"key": voice.place.key, "words": voice.words, "media": {
        **files.shown(voice.file, colours), "file": voice.file.model_dump(mode="json")}}
        for voice in made if voice.file]
    return lambda: {"voices": voices}


@kind("hear", "Listening to recordings")
def hear_recordings(
    owner: User, report: Report, course: int, voices: list[dict[str, Any]]
) -> Finish:
    """Find out when each word is heard in recordings of a course's words, and make captions."""
    settings = store.settings_of(Course.objects.get(pk=course))
    told, keep, found = in_words(report, 0, 1, "Listening to recordings"), keeper(owner), []
    for number, voice in enumerate(voices):
        told(number / len(voices))
        file = MediaFile.model_validate(voice["file"])
        with files.opened_of(file) as content:
            heard = heard_in(file, content, voice["words"], settings, keep)
        found.append({"key": voice["key"], "words": voice["words"], "media": {
            **files.shown(heard, settings.theme.colours), "file": heard.model_dump(mode="json")}})
    return lambda: {"voices": found}


@kind("duplicate", "Copying the course")
def copy_course(owner: User, report: Report, course: int) -> Finish:
    """Make a copy of the course with the key `course`, under a title that is free."""
    row = Course.objects.get(pk=course)
    report(0.1, "Reading the course")
    document = store.document_of(row)
    title = free_title(row.title, store.titles_of(owner))
    report(0.4, "Copying")
    rows = store.rows_of(duplicate_course(document, title, system_ids()))
    report(0.9, "Storing the copy")

    def finish() -> dict[str, str]:
        copy = store.create_from(owner, rows)
        return {"course": copy.slug, "title": copy.title}
    return finish


@kind("replace", "Replacing", priority=2)
def replace_all(owner: User, report: Report, course: int, asked: dict[str, Any]) -> Finish:
    """Work out what replacing changes in the course with the key `course`: a file of JSON."""
    reading = in_words(report, 0, 0.4, "Reading the course")
    replacing = in_words(report, 0.4, 0.8, "Replacing")
    before = store.document_of(Course.objects.get(pk=course), reading)
    found = replaced(before, ReplaceIn.model_validate(asked), replacing)
    text = Edited.model_validate(found).model_dump_json()
    path = default_storage.save(f"results/{uuid.uuid4().hex}", ContentFile(text.encode()))
    return lambda: {"path": path, "file": "replaced.json"}
