"""Which slides a learner can still come to. The twin is `web/player/engine/ways.ts`.

Only what a program names counts, whatever the conditions are: *next* and its forks, actions that
lead to slides, the menu where it leads on. Going back counts not: who comes to the end has come
to the end of their way.
"""

from collections.abc import Iterator
from itertools import chain

from zigzag_core.program import Enter, Go, ProgramRule, ProgramSlide

from .index import Index
from .order import Order
from .state import State


def leads_to(index: Index, slide: str, order: Order) -> tuple[str, ...]:
    """Return the slides that `slide` leads to in `order`, as they are named."""
    here = index.slides[slide]
    menu = index.program.navigation.menu if here.navigation.menu is None else here.navigation.menu
    if menu and index.program.navigation.order != "seen":
        return order.slides
    after = order.onward[slide]
    found = [fork.slide for fork in here.forks]
    for rule in chain(_rules(here), index.program.rules):
        for action in (*rule.then, *rule.otherwise):
            if isinstance(action, (Go, Enter)) and action.slide is not None:
                found.append(action.slide)
    there = (after, *(order.entrance(name) for name in found))
    return tuple(dict.fromkeys(name for name in there if name is not None))


def ahead(index: Index, slide: str, order: Order) -> frozenset[str]:
    """Return `slide` and all that can be come to from it."""
    found = order.ahead.get(slide)
    if found is None:
        seen, open_ = {slide}, [slide]
        while open_ and len(seen) < len(order.slides):
            for after in leads_to(index, open_.pop(), order):
                if after not in seen:
                    seen.add(after)
                    open_.append(after)
        found = order.ahead[slide] = frozenset(seen)
    return found


def way(index: Index, state: State) -> int:
    """Return how many slides are on the learner's way: those seen, and those still ahead."""
    order = index.ordered(state.draws)
    if state.slide is None or state.slide not in order.position:
        return len(order.slides)
    return len(ahead(index, state.slide, order) | set(state.visited))


def shortest_way(index: Index) -> int:
    """Return how many slides the shortest way has, from the first one to one that leads nowhere.

    Where there is none, all slides count.
    """
    order = index.ordered(())
    depth = {index.order[0]: 1}
    open_ = [index.order[0]]
    for slide in open_:
        after = leads_to(index, slide, order)
        if not set(after) - {slide}:
            return depth[slide]
        for name in after:
            if name not in depth:
                depth[name] = depth[slide] + 1
                open_.append(name)
    return len(index.order)


def _rules(slide: ProgramSlide) -> Iterator[ProgramRule]:
    yield from slide.rules
    for element in slide.elements:
        yield from element.rules
    for overlay in slide.overlays:
        yield from overlay.rules
        for element in overlay.elements:
            yield from element.rules
