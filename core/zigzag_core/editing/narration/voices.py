"""How what is said sounds: files that become the voices of rows of the script."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass
from typing import Any, get_args

from zigzag_core.course import Audio, Course, CourseDocument, MediaFile, Slide
from zigzag_core.course.media import Speech
from zigzag_core.course.questions.feedback import Outcome, Shown
from zigzag_core.course.questions.question import Question

from .changing import with_feedback, with_line
from .script import ScriptPlace, rows_on
from .word_cues import with_words_timed


@dataclass(frozen=True)
class Voice:
    """A file that says `words` at a place; None takes the voice away."""

    place: ScriptPlace
    words: str
    file: MediaFile | None


def with_voices(slide: Slide, voices: Iterable[Voice]) -> Slide:
    """Return `slide` with voices at places on it, and cues where their words are heard now.

    A voice whose words are not those that stand there any more is left out.
    """
    said = {row.place: row.words for row in rows_on(slide, 1, {})}
    for voice in voices:
        if said.get(voice.place) == voice.words and voice.place.thing:
            slide = _PUT[voice.place.part](slide, voice.place, voice.file)
    return slide


def with_course_voices(document: CourseDocument, voices: Iterable[Voice]) -> CourseDocument:
    """Return `document` with voices at places in it, and their files among its media."""
    given = tuple(voices)
    by_slide: dict[str, list[Voice]] = {}
    for voice in given:
        by_slide.setdefault(voice.place.slide, []).append(voice)
    return document.model_copy(update={
        "course": with_files(document.course, given),
        "slides": tuple(with_voices(slide, by_slide[slide.id]) if slide.id in by_slide else slide
                        for slide in document.slides)})


def with_files(course: Course, voices: Iterable[Voice]) -> Course:
    """Return `course` with the files of voices, and what each says; what is known stays as it is.
    """
    media = {file.id: file for file in course.media}
    for voice in voices:
        if voice.file is not None:
            file = media.get(voice.file.id, voice.file)
            said = voice.file.speech or file.speech or Speech(words=voice.words)
            # A recording that is used once more, for other words, has other captions.
            same = file.speech == said
            media[file.id] = file.model_copy(update={
                "speech": said,
                "captions": file.captions if same else voice.file.captions or file.captions})
    if tuple(media.values()) == course.media:
        return course
    return course.model_copy(update={"media": tuple(media.values())})


def _narrated(slide: Slide, place: ScriptPlace, file: MediaFile | None) -> Slide:
    slide = slide.model_copy(update={"elements": tuple(
        e.model_copy(update={"media": file.id if file else None})
        if e.id == place.thing and isinstance(e, Audio) else e for e in slide.elements)})
    return with_words_timed(slide, place.thing, file) if file else slide


def _told(slide: Slide, place: ScriptPlace, file: MediaFile | None) -> Slide:
    outcome = next(one for one in get_args(Outcome) if one == place.within)

    def shows(question: Question) -> dict[str, Any]:
        shown = next((one for one in question.feedback.shows if one.after == outcome),
                     Shown(after=outcome))
        shown = shown.model_copy(update={"sound": file.id if file else None})
        others = tuple(one for one in question.feedback.shows if one.after != outcome)
        return {"shows": others if shown == Shown(after=outcome) else (*others, shown)}

    return with_feedback(slide, place.thing, shows)


def _spoken(slide: Slide, place: ScriptPlace, file: MediaFile | None) -> Slide:
    return with_line(slide, place.within, place.thing, lambda line: {
        "voice": file.id if file else None, "voiced": line.text if file else "",
        "by_machine": bool(file and file.speech and file.speech.by_machine)})


_PUT: dict[str, Callable[[Slide, ScriptPlace, MediaFile | None], Slide]] = {
    "slide": _narrated, "overlay": _narrated, "feedback": _told, "dialogue": _spoken,
}
