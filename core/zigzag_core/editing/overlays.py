"""Overlays that come, with elements put onto them, and go."""

from collections.abc import Sequence

from zigzag_core.course import IdSource, Overlay, Slide
from zigzag_core.course.references import Identity

from .arranging.groups import boxed, with_members
from .names import free_name
from .removing import without, without_things


def with_overlay(slide: Slide, ids: Sequence[str], fresh: IdSource) -> tuple[Slide, str]:
    """Return `slide` with a new overlay, onto which the elements `ids` move, and its id.

    Groups move with all that is in them; a member that moves alone leaves its group.
    """
    overlay = Overlay(
        id=fresh(), name=free_name("Overlay", (other.name for other in slide.overlays)),
        closes_others=True, on_outside=True,
    )
    moving = with_members(slide.elements, ids)
    elements = boxed(tuple(
        e.model_copy(update={
            "overlay": overlay.id, "group": e.group if e.group in moving else None})
        if e.id in moving else e
        for e in slide.elements))
    # Groups of which all members have gone are gone too, and from whatever named them.
    left = without(slide, {e.id for e in slide.elements} - {e.id for e in elements})
    return left.model_copy(update={
        "elements": elements, "overlays": (*slide.overlays, overlay)}), overlay.id


def without_overlay(slide: Slide, overlay: str) -> Slide:
    """Return `slide` without an overlay and all that is on it.

    What names it goes too, and where it stood in for the words after an answer these are said
    again.
    """
    on_it = {Identity("element", e.id) for e in slide.elements if e.overlay == overlay}
    return without_things(slide, {Identity("overlay", overlay), *on_it})
