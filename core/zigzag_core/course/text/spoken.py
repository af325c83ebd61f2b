"""What elements say, in words."""

from collections.abc import Iterable

from ..elements.element import Button, Element, Group, Input, Shape, Text
from .rich_text import plain


def spoken(element: Element) -> str:
    """Return what an element says: its text, its label, its text alternative, or its name."""
    if isinstance(element, Text):
        return plain(element.text) or element.name
    if isinstance(element, Button | Input):
        return element.label or element.name
    if isinstance(element, Shape):
        return element.alt or plain(element.text) or element.name
    return element.alt or element.name


def all_spoken(elements: Iterable[Element]) -> dict[str, str]:
    """Return what each of `elements` says, by id; a group without a text alternative says what
    its members do, decoration left out."""
    members: dict[str | None, list[Element]] = {}
    found = tuple(elements)
    for element in found:
        members.setdefault(element.group, []).append(element)

    def words(element: Element) -> str:
        if not isinstance(element, Group) or element.alt:
            return spoken(element)
        inside = (words(member) for member in members.get(element.id, ()) if not member.decoration)
        return " ".join(filter(None, inside)) or element.name

    return {element.id: words(element) for element in found}
