"""Taking things away, with everything that names them."""

from collections.abc import Collection, Iterable, Sequence

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
    """Return the settings without what names `things`, and without those that they hold."""
    return pruned(course, among(things), is_idle) or course


def without_mentions(slide: Slide, gone: Collection[Identity]) -> Slide:
    """Return `slide` without what names things that were on others; itself if nothing does."""
    return pruned(slide, among(gone), is_idle) or slide


def without_slides(
    course: Course, slides: Iterable[Slide], ids: Iterable[str]
) -> tuple[Course, tuple[Slide, ...]]:
    """Return the settings and `slides` without the slides `ids` and what named them or was on them.

    A section that began with one of them begins with the next that stays. `slides` may be more
    or fewer than the course lists.
    """
    out, known = set(ids), tuple(slides)
    gone = {Identity("slide", name) for name in out} | {
        identity for slide in known if slide.id in out for identity in identities(slide)}
    moved = course.model_copy(update={"sections": tuple(
        section.model_copy(update={"before": _next_staying(course.slides, section.before, out)})
        for section in course.sections)})
    return settings_without(moved, gone), tuple(
        without_mentions(slide, gone) for slide in known if slide.id not in out)


def _next_staying(order: Sequence[str], start: str | None, out: Collection[str]) -> str | None:
    if start is None or start not in order:
        return start
    return next((slide for slide in order[order.index(start):] if slide not in out), None)


def lost_on(before: Slide, after: Slide) -> set[Identity]:
    """Return the things that are on `before` and no longer on `after`."""
    return set(identities(before)) - set(identities(after))
