"""The script of a course: all that is spoken. Edits store nothing, they say what would be."""

from dataclasses import asdict
from typing import Any, Literal

from django.http import HttpRequest, HttpResponse
from ninja import Field, Router, Schema, Status
from zigzag_core import course as core
from zigzag_core.editing.narration.script import Part, ScriptPlace, VoiceState, script_of
from zigzag_core.editing.narration.sheets import LARGEST_SHEET, read_sheet, sheet_of
from zigzag_core.editing.narration.voices import Voice, with_files, with_voices
from zigzag_core.editing.narration.words import with_words

from zigzag_server import spreadsheets
from zigzag_server.accounts.auth import author
from zigzag_server.description import TYPE
from zigzag_server.jobs.api import JobOut
from zigzag_server.jobs.starting import start
from zigzag_server.problems import Problem, not_found

from . import holding, store
from .edited import Edited, between, edited, edited_slide

router = Router(tags=["script"])

MOST_ROWS = 20_000
Key = Field(max_length=120, pattern=r"^[^/]+/[a-z]+/[^/]*/[^/]*$")


class RowOut(Schema):
    """Something that is spoken, or might be: `key` names its place.

    `number` and `title` are of its slide; `part` and `name` say where there. The `voice` is a file,
    `length` ms long; a recording for it is to be called `file`. What is `again` would be spoken by
    machine next. What is not `plain` is edited where it stands. The file has so many `captions`,
    of which some are `too_fast` to be read, and a `loudness` in LUFS.
    """

    key: str
    slide: str
    part: Part
    thing: str
    number: int
    title: str
    name: str
    speaker: str
    words: str
    voice: str | None
    state: VoiceState
    again: bool
    length: int
    file: str
    plain: bool
    captions: int
    too_fast: int
    loudness: float | None


class ScriptRows(Schema):
    """The rows of a course's script, in the order of its slides."""

    rows: list[RowOut]


class WordsIn(Schema):
    """A slide, and what is said at a place on it from now on. Slides are `height` px high."""

    slide: core.Slide
    key: str = Key
    words: str = Field(max_length=20_000)
    height: int = Field(ge=1, le=4_000)


class VoiceIn(Schema):
    """A file that says `words` at a place; none takes the voice away."""

    key: str = Key
    words: str = Field(max_length=20_000)
    file: core.MediaFile | None = None


class VoicesIn(Schema):
    """Settings and slides of a course, and voices at places there."""

    course: core.Course
    slides: list[core.Slide] = Field(max_length=5_000)
    voices: list[VoiceIn] = Field(max_length=MOST_ROWS)


class HeardIn(Schema):
    """Recordings of the words at places."""

    voices: list[VoiceIn] = Field(max_length=500)


class SpeakIn(Schema):
    """The places that are to be spoken; without any, all that need it."""

    keys: list[str] | None = Field(default=None, max_length=MOST_ROWS)


class SheetIn(Schema):
    """A table of the script as text (CSV)."""

    text: str = Field(max_length=LARGEST_SHEET)


@router.get("/courses/{slug}/script", response=ScriptRows)
def show_script(request: HttpRequest, slug: str) -> dict[str, Any]:
    """Return all that is spoken in a saved course, and slides that say nothing yet."""
    return {"rows": [
        {**asdict(row), "key": row.place.key, "slide": row.place.slide, "part": row.place.part,
         "thing": row.place.thing}
        for row in script_of(store.read_document(store.course_of(author(request), slug)))]}


@router.get("/courses/{slug}/script.{form}", response={200: bytes},
            openapi_extra={TYPE: tuple(spreadsheets.TYPES.values())})
def download_script(
    request: HttpRequest, slug: str, form: Literal["csv", "xlsx"]
) -> HttpResponse:
    """Download the script as a table, with the names of the files to record: `csv`, or `xlsx`."""
    document = store.read_document(store.course_of(author(request), slug))
    return spreadsheets.download(sheet_of(script_of(document)), form, "Script", f"script-{slug}")


@router.post("/edits/script/words", response=Edited)
def edit_words(request: HttpRequest, data: WordsIn) -> dict[str, Any]:
    """Let other words be said at a place of a slide; a slide that says nothing gets a narration."""
    place = _place(data.key)
    if place.slide != data.slide.id:
        raise not_found("place")
    after = with_words(data.slide, place, data.words, core.system_ids(), data.height)
    return edited_slide(data.slide, after)


@router.post("/edits/script/voices", response=Edited)
def edit_voices(request: HttpRequest, data: VoicesIn) -> dict[str, Any]:
    """Let files be the voices of places; those whose words have changed meanwhile are left out."""
    voices = [Voice(_place(one.key), one.words, one.file) for one in data.voices]
    course = with_files(data.course, voices)
    after = [
        with_voices(slide, [voice for voice in voices if voice.place.slide == slide.id])
        for slide in data.slides]
    before = {slide.id: slide for slide in data.slides}
    return edited(before, [slide for slide in after if slide != before[slide.id]], (),
                  (data.course, course))


@router.post("/edits/script/sheet/{slug}", response=Edited)
def edit_by_sheet(request: HttpRequest, slug: str, data: SheetIn) -> dict[str, Any]:
    """Take the words of a table into a saved course: what it would change, and what was left out.
    """
    document = store.document_of(store.course_of(author(request), slug))
    read = read_sheet(data.text, script_of(document))
    fresh, height = core.system_ids(), document.course.size.h
    slides = {slide.id: slide for slide in document.slides}
    for key, words in read.words.items():
        place = ScriptPlace.of(key)
        slides[place.slide] = with_words(slides[place.slide], place, words, fresh, height)
    after = document.model_copy(update={"slides": tuple(slides.values())})
    unknown = ", ".join(map(str, read.unknown[:20]))
    return {**between(document, after), "left_out": len(read.unknown),
            "notes": [f"Not in the course: line {unknown}."] if unknown else []}


@router.post("/edits/script/speak/{slug}", response={202: JobOut})
def speak(request: HttpRequest, slug: str, data: SpeakIn) -> Status[Any]:
    """Let machine voices speak what needs it in a saved course: a job.

    Its result has the files by place, with the words that they say. Nothing is stored.
    """
    user = author(request)
    row = store.course_of(user, slug)
    return Status(202, start(user, "speak", {"course": row.pk, "keys": data.keys}, course=row.pk))


@router.post("/edits/script/hear/{slug}", response={202: JobOut})
def hear(request: HttpRequest, slug: str, data: HeardIn) -> Status[Any]:
    """Find out when each word is heard in recordings of what a saved course says: a job.

    Its result has the files by place, with the times of their words and captions of them. Nothing
    is stored.
    """
    user = author(request)
    row = store.course_of(user, slug)
    recordings = [one for one in data.voices if one.file is not None]
    holding.check(user.pk, [one.file for one in recordings if one.file],
                  [file.sha256 for file in store.settings_of(row).media])
    asked = [one.model_dump(mode="json") for one in recordings]
    return Status(202, start(user, "hear", {"course": row.pk, "voices": asked}, course=row.pk))


def _place(key: str) -> ScriptPlace:
    try:
        return ScriptPlace.of(key)
    except ValueError:
        raise Problem(422, "no_such_place", f"“{key}” is no place in a script. Nothing was "
                      "changed.") from None
