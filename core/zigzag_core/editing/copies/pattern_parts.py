"""Patterns of which some items are copied."""

from zigzag_core.course import Pattern

_LISTS = ("items", "cards", "places", "paths")


def items_in(pattern: Pattern) -> int:
    """Return how many items a pattern has; 0 where it has no list of them."""
    return sum(len(getattr(pattern, name, ())) for name in _LISTS)


def joined(old: Pattern, more: Pattern) -> Pattern | None:
    """Return `old` with the items of `more`, a pattern of its kind; None where it takes none."""
    for name in _LISTS:
        if type(old) is type(more) and hasattr(old, name):
            return old.model_copy(update={name: (*getattr(old, name), *getattr(more, name))})
    return None
