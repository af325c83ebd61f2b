"""Finding the change between two documents."""

from collections.abc import Iterator, Mapping, Sequence

from .operations import AddItem, Change, Json, MoveItem, Operation, RemoveItem, SetValue

KINDS = ("kind", "type", "event", "action", "to", "wants")
"""Fields that say which form a thing has. A thing that takes another form changes as a whole."""


def diff(before: Json, after: Json) -> Change:
    """Return the change that makes `after` of `before`, with no more operations than needed."""
    return Change.model_construct(operations=tuple(_differences(before, after, ())))


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
    old, new = keys_of(before), keys_of(after)
    if old is None or new is None or not _same_sort(before, after):
        if not equal(before, after):
            yield SetValue.model_construct(path=path, value=after, was=before)
        return
    wanted = set(new)
    values = dict(zip(old, before, strict=True))
    now = list(old)
    for key in [key for key in old if key not in wanted]:
        at = now.index(key)
        after_key, before_key = _beside(now, at)
        yield RemoveItem.model_construct(
            path=(*path, key), was=values[key], after=after_key, before=before_key
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
        was_after = was_before = None
        if key in known:
            at = now.index(key)
            was_after, was_before = _beside(now, at)
            del now[at]
        at = now.index(new[n - 1]) + 1 if n else 0
        now.insert(at, key)
        after, before = _beside(now, at)
        if key in known:
            yield MoveItem.model_construct(
                path=(*path, key), after=after, before=before,
                was_after=was_after, was_before=was_before,
            )
        else:
            yield AddItem.model_construct(
                path=(*path, key), value=values[key], after=after, before=before
            )


def _beside(keys: Sequence[str], at: int) -> tuple[str | None, str | None]:
    """The keys right before and right after the one at `at`."""
    return (
        keys[at - 1] if at else None,
        keys[at + 1] if at + 1 < len(keys) else None,
    )


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




def _same_sort(before: Sequence[Json], after: Sequence[Json]) -> bool:
    """Whether all items are things, or all are texts."""
    return len({isinstance(item, dict) for item in (*before, *after)}) < 2


def keys_of(items: Sequence[Json]) -> list[str] | None:
    """The keys of a list: the ids of its things, or its texts. None where it has none."""
    keys = []
    for item in items:
        key = item.get("id") if isinstance(item, dict) else item
        if not isinstance(key, str):
            return None
        keys.append(key)
    return keys if len(set(keys)) == len(keys) else None
