"""Checks of things to place: what cannot get where it belongs, what shows where that is."""

from collections.abc import Iterator, Mapping

from zigzag_core.course import Element
from zigzag_core.course.questions import question as q

from .finding import Problem

_ALIKE = 4
"""Sizes (px) that differ by less look the same."""
_ENOUGH = 3
"""So few things stand opposite each other by chance."""

Pairs = q.Matching | q.DragToTarget


def pair_problems(question: Pairs, by_id: Mapping[str, Element]) -> Iterator[Problem]:
    """Yield what is wrong with the items and targets of `question`."""
    if not question.items or not question.targets:
        yield "error", "few_choices", "needs items and targets"
        return
    if not any(item.to for item in question.items):
        yield "error", "no_right_answer", "has nothing that belongs anywhere"
        return
    yield from _unreached(question, by_id)
    if question.kind == "drag_to_target" and _by_size(question, by_id):
        yield "warning", "size_gives_away", "shows by its sizes what belongs where"
    if _by_order(question, by_id):
        yield "warning", "order_gives_away", (
            "has its items in the same order as their targets")


def _unreached(question: Pairs, by_id: Mapping[str, Element]) -> Iterator[Problem]:
    """Items that no target of theirs takes, and targets that must hold more than they take."""
    targets = {target.id: target for target in question.targets}
    for item in question.items:
        if item.to and not any(
            not targets[to].only or item.id in targets[to].only
            for to in item.to if to in targets
        ):
            yield "error", "cannot_reach", (
                f"has an item that none of its targets holds: “{by_id[item.element].name}”")
    for target in question.targets:
        fixed = sum(item.to == (target.id,) for item in question.items)
        if target.takes is not None and fixed > target.takes:
            yield "error", "cannot_reach", (
                f"has {fixed} items that belong on “{by_id[target.element].name}” alone, which "
                f"holds {target.takes}")


def _by_size(question: Pairs, by_id: Mapping[str, Element]) -> bool:
    """Whether things of several sizes fit exactly where they belong."""
    room = {target.id: by_id[target.element] for target in question.targets}
    things = [(by_id[item.element], item) for item in question.items]
    sizes = {(round(thing.w), round(thing.h)) for thing, _ in things}
    rooms = {(round(target.w), round(target.h)) for target in room.values()}
    return len(sizes) > 1 and len(rooms) > 1 and all(
        any(_same_size(thing, room[to]) for to in item.to if to in room)
        for thing, item in things if item.to
    )


def _same_size(a: Element, b: Element) -> bool:
    return abs(a.w - b.w) < _ALIKE and abs(a.h - b.h) < _ALIKE


def _by_order(question: Pairs, by_id: Mapping[str, Element]) -> bool:
    """Whether each thing stands at the same place in its row as its target does in theirs."""
    if any(len(item.to) != 1 for item in question.items):
        return False
    belongs = [item.to[0] for item in question.items]
    if len(belongs) < _ENOUGH or sorted(belongs) != sorted(t.id for t in question.targets):
        return False
    things = {item.to[0]: by_id[item.element] for item in question.items}
    places = {target.id: by_id[target.element] for target in question.targets}
    return _in_a_row(things) == _in_a_row(places) is not None


def _in_a_row(boxes: Mapping[str, Element]) -> list[str] | None:
    """The names of boxes along the row or column that they form; None where they form neither."""
    for along, across, size in (("x", "y", "h"), ("y", "x", "w")):
        ends = [getattr(box, across) + getattr(box, size) / 2 for box in boxes.values()]
        least = min(getattr(box, size) for box in boxes.values())
        if max(ends) - min(ends) < least / 2:
            return sorted(boxes, key=lambda name: float(getattr(boxes[name], along)))
    return None
