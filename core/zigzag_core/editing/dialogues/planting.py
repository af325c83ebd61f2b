"""From a script to a dialogue of the document. What is as it was keeps its identity."""

from dataclasses import dataclass

from zigzag_core.course import IdSource, NumberVariable
from zigzag_core.course.dialogues import (
    Dialogue,
    DialogueBeat,
    DialogueReply,
    DialogueTurn,
    Line,
    SaidLine,
    Speaker,
    StageDirection,
    ValueChange,
)
from zigzag_core.course.names import Names
from zigzag_core.course.rules import expression_text
from zigzag_core.dialogue.script import Beat, Part, Reply, Script, Spoken, all_beats
from zigzag_core.errors import NotReadable

from .same import name_of, pairs


@dataclass(frozen=True)
class Planted:
    """A dialogue, and the `variables` that its replies change and that were not there."""

    dialogue: Dialogue
    variables: tuple[NumberVariable, ...]


def plant_script(script: Script, before: Dialogue, names: Names, fresh: IdSource) -> Planted:
    """Return `before` as `script` says it.

    Speakers that nobody knows are added. Those who say nothing any more stay where they have
    pictures.
    `names` are those of the course: of the variables that replies change and ask for.
    """
    return _Planter(script, before, names, fresh).planted()


class _Planter:
    """Makes one dialogue."""

    def __init__(self, script: Script, before: Dialogue, names: Names, fresh: IdSource) -> None:
        self.script, self.before, self.fresh = script, before, fresh
        self.beats: list[DialogueBeat] = []
        # Beats, lines and replies are made in the order of the text: so are those that they were.
        beats = list(all_beats(beat for turn in script.turns for beat in turn.beats))
        self.old_beats = iter(pairs(
            before.beats, [_key_of(beat) for beat in before.beats], [_key(one) for one in beats]))
        lines = [line for beat in before.beats for line in beat.lines]
        self.old_lines = iter(pairs(
            lines, list(map(_words, lines)),
            [_said(part) for beat in beats for part in beat.parts]))
        replies = [reply for beat in before.beats for reply in beat.replies]
        self.old_replies = iter(pairs(
            replies, [reply.text for reply in replies],
            [reply.text for beat in beats for reply in beat.replies]))
        self.variables: list[NumberVariable] = []
        known = dict(names.of.get("variables", {}))
        self.values = {name.casefold(): thing for thing, name in reversed(known.items())}
        for effect in (e for beat in beats for reply in beat.replies for e in reply.effects):
            if effect.value.casefold() not in self.values:
                made = NumberVariable(id=fresh(), name=effect.value)
                self.variables.append(made)
                known[made.id] = made.name
                self.values[made.name.casefold()] = made.id
        self.names = Names({**names.of, "variables": known})
        self.speakers = {speaker.name.casefold(): speaker for speaker in before.speakers}
        self.turns: dict[str, str] = {}

    def planted(self) -> Planted:
        """The dialogue, with its variables."""
        was = pairs(self.before.turns, [turn.name for turn in self.before.turns],
                    [turn.name for turn in self.script.turns])
        ids = [name_of(turn, self.fresh) for turn in was]
        for turn, name in zip(self.script.turns, ids, strict=True):
            self.turns.setdefault(turn.name.casefold(), name)
        turns = tuple(
            DialogueTurn(id=name, name=turn.name, ending=turn.ending,
                         beats=tuple(map(self._beat, turn.beats)))
            for turn, name in zip(self.script.turns, ids, strict=True))
        speaking = {line.speaker for beat in self.beats for line in beat.lines
                    if isinstance(line, SaidLine)}
        dialogue = self.before.model_copy(update={
            "turns": turns, "beats": tuple(self.beats),
            "speakers": tuple(speaker for speaker in self.speakers.values()
                              if speaker.moods or speaker.id in speaking)})
        return Planted(dialogue, tuple(self.variables))

    def _beat(self, beat: Beat) -> str:
        """Make a beat, and behind it those behind its replies; return its id."""
        name = name_of(next(self.old_beats), self.fresh)
        leads, missing = self._led(beat.leads)
        condition, unread = self._condition(beat.leads_if)
        made = DialogueBeat(id=name, leads=leads, missing=missing, leads_if=condition,
                            unread=unread, lines=tuple(map(self._line, beat.parts)))
        place = len(self.beats)
        self.beats.append(made)
        was = [next(self.old_replies) for _ in beat.replies]
        self.beats[place] = made.model_copy(update={"replies": tuple(
            self._reply(reply, old) for reply, old in zip(beat.replies, was, strict=True))})
        return name

    def _line(self, part: Part) -> Line:
        old = next(self.old_lines)
        name = name_of(old, self.fresh)
        if not isinstance(part, Spoken):
            media = old.media if isinstance(old, StageDirection) and (
                old.kind, old.words) == (part.kind, part.words) else None
            return StageDirection(kind=part.kind, id=name, words=part.words, media=media)
        speaker = self._speaker(part.speaker)
        condition, unread = self._condition(part.condition)
        return SaidLine(id=name, speaker=speaker, mood=part.mood, text=part.text,
                        condition=condition, unread=unread,
                        voice=old.voice if isinstance(old, SaidLine) else None,
                        voiced=old.voiced if isinstance(old, SaidLine) else "",
                        by_machine=isinstance(old, SaidLine) and old.by_machine)

    def _speaker(self, name: str) -> str | None:
        if not name:
            return None
        known = self.speakers.get(name.casefold())
        if known is None:
            known = self.speakers[name.casefold()] = Speaker(id=self.fresh(), name=name)
        return known.id

    def _reply(self, reply: Reply, old: DialogueReply | None) -> DialogueReply:
        leads, missing = self._led(reply.leads)
        condition, unread = self._condition(reply.condition)
        return DialogueReply(
            id=name_of(old, self.fresh), text=reply.text, leads=leads, missing=missing,
            points=reply.points, condition=condition, unread=unread, once=reply.once,
            after=reply.after,
            changes=tuple(
                ValueChange(variable=self.values[effect.value.casefold()], number=effect.number,
                            sets=effect.sets) for effect in reply.effects),
            then=tuple(map(self._beat, reply.then)))

    def _led(self, name: str) -> tuple[str | None, str]:
        found = self.turns.get(name.casefold()) if name else None
        return found, "" if found else name

    def _condition(self, text: str) -> tuple[object, str]:
        if not text:
            return True, ""
        try:
            return expression_text.read(text, self.names), ""
        except NotReadable:
            return True, text


def _key(beat: Beat) -> tuple[str, ...]:
    return (*map(_said, beat.parts), *(reply.text for reply in beat.replies))


def _key_of(beat: DialogueBeat) -> tuple[str, ...]:
    return (*map(_words, beat.lines), *(reply.text for reply in beat.replies))


def _said(part: Part) -> str:
    return part.text if isinstance(part, Spoken) else part.words


def _words(line: Line) -> str:
    return line.text if isinstance(line, SaidLine) else line.words
