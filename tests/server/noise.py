"""Pictures that no other is like."""

import io
import random

from PIL import Image


def noise(chance: random.Random, side: int) -> bytes:
    """Return a PNG of random points, which cannot be made smaller."""
    out = io.BytesIO()
    Image.frombytes("RGB", (side, side), chance.randbytes(side * side * 3)).save(out, "PNG")
    return out.getvalue()
