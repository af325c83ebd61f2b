"""Where elements are in a run."""

from .index import Index
from .state import State
from .values import number

Offset = tuple[float, float]


def middle(index: Index, state: State, target: str, element: str) -> Offset:
    """Return the offset (px) that puts `element` into the middle of `target`, where that is now."""
    draw, goal = index.elements[element].draw, index.elements[target].draw
    x, y = state.offsets.get(target, (0.0, 0.0))
    return (
        number(goal.x + x + (goal.w - draw.w) / 2 - draw.x),
        number(goal.y + y + (goal.h - draw.h) / 2 - draw.y),
    )
