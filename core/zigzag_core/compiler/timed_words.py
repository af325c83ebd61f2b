"""Whose words something goes by: lines that appear as they are spoken, words highlighted."""

from collections.abc import Iterator

from zigzag_core.course import Audio, MediaFile, Slide, Text, Video
from zigzag_core.course.dialogues import SaidLine
from zigzag_core.course.text.splitting import words_of
from zigzag_core.program.model import ProgramSpeech


def timed_on(slide: Slide) -> tuple[str, ...]:
    """Return the files of `slide` whose words have to be timed, by their ids."""
    return tuple(sorted({*_of_dialogues(slide), *_of_texts(slide)}))


def program_speech(file: MediaFile) -> ProgramSpeech | None:
    """Return the words of `file` with their times; None where these are not known."""
    speech = file.speech
    if speech is None or len(words_of(speech.words)) != len(speech.times):
        return None
    return ProgramSpeech(words=speech.words, since=tuple(one.since for one in speech.times))


def _of_dialogues(slide: Slide) -> Iterator[str]:
    for dialogue in slide.dialogues:
        if dialogue.appears == "at_once":
            continue
        for beat in dialogue.beats:
            for line in beat.lines:
                if isinstance(line, SaidLine) and line.voice:
                    yield line.voice


def _of_texts(slide: Slide) -> Iterator[str]:
    speaking = {one.spoken_by for one in slide.elements if isinstance(one, Text)}
    for element in slide.elements:
        if isinstance(element, Video | Audio) and element.media and element.id in speaking:
            yield element.media
