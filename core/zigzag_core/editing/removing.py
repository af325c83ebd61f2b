"""Taking things away, with everything that names them."""

from collections.abc import Collection, Iterable

from zigzag_core.course import Course, Slide
from zigzag_core.course.references import Identity, among, identities, pruned

from .arranging.groups import boxed, with_members
from .idle import is_idle


def without(slide: Slide, ids: Iterable[str]) -> Slide:
    """Return `slide` without the elements `ids` and the members of groups among them.

    What names them goes with them, and what then has nothing left to do: a question without any
    answer, a pattern without items, a rule without actions, a group without members.
    """
    gone = with_members(slide.elements, ids)
    return without_things(slide, {Identity("element", name) for name in gone})


def without_things(slide: Slide, things: Collection[Identity]) -> Slide:
    """Return `slide` without the `things` on it, and without whatever named them."""
    gone, known = set(things), set(identities(slide))
    while True:
        left = pruned(slide, among(gone), is_idle)
        if left is None:
            return slide
        slide = left.model_copy(update={"elements": boxed(left.elements)})
        now = set(identities(slide))
        gone, known = known - now, now
        if not gone:
            return slide


def settings_without(course: Course, things: Collection[Identity]) -> Course:
    """Return the settings without `things` and without what named them."""
    return pruned(course, among(things), is_idle) or course


def lost_on(before: Slide, after: Slide) -> set[Identity]:
    """Return the things that are on `before` and no longer on `after`."""
    return set(identities(before)) - set(identities(after))
