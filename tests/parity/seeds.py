"""Seeds of the traces: a fixed one, all that ever failed, or a fresh one from `make fuzz`."""

import os
from pathlib import Path

KEPT = Path(__file__).with_name("kept_seeds.txt")
"""A seed a line: those with which the engines once disagreed."""


def are_fresh() -> bool:
    """Return whether the seeds are chance's: then not every case need come up."""
    return bool(os.environ.get("ZIGZAG_FUZZ_SEED"))


def seeds() -> list[int]:
    """Return the seeds to write traces with."""
    fresh = os.environ.get("ZIGZAG_FUZZ_SEED")
    if fresh:
        return [int(fresh)]
    return [20, *(int(line) for line in KEPT.read_text().split() if line.strip())]
