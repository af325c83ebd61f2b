"""Which of the selected elements belong together in a pattern, as far as their places tell."""

from collections.abc import Callable, Sequence
from math import dist

from zigzag_core.course import Area, Button, Element, Picture
from zigzag_core.course.elements.geometry import box_of

from .questions.roles import roles_of

Pairs = list[tuple[Element, tuple[Element, ...]]]
"""What is to be clicked with what it shows, in order."""


def revealed_by(chosen: Sequence[Element]) -> Pairs:
    """Return what of `chosen` is clicked and what each of these shows, perhaps nothing.

    Buttons and areas are clicked; without any, all of three or more of one size that are pictures
    or in one row or column, else what looks smaller, else the first half. As many to show as to
    click go by their order, else each to the nearest one that shows the least.
    """
    clicked: list[Element] = [e for e in chosen if isinstance(e, Button | Area)]
    shown = [e for e in chosen if e not in clicked]
    if _are_alike(shown) and not clicked:
        clicked, shown = shown, []
    elif not clicked:
        clicked, shown = _two_halves(chosen) if len(chosen) > 1 else (list(chosen), [])
    if len(clicked) == len(shown):
        return [(e, (other,)) for e, other in zip(clicked, shown, strict=True)]
    shows: dict[str, list[Element]] = {e.id: [] for e in clicked}
    for element in shown:
        nearest = min(clicked, key=lambda e: (len(shows[e.id]), _apart(e, element)))
        shows[nearest.id].append(element)
    return [(e, tuple(shows[e.id])) for e in clicked]


def two_sides(chosen: Sequence[Element]) -> Pairs:
    """Return fronts of cards with their backs; one that has no other side is left out.

    What lies on each other is a card; else the two groups that looks and places tell apart, if
    they are of one size; else each element with the next one.
    """
    pairs: Pairs = []
    rest: list[Element] = []
    for element in chosen:
        under = next((e for e in rest if _one_on_the_other(e, element)), None)
        if under is None:
            rest.append(element)
        else:
            rest.remove(under)
            pairs.append((under, (element,)))
    if not pairs and len(rest) > 2:
        fronts, backs = _two_halves(rest)
        if len(fronts) == len(backs):
            return [(e, (other,)) for e, other in zip(fronts, backs, strict=True)]
    return pairs + [(e, (other,)) for e, other in zip(rest[::2], rest[1::2], strict=False)]


def _two_halves(chosen: Sequence[Element]) -> tuple[list[Element], list[Element]]:
    """The smaller, upper or left ones, and the others."""
    roles = roles_of(chosen)
    if not roles.items or not roles.targets or len(roles.items) + len(roles.targets) < len(chosen):
        half = len(chosen) // 2
        return list(chosen[:half]), list(chosen[half:])
    small, large = set(roles.items), set(roles.targets)
    return [e for e in chosen if e.id in small], [e for e in chosen if e.id in large]


def _are_alike(elements: Sequence[Element]) -> bool:
    """Whether they are three or more of one size: pictures, or in one row or in one column."""
    if len(elements) < 3:
        return False

    def same(of: Callable[[Element], float]) -> bool:
        return all(abs(of(e) - of(elements[0])) <= 1 for e in elements)

    return same(lambda e: e.w) and same(lambda e: e.h) and (
        all(isinstance(e, Picture) for e in elements)
        or same(lambda e: e.x) or same(lambda e: e.y))


def _apart(one: Element, other: Element) -> float:
    return dist(box_of(one).middle, box_of(other).middle)


def _one_on_the_other(one: Element, other: Element) -> bool:
    return box_of(one).holds(*box_of(other).middle) and box_of(other).holds(*box_of(one).middle)
