"""The lines of a dialogue that are to be spoken, with the names of files to record them in."""

from collections.abc import Iterable
from dataclasses import dataclass

from zigzag_core.course.dialogues import Dialogue, SaidLine
from zigzag_core.csv_text import csv_text
from zigzag_core.editing.names import file_stem


@dataclass(frozen=True)
class VoiceLine:
    """A line to be spoken: its number from 1, who says it, and the `file` to record (no ending).

    It has a `voice` or none; one that says other words than those that stand there now is `old`.
    It may be spoken `by_machine`.
    """

    id: str
    number: int
    speaker: str
    mood: str
    words: str
    file: str
    voice: str | None
    old: bool
    by_machine: bool


def voice_lines(dialogue: Dialogue) -> tuple[VoiceLine, ...]:
    """Return all lines that somebody says, and advice, in the order of the script."""
    speakers = {speaker.id: speaker.name for speaker in dialogue.speakers}
    said = [line for beat in dialogue.beats for line in beat.lines if isinstance(line, SaidLine)]
    digits = max(len(str(len(said))), 2)
    found = []
    for number, line in enumerate(said, 1):
        who = speakers.get(line.speaker or "", "Advice")
        found.append(VoiceLine(
            line.id, number, who, line.mood, line.text,
            f"{number:0{digits}}-{file_stem(who) or 'speaker'}",
            line.voice, bool(line.voice and line.voiced and line.voiced != line.text),
            line.by_machine))
    return tuple(found)


def lines_csv(lines: Iterable[VoiceLine]) -> str:
    """Return `lines` as CSV, for those who record them."""
    return csv_text([("File", "Speaker", "Mood", "Words"),
                     *((one.file, one.speaker, one.mood, one.words) for one in lines)])
