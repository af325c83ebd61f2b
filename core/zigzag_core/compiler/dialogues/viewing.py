"""Which elements of a slide learners see as people who talk, and how they stand there."""

from zigzag_core.course import Slide
from zigzag_core.course.dialogues import (
    DialogueReply,
    Line,
    SaidLine,
    Speaker,
    StageDirection,
)
from zigzag_core.dialogue.settings import read_pause
from zigzag_core.program.model import PersonOnStage, ProgramDialogue, SaidEntry, ShownMeter

from .holding import held_lines
from .moments import (
    Moments,
    again_of,
    back_of,
    moments_of,
    onward_of,
    reply_of,
    said_in,
    words_of,
)


def program_dialogues(slide: Slide) -> tuple[ProgramDialogue, ...]:
    """Return how the dialogues of `slide` are seen."""
    found = map(moments_of, slide.dialogues)
    return tuple(_View(moments).made() for moments in found if moments)


class _View:
    """How one dialogue is seen."""

    def __init__(self, moments: Moments) -> None:
        self.moments, self.dialogue = moments, moments.dialogue
        self.people = {speaker.id: n for n, speaker in enumerate(self.dialogue.speakers)}
        self.held = held_lines(moments)
        self.moment_of = {one.line.id: one.number for one in moments.all if one.line}
        self.scenery: dict[tuple[str, str], str | None] = {
            (one.kind, one.words.casefold()): one.media for one in self.dialogue.scenery}

    def made(self) -> ProgramDialogue:
        """The dialogue as it is seen."""
        at, all_moments = self.dialogue, self.moments.all
        buttons = [
            name for one in all_moments for name in (
                [reply_of(reply) for reply in one.beat.replies]
                if one.last and one.beat.replies else [onward_of(one)])]
        return ProgramDialogue(
            id=at.id, title=at.name, x=at.x, y=at.y, w=at.w, h=at.h, said=said_in(at),
            entries=tuple(self._entry(what) for what in self.moments.happens),
            people=tuple(
                PersonOnStage(name=one.name, at=one.at, size=one.size, flipped=one.flipped)
                for one in at.speakers),
            buttons=tuple(buttons),
            again=again_of(at) if at.again else None,
            back=back_of(at) if at.back else None, appears=at.appears,
            meters=tuple(
                ShownMeter(variable=one.variable, low=one.low, high=one.high)
                for one in at.shows))

    def _entry(self, what: Line | DialogueReply) -> SaidEntry:
        match what:
            case DialogueReply():
                return SaidEntry(
                    kind="reply", element=reply_of(what), ms=round((what.after or 0) * 1000))
            case SaidLine(speaker=speaker) if speaker not in self.people:
                return SaidEntry(
                    kind="advice", element=words_of(what), sound=what.voice,
                    later=self.moment_of[what.id] in self.held)
            case SaidLine(speaker=speaker):
                number = self.people[speaker or ""]
                return SaidEntry(
                    kind="line", element=words_of(what), person=number, mood=what.mood,
                    picture=picture_of(self.dialogue.speakers[number], what.mood),
                    sound=what.voice)
            case StageDirection(kind="pause"):
                return SaidEntry(kind="pause", ms=round(read_pause(what.words) * 1000))
            case StageDirection(kind="sound"):
                return SaidEntry(kind="sound", sound=self._scenery(what))
        return SaidEntry(kind="backdrop", picture=self._scenery(what))

    def _scenery(self, what: StageDirection) -> str | None:
        return what.media or self.scenery.get((what.kind, what.words.casefold()))


def picture_of(speaker: Speaker, mood: str) -> str | None:
    """Return the picture of `speaker` in a mood; the first one stands for one that lacks."""
    wanted = mood.casefold()
    first = next((one.picture for one in speaker.moods if one.picture), None)
    return next((one.picture for one in speaker.moods
                 if one.mood.casefold() == wanted and one.picture), first)
