"""Patterns of which some items are copied."""

from zigzag_core.course import Pattern


def joined(old: Pattern, more: Pattern) -> Pattern | None:
    """Return `old` with the items of `more`, a pattern of its kind; None where it takes none."""
    for name in ("items", "cards", "places", "paths"):
        if type(old) is type(more) and hasattr(old, name):
            return old.model_copy(update={name: (*getattr(old, name), *getattr(more, name))})
    return None
