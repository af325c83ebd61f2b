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
from zigzag_core.program.limits import LIMITS

from ..names import internal


@dataclass(frozen=True)
class Arrival:
    """A moment that is come to, and the numbers of what happens with it, the line last.

    Below 0 is the end: of the turn with that number, counted from 1.
    """

    moment: int
    happens: tuple[int, ...]


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
        # The steps of the graph and the beats stand in the same order, that of the script.
        beats = iter(_in_order(dialogue))
        for number, step in enumerate(graph.steps):
            if step.beat:
                self._number(number, next(beats))
        self.turns = {turn.id: number for number, turn in enumerate(dialogue.turns)}
        """The numbers of the turns."""
        behind = {one.number: -1 - self.after(one).moment for one in self.all
                  if one.last and not one.beat.replies}
        self._ends = {moment: turn for moment, turn in behind.items() if turn >= 0}

    @property
    def ends(self) -> list[int]:
        """The moments behind which nothing more is said."""
        return list(self._ends)

    def ending_at(self, moment: int) -> str | None:
        """The id of the turn that the dialogue has ended with at a moment; None: it has not."""
        number = self._ends.get(moment, -1 - moment)
        if number < 0:
            return None
        turn = self.dialogue.turns[number]
        return turn.id if turn.ending is not None else None

    def ends_of(self, turn: str) -> list[int]:
        """The moments at which the dialogue has ended with a turn."""
        number = self.turns[turn]
        return [-1 - number, *(one for one, end in self._ends.items() if end == number)]

    def first_of(self, turn: str) -> list[int]:
        """The moments at which a turn is reached."""
        number = self.turns[turn]
        first = next((one.number for one in self.all if self.turn_of(one) == number), None)
        # A turn in which nobody speaks is reached where the dialogue ends with it.
        return self.ends_of(turn) if first is None else [first]

    def begins(self) -> Arrival:
        """Where the dialogue begins."""
        return self.at(self.graph.first)

    def after(self, one: Moment, way: int = 0) -> Arrival:
        """What follows a moment; behind the last one of its beat by the `way` with that number."""
        if not one.last:
            following = self.all[one.number]
            return Arrival(following.number, following.happens)
        return self.at(self.graph.steps[one.step].ways[way].to)

    def at(self, step: int) -> Arrival:
        """The first moment of `step`, or of what follows where nobody speaks in it."""
        been: set[int] = set()
        happened: list[int] = []
        while step not in self._first:
            found = self.graph.steps[step]
            if found.beat is None or step in been:
                return Arrival(-1 - found.turn, tuple(happened))
            been.add(step)
            happened += self._silent[step]
            step = found.ways[0].to
        first = self._first[step]
        return Arrival(first.number, (*happened, *first.happens))

    def turn_of(self, one: Moment) -> int:
        """The number of the turn that a moment stands in."""
        return self.graph.steps[one.step].turn

    def _number(self, step: int, beat: DialogueBeat) -> None:
        """Number what is in a beat. Directions belong to the line behind them, the last to it."""
        groups: list[tuple[SaidLine | None, list[int]]] = []
        waiting: list[int] = []
        for line in beat.lines:
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


def characters(numbers: Sequence[int]) -> str:
    """Return the characters by which what happened is remembered, the newest first."""
    return "".join(chr(LIMITS.first_said + number) for number in reversed(numbers)
                   if number < LIMITS.most_said)


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
