"""Changes: what an edit does to a course, as a list of operations on its JSON.

A change is made from two documents (`diff`), applied to what stands now (`apply`), turned round
(`invert`), put together with what others have done since (`merge`), and written as JSON. Saving,
undo, version history and windows side by side all use changes.

A document is JSON. Where a change concerns a whole course its paths begin with ``course`` or with
``slides`` and the id of a slide. A path goes by the names of fields, and in lists of things with an
``id``, or of different texts, by the id or the text: it still leads to the same thing after others
were added, moved or taken away. RFC 6902 (JSON Patch) counts places in lists instead, which is why
these operations are not its own. Other lists, such as the cells of a table, change as a whole.

The twin of this file is `web/workbench/store/changes.ts`; traces hold the two together.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Annotated, Any, Literal

from pydantic import Field

from zigzag_core.course.model import Model

Json = Any
"""A value as `json.loads` gives it."""

Path = Annotated[tuple[Annotated[str, Field(max_length=20_000)], ...], Field(max_length=60)]
Anchor = Annotated[str, Field(max_length=20_000)] | None

MOST_OPERATIONS = 100_000
KINDS = ("kind", "type", "event", "action", "to", "wants")
"""Fields that say which form a thing has. A thing that takes another form changes as a whole."""


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


def diff(before: Json, after: Json) -> Change:
    """Return the change that makes `after` of `before`, with no more operations than needed."""
    return Change.model_construct(operations=tuple(_differences(before, after, ())))


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


def invert(change: Change) -> Change:
    """Return the change that takes `change` back."""
    return Change.model_construct(
        operations=tuple(_inverse(operation) for operation in reversed(change.operations))
    )


def merge(mine: Change, theirs: Change, now: Json) -> Applied:
    """Return `now` with `mine`, where `now` is what `theirs` has made of the base of `mine`.

    A conflict is what both have changed to something else, and what one has changed and the other
    taken away. Two moves of one thing are none: the later one holds.
    """
    made = _Touched(theirs)
    kept, conflicts = [], []
    for operation in mine.operations:
        if made.crosses(operation, now):
            conflicts.append(Conflict(operation, "changed"))
        else:
            kept.append(operation)
    applied = apply(Change.model_construct(operations=tuple(kept)), now, force=True)
    return Applied(applied.document, (*conflicts, *applied.conflicts))


def equal(one: Json, other: Json) -> bool:
    """Return whether two values are the same JSON: 1 is 1.0, and a yes is no number."""
    if one is other:
        return True
    if isinstance(one, bool) or isinstance(other, bool):
        return one is other
    if isinstance(one, dict) and isinstance(other, dict):
        return one.keys() == other.keys() and all(equal(one[k], other[k]) for k in one)
    if isinstance(one, list | tuple) and isinstance(other, list | tuple):
        return len(one) == len(other) and all(map(equal, one, other))
    return bool(one == other)


# Making a change


def _differences(before: Json, after: Json, path: tuple[str, ...]) -> Iterator[Operation]:
    if before is after:
        return
    if isinstance(before, dict) and isinstance(after, dict) and _same_form(before, after):
        for name in before:
            if name not in after:
                yield RemoveItem.model_construct(path=(*path, name), was=before[name])
        for name, value in after.items():
            if name in before:
                yield from _differences(before[name], value, (*path, name))
            else:
                yield AddItem.model_construct(path=(*path, name), value=value)
    elif isinstance(before, list | tuple) and isinstance(after, list | tuple):
        yield from _list_differences(before, after, path)
    elif not equal(before, after):
        yield SetValue.model_construct(path=path, value=after, was=before)


def _same_form(before: Mapping[str, Json], after: Mapping[str, Json]) -> bool:
    """Whether two objects can be compared field by field: of one form, with one id."""
    for name in KINDS:
        one, other = before.get(name), after.get(name)
        if isinstance(one, str) and isinstance(other, str) and one != other:
            return False
    one, other = before.get("id"), after.get("id")
    return one == other or not (isinstance(one, str) or isinstance(other, str))


def _list_differences(
    before: Sequence[Json], after: Sequence[Json], path: tuple[str, ...]
) -> Iterator[Operation]:
    old, new = _keys(before), _keys(after)
    if old is None or new is None or not _same_sort(before, after):
        if not equal(before, after):
            yield SetValue.model_construct(path=path, value=after, was=before)
        return
    wanted = set(new)
    values = dict(zip(old, before, strict=True))
    now = list(old)
    for key in [key for key in old if key not in wanted]:
        at = now.index(key)
        yield RemoveItem.model_construct(
            path=(*path, key), was=values[key], **_beside(now, at)
        )
        del now[at]
    staying = _longest_run(now, {key: n for n, key in enumerate(new)})
    if now != new:
        yield from _put_in_order(now, new, staying, dict(zip(new, after, strict=True)), path)
    for key, value in zip(new, after, strict=True):
        if key in values:
            yield from _differences(values[key], value, (*path, key))


def _put_in_order(
    now: list[str], new: Sequence[str], staying: set[str], values: Mapping[str, Json],
    path: tuple[str, ...],
) -> Iterator[Operation]:
    """Add and move what makes the keys `new` of `now`; those of `staying` keep their places."""
    known = set(now)
    for n, key in enumerate(new):
        if key in staying:
            continue
        was = {}
        if key in known:
            at = now.index(key)
            was = {f"was_{side}": name for side, name in _beside(now, at).items()}
            del now[at]
        at = now.index(new[n - 1]) + 1 if n else 0
        now.insert(at, key)
        if was:
            yield MoveItem.model_construct(path=(*path, key), **_beside(now, at), **was)
        else:
            yield AddItem.model_construct(
                path=(*path, key), value=values[key], **_beside(now, at)
            )


def _beside(keys: Sequence[str], at: int) -> dict[str, str | None]:
    return {
        "after": keys[at - 1] if at else None,
        "before": keys[at + 1] if at + 1 < len(keys) else None,
    }


def _longest_run(keys: Sequence[str], order: Mapping[str, int]) -> set[str]:
    """The most of `keys` that stand in `order` already (Fredman 1975, with binary search)."""
    tails: list[int] = []
    holders: list[int] = []
    earlier: list[int] = []
    for n, key in enumerate(keys):
        low, high = 0, len(tails)
        while low < high:
            middle = (low + high) // 2
            if tails[middle] < order[key]:
                low = middle + 1
            else:
                high = middle
        earlier.append(holders[low - 1] if low else -1)
        tails[low:low + 1] = [order[key]]
        holders[low:low + 1] = [n]
    run: set[str] = set()
    at = holders[-1] if holders else -1
    while at >= 0:
        run.add(keys[at])
        at = earlier[at]
    return run


def _keys(items: Sequence[Json]) -> list[str] | None:
    """The keys of a list: the ids of its things, or its texts. None where it has none."""
    keys = []
    for item in items:
        key = item.get("id") if isinstance(item, dict) else item
        if not isinstance(key, str):
            return None
        keys.append(key)
    return keys if len(set(keys)) == len(keys) else None


def _same_sort(before: Sequence[Json], after: Sequence[Json]) -> bool:
    """Whether all items are things, or all are texts."""
    return len({isinstance(item, dict) for item in (*before, *after)}) < 2


# Turning it round


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


# Applying it


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
                    return self._move(operation)
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

    def _slot(self, holder: Json, name: str) -> Any:
        if isinstance(holder, dict):
            return name if name in holder else None
        if isinstance(holder, list | tuple):
            return self._index(holder).get(name)
        raise _Gone

    def _index(self, items: Sequence[Json]) -> dict[str, int]:
        """Where each key stands in a list."""
        found = self._indexes.get(id(items))
        if found is None:
            keys = _keys(items)
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


# Putting two together


class _Touched:
    """The paths that a change has written to, to be asked whether another crosses them."""

    def __init__(self, change: Change) -> None:
        self.written: set[tuple[str, ...]] = set()
        self.holders: set[tuple[str, ...]] = set()
        for operation in change.operations:
            if isinstance(operation, MoveItem):
                continue
            self.written.add(operation.path)
            self.holders.update(operation.path[:n] for n in range(len(operation.path)))

    def crosses(self, operation: Operation, now: Json) -> bool:
        """Whether `operation` writes what the change has written, to something else."""
        path = operation.path
        if isinstance(operation, MoveItem):
            return False
        if path in self.holders or any(path[:n] in self.written for n in range(len(path))):
            return True
        return path in self.written and not _is_done(operation, now)


_ABSENT = object()


def _is_done(operation: Operation, now: Json) -> bool:
    """Whether `now` is as `operation` would have it."""
    found = _found(now, operation.path)
    if isinstance(operation, SetValue | AddItem):
        return found is not _ABSENT and equal(found, operation.value)
    return found is _ABSENT


def _found(document: Json, path: Sequence[str]) -> Json:
    """What stands at `path`, or `_ABSENT`."""
    found = document
    for name in path:
        keys = found.keys() if isinstance(found, dict) else (
            _keys(found) if isinstance(found, list | tuple) else None)
        if not keys or name not in keys:
            return _ABSENT
        found = found[name] if isinstance(found, dict) else found[list(keys).index(name)]
    return found
