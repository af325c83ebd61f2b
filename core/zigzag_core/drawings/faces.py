"""Faces in eight moods, around (0, -236)."""

from typing import Literal

from .colours import BRICK, INK, PAPER
from .shapes import disc, path

Mood = Literal[
    "friendly", "calm", "thoughtful", "worried", "tired", "cross", "surprised", "sad"]
MOODS: tuple[Mood, ...] = (
    "friendly", "calm", "thoughtful", "worried", "tired", "cross", "surprised", "sad")

_MOUTHS: dict[Mood, str] = {
    "friendly": path("M-20 -206 Q0 -184 20 -206 Z", PAPER, INK, 4),
    "calm": path("M-16 -202 Q0 -194 16 -202", stroke=INK, width=5),
    "thoughtful": path("M-14 -200 Q4 -204 16 -196", stroke=INK, width=5),
    "worried": path("M-16 -194 Q0 -206 16 -194", stroke=INK, width=5),
    "tired": path("M-14 -198 H14", stroke=INK, width=5),
    "cross": path("M-18 -194 Q0 -208 18 -194 M-18 -194 L-22 -190 M18 -194 L22 -190", stroke=INK,
                  width=5),
    "surprised": '<ellipse cx="0" cy="-196" rx="11" ry="14" fill="#5a2f2a"/>',
    "sad": path("M-15 -192 Q0 -203 15 -192", stroke=INK, width=5),
}
_BROWS: dict[Mood, str] = {
    "friendly": "M-34 -262 Q-22 -272 -10 -264 M10 -264 Q22 -272 34 -262",
    "calm": "M-34 -260 Q-22 -264 -10 -260 M10 -260 Q22 -264 34 -260",
    "thoughtful": "M-34 -260 Q-22 -262 -10 -258 M10 -270 Q22 -278 34 -268",
    "worried": "M-34 -256 L-12 -268 M34 -256 L12 -268",
    "tired": "M-34 -254 L-12 -258 M34 -254 L12 -258",
    "cross": "M-34 -268 L-10 -256 M34 -268 L10 -256",
    "surprised": "M-34 -270 Q-22 -284 -10 -274 M10 -274 Q22 -284 34 -270",
    "sad": "M-36 -252 Q-24 -260 -12 -270 M36 -252 Q24 -260 12 -270",
}


def face(mood: Mood, skin: str, brow: str) -> str:
    """Return the face of somebody with this `skin` and colour of the brows, in a mood."""
    up = -4 if mood == "thoughtful" else 0
    eyes = disc(-22 + up, -240 + up, 6.5, INK) + disc(22 + up, -240 + up, 6.5, INK)
    if mood == "friendly":
        eyes = path("M-31 -238 Q-22 -250 -13 -238 M13 -238 Q22 -250 31 -238", stroke=INK, width=5)
    if mood == "tired":
        eyes += path("M-31 -246 H-13 M13 -246 H31", stroke=skin, width=9)
        eyes += path("M-30 -240 H-14 M14 -240 H30", stroke=INK, width=3)
    if mood == "surprised":
        eyes = "".join(disc(x, -240, 11, PAPER) + disc(x, -240, 6.5, INK) for x in (-22, 22))
    if mood == "sad":
        eyes += path("M-32 -246 L-13 -250 M13 -250 L32 -246", stroke=skin, width=7)
    cheeks = disc(-38, -214, 10, BRICK, ' opacity="0.22"') + disc(
        38, -214, 10, BRICK, ' opacity="0.22"')
    return cheeks + eyes + path(_BROWS[mood], stroke=brow, width=5) + _MOUTHS[mood]
