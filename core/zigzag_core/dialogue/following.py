"""The ways of a dialogue with its values followed: which of them there are, as conditions hold.

Each step is taken apart by the values that conditions ask for, and by the replies that were given
and are there once, as far as one can come to them again.
"""

from collections import deque
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass

from .graph import Graph, Step, Way
from .script import Reply
from .ways import components

MOST_STATES = 4_000
"""So many steps with different values are followed; with more, conditions are taken to hold."""


@dataclass(frozen=True)
class Asked:
    """A condition: the `values` that it asks for (in small letters), and when it `holds`."""

    values: frozenset[str]
    holds: Callable[[Mapping[str, float]], bool]


@dataclass(frozen=True)
class Followed:
    """A `graph` of the ways that there are.

    The conditions `assumed` are taken to hold: they ask for something else than values. `whole` is
    False where there are too many values to follow: then all are.
    """

    graph: Graph
    assumed: tuple[str, ...] = ()
    whole: bool = True


@dataclass(frozen=True)
class _State:
    step: int
    values: tuple[float, ...]
    given: frozenset[tuple[int, int]]


def followed(
    graph: Graph, ask: Callable[[str], Asked | None], begins: Mapping[str, float]
) -> Followed:
    """Return the graph of the ways that there are, where values begin so (by small names).

    `ask` reads a condition; None: it asks for something else than values. A value without a
    beginning begins with 0.
    """
    typed = dict.fromkeys(
        text for step in graph.steps for way in step.ways
        if (text := way.reply.condition if way.reply else way.condition))
    asked = {text: found for text in typed if (found := ask(text))}
    assumed = tuple(text for text in typed if text not in asked)
    if not asked:
        return Followed(graph, assumed)
    made = _Follower(graph, asked, begins).followed()
    return Followed(made or graph, assumed, made is not None)


class _Follower:
    """Goes all ways at once."""

    def __init__(
        self, graph: Graph, asked: Mapping[str, Asked], begins: Mapping[str, float]
    ) -> None:
        self.graph, self.asked = graph, asked
        self.names = sorted({name for one in asked.values() for name in one.values})
        self.begins = tuple(begins.get(name, 0.0) for name in self.names)
        parts = components(graph)
        part_of = {step: number for number, part in enumerate(parts) for step in part}
        # Only what one can come to again makes a difference.
        self.once = {
            (number, place) for number, step in enumerate(graph.steps)
            for place, way in enumerate(step.ways)
            if way.reply and way.reply.once and part_of[way.to] == part_of[number]}

    def followed(self) -> Graph | None:
        """The graph; None where it has too many steps."""
        first = _State(self.graph.first, self.begins, frozenset())
        numbers: dict[_State, int] = {first: 0}
        steps: list[Step] = []
        waiting = deque([first])
        while waiting:
            here = waiting.popleft()
            step = self.graph.steps[here.step]
            ways = []
            for to, reply in self._ways(here, step):
                if to not in numbers:
                    if len(numbers) == MOST_STATES:
                        return None
                    numbers[to] = len(numbers)
                    waiting.append(to)
                ways.append(Way(numbers[to], reply))
            steps.append(Step(step.turn, step.beat, tuple(ways)))
        return Graph(self.graph.script, tuple(steps), 0)

    def _ways(self, here: _State, step: Step) -> Iterator[tuple[_State, Reply | None]]:
        values = dict(zip(self.names, here.values, strict=True))
        for place, way in enumerate(step.ways):
            key = (here.step, place)
            if way.reply is None:
                if self._holds(way.condition, values):
                    yield _State(way.to, here.values, here.given), None
                    return
            elif key not in here.given and self._holds(way.reply.condition, values):
                given = here.given | {key} if key in self.once else here.given
                yield _State(way.to, self._changed(way.reply, values), given), way.reply

    def _holds(self, text: str, values: Mapping[str, float]) -> bool:
        return text not in self.asked or self.asked[text].holds(values)

    def _changed(self, reply: Reply, values: Mapping[str, float]) -> tuple[float, ...]:
        after = dict(values)
        for effect in reply.effects:
            name = effect.value.casefold()
            if name in after:
                after[name] = round(
                    effect.number if effect.sets else after[name] + effect.number, 6)
        return tuple(after[name] for name in self.names)
