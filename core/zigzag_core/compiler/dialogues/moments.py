"""When what is said in a dialogue.

Each line is a *moment* with a number from 1, in the order of the script. What can be said or happen
(lines, replies, directions) has a number from 0, by which it is remembered.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from zigzag_core.course.dialogues import (
    Dialogue,
    DialogueBeat,
    DialogueReply,
    Line,
    SaidLine,
)
from zigzag_core.course.names import Names
from zigzag_core.course.rules.expression import Node, joined
from zigzag_core.dialogue.graph import Graph, graph_of
from zigzag_core.editing.dialogues.scripts import script_of

from ..names import internal


@dataclass(frozen=True)
class Moment:
    """A line with the directions around it, or replies to no line."""

    step: int
    beat: DialogueBeat
    line: SaidLine | None
    happens: tuple[int, ...]
    number: int
    last: bool
    """Whether it is the last one of its beat: behind it the replies stand."""

    @property
    def replied(self) -> bool:
        """Whether it is gone on from by a reply."""
        return self.last and bool(self.beat.replies)

    @property
    def condition(self) -> Node:
        """Under which condition there is such a moment.

        What is replied to is come to in any case, even where the line is not said.
        """
        return self.line.condition if self.line and not self.replied else True


class Moments:
    """All moments of a dialogue."""

    def __init__(self, dialogue: Dialogue, graph: Graph) -> None:
        self.dialogue, self.graph = dialogue, graph
        self.happens: list[Line | DialogueReply] = []
        """What can be said or happen, by its number."""
        self.replies: dict[str, int] = {}
        """The numbers of the replies."""
        self.all: list[Moment] = []
        self._first: dict[int, Moment] = {}
        self._silent: dict[int, tuple[int, ...]] = {}
        self._numbers: dict[str, int] = {}
        self.beats: dict[int, DialogueBeat] = {}
        """The beats of the steps that have one."""
        # The steps of the graph and the beats stand in the same order, that of the script.
        beats = iter(_in_order(dialogue))
        for number, step in enumerate(graph.steps):
            if step.beat:
                self.beats[number] = next(beats)
                self._number(number, self.beats[number])
        self.turns = {turn.id: number for number, turn in enumerate(dialogue.turns)}
        """The numbers of the turns."""

    def first_in(self, step: int) -> Moment | None:
        """The first moment of a step; None where nobody speaks in it."""
        return self._first.get(step)

    def silent_in(self, step: int) -> tuple[int, ...]:
        """The numbers of what happens in a step in which nobody speaks."""
        return self._silent.get(step, ())

    def number_of(self, line: SaidLine) -> int:
        """The number by which a line is remembered."""
        return self._numbers[line.id]

    def turn_of(self, one: Moment) -> int:
        """The number of the turn that a moment stands in."""
        return self.graph.steps[one.step].turn

    def _number(self, step: int, beat: DialogueBeat) -> None:
        """Number what is in a beat. Directions belong to the line behind them, the last to it."""
        groups: list[tuple[SaidLine | None, list[int]]] = []
        waiting: list[int] = []
        for line in beat.lines:
            self._numbers[line.id] = len(self.happens)
            waiting.append(len(self.happens))
            self.happens.append(line)
            if isinstance(line, SaidLine):
                groups.append((line, waiting))
                waiting = []
        for reply in beat.replies:
            self.replies[reply.id] = len(self.happens)
            self.happens.append(reply)
        if groups:
            groups[-1][1].extend(waiting)
        elif beat.replies:
            groups.append((None, waiting))
        else:
            self._silent[step] = tuple(waiting)
        for place, (said, happens) in enumerate(groups, 1):
            made = Moment(step, beat, said, tuple(happens), len(self.all) + 1,
                          place == len(groups))
            self.all.append(made)
            self._first.setdefault(step, made)


def moments_of(dialogue: Dialogue) -> Moments | None:
    """Return the moments of `dialogue`; None where it has no turn."""
    graph = graph_of(script_of(dialogue, Names()))
    return Moments(dialogue, graph) if graph else None


def count_of(dialogue: Dialogue) -> str:
    """Return the variable that has the number of the present moment."""
    return internal(dialogue.id, "at")


def is_at(dialogue: Dialogue, moments: Sequence[int]) -> Node:
    """Return the condition that the present moment is one of these."""
    return joined("or", [["=", ["variable", count_of(dialogue)], one] for one in moments])


def said_in(dialogue: Dialogue) -> str:
    """Return the variable that remembers what was said."""
    return internal(dialogue.id, "said")


def words_of(line: SaidLine) -> str:
    """Return the element that shows a line."""
    return internal(line.id, "w")


def onward_of(one: Moment) -> str:
    """Return the button that leads on from a moment without replies."""
    return internal(one.line.id if one.line else one.beat.id, "g")


def reply_of(reply: DialogueReply) -> str:
    """Return the element that is clicked to say a reply."""
    return internal(reply.id, "e")


def question_of(beat: DialogueBeat) -> str:
    """Return the question that the replies of a beat answer."""
    return internal(beat.id, "q")


def end_of(turn: str) -> str:
    """Return the variable that remembers that the dialogue has ended with a turn, once."""
    return internal(turn, "end")


def again_of(dialogue: Dialogue) -> str:
    """Return the button that starts a dialogue over."""
    return internal(dialogue.id, "again")


def back_of(dialogue: Dialogue) -> str:
    """Return the button that leads back to the last reply."""
    return internal(dialogue.id, "back")


def _in_order(dialogue: Dialogue) -> Iterator[DialogueBeat]:
    by_id = {beat.id: beat for beat in dialogue.beats}

    def passage(names: Sequence[str]) -> Iterator[DialogueBeat]:
        for name in names:
            beat = by_id[name]
            yield beat
            for reply in beat.replies:
                yield from passage(reply.then)

    for turn in dialogue.turns:
        yield from passage(turn.beats)
