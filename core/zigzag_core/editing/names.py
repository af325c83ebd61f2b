"""Names that can be told apart: numbered ones count on."""

import re
import unicodedata
from collections.abc import Iterable, Mapping
from typing import Any, Protocol, Self, TypeVar


class Named(Protocol):
    """A thing of a course that has a name."""

    @property
    def name(self) -> str:
        """The name that authors see."""

    def model_copy(self, *, update: Mapping[str, Any]) -> Self:
        """Return a copy with the fields of `update` set."""


T = TypeVar("T", bound=Named)

_NUMBERED = re.compile(r"^(.*\S)\s+([0-9]{1,6})$")


def free_name(wanted: str, taken: Iterable[str]) -> str:
    """Return `wanted` if it is free, else with the next number: “Card 2” after “Card 1”."""
    names = set(taken)
    if wanted not in names:
        return wanted
    match = _NUMBERED.match(wanted)
    stem, number = (match[1], int(match[2])) if match else (wanted, 1)
    while f"{stem} {number}" in names or number == 1:
        number += 1
    return f"{stem} {number}"[:200]


def free_title(wanted: str, taken: Iterable[str]) -> str:
    """Return a title for a copy: “Stove (copy)”, “Stove (copy 2)” …"""
    names = set(taken)
    stem = re.sub(r" \(copy(?: [0-9]+)?\)$", "", wanted)[:180]
    candidate, number = f"{stem} (copy)", 2
    while candidate in names:
        candidate, number = f"{stem} (copy {number})", number + 1
    return candidate


def named_apart(things: Iterable[T], others: Iterable[Named]) -> tuple[T, ...]:
    """Return `things` with names that neither each other nor `others` have."""
    names = {thing.name for thing in others}
    made = []
    for thing in things:
        name = free_name(thing.name, names)
        names.add(name)
        made.append(thing if name == thing.name else thing.model_copy(update={"name": name}))
    return tuple(made)


def file_stem(name: str) -> str:
    """Return `name` as part of a file's name: small letters and digits of ASCII, with hyphens.

    It has 40 characters at most; of a name in another script nothing may be left.
    """
    text = unicodedata.normalize("NFKD", name).encode("ascii", "ignore").decode().casefold()
    return re.sub(r"[^a-z0-9]+", "-", text).strip("-")[:40].strip("-")
