"""What a drawing costs a browser: elements that are drawn again and again by reference count again.

A few lines in which each element uses the one before twice stand for billions (SVG 2, 5.6).
"""

import re
from collections.abc import Iterator

from lxml import etree

from zigzag_core.errors import BadDrawing

MOST_ELEMENTS = 50_000
"""Elements that a drawing may have."""
MOST_DRAWN = 200_000
"""Elements that may come of them when every reference is followed."""
DEEPEST = 200
"""Elements within elements, references followed."""
_EFFECT = 50
"""A primitive of a filter works on every point: it counts as so many elements."""
_REFERENCE = re.compile(r"url\(\s*['\"]?\s*#([^)'\"]+)")


def check_cost(root: etree._Element) -> None:
    """Raise `BadDrawing` where drawing `root` would take a browser too long, or never end."""
    named = {element.get("id"): element for element in reversed(list(root.iter()))}
    costs: dict[etree._Element, int] = {}
    within: set[etree._Element] = set()

    def cost(element: etree._Element) -> int:
        if element in costs:
            return costs[element]
        if element in within:
            raise BadDrawing("The drawing uses itself within itself.")
        if len(within) >= DEEPEST:
            raise BadDrawing(f"The drawing is nested more than {DEEPEST} deep.")
        within.add(element)
        total = _EFFECT if etree.QName(element).localname.startswith("fe") else 1
        for part in (*element, *(named[name] for name in _names(element) if name in named)):
            total += cost(part)
            if total > MOST_DRAWN:
                raise BadDrawing(f"The drawing comes to more than {MOST_DRAWN:,} elements when "
                                 "all that it repeats is drawn.")
        within.discard(element)
        costs[element] = total
        return total

    cost(root)


def _names(element: etree._Element) -> Iterator[str]:
    """The ids of what an element refers to."""
    for name, value in element.attrib.items():
        text = str(value)
        if str(name).rpartition("}")[2] == "href" and text.startswith("#"):
            yield text[1:]
        else:
            yield from _REFERENCE.findall(text)
