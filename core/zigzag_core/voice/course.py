"""What is spoken in a course, spoken by machine."""

from collections.abc import Callable, Collection

from zigzag_core.course import CourseDocument
from zigzag_core.course.media import MediaFile, Speech, WordTime
from zigzag_core.course.reporting import Progress, untold
from zigzag_core.course.voices import SpeakerVoice
from zigzag_core.editing.narration.script import ScriptRow, script_of
from zigzag_core.editing.narration.voices import Voice
from zigzag_core.media.captioning import captions_of

from .encoding import as_mp3, brought_to_level
from .espeak import speak
from .speech import Manner, Synthesiser

Keep = Callable[[str, bytes, int], MediaFile]
"""Keeps a sound file (its name, its bytes, its length in ms) and says what it is."""


def to_speak(
    document: CourseDocument, keys: Collection[str] | None = None
) -> tuple[ScriptRow, ...]:
    """Return what has no voice, and what a machine spoke before its words were changed.

    With `keys` it is all that is said at these places.
    """
    return tuple(
        row for row in script_of(document)
        if (row.again if keys is None else row.place.key in keys and row.words.strip()))


def spoken(
    document: CourseDocument, keep: Keep, progress: Progress = untold,
    keys: Collection[str] | None = None, synthesiser: Synthesiser = speak,
) -> tuple[Voice, ...]:
    """Speak what is `to_speak`, each row in its speaker's voice; return the voices.

    Their files know their words, when each is heard, and have captions. `progress` is told how
    much is done. Raises `CannotSpeak`.
    """
    rows, found = to_speak(document, keys), []
    voices = _voices(document)
    pronounced = tuple((one.written, one.spoken) for one in document.course.pronunciations)
    for number, row in enumerate(rows):
        progress(number / len(rows))
        voice = voices.get(_of(row), voices.get(("", ""), SpeakerVoice()))
        speech = synthesiser(row.words, Manner(
            document.course.language, voice.voice, voice.speed, voice.pitch, pronounced))
        loud = brought_to_level(speech)
        file = keep(f"{row.file}.mp3", as_mp3(loud.speech), speech.duration)
        said = Speech(words=row.words, by_machine=True, times=tuple(
            WordTime(since=since, until=until) for since, until in speech.times))
        found.append(Voice(row.place, row.words, file.model_copy(
            update={"speech": said, "captions": captions_of(said), "loudness": loud.lufs})))
    return tuple(found)


def _of(row: ScriptRow) -> tuple[str, str]:
    dialogue = row.place.within if row.place.part == "dialogue" else ""
    return dialogue, row.speaker.casefold()


def _voices(document: CourseDocument) -> dict[tuple[str, str], SpeakerVoice]:
    """The voices of narrators, and of the people of each dialogue."""
    found = {("", one.name.casefold()): one.voice for one in document.course.narrators}
    for slide in document.slides:
        for dialogue in slide.dialogues:
            for speaker in dialogue.speakers:
                found[dialogue.id, speaker.name.casefold()] = speaker.voice
    return found
