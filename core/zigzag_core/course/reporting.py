"""How far a long computation is."""

from collections.abc import Callable, Iterable, Iterator, Sized
from typing import Protocol, TypeVar

T = TypeVar("T", covariant=True)

Progress = Callable[[float], None]
"""Takes how much of the work is done, from 0 to 1."""


class Items(Sized, Iterable[T], Protocol[T]):
    """What can be counted and gone through."""


def untold(share: float) -> None:
    """A `Progress` that tells nobody."""


def portion(progress: Progress, begin: float, end: float) -> Progress:
    """Return the `Progress` of a portion of the work: from the share `begin` to `end`."""
    return lambda share: progress(begin + (end - begin) * share)


def telling(items: Items[T], progress: Progress) -> Iterator[T]:
    """Yield `items`, and tell before each the share of them that was yielded."""
    for number, item in enumerate(items):
        progress(number / len(items))
        yield item
