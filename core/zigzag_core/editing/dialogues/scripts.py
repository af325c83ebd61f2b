"""From a dialogue of the document to its script."""

from zigzag_core.course.dialogues import (
    Dialogue,
    DialogueBeat,
    DialogueReply,
    Line,
    SaidLine,
    ValueChange,
)
from zigzag_core.course.names import Names
from zigzag_core.course.rules import expression_text
from zigzag_core.course.rules.expression import Node
from zigzag_core.dialogue.script import Beat, Direction, Effect, Part, Reply, Script, Spoken, Turn


def script_of(dialogue: Dialogue, names: Names) -> Script:
    """Return the script of `dialogue`; `names` are those of the course."""
    return _Scribe(dialogue, names).script()


class _Scribe:
    """Writes down one dialogue."""

    def __init__(self, dialogue: Dialogue, names: Names) -> None:
        self.dialogue, self.names = dialogue, names
        self.beats = {beat.id: beat for beat in dialogue.beats}
        self.turns = {turn.id: turn.name for turn in dialogue.turns}
        self.speakers = {speaker.id: speaker.name for speaker in dialogue.speakers}

    def script(self) -> Script:
        """The script."""
        return Script(tuple(
            Turn(turn.name, self._passage(turn.beats), turn.ending)
            for turn in self.dialogue.turns))

    def _passage(self, ids: tuple[str, ...]) -> tuple[Beat, ...]:
        return tuple(self._beat(self.beats[name]) for name in ids)

    def _beat(self, beat: DialogueBeat) -> Beat:
        return Beat(
            tuple(map(self._part, beat.lines)), tuple(map(self._reply, beat.replies)),
            self.turns.get(beat.leads or "", beat.missing),
            self._condition(beat.leads_if, beat.unread))

    def _part(self, line: Line) -> Part:
        if isinstance(line, SaidLine):
            return Spoken(self.speakers.get(line.speaker or "", ""), line.mood, line.text,
                          self._condition(line.condition, line.unread))
        return Direction(line.kind, line.words)

    def _reply(self, reply: DialogueReply) -> Reply:
        return Reply(
            reply.text, self.turns.get(reply.leads or "", reply.missing), reply.points,
            tuple(map(self._effect, reply.changes)),
            self._condition(reply.condition, reply.unread), reply.once, reply.after,
            self._passage(reply.then))

    def _condition(self, condition: Node, unread: str) -> str:
        return unread if condition is True else expression_text.write(condition, self.names)

    def _effect(self, change: ValueChange) -> Effect:
        return Effect(self.names.name("variables", change.variable), change.number, change.sets)
