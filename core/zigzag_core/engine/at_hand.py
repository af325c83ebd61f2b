"""What the learner can reach. The twin is `web/player/engine/atHand.ts`."""

from .expression import is_enabled, is_visible
from .run import Run


def at_hand(run: Run, element: str, to_click: bool = True) -> bool:
    """Whether the learner can reach `element` now: here, shown, switched on, not covered."""
    index, state = run.index, run.state
    return (
        index.home.get(element) == state.slide and element in index.elements
        and reachable(run, element) and is_visible(index, state, element)
        and (not to_click or is_enabled(index, state, element))
    )


def reachable(run: Run, element: str) -> bool:
    """Whether no blocking overlay lies over `element`, and its own overlay is open."""
    own = run.index.overlay_of.get(element)
    if own is not None and own not in run.state.overlays:
        return False
    for overlay in reversed(run.state.overlays):
        if overlay == own:
            return True
        if run.index.overlays[overlay].blocks:
            return False
    return True
