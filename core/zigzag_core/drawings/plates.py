"""Shapes for buttons and signs: plates that words can stand on, 320 by 110."""

from .colours import ACCENT, PRIMARY, SOFT, WOOD, WOOD_DARK
from .shapes import box, disc, drawing, path

W, H = 320, 110


def _pill() -> str:
    return box(4, 4, 312, 102, PRIMARY, 51)


def _sign() -> str:
    return path("M6 10 H258 L314 55 L258 100 H6 Z", PRIMARY)


def _plank() -> str:
    return (
        path("M8 14 L306 8 L314 98 L14 104 Z", WOOD) + path("M20 40 L300 34 M24 74 L304 68",
                                                            stroke=WOOD_DARK, width=3)
        + disc(26, 56, 7, ACCENT) + disc(294, 52, 7, ACCENT)
    )


def _tag() -> str:
    return path("M60 8 H312 V102 H60 L8 55 Z", ACCENT) + disc(58, 55, 11, "#ffffff")


def _ribbon() -> str:
    return (
        path("M8 30 H60 V102 H8 L26 66 Z M312 30 H260 V102 H312 L294 66 Z", PRIMARY).replace(
            "/>", ' opacity="0.7"/>') + box(40, 10, 240, 78, PRIMARY, 6)
    )


def _bubble() -> str:
    return path("M30 6 H290 Q314 6 314 30 V60 Q314 84 290 84 H120 L84 106 L90 84 H30 Q6 84 6 60"
                " V30 Q6 6 30 6 Z", SOFT, PRIMARY, 4)


def _stitched() -> str:
    return box(4, 4, 312, 102, SOFT, 18) + path("M22 14 H298 Q306 14 306 22 V88 Q306 96 298 96 H22"
                                                " Q14 96 14 88 V22 Q14 14 22 14 Z",
                                                stroke=PRIMARY, width=3).replace(
                                                    "/>", ' stroke-dasharray="10 8"/>')


def _round() -> str:
    return disc(160, 55, 52, PRIMARY) + disc(160, 55, 44, "none", ' stroke="#ffffff" '
                                             'stroke-width="3" stroke-opacity="0.6"')


PLATES = (
    ("pill", "Pill", _pill), ("sign", "Signpost", _sign), ("plank", "Plank", _plank),
    ("tag", "Tag", _tag), ("ribbon", "Ribbon", _ribbon), ("bubble", "Speech", _bubble),
    ("stitched", "Stitched patch", _stitched), ("round", "Round", _round),
)


def plate(draw: str) -> bytes:
    """Return a plate as a whole drawing."""
    return drawing(W, H, draw)
