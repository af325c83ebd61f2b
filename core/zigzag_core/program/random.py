"""The engines' generator: Mulberry32, a 32-bit generator small enough to be the same everywhere.

Source: Tommy Ettinger, *Mulberry32* (public domain, 2017).
"""

from collections.abc import Sequence
from typing import TypeVar

_MASK = 0xFFFFFFFF

T = TypeVar("T")


def step32(state: int) -> tuple[int, int]:
    """Return the next state and a draw in 0..2**32-1 from `state` in the same range."""
    state = (state + 0x6D2B79F5) & _MASK
    t = ((state ^ (state >> 15)) * (state | 1)) & _MASK
    t ^= (t + (((t ^ (t >> 7)) * (t | 61)) & _MASK)) & _MASK
    return state, (t ^ (t >> 14)) & _MASK


def fnv1a(text: str) -> int:
    """Return the 32-bit FNV-1a hash of `text` in UTF-8 (Fowler, Noll, Vo)."""
    value = 0x811C9DC5
    for byte in text.encode():
        value = ((value ^ byte) * 0x01000193) & _MASK
    return value


def shuffled(items: Sequence[T], seed: int) -> tuple[T, ...]:
    """Return `items` in an order drawn from `seed` (Fisher-Yates, from the end)."""
    result, state = list(items), seed & _MASK
    for last in range(len(result) - 1, 0, -1):
        state, draw = step32(state)
        other = draw % (last + 1)
        result[last], result[other] = result[other], result[last]
    return tuple(result)
