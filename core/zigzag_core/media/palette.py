"""The main colours of a picture."""

import io
import math
import re
from collections import Counter

from PIL import Image

_SIDE = 96
_SVG_COLOUR = re.compile(rb"#([0-9a-fA-F]{6})\b")
_APART = 40
"""Colours nearer than this (distance in RGB) count as one."""


def palette(data: bytes, type_: str, most: int = 6) -> tuple[str, ...]:
    """Return up to `most` main colours of a picture as ``#rrggbb``, the most common first.

    For a drawing these are the colours it names; transparent parts do not count.
    """
    if type_ == "image/svg+xml":
        counted = Counter(f"#{match.decode().lower()}" for match in _SVG_COLOUR.findall(data))
        return _apart([colour for colour, _ in counted.most_common(64)], most)
    with Image.open(io.BytesIO(data)) as image:
        small = image.convert("RGBA")
        small.thumbnail((_SIDE, _SIDE))
        data_of = small.tobytes()
        pixels = [
            tuple(data_of[at: at + 3]) for at in range(0, len(data_of), 4) if data_of[at + 3] > 127
        ]
    if not pixels:
        return ()
    strip = Image.new("RGB", (len(pixels), 1))
    strip.putdata(pixels)
    reduced = strip.quantize(24, method=Image.Quantize.MEDIANCUT)
    table = reduced.getpalette() or []
    counts = sorted(enumerate(reduced.histogram()), key=lambda one: one[1], reverse=True)
    colours = [
        "#{:02x}{:02x}{:02x}".format(*table[3 * n: 3 * n + 3]) for n, count in counts if count
    ]
    return _apart(colours, most)


def _apart(colours: list[str], most: int) -> tuple[str, ...]:
    kept: list[str] = []
    for colour in colours:
        if all(_distance(colour, other) > _APART for other in kept):
            kept.append(colour)
        if len(kept) == most:
            break
    return tuple(kept)


def _distance(one: str, other: str) -> float:
    pairs = ((int(one[at: at + 2], 16), int(other[at: at + 2], 16)) for at in (1, 3, 5))
    return math.dist(*zip(*pairs, strict=True))
