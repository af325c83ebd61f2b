"""The drawings that ship with Zigzag: one hand, in the colours of the course's theme."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass
from functools import partial
from typing import Literal

from .backdrops import BACKDROPS
from .faces import MOODS
from .icons import ICONS, icon
from .people import PEOPLE, portrait
from .plates import PLATES, plate
from .workplaces import WORKPLACES

Group = Literal["people", "backdrops", "icons", "plates"]


@dataclass(frozen=True)
class Drawing:
    """A drawing by its `key`; `tags` are the words that it is found by besides its name.

    One of a person is of `who`, in a `mood` and a `posture`.
    """

    key: str
    name: str
    group: Group
    tags: tuple[str, ...]
    draw: Callable[[], bytes]
    who: str = ""
    mood: str = ""
    posture: Literal["", "standing", "seated"] = ""


def _all() -> Iterator[Drawing]:
    for who in PEOPLE:
        for mood in MOODS:
            yield Drawing(f"person-{who.key}-{mood}", f"{who.name}, {mood}", "people",
                          (who.name.lower(), mood, "standing"), partial(portrait, who, mood),
                          who.name, mood, "standing")
            yield Drawing(f"person-{who.key}-{mood}-seated", f"{who.name}, seated, {mood}",
                          "people", (who.name.lower(), mood, "seated", "sitting"),
                          partial(portrait, who, mood, "seated"), who.name, mood, "seated")
    for key, name, draw in (*BACKDROPS, *WORKPLACES):
        yield Drawing(f"backdrop-{key}", name, "backdrops", ("scene", "background"), draw)
    for name, (words, *_) in ICONS.items():
        yield Drawing(f"icon-{name.lower().replace(' ', '-')}", name, "icons",
                      tuple(words.split()), partial(icon, name))
    for key, name, draw_plate in PLATES:
        yield Drawing(f"plate-{key}", name, "plates", ("button", "label"),
                      partial(_plate, draw_plate))


def _plate(draw: Callable[[], str]) -> bytes:
    return plate(draw())


DRAWINGS: dict[str, Drawing] = {drawing.key: drawing for drawing in _all()}


def drawing_of(key: str) -> tuple[str, bytes]:
    """Return name and SVG of the drawing `key`; raises `KeyError` when there is none."""
    found = DRAWINGS[key]
    return found.name, found.draw()
