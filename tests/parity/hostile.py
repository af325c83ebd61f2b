"""Ids such as languages take for something else."""

import random
from typing import Any

from tests.core.strategies import ELEMENTS, INNER, OVERLAYS, QUESTIONS, SETS, SLIDES


def hostile(seed: int) -> dict[str, str]:
    """Return new ids for those of random programs.

    JavaScript lists names that are whole numbers first, and every object has a constructor.
    """
    names = [*SLIDES, *ELEMENTS, *OVERLAYS, *INNER, *QUESTIONS, *SETS]
    numbers = random.Random(seed).sample(range(1_000, 9_000), len(names))
    ids = {name: str(number) for name, number in zip(names, numbers, strict=True)}
    return ids | {ELEMENTS[seed % len(ELEMENTS)]: "constructor", "count": "constructor",
                  "flag": "0042"}


def renamed(node: Any, ids: dict[str, str]) -> Any:
    """Return JSON with other ids, as keys and as values."""
    if isinstance(node, dict):
        return {ids.get(key, key): renamed(value, ids) for key, value in node.items()}
    if isinstance(node, list):
        return [renamed(item, ids) for item in node]
    return ids.get(node, node) if isinstance(node, str) else node
