"""What changes are made of, and what comes of applying them."""

from dataclasses import dataclass
from typing import Annotated, Any, Literal

from pydantic import Field

from zigzag_core.course.model import Model

Json = Any
"""A value as `json.loads` gives it."""

Path = Annotated[tuple[Annotated[str, Field(max_length=20_000)], ...], Field(max_length=60)]
Anchor = Annotated[str, Field(max_length=20_000)] | None

MOST_OPERATIONS = 100_000


class SetValue(Model):
    """The value at `path` becomes `value`; it `was` another."""

    op: Literal["set"] = "set"
    path: Path
    value: Json
    was: Json


class AddItem(Model):
    """`value` is added under the last name of `path`: in a list after `after`, else before
    `before`, else at the end. Both are None in an object."""

    op: Literal["add"] = "add"
    path: Path
    value: Json
    after: Anchor = None
    before: Anchor = None


class RemoveItem(Model):
    """What stands at `path` is taken away; it `was` this, between `after` and `before`."""

    op: Literal["remove"] = "remove"
    path: Path
    was: Json
    after: Anchor = None
    before: Anchor = None


class MoveItem(Model):
    """The item of a list at `path` moves after `after`; it stood after `was_after`.

    The same goes for `before` and `was_before`, should the first be gone.
    """

    op: Literal["move"] = "move"
    path: Path
    after: Anchor = None
    before: Anchor = None
    was_after: Anchor = None
    was_before: Anchor = None


Operation = Annotated[
    SetValue | AddItem | RemoveItem | MoveItem, Field(discriminator="op")
]


class Change(Model):
    """Operations, done one after the other."""

    operations: Annotated[tuple[Operation, ...], Field(max_length=MOST_OPERATIONS)] = ()


@dataclass(frozen=True)
class Conflict:
    """An operation that was not done.

    *gone*: what it changes, or what holds that, is no longer there. *changed*: somebody else has
    changed the same thing to something else.
    """

    operation: Operation
    why: Literal["gone", "changed"]


@dataclass(frozen=True)
class Applied:
    """A document after a change, and what of the change could not be done."""

    document: Json
    conflicts: tuple[Conflict, ...] = ()


def invert(change: Change) -> Change:
    """Return the change that takes `change` back."""
    return Change.model_construct(
        operations=tuple(_inverse(operation) for operation in reversed(change.operations))
    )


def _inverse(operation: Operation) -> Operation:
    match operation:
        case SetValue(path=path, value=value, was=was):
            return SetValue.model_construct(path=path, value=was, was=value)
        case AddItem(path=path, value=value, after=after, before=before):
            return RemoveItem.model_construct(path=path, was=value, after=after, before=before)
        case RemoveItem(path=path, was=was, after=after, before=before):
            return AddItem.model_construct(path=path, value=was, after=after, before=before)
        case MoveItem():
            return MoveItem.model_construct(
                path=operation.path, after=operation.was_after, before=operation.was_before,
                was_after=operation.after, was_before=operation.before,
            )
