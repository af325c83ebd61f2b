"""Applying a change to what stands now."""

from collections.abc import Sequence
from typing import Any, Literal

from .difference import equal, keys_of
from .operations import (
    AddItem,
    Applied,
    Change,
    Conflict,
    Json,
    MoveItem,
    Operation,
    RemoveItem,
    SetValue,
)


def apply(change: Change, document: Json, *, force: bool = False) -> Applied:
    """Return `document` with `change`; `document` itself stays as it is.

    Where something else stands than the change was made from, that operation is not done and is
    a conflict; with `force` it is done all the same, unless what it belongs to is gone.
    """
    draft = _Draft(document)
    conflicts = []
    for operation in change.operations:
        why = draft.do(operation, force)
        if why is not None:
            conflicts.append(Conflict(operation, why))
    return Applied(draft.document, tuple(conflicts))


class _Gone(Exception):
    """A path leads nowhere."""


class _Draft:
    """A document that is changed without changing what it was made of.

    Objects and lists are copied once, when something in them changes first. Where things stand in
    a list is looked up once, until the list itself changes.
    """

    def __init__(self, document: Json) -> None:
        self.document = document
        self._copies: dict[int, Json] = {}
        self._indexes: dict[int, dict[str, int]] = {}
        # Keeps what is known by its identity alive, so that nothing else takes that identity.
        self._looked_at: list[Json] = []

    def do(self, operation: Operation, force: bool) -> Literal["gone", "changed"] | None:
        """Do `operation`; return why it was not done, or None."""
        try:
            match operation:
                case SetValue(path=(), value=value, was=was):
                    return self._set_root(value, was, force)
                case SetValue():
                    return self._set(operation, force)
                case AddItem():
                    return self._add(operation, force)
                case RemoveItem():
                    return self._remove(operation, force)
                case MoveItem():
                    self._move(operation)
                    return None
        except _Gone:
            return "gone"

    def _set_root(self, value: Json, was: Json, force: bool) -> Literal["changed"] | None:
        if not force and not equal(self.document, was) and not equal(self.document, value):
            return "changed"
        self.document = value
        return None

    def _set(self, operation: SetValue, force: bool) -> Literal["gone", "changed"] | None:
        holder, slot = self._at(operation.path)
        if slot is None and not isinstance(holder, dict):
            raise _Gone
        # A field that is left out is one that has nothing in it.
        now = None if slot is None else holder[slot]
        if equal(now, operation.value):
            return None
        if not force and not equal(now, operation.was):
            return "changed"
        written = self._written(operation.path[:-1])
        written[operation.path[-1] if slot is None else slot] = operation.value
        return None

    def _add(self, operation: AddItem, force: bool) -> Literal["changed"] | None:
        holder, slot = self._at(operation.path)
        if slot is not None:
            if equal(holder[slot], operation.value):
                return None
            if not force:
                return "changed"
            self._written(operation.path[:-1])[slot] = operation.value
            return None
        written = self._written(operation.path[:-1])
        if isinstance(written, dict):
            written[operation.path[-1]] = operation.value
        else:
            self._insert(written, operation.value, operation.after, operation.before)
        return None

    def _remove(self, operation: RemoveItem, force: bool) -> Literal["changed"] | None:
        try:
            holder, slot = self._at(operation.path)
        except _Gone:
            return None
        if slot is None:
            return None
        if not force and not equal(holder[slot], operation.was):
            return "changed"
        written = self._written(operation.path[:-1])
        del written[slot]
        self._indexes.pop(id(written), None)
        return None

    def _move(self, operation: MoveItem) -> None:
        """Move an item; one that is gone meanwhile is not missed."""
        try:
            holder, slot = self._at(operation.path)
        except _Gone:
            return
        if slot is None or isinstance(holder, dict):
            return
        written = self._written(operation.path[:-1])
        item = written.pop(slot)
        self._indexes.pop(id(written), None)
        self._insert(written, item, operation.after, operation.before)

    def _insert(
        self, items: list[Json], value: Json, after: str | None, before: str | None
    ) -> None:
        index = self._index(items)
        if after is not None and after in index:
            at = index[after] + 1
        elif before is not None and before in index:
            at = index[before]
        else:
            at = len(items) if after is not None else 0
        items.insert(at, value)
        self._indexes.pop(id(items), None)

    def _at(self, path: Sequence[str]) -> tuple[Json, Any]:
        """What holds the last name of `path`, and under which key or index; None: it is absent."""
        holder = self.document
        for name in path[:-1]:
            slot = self._slot(holder, name)
            if slot is None:
                raise _Gone
            holder = holder[slot]
        return holder, self._slot(holder, path[-1])

    def _slot(self, holder: Json, name: str) -> str | int | None:
        if isinstance(holder, dict):
            return name if name in holder else None
        if isinstance(holder, list | tuple):
            return self._index(holder).get(name)
        raise _Gone

    def _index(self, items: Sequence[Json]) -> dict[str, int]:
        """Where each key stands in a list."""
        found = self._indexes.get(id(items))
        if found is None:
            keys = keys_of(items)
            if keys is None:
                raise _Gone
            found = {key: n for n, key in enumerate(keys)}
            self._indexes[id(items)] = found
            self._looked_at.append(items)
        return found

    def _written(self, path: Sequence[str]) -> Json:
        """The holder at `path`, as a copy that may be changed."""
        self.document = holder = self._copied(self.document)
        for name in path:
            slot = self._slot(holder, name)
            copied = self._copied(holder[slot])
            holder[slot] = copied
            holder = copied
        return holder

    def _copied(self, value: Json) -> Json:
        """`value` if it is a copy already, else a copy of it."""
        if id(value) in self._copies:
            return value
        copied = dict(value) if isinstance(value, dict) else list(value)
        self._copies[id(copied)] = copied
        return copied
