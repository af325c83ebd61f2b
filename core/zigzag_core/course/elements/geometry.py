"""Boxes on a slide, in px: where elements are, turned or not."""

import math
from collections.abc import Iterable
from dataclasses import dataclass

from .element import Element


@dataclass(frozen=True, slots=True)
class Box:
    """A rectangle: upper left corner, width, height."""

    x: float
    y: float
    w: float
    h: float

    @property
    def right(self) -> float:
        """The x of the right edge, in px."""
        return self.x + self.w

    @property
    def bottom(self) -> float:
        """The y of the lower edge, in px."""
        return self.y + self.h

    def touches(self, other: "Box") -> bool:
        """Return whether the two have some area in common."""
        return (self.x < other.right and other.x < self.right
                and self.y < other.bottom and other.y < self.bottom)

    def holds(self, x: float, y: float) -> bool:
        """Return whether a point (px) lies in it or on its edge."""
        return self.x <= x <= self.right and self.y <= y <= self.bottom

    @property
    def middle(self) -> tuple[float, float]:
        """The x and y of the centre, in px."""
        return self.x + self.w / 2, self.y + self.h / 2


def box_of(element: Element) -> Box:
    """Return the upright rectangle that `element` covers, its turn taken into account."""
    box = Box(element.x, element.y, element.w, element.h)
    if not element.turn % 180:
        return box
    angle = math.radians(element.turn)
    c, s = abs(math.cos(angle)), abs(math.sin(angle))
    w, h = box.w * c + box.h * s, box.w * s + box.h * c
    mx, my = box.middle
    return Box(mx - w / 2, my - h / 2, w, h)


def around(boxes: Iterable[Box]) -> Box:
    """Return the smallest box around all `boxes`; raises `ValueError` when there are none."""
    found = list(boxes)
    if not found:
        raise ValueError("there is nothing to put a box around")
    x, y = min(box.x for box in found), min(box.y for box in found)
    return Box(x, y, max(b.right for b in found) - x, max(b.bottom for b in found) - y)
