"""Of which videos and audio somebody asks how much was played."""

from collections.abc import Iterable

from pydantic import BaseModel

from zigzag_core.course.references import expressions


def asked_to_be_watched(model: BaseModel) -> tuple[str, ...]:
    """Return the elements whose watched share an expression in `model` asks for, by their ids."""
    return tuple(sorted({name for node in expressions(model) for name in _asked(node)}))


def _asked(node: object) -> Iterable[str]:
    if not isinstance(node, list | tuple):
        return
    if len(node) == 2 and node[0] == "watched" and isinstance(node[1], str):
        yield node[1]
    for part in node[1:]:
        yield from _asked(part)
