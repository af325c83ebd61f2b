"""From which turn of a dialogue which one is led to, and by what."""

from dataclasses import dataclass

from .graph import Graph
from .script import Reply


@dataclass(frozen=True)
class Lead:
    """From one turn to another (by their numbers), by these replies; none: by itself.

    What is said to a reply leads on by that reply. It is `conditional` where each of the replies
    is there only under a condition, or once, and where it goes on by itself under one.
    """

    source: int
    target: int
    replies: tuple[str, ...]
    conditional: bool


def leads_of(graph: Graph) -> tuple[Lead, ...]:
    """Return all ways from turn to turn, in the order of the script."""
    found: dict[tuple[int, int], list[Reply | None]] = {}
    asked: dict[tuple[int, int], bool] = {}
    begins = _beginnings(graph)
    behind: dict[int, list[Reply | None]] = {}
    for number, step in enumerate(graph.steps):
        before = behind.get(number, [None])
        for way in step.ways:
            by = way.reply or (before[0] if len(before) == 1 else None)
            target = begins.get(way.to)
            if target is None:
                behind.setdefault(way.to, []).append(by)
            else:
                key = (step.turn, target)
                found.setdefault(key, []).append(by)
                asked[key] = asked.get(key, True) and (
                    bool(way.condition) or (by is not None and (by.once or bool(by.condition))))
    return tuple(
        Lead(source, target, tuple(one.text for one in by if one is not None),
             asked[source, target])
        for (source, target), by in found.items())


def _beginnings(graph: Graph) -> dict[int, int]:
    """By step, the turn that begins with it."""
    found: dict[int, int] = {}
    before = -1
    for number, step in enumerate(graph.steps):
        if step.turn != before:
            found[number] = before = step.turn
    return found
