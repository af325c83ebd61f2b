"""Putting a change together with what others have made of the same base."""

from collections.abc import Sequence

from .application import apply
from .difference import equal, keys_of
from .operations import AddItem, Applied, Change, Conflict, Json, MoveItem, Operation, SetValue


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
            keys_of(found) if isinstance(found, list | tuple) else None)
        if not keys or name not in keys:
            return _ABSENT
        found = found[name] if isinstance(found, dict) else found[list(keys).index(name)]
    return found
