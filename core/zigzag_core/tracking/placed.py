"""Saved progress: where elements lie, and what was watched."""

import math
from collections.abc import Mapping, Sequence
from typing import Any

from zigzag_core.engine.index import Index
from zigzag_core.engine.state import State
from zigzag_core.engine.values import number
from zigzag_core.errors import Damaged

from .bytes import Reader, Writer


def write_placed(out: Writer, state: State, elements: Mapping[str, int]) -> None:
    """Write targets, offsets (to a hundredth of a px) and watched stretches (ms), by number."""
    dropped = sorted(
        (elements[e], elements[on]) for e, on in state.dropped.items()
        if e in elements and on in elements
    )
    out.varint(len(dropped))
    for element, target in dropped:
        out.varint(element)
        out.varint(target)
    offsets = sorted((elements[e], offset) for e, offset in state.offsets.items() if e in elements)
    out.varint(len(offsets))
    for element, offset in offsets:
        out.varint(element)
        for part in offset:
            out.signed(math.floor(part * 100 + 0.5))
    watched = sorted((elements[e], w) for e, w in state.watched.items() if e in elements)
    out.varint(len(watched))
    for element, stretches in watched:
        out.varint(element)
        out.varint(len(stretches))
        end = 0
        for since, until in stretches:
            out.varint(since - end)
            out.varint(until - since)
            end = until


def read_placed(source: Reader, index: Index, elements: Sequence[str]) -> dict[str, Any]:
    """Return the fields of the state that were written, for elements that still exist."""
    def element() -> str:
        index = source.varint()
        if index >= len(elements):
            raise Damaged("the saved progress names a thing that was never published")
        return elements[index]

    dropped = {}
    for _ in range(source.varint()):
        name, target = element(), element()
        if name in index.elements and target in index.elements:
            dropped[name] = target
    offsets = {}
    for _ in range(source.varint()):
        name = element()
        offset = (number(source.signed() / 100), number(source.signed() / 100))
        if name in index.elements:
            offsets[name] = offset
    watched = {}
    for _ in range(source.varint()):
        name, stretches, end = element(), [], 0
        for _ in range(source.varint()):
            since = end + source.varint()
            end = since + source.varint()
            stretches.append((since, end))
        if name in index.elements:
            watched[name] = tuple(stretches)
    return {"dropped": dropped, "offsets": offsets, "watched": watched}
