"""What is wrong with a dialogue, or gives its answers away."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import Literal

from .graph import Graph, Step
from .script import Beat, Reply, Spoken
from .ways import Ways

FEW = 3
"""From so many judged beats on it is told that the best reply can be guessed."""


BY_PLACE = ("always_first", "always_last")
"""What is told of the place of the best reply; it does not hold where replies are shuffled."""


@dataclass(frozen=True)
class Hint:
    """Something to think of: an `error` keeps learners from an ending. `turn` is where it is."""

    level: Literal["error", "warning"]
    code: str
    words: str
    turn: str | None = None


def hints(graph: Graph, ways: Ways) -> tuple[Hint, ...]:
    """Return what is to be told of a dialogue, errors first."""
    found = [*_of_ways(graph, ways), *_of_beats(graph), *_guessed(graph)]
    return tuple(sorted(found, key=lambda hint: hint.level))


def _of_ways(graph: Graph, ways: Ways) -> Iterator[Hint]:
    if not graph.endings:
        yield Hint("error", "no_ending", "The dialogue has no ending: put [ending] behind the name "
                   "of a turn.")
    elif not ways.count:
        yield Hint("error", "no_way", "No way leads to an ending.")
    for name in ways.dead_ends:
        yield Hint("error", "breaks_off", f"“{name}” breaks off: say which turn comes next, or "
                   "that it is an ending.", name)
    for loop in ways.loops:
        names = ", ".join(f"“{name}”" for name in loop)
        yield Hint("error", "endless", f"No way leads out of {names}.", loop[0])
    for name in ways.unreached:
        yield Hint("warning", "unreached", f"Nothing leads to “{name}”.", name)


def _of_beats(graph: Graph) -> Iterator[Hint]:
    names = [turn.name for turn in graph.script.turns]
    led = {way.to for step in graph.steps for way in step.ways} | {graph.first}
    begins = {0, *(end + 1 for end in graph.ends)}
    for number, step in enumerate(graph.steps):
        if step.beat is None:
            continue
        if number not in led | begins:
            yield Hint("warning", "never_said", f"“{_first_words(step.beat)}” is never said: all "
                       "before it leads elsewhere.", names[step.turn])
        if _leads_one_way(step):
            yield Hint("warning", "same_way", f"All replies to “{_first_words(step.beat)}” lead "
                       "the same way and change nothing.", names[step.turn])


def _leads_one_way(step: Step) -> bool:
    """Whether it makes no difference which reply is given."""
    replies = [way.reply for way in step.ways if way.reply is not None]
    told = {(way.to, way.reply.points, way.reply.effects) for way in step.ways if way.reply}
    return len(replies) > 1 and len(told) == 1


def _guessed(graph: Graph) -> Iterator[Hint]:
    """Whether the best reply can be told from its length or its place alone."""
    judged = [step.beat.replies for step in graph.steps if step.beat and _best(step.beat.replies)]
    if len(judged) < FEW:
        return
    marks: tuple[tuple[str, str, Callable[[tuple[Reply, ...]], Reply | None]], ...] = (
        ("always_longest", "longest", _longest), ("always_first", "first", lambda all_: all_[0]),
        ("always_last", "last", lambda all_: all_[-1]))
    for code, word, mark in marks:
        if all(mark(replies) is _best(replies) for replies in judged):
            yield Hint("warning", code, f"The best reply is always the {word}, in all "
                       f"{len(judged)} places: learners may choose by that.")


def _best(replies: tuple[Reply, ...]) -> Reply | None:
    """The one reply that gives the most points; None where it is not one."""
    most = max((reply.points or 0 for reply in replies), default=0)
    best = [reply for reply in replies if (reply.points or 0) == most]
    return best[0] if len(best) == 1 and len(replies) > 1 else None


def _longest(replies: tuple[Reply, ...]) -> Reply | None:
    most = max(len(reply.text) for reply in replies)
    longest = [reply for reply in replies if len(reply.text) == most]
    return longest[0] if len(longest) == 1 else None


def _first_words(beat: Beat) -> str:
    said = next((part.text for part in beat.parts if isinstance(part, Spoken)), "")
    words = said or next((reply.text for reply in beat.replies), "")
    return words if len(words) <= 40 else f"{words[:39].rstrip()}…"
