"""Figures of the ways through a dialogue, exact over its condensed graph.

Steps that lead to each other are one component; the components form a graph without loops (Tarjan,
*Depth-first search and linear graph algorithms*, 1972). A way is one from the first step to an
ending through that graph: going round in a loop makes no other way. Conditions are taken to hold;
`following` gives a graph in which they do.
"""

from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass
from functools import partial
from math import inf

from .graph import Graph, Step
from .script import Direction, EndingKind, Reply, Spoken, all_beats
from .settings import read_pause

MOST_VALUES = 20
"""Of so many values it is told by how much they change."""
WORDS_A_SECOND = 2.5
"""How fast lines are taken to be spoken: 150 words a minute."""


@dataclass(frozen=True)
class Range:
    """The least and the most of something over all ways; None: there is no bound."""

    least: float | None
    most: float | None


@dataclass(frozen=True)
class Ways:
    """What the ways of a dialogue come to.

    `count` ways lead to an ending: so many `turns`, `seconds` of listening and `replies` to choose
    from (of `all_replies`) are met on one, and so many `points` gained. `values` are changed by so
    much, but for those that a reply sets, up to `MOST_VALUES` of them. `endings` are the turns
    with which it may end, by how many ways each. `unreached` are turns that no way leads to;
    `dead_ends` those that break off; in `loops` there are turns that lead to no ending at all.
    """

    count: int
    turns: Range
    seconds: Range
    replies: Range
    all_replies: int
    points: Range
    values: tuple[tuple[str, Range], ...]
    endings: tuple[tuple[str, EndingKind, int], ...]
    unreached: tuple[str, ...]
    dead_ends: tuple[str, ...]
    loops: tuple[tuple[str, ...], ...]


def ways_of(graph: Graph) -> Ways:
    """Return the figures of a dialogue."""
    names = [turn.name for turn in graph.script.turns]
    parts = components(graph)
    part_of = {step: number for number, part in enumerate(parts) for step in part}
    reached = reached_in(graph)
    endings = graph.endings
    # Components come with those that they lead to before them.
    ends = {part_of[step] for step in endings if step in reached}
    leading = set(ends)
    for number, part in enumerate(parts):
        if any(part_of[way.to] in leading for step in part for way in graph.steps[step].ways):
            leading.add(number)
    measure = _Measure(graph, parts, part_of, ends, leading)
    here = {graph.steps[step].turn for step in reached}
    counts = measure.to_endings()
    return Ways(
        count=sum(counts.values()),
        turns=measure.range(_is_turn), seconds=measure.range(_seconds),
        replies=measure.range(lambda step: float(sum(way.reply is not None for way in step.ways))),
        all_replies=sum(len(beat.replies) for turn in graph.script.turns
                        for beat in all_beats(turn.beats)),
        points=measure.gained(lambda reply: reply.points or 0),
        values=tuple((name, measure.gained(partial(_changes, name)))
                     for name in _changed_values(graph)),
        endings=tuple(
            (names[turn], ending, sum(count for number, count in counts.items()
                                      if graph.steps[parts[number][0]].turn == turn))
            for turn, ending in ((n, t.ending) for n, t in enumerate(graph.script.turns))
            if ending is not None),
        unreached=tuple(name for turn, name in enumerate(names) if turn not in here),
        dead_ends=tuple(dict.fromkeys(
            names[graph.steps[step].turn] for step in sorted(reached)
            if not graph.steps[step].ways and step not in endings)),
        loops=tuple(
            tuple(dict.fromkeys(names[graph.steps[step].turn] for step in sorted(part)))
            for number, part in enumerate(parts)
            if number not in leading and part[0] in reached and _is_loop(graph, part)),
    )


class _Measure:
    """Sums over the components that lead to an ending."""

    def __init__(
        self, graph: Graph, parts: list[tuple[int, ...]], part_of: Mapping[int, int],
        ends: set[int], leading: set[int],
    ) -> None:
        self.graph, self.parts, self.part_of = graph, parts, part_of
        self.ends, self.leading = ends, leading
        self.first = part_of[graph.first]

    def to_endings(self) -> dict[int, int]:
        """By ending, how many ways lead there."""
        counts = {self.first: 1}
        for number in range(len(self.parts) - 1, -1, -1):
            for to, _ in self._onward(number) if number in counts else ():
                counts[to] = counts.get(to, 0) + counts[number]
        return {number: counts[number] for number in self.ends if number in counts}

    def range(self, of: Callable[[Step], float]) -> Range:
        """The least and most of what steps are worth, where all of a loop is met once at most."""
        most: dict[int, float] = {}
        for number, part in enumerate(self.parts):
            if number in self.leading:
                whole = sum(of(self.graph.steps[step]) for step in part)
                most[number] = whole + max((most[to] for to, _ in self._onward(number)), default=0)
        return Range(self._shortest(of), most.get(self.first, 0))

    def gained(self, of: Callable[[Reply], float]) -> Range:
        """What all replies of a way together are worth."""
        least = self._highest(of, -1)
        return Range(None if least is None else 0 - least, self._highest(of, 1))

    def _highest(self, of: Callable[[Reply], float], sign: int) -> float | None:
        """The most that is gained, or with a `sign` of -1 the most that is lost.

        None where a loop gives some again and again; replies in it that are there once all count.
        """
        found: dict[int, float | None] = {}
        for number, part in enumerate(self.parts):
            if number not in self.leading:
                continue
            inside = [
                (sign * of(way.reply), way.reply.once)
                for step in part for way in self.graph.steps[step].ways
                if way.reply is not None and self.part_of[way.to] == number]
            behind = [None if (then := found[to]) is None else sign * points + then
                      for to, points in self._onward(number, of)]
            if any(points > 0 and not once for points, once in inside) or None in behind:
                found[number] = None
            else:
                found[number] = sum(points for points, _ in inside if points > 0) + max(
                    (value for value in behind if value is not None), default=0)
        return found.get(self.first, 0)

    def _onward(
        self, number: int, of: Callable[[Reply], float] = lambda _: 0
    ) -> Iterator[tuple[int, float]]:
        """The ways out of a component that lead to an ending: where to, and what it is worth."""
        for step in self.parts[number] if number not in self.ends else ():
            for way in self.graph.steps[step].ways:
                to = self.part_of[way.to]
                if to != number and to in self.leading:
                    yield to, of(way.reply) if way.reply else 0

    def _shortest(self, of: Callable[[Step], float]) -> float:
        """The least sum of steps on any way to an ending (Bellman and Ford, until all is still)."""
        goals = {step for number in self.ends for step in self.parts[number]}
        best = {step: of(self.graph.steps[step]) for step in goals}
        changed = True
        while changed:
            changed = False
            # Those that are led to come first, so that two rounds are mostly enough.
            for step in (step for part in self.parts for step in part if step not in goals):
                behind = [best[way.to] for way in self.graph.steps[step].ways if way.to in best]
                value = of(self.graph.steps[step]) + min(behind, default=inf)
                if value < best.get(step, inf):
                    best[step], changed = value, True
        return best.get(self.graph.first, 0)


def components(graph: Graph) -> list[tuple[int, ...]]:
    """Return the steps that lead to each other, those of later components leading to earlier ones.
    """
    index: dict[int, int] = {}
    low: dict[int, int] = {}
    stack: list[int] = []
    there: set[int] = set()
    found: list[tuple[int, ...]] = []
    for root in range(len(graph.steps)):
        work = [(root, iter(graph.steps[root].ways))] if root not in index else []
        while work:
            step, ways = work[-1]
            if step not in index:
                index[step] = low[step] = len(index)
                stack.append(step)
                there.add(step)
            way = next(ways, None)
            if way is not None:
                if way.to not in index:
                    work.append((way.to, iter(graph.steps[way.to].ways)))
                elif way.to in there:
                    low[step] = min(low[step], index[way.to])
                continue
            work.pop()
            if work:
                low[work[-1][0]] = min(low[work[-1][0]], low[step])
            if low[step] == index[step]:
                at = stack.index(step)
                part = tuple(stack[at:])
                del stack[at:]
                there.difference_update(part)
                found.append(part)
    return found


def reached_in(graph: Graph) -> set[int]:
    """Return the steps that some way leads to."""
    found, todo = {graph.first}, [graph.first]
    while todo:
        for way in graph.steps[todo.pop()].ways:
            if way.to not in found:
                found.add(way.to)
                todo.append(way.to)
    return found


def _is_loop(graph: Graph, part: tuple[int, ...]) -> bool:
    return len(part) > 1 or any(way.to == part[0] for way in graph.steps[part[0]].ways)


def _changed_values(graph: Graph) -> list[str]:
    """The values that replies change, by their names, without those that one sets."""
    effects = [effect for step in graph.steps if step.beat
               for reply in step.beat.replies for effect in reply.effects]
    sets = {effect.value.casefold() for effect in effects if effect.sets}
    names = {effect.value.casefold(): effect.value for effect in reversed(effects)}
    return [name for key, name in names.items() if key not in sets][:MOST_VALUES]


def _changes(name: str, reply: Reply) -> float:
    return sum(effect.number for effect in reply.effects
               if effect.value.casefold() == name.casefold())


def _is_turn(step: Step) -> float:
    """Whether something is said in a step, or to be said."""
    return float(step.beat is not None and bool(
        step.beat.replies or any(isinstance(part, Spoken) for part in step.beat.parts)))


def _seconds(step: Step) -> float:
    """How long it takes to hear what is said in a step, in s; pauses counted."""
    total = 0.0
    for part in step.beat.parts if step.beat else ():
        if isinstance(part, Spoken):
            total += len(part.text.split()) / WORDS_A_SECOND
        elif isinstance(part, Direction) and part.kind == "pause":
            total += read_pause(part.words)
    return total
