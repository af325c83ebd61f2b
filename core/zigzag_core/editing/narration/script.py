"""All that may be spoken in a course, as rows."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from typing import Literal, Self, cast, get_args

from zigzag_core.course import Audio, CourseDocument, MediaFile, Slide, plain, rich
from zigzag_core.course.questions.feedback import Outcome
from zigzag_core.course.reading_speed import too_fast
from zigzag_core.editing.dialogues.voices import voice_lines
from zigzag_core.editing.names import file_stem

Part = Literal["slide", "overlay", "feedback", "dialogue"]
VoiceState = Literal["silent", "missing", "recorded", "machine", "changed"]
"""It needs no voice; it has none; it was recorded; spoken by machine; or says other words."""


@dataclass(frozen=True)
class ScriptPlace:
    """Where something is spoken: on a slide, `within` an overlay or dialogue, or after an outcome.

    `thing` is an element, a line or a question; empty for a slide that says nothing yet.
    """

    slide: str
    part: Part
    within: str = ""
    thing: str = ""

    @property
    def key(self) -> str:
        """The place as one text."""
        return f"{self.slide}/{self.part}/{self.within}/{self.thing}"

    @classmethod
    def of(cls, key: str) -> Self:
        """Return the place with this key. Raises `ValueError` where it is none."""
        slide, part, within, thing = key.split("/")
        if part not in get_args(Part):
            raise ValueError(f"there is no part “{part}”")
        return cls(slide, cast(Part, part), within, thing)


@dataclass(frozen=True)
class ScriptRow:
    """What is spoken at a `place`: `number` and `title` are of its slide, `name` says where there.

    The `voice` is a file, `length` ms long; `file` what a recording is to be called, without its
    ending. What has no voice, and what a machine spoke before its words were changed, is spoken
    `again`; feedback has a voice only where somebody wants one. Words with emphasis or values in
    them are not `plain`: they are edited where they stand. The file has so many `captions`, of
    which some are `too_fast` to be read, and a `loudness` in LUFS.
    """

    place: ScriptPlace
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
    plain: bool = True
    captions: int = 0
    too_fast: int = 0
    loudness: float | None = None


def script_of(document: CourseDocument) -> tuple[ScriptRow, ...]:
    """Return the rows of the whole course, in the order of its slides."""
    media = {file.id: file for file in document.course.media}
    digits = max(len(str(len(document.slides))), 2)
    rows = []
    for number, slide in enumerate(document.slides, 1):
        stem = f"{number:0{digits}}-{file_stem(slide.title) or 'slide'}"
        here = tuple(rows_on(slide, number, media))
        for place, row in enumerate(here, 1):
            rows.append(replace(row, file=stem if len(here) == 1 else f"{stem}-{place:02}"))
    return tuple(rows)


def rows_on(
    slide: Slide, number: int, media: Mapping[str, MediaFile]
) -> Iterator[ScriptRow]:
    """Yield what is spoken on `slide`; where nothing is, a row for what might be."""

    def row(place: ScriptPlace, name: str, speaker: str, words: str, voice: str | None,
            said: tuple[str | None, bool] | None = None, is_plain: bool = True) -> ScriptRow:
        file = media.get(voice or "")
        heard, machine = said or _said(file)
        state = _state(words, file, heard, machine)
        if state == "missing" and place.part == "feedback":
            state = "silent"
        return ScriptRow(
            place, number, slide.title, name, speaker, words, file.id if file else None, state,
            state == "missing" or (state == "changed" and machine),
            file.duration if file else 0, "", is_plain,
            len(file.captions) if file else 0, len(too_fast(file.captions)) if file else 0,
            file.loudness if file else None)

    overlays = {overlay.id: overlay.name for overlay in slide.overlays}
    told = [one for one in slide.elements if isinstance(one, Audio) and one.narration]
    if not any(one.overlay is None for one in told):
        yield row(ScriptPlace(slide.id, "slide"), "", "", "", None)
    for one in sorted(told, key=lambda one: one.overlay is not None):
        part: Part = "slide" if one.overlay is None else "overlay"
        yield row(ScriptPlace(slide.id, part, one.overlay or "", one.id),
                  overlays.get(one.overlay or "", ""), one.narrator, one.words, one.media)
    for question in slide.questions:
        sounds = {shown.after: shown.sound for shown in question.feedback.shows}
        for outcome in get_args(Outcome):
            told_then = getattr(question.feedback, outcome)
            words = plain(told_then)
            if words:
                yield row(ScriptPlace(slide.id, "feedback", outcome, question.id), outcome, "",
                          words, sounds.get(outcome), is_plain=rich(words) == told_then)
    for dialogue in slide.dialogues:
        for line in voice_lines(dialogue):
            said = (None if not line.old else "", line.by_machine)
            yield row(ScriptPlace(slide.id, "dialogue", dialogue.id, line.id), dialogue.name,
                      line.speaker, line.words, line.voice, said)


def _said(file: MediaFile | None) -> tuple[str | None, bool]:
    """What is said in a file, where that is known; and whether a machine says it."""
    if file is None or file.speech is None:
        return None, False
    return file.speech.words, file.speech.by_machine


def _state(words: str, file: MediaFile | None, heard: str | None, machine: bool) -> VoiceState:
    if file is None:
        return "missing" if words.strip() else "silent"
    if heard is not None and heard != words:
        return "changed"
    return "machine" if machine else "recorded"
