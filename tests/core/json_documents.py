"""JSON documents such as courses are made of, and edits of them, for property tests."""

import copy
from typing import Any

from hypothesis import strategies as st

IDS = ("note", "text", "card", "7", "42", "__proto__", "constructor", "slide", "ß", "👢")
NAMES = ("x", "title", "kind", "own", "items", "toString", "looks")


def _plain() -> st.SearchStrategy[Any]:
    return (st.none() | st.booleans() | st.integers(-9, 9) | st.sampled_from((0.5, 1.0, 2.0))
            | st.sampled_from(("", "note", "text", "shape", "é", "\u202eabc")))


def things(inside: st.SearchStrategy[Any]) -> st.SearchStrategy[list[Any]]:
    """Lists of things with ids of their own."""
    fields = st.dictionaries(st.sampled_from(NAMES), inside, max_size=3)
    thing = st.tuples(st.sampled_from(IDS), fields).map(lambda pair: {**pair[1], "id": pair[0]})
    return st.lists(thing, max_size=5, unique_by=lambda item: item["id"])


def _values() -> st.SearchStrategy[Any]:
    return st.recursive(
        _plain(),
        lambda inside: st.lists(inside, max_size=3)
        | st.lists(st.sampled_from(IDS), max_size=4)
        | things(inside)
        | st.dictionaries(st.sampled_from(NAMES), inside, max_size=3),
        max_leaves=12,
    )


def documents() -> st.SearchStrategy[dict[str, Any]]:
    """Documents: fields with lists of things in them."""
    return st.fixed_dictionaries({
        "title": st.sampled_from(("Stove", "Kitchen")), "elements": things(_values()),
        "order": st.lists(st.sampled_from(IDS), max_size=5, unique=True),
    }, optional={"looks": st.dictionaries(st.sampled_from(IDS), _values(), max_size=3)})


@st.composite
def edited(draw: Any, document: dict[str, Any]) -> dict[str, Any]:
    """`document` after a few edits anywhere in it."""
    made = copy.deepcopy(document)
    for _ in range(draw(st.integers(0, 4))):
        _edit_once(draw, made)
    return made


def _edit_once(draw: Any, made: Any) -> None:
    holder = made
    while isinstance(holder, dict | list) and holder:
        inner = list(holder.values()) if isinstance(holder, dict) else holder
        deeper = [value for value in inner if isinstance(value, dict | list) and value]
        if not deeper or draw(st.booleans()):
            break
        holder = draw(st.sampled_from(deeper))
    if isinstance(holder, dict):
        names = [name for name in holder if name != "id"]
        if names and holder is not made and draw(st.booleans()):
            del holder[draw(st.sampled_from(names))]
        else:
            holder[draw(st.sampled_from(NAMES))] = draw(_values())
    elif isinstance(holder, list):
        how = draw(st.sampled_from(("drop", "move", "replace")))
        at = draw(st.integers(0, len(holder) - 1))
        item = holder.pop(at)
        if how == "move":
            holder.insert(draw(st.integers(0, len(holder))), item)
        elif how == "replace":
            holder.insert(at, draw(_values()))
