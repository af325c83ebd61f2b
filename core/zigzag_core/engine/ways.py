"""Which slides a learner can still come to. The twin is `web/player/engine/ways.ts`.

Only what a program names counts, whatever the conditions are: *next* and its forks, actions that
lead to slides, the menu where it leads on. Going back counts not: who comes to the end has come
to the end of their way.
"""

from collections.abc import Iterator
from itertools import chain

from zigzag_core.program import Enter, Go, ProgramRule, ProgramSlide

from .index import Index
from .state import State


def leads_to(index: Index, slide: str) -> tuple[str, ...]:
    """Return the slides that `slide` leads to, in the order in which they are named."""
    here = index.slides[slide]
    menu = index.program.navigation.menu if here.navigation.menu is None else here.navigation.menu
    if menu and index.program.navigation.order != "seen":
        return index.order
    after = index.onward[slide]
    found = [after] if after is not None else []
    found += [fork.slide for fork in here.forks]
    for rule in chain(_rules(here), index.program.rules):
        for action in (*rule.then, *rule.otherwise):
            if isinstance(action, (Go, Enter)) and action.slide is not None:
                found.append(action.slide)
    return tuple(dict.fromkeys(name for name in found if name in index.position))


def ahead(index: Index, slide: str) -> frozenset[str]:
    """Return `slide` and all that can be come to from it."""
    found = index.ahead.get(slide)
    if found is None:
        seen, open_ = {slide}, [slide]
        while open_ and len(seen) < len(index.order):
            for after in leads_to(index, open_.pop()):
                if after not in seen:
                    seen.add(after)
                    open_.append(after)
        found = index.ahead[slide] = frozenset(seen)
    return found


def way(index: Index, state: State) -> int:
    """Return how many slides are on the learner's way: those seen, and those still ahead."""
    if state.slide is None:
        return len(index.order)
    return len(ahead(index, state.slide) | set(state.visited))


def shortest_way(index: Index) -> int:
    """Return how many slides the shortest way has, from the first one to one that leads nowhere.

    Where there is none, all slides count.
    """
    depth = {index.order[0]: 1}
    open_ = [index.order[0]]
    for slide in open_:
        after = leads_to(index, slide)
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
