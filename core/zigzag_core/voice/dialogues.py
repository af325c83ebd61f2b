"""The lines of a dialogue, spoken by machine."""

from collections.abc import Callable, Mapping

from zigzag_core.course.dialogues import Dialogue, SaidLine, SpeakerVoice
from zigzag_core.course.media import MediaFile
from zigzag_core.course.reporting import Progress, untold
from zigzag_core.editing.dialogues.voices import VoiceLine, voice_lines

from .encoding import as_mp3
from .espeak import speak
from .speech import Manner, Synthesiser

Keep = Callable[[str, bytes, int], MediaFile]
"""Keeps a sound file (its name, its bytes, its length in ms) and says what it is."""


def to_speak(dialogue: Dialogue) -> tuple[VoiceLine, ...]:
    """Return the lines without a voice, and those spoken by machine whose words were changed."""
    return tuple(line for line in voice_lines(dialogue)
                 if line.words.strip() and (not line.voice or (line.old and line.by_machine)))


def spoken(
    dialogue: Dialogue, language: str, keep: Keep, progress: Progress = untold,
    synthesiser: Synthesiser = speak,
) -> dict[str, MediaFile]:
    """Speak what is `to_speak`, each line in its speaker's voice; return the files by line.

    `language` is that of the course. `progress` is told how much is done. Raises `CannotSpeak`.
    """
    voices = {speaker.name: speaker.voice for speaker in dialogue.speakers}
    lines, found = to_speak(dialogue), {}
    for number, line in enumerate(lines):
        progress(number / len(lines))
        voice = voices.get(line.speaker, SpeakerVoice())
        manner = Manner(language, voice.voice, voice.speed, voice.pitch)
        speech = synthesiser(line.words, manner)
        found[line.id] = keep(f"{line.file}.mp3", as_mp3(speech), speech.duration)
    return found


def with_voices(dialogue: Dialogue, voices: Mapping[str, MediaFile]) -> Dialogue:
    """Return `dialogue` with these files as the voices of its lines, spoken by machine."""

    def voiced(line: object) -> object:
        if not isinstance(line, SaidLine) or line.id not in voices:
            return line
        return line.model_copy(update={
            "voice": voices[line.id].id, "voiced": line.text, "by_machine": True})

    return dialogue.model_copy(update={"beats": tuple(
        beat.model_copy(update={"lines": tuple(map(voiced, beat.lines))})
        for beat in dialogue.beats)})
