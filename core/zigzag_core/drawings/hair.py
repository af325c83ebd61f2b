"""How people wear their hair, or what is on their heads, around a head at (0, -236)."""

from collections.abc import Mapping
from typing import Literal

from .colours import ACCENT, PAPER, PRIMARY
from .shapes import box, disc, path

Hair = Literal[
    "short", "long", "bun", "curls", "bald", "hat", "braids", "headscarf", "bob", "afro", "fringe"]

_CROWN = "M-62 -248 Q-66 -318 0 -318 Q66 -318 62 -248"
_OVER: Mapping[Hair, str] = {
    "short": "M-62 -250 Q-70 -326 0 -328 Q70 -326 62 -250 Q50 -288 0 -290 Q-50 -288 -62 -250 Z",
    "long": "M-64 -240 Q-70 -322 0 -322 Q70 -322 64 -240 Q56 -282 10 -296 Q-40 -290 -64 -240 Z",
    "bun": f"{_CROWN} Q40 -296 0 -296 Q-40 -296 -62 -248 Z",
    "braids": f"{_CROWN} Q58 -286 0 -302 Q-58 -286 -62 -248 Z",
    "bob": "M-66 -206 Q-84 -324 0 -324 Q84 -324 66 -206 Q52 -226 56 -264 Q20 -286 -40 -278"
           " Q-56 -256 -66 -206 Z",
    "fringe": "M-62 -226 Q-76 -322 0 -322 Q76 -322 62 -226 Q58 -252 54 -266 Q30 -270 14 -262"
              " Q-4 -272 -22 -262 Q-40 -268 -54 -262 Q-58 -250 -62 -226 Z",
    "bald": "",
}
_CURLS = (
    (-58, -268, 24), (-42, -298, 27), (-10, -314, 28), (24, -308, 28), (50, -288, 26),
    (62, -258, 20), (-66, -242, 17), (66, -236, 14))
_AFRO = (
    (-70, -262, 34), (-54, -306, 36), (-16, -330, 38), (26, -328, 38), (58, -302, 36),
    (72, -260, 34), (-34, -298, 26), (0, -304, 26), (34, -298, 26))


def hair(worn: Hair, colour: str) -> str:
    """Return the hair in front of the head."""
    match worn:
        case "curls":
            return "".join(disc(x, y, r, colour) for x, y, r in _CURLS)
        case "afro":
            return "".join(disc(x, y, r, colour) for x, y, r in _AFRO)
        case "hat":
            return (
                path("M-66 -270 Q-62 -336 0 -338 Q62 -336 66 -270 Z", PRIMARY)
                + box(-72, -282, 144, 24, PAPER, 12) + disc(0, -344, 16, PAPER)
                + path("M-60 -258 Q-64 -240 -58 -226 M60 -258 Q64 -240 58 -226", stroke=colour,
                       width=9)
            )
        case "bald":
            return path("M-58 -262 Q-64 -252 -62 -236 M58 -262 Q64 -252 62 -236", stroke=colour,
                        width=8)
        case "headscarf":
            return path(
                "M-74 -196 Q-86 -330 0 -332 Q86 -330 74 -196 Q70 -150 0 -144 Q-70 -150 -74 -196 Z"
                " M-54 -214 Q-52 -170 0 -166 Q52 -170 54 -214 Q58 -294 0 -294 Q-58 -294 -54 -214 Z",
                ACCENT).replace("/>", ' fill-rule="evenodd"/>')
    return path(_OVER[worn], colour)


def hair_behind(worn: Hair, colour: str) -> str:
    """Return the hair that hangs behind the head."""
    match worn:
        case "long":
            return path("M-72 -250 Q-92 -330 0 -334 Q92 -330 72 -250 L84 -110 Q60 -96 40 -112 H-40"
                        " Q-60 -96 -84 -110 Z", colour)
        case "bun":
            return disc(0, -322, 30, colour)
        case "braids":
            return "".join(
                disc(side * (70 + 3 * n), -226 + 26 * n, 17 - n, colour)
                for side in (-1, 1) for n in range(5))
        case "afro":
            return disc(0, -276, 78, colour)
    return ""
