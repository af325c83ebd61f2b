"""Making identities."""

import random
from collections.abc import Callable

_ALPHABET = "abcdefghijkmnpqrstuvwxyz23456789"

IdSource = Callable[[], str]
"""Gives a fresh id at each call."""


def id_source(rng: random.Random) -> IdSource:
    """Return a source of 10-character ids (50 bits) drawn from `rng`.

    The first character is a letter, so that an id is also a valid XML and HTML id.
    """

    def fresh() -> str:
        return rng.choice(_ALPHABET[:24]) + "".join(rng.choices(_ALPHABET, k=9))

    return fresh


def system_ids() -> IdSource:
    """Return a source fed by the operating system's randomness."""
    return id_source(random.SystemRandom())
