"""A script as a graph: from each beat, where every reply leads."""

from collections.abc import Iterable
from dataclasses import dataclass

from .script import Beat, Reply, Script


@dataclass(frozen=True)
class Way:
    """From one step to another: by a `reply`, or as it goes on by itself (None).

    By itself it may go on under a `condition` (as it is typed); else by the next way of the step.
    """

    to: int
    reply: Reply | None = None
    condition: str = ""


@dataclass(frozen=True)
class Step:
    """A beat of the turn with this number, and the ways that lead on from it.

    Each turn has one more step, without a `beat`: where it ends. No way leads on from there.
    """

    turn: int
    beat: Beat | None
    ways: tuple[Way, ...] = ()


@dataclass(frozen=True)
class Graph:
    """All steps of a script. It begins with the step `first`."""

    script: Script
    steps: tuple[Step, ...]
    first: int

    @property
    def ends(self) -> frozenset[int]:
        """The steps with which a turn ends."""
        return frozenset(
            number for number, step in enumerate(self.steps) if step.beat is None)

    @property
    def endings(self) -> frozenset[int]:
        """The steps with which the dialogue may end."""
        return frozenset(number for number in self.ends
                         if self.script.turns[self.steps[number].turn].ending is not None)


def graph_of(script: Script) -> Graph | None:
    """Return the graph of `script`; None where it has no turn.

    A way to a turn that is not there leads to the end of the turn that it begins in.
    """
    if not script.turns:
        return None
    return _Maker(script).made()


@dataclass(frozen=True)
class _Numbered:
    """A beat with the number of its step, and the beats behind each of its replies."""

    step: int
    beat: Beat
    then: tuple[tuple["_Numbered", ...], ...]


class _Maker:
    """Numbers all beats first, in the order of the text, then joins them."""

    def __init__(self, script: Script) -> None:
        self.script = script
        self.count = 0
        self.turns: dict[str, int] = {}
        self.ends: list[int] = []
        self.steps: dict[int, Step] = {}

    def made(self) -> Graph:
        """The graph of the script."""
        numbered = []
        for turn in self.script.turns:
            self.turns.setdefault(turn.name.casefold(), self.count)
            numbered.append(self._numbered(turn.beats))
            self.ends.append(self._next())
        for number, beats in enumerate(numbered):
            self._join(number, beats, self.ends[number])
            self.steps[self.ends[number]] = Step(number, None)
        steps = tuple(self.steps[number] for number in range(self.count))
        return Graph(self.script, steps, 0)

    def _next(self) -> int:
        self.count += 1
        return self.count - 1

    def _numbered(self, beats: Iterable[Beat]) -> tuple[_Numbered, ...]:
        return tuple(
            _Numbered(self._next(), beat, tuple(self._numbered(r.then) for r in beat.replies))
            for beat in beats)

    def _join(self, turn: int, beats: tuple[_Numbered, ...], behind: int) -> None:
        """Join beats that stand in a row; `behind` is the step that follows them."""
        for place, one in enumerate(beats):
            after = beats[place + 1].step if place + 1 < len(beats) else behind
            ways = [Way(self._led(one.beat.leads, after, turn), condition=one.beat.leads_if)]
            if one.beat.leads_if:
                ways.append(Way(after))
            if one.beat.replies:
                ways = []
                for reply, then in zip(one.beat.replies, one.then, strict=True):
                    to = then[0].step if then else self._led(reply.leads, after, turn)
                    ways.append(Way(to, reply))
                    self._join(turn, then, after)
            self.steps[one.step] = Step(turn, one.beat, tuple(ways))

    def _led(self, name: str, after: int, turn: int) -> int:
        return self.turns.get(name.casefold(), self.ends[turn]) if name else after
