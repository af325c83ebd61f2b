"""What comes next in a dialogue, where conditions may decide it."""

from collections.abc import Callable, Collection, Iterator
from dataclasses import dataclass

from zigzag_core.course.dialogues import Dialogue
from zigzag_core.course.rules.expression import Node, joined

from .holding import held_lines
from .moments import Moment, Moments, count_of, is_at, moments_of

MOST_ASKED = 20
"""So many conditions decide what comes next; those behind them are taken to hold."""


@dataclass(frozen=True)
class Arrival:
    """A moment that is come to, and the numbers of what happens with it, the line last.

    Below 0 is the end: of the turn with that number, counted from 1.
    """

    moment: int
    happens: tuple[int, ...]


@dataclass(frozen=True)
class Fork:
    """Where a condition decides."""

    condition: Node
    then: "Next"
    otherwise: "Next"


Next = Arrival | Fork


def arrivals(following: Next) -> Iterator[Arrival]:
    """Yield all that may be come to."""
    if isinstance(following, Arrival):
        yield following
    else:
        yield from arrivals(following.then)
        yield from arrivals(following.otherwise)


def decided(following: Next, value: Callable[[Arrival], Node]) -> Node:
    """Return the expression that gives the `value` of what is come to."""
    if isinstance(following, Arrival):
        return value(following)
    then = decided(following.then, value)
    otherwise = decided(following.otherwise, value)
    return then if then == otherwise else ["if", following.condition, then, otherwise]


class Flow:
    """How a dialogue goes on from moment to moment."""

    def __init__(self, moments: Moments) -> None:
        self.moments, self.dialogue = moments, moments.dialogue
        self.held = held_lines(moments)
        self._asked = 0
        self._ends: dict[int, dict[int, Node]] = {}
        for one in moments.all:
            if not (one.replied or one.number in self.held) and (found := self._ending(one)):
                self._ends[one.number] = found

    def begins(self) -> Next:
        """Where the dialogue begins."""
        self._asked = 0
        return self._walk(self.moments.graph.first, ())

    def after(self, one: Moment, way: int = 0, happened: tuple[int, ...] = ()) -> Next:
        """What follows a moment; where it is replied to, behind the reply with the number `way`."""
        self._asked = 0
        if one.replied:
            return self._walk(self.moments.graph.steps[one.step].ways[way].to, happened)
        return self._forked(self._onward(one), happened)

    def ended(self, moment: int, turn: str | None = None) -> Node:
        """Under which condition nothing more is said behind a moment: in a turn, or in any."""
        found = self._ends_at(moment)
        if turn is not None:
            return found.get(self.moments.turns[turn], False)
        return True if True in found.values() else \
            joined("or", list(found.values())) if found else False

    def over(self, turn: str | None = None) -> Node:
        """Under which condition the dialogue stands at its end: in a turn, or in any."""
        conditions: list[Node] = [
            ["<", ["variable", count_of(self.dialogue)], 0] if turn is None
            else is_at(self.dialogue, [-1 - self.moments.turns[turn]])]
        when = {number: self.ended(number, turn) for number in self._ends}
        sure = [number for number, node in when.items() if node is True]
        if sure:
            conditions.append(is_at(self.dialogue, sure))
        conditions += [["and", is_at(self.dialogue, [number]), node]
                       for number, node in when.items() if node not in (True, False)]
        return joined("or", conditions)

    def reached(self, turn: str) -> Node:
        """Under which condition a turn is being reached."""
        number = self.moments.turns[turn]
        conditions: list[Node] = []
        missed: list[Node] = []
        for one in self.moments.all:
            if self.moments.turn_of(one) != number or len(missed) > MOST_ASKED:
                continue
            here = is_at(self.dialogue, [one.number])
            conditions.append(["and", here, ["not", joined("or", missed)]] if missed else here)
            if one.condition is True:
                break
            missed.append(one.condition)
        # A turn in which nobody speaks is reached where the dialogue ends with it.
        return joined("or", conditions) if conditions else self.over(turn)

    def _ends_at(self, moment: int) -> dict[int, Node]:
        return {-1 - moment: True} if moment < 0 else self._ends.get(moment, {})

    def _ending(self, one: Moment) -> dict[int, Node]:
        """By the numbers of turns: when nothing is said in them any more behind a moment."""
        following = self.after(one)
        turns = {-1 - to.moment for to in arrivals(following) if to.moment < 0}
        return {turn: decided(following, lambda to, turn=turn: to.moment == -1 - turn)  # type: ignore[misc]
                for turn in turns}

    def _walk(
        self, at: "Moment | int", happened: tuple[int, ...], before: Collection[int] = ()
    ) -> Next:
        """What is come to at a moment or from the beginning of a step: it, or what is behind it.

        What was passed `before` is not passed again: what leads round to itself is seen after all.
        """
        moments, passed = self.moments, set(before)
        while True:
            spot = (moments.first_in(at) or at) if isinstance(at, int) else at
            if isinstance(spot, Moment):
                here = Arrival(spot.number, (*happened, *spot.happens))
                held = spot.number in self.held
                if spot.number in passed or not (held or self._asks(spot.condition)):
                    return here
                passed.add(spot.number)
                if not held:
                    return Fork(spot.condition, here, self._forked(
                        self._onward(spot), self._without(spot, here.happens), passed))
                happened = here.happens
            else:
                step = moments.graph.steps[spot]
                if step.beat is None or ~spot in passed:
                    return Arrival(-1 - step.turn, happened)
                passed.add(~spot)
                happened += moments.silent_in(spot)
            onward = self._onward(spot)
            if len(onward) > 1:
                return self._forked(onward, happened, passed)
            at = onward[0][1]

    def _onward(self, spot: Moment | int) -> list[tuple[Node, Moment | int]]:
        """Where it goes on from a moment without replies, or a step in which nobody speaks."""
        if isinstance(spot, Moment) and not spot.last:
            return [(True, self.moments.all[spot.number])]
        step = spot.step if isinstance(spot, Moment) else spot
        ways, condition = self.moments.graph.steps[step].ways, self.moments.beats[step].leads_if
        if len(ways) > 1 and self._asks(condition):
            return [(condition, ways[0].to), (True, ways[1].to)]
        return [(True, ways[0].to)]

    def _forked(
        self, onward: list[tuple[Node, Moment | int]], happened: tuple[int, ...],
        passed: Collection[int] = (),
    ) -> Next:
        (condition, first), *others = onward
        then = self._walk(first, happened, passed)
        return Fork(condition, then, self._walk(others[0][1], happened, passed)) if others else then

    def _without(self, one: Moment, happens: tuple[int, ...]) -> tuple[int, ...]:
        unsaid = self.moments.number_of(one.line) if one.line else None
        return tuple(number for number in happens if number != unsaid)

    def _asks(self, condition: Node) -> bool:
        if condition is True:
            return False
        self._asked += 1
        return self._asked <= MOST_ASKED


def flow_of(dialogue: Dialogue) -> Flow | None:
    """Return how `dialogue` goes on; None where it has no turn."""
    moments = moments_of(dialogue)
    return Flow(moments) if moments else None
