"""Interaction records read back: what a learner has answered, in words."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

OUT_OF = 10
"""What an answer is marked out of where the package does not say what it is worth."""


@dataclass(frozen=True)
class RecordedAnswer:
    """One recorded answer, to the question with this `id` in records. `index` is where its record
    stands in its visit.

    `answer` and `expected` are in words where the package brings them. An answer `to_mark` has
    neither right nor wrong in it; it is worth up to `out_of`, and `model` is one to compare with.
    """

    index: int
    id: str
    question: str
    type: str
    answer: str
    expected: str
    result: str
    time: str
    latency: str
    to_mark: bool = False
    out_of: float = OUT_OF
    model: str = ""


def text_of(raw: Mapping[str, Any], name: str) -> str:
    """Return a field of a record as text, whatever it is; nothing where it is missing."""
    return str(raw.get(name) or "")


def listed(value: object) -> list[dict[str, Any]]:
    """Return records as a list, whether they came as one or as an object by number."""
    if isinstance(value, dict):
        inner = value.get("childArray")
        items = inner if isinstance(inner, list) else [
            value[key] for key in sorted((k for k in value if str(k).isdecimal()), key=int)
        ]
    else:
        items = value if isinstance(value, list) else []
    return [item for item in items if isinstance(item, dict)][:5_000]
