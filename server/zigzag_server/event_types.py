"""The events and effects of the core, which are typed dictionaries, as types of TypeScript."""

import inspect
import json
from types import NoneType, UnionType
from typing import Literal, NotRequired, Union, get_args, get_origin, get_type_hints

from zigzag_core.program import events

_PLAIN = {str: "string", bool: "boolean", int: "number", float: "number", NoneType: "null"}


def event_types() -> str:
    """Return the declarations of `Event`, `Effect` and `Ran`, with all that they are made of."""
    made = []
    for name, union in (("Event", events.Event), ("Effect", events.Effect)):
        made += [_declared(one) for one in get_args(union)]
        made.append(f"export type {name} =\n  | " + "\n  | ".join(
            one.__name__ for one in get_args(union)) + ";\n")
    made.append("export " + _declared(events.Ran))
    return "\n".join(made)


def _declared(one: type) -> str:
    hints = get_type_hints(one, include_extras=True)
    fields = []
    for name, hint in hints.items():
        optional = get_origin(hint) is NotRequired
        typed = _type(get_args(hint)[0] if optional else hint)
        fields.append(f"  {name}{'?' if optional else ''}: {typed};\n")
    words = " ".join((inspect.getdoc(one) or "").split())
    return f"interface {one.__name__} {{\n  // {words}\n{''.join(fields)}}}\n"


def _type(hint: type) -> str:
    """What a type of Python is in TypeScript. Raises `KeyError` for one that events do not use."""
    origin, inner = get_origin(hint), get_args(hint)
    if origin is Literal:
        return " | ".join(json.dumps(value) for value in inner)
    if origin in (Union, UnionType):
        return " | ".join(dict.fromkeys(_type(part) for part in inner))
    if origin is list:
        return f"readonly {_grouped(inner[0])}[]"
    if origin is tuple:
        return f"readonly [{', '.join(_type(part) for part in inner)}]"
    return _PLAIN[hint]


def _grouped(hint: type) -> str:
    typed = _type(hint)
    return f"({typed})" if " " in typed else typed
