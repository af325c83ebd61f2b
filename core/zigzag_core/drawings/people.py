"""Six people in six moods, from the waist up, drawn on 360 by 400."""

from dataclasses import dataclass
from typing import Literal

from .colours import ACCENT, BRICK, INK, PAPER, PRIMARY, SKY_BLUE, SOFT
from .shapes import at, box, disc, drawing, path

Mood = Literal["friendly", "calm", "thoughtful", "worried", "tired", "cross"]
MOODS: tuple[Mood, ...] = ("friendly", "calm", "thoughtful", "worried", "tired", "cross")
W, H = 360, 400


@dataclass(frozen=True)
class Person:
    """Somebody with a look of their own. `hair` names how it is worn."""

    key: str
    name: str
    skin: str
    hair_colour: str
    hair: Literal["short", "long", "bun", "curls", "bald", "hat"]
    coat: str
    trim: str
    extra: Literal["", "glasses", "beard", "scarf"] = ""


PEOPLE: tuple[Person, ...] = (
    Person("edda", "Edda", "#f0c9a8", "#8c8f93", "bun", PRIMARY, ACCENT, "glasses"),
    Person("jonte", "Jonte", "#e3b48f", "#4a3527", "short", SKY_BLUE, ACCENT, "beard"),
    Person("suna", "Suna", "#a8744f", "#231a16", "curls", ACCENT, PAPER),
    Person("pell", "Pell", "#f3d3b8", "#c97b3a", "hat", BRICK, SOFT),
    Person("mira", "Mira", "#c98f68", "#2d211b", "long", SOFT, PRIMARY, "scarf"),
    Person("oskarin", "Oskarin", "#8a5a3c", "#2a201b", "bald", "#5b6770", ACCENT, "glasses"),
)


def person(who: Person, mood: Mood) -> str:
    """Return the person as a fragment whose waist's middle is (0, 0), about 340 high."""
    return _behind(who) + _body(who) + _head(who) + _face(who, mood) + _hair(who) + _extra(who)


def portrait(who: Person, mood: Mood) -> bytes:
    """Return the person in a mood as a whole drawing."""
    return drawing(W, H, at(W / 2, H, person(who, mood), scale=1.08))


def _body(who: Person) -> str:
    return (
        path("M-118 0 Q-126 -128 -44 -146 H44 Q126 -128 118 0 Z", who.coat)
        + box(-24, -178, 48, 46, who.skin, 12)
        + path("M-44 -146 L0 -104 L44 -146", stroke=who.trim, width=10)
        + path("M0 -104 V0", stroke=who.trim, width=5)
        + path("M-78 0 Q-84 -56 -70 -92 M78 0 Q84 -56 70 -92", stroke=INK, width=4)
        .replace("/>", ' opacity="0.25"/>')
    )


def _head(who: Person) -> str:
    return (
        f'<ellipse cx="0" cy="-236" rx="60" ry="68" fill="{who.skin}"/>'
        + disc(-60, -232, 12, who.skin) + disc(60, -232, 12, who.skin)
        + path("M-4 -236 Q-10 -222 2 -220", stroke=INK, width=3)
        .replace("/>", ' opacity="0.35"/>')
    )


_MOUTHS: dict[Mood, str] = {
    "friendly": path("M-20 -206 Q0 -184 20 -206 Z", PAPER, INK, 4),
    "calm": path("M-16 -202 Q0 -194 16 -202", stroke=INK, width=5),
    "thoughtful": path("M-14 -200 Q4 -204 16 -196", stroke=INK, width=5),
    "worried": path("M-16 -194 Q0 -206 16 -194", stroke=INK, width=5),
    "tired": path("M-14 -198 H14", stroke=INK, width=5),
    "cross": path("M-18 -194 Q0 -208 18 -194 M-18 -194 L-22 -190 M18 -194 L22 -190", stroke=INK,
                  width=5),
}
_BROWS: dict[Mood, str] = {
    "friendly": "M-34 -262 Q-22 -272 -10 -264 M10 -264 Q22 -272 34 -262",
    "calm": "M-34 -260 Q-22 -264 -10 -260 M10 -260 Q22 -264 34 -260",
    "thoughtful": "M-34 -260 Q-22 -262 -10 -258 M10 -270 Q22 -278 34 -268",
    "worried": "M-34 -256 L-12 -268 M34 -256 L12 -268",
    "tired": "M-34 -254 L-12 -258 M34 -254 L12 -258",
    "cross": "M-34 -268 L-10 -256 M34 -268 L10 -256",
}


def _face(who: Person, mood: Mood) -> str:
    brow = "#6d5a4c" if who.hair == "bald" else who.hair_colour
    up = -4 if mood == "thoughtful" else 0
    eyes = disc(-22 + up, -240 + up, 6.5, INK) + disc(22 + up, -240 + up, 6.5, INK)
    if mood == "friendly":
        eyes = path("M-31 -238 Q-22 -250 -13 -238 M13 -238 Q22 -250 31 -238", stroke=INK, width=5)
    if mood == "tired":
        eyes += path("M-31 -246 H-13 M13 -246 H31", stroke=who.skin, width=9)
        eyes += path("M-30 -240 H-14 M14 -240 H30", stroke=INK, width=3)
    cheeks = disc(-38, -214, 10, BRICK, ' opacity="0.22"') + disc(
        38, -214, 10, BRICK, ' opacity="0.22"')
    hand = ""
    if mood == "thoughtful":
        hand = path("M40 -60 Q70 -110 44 -160", stroke=who.coat, width=40) + disc(
            40, -172, 20, who.skin)
    return cheeks + eyes + path(_BROWS[mood], stroke=brow, width=5) + _MOUTHS[mood] + hand


def _behind(who: Person) -> str:
    """Hair that hangs behind the head."""
    if who.hair == "long":
        return path("M-72 -250 Q-92 -330 0 -334 Q92 -330 72 -250 L84 -110 Q60 -96 40 -112 H-40"
                    " Q-60 -96 -84 -110 Z", who.hair_colour)
    if who.hair == "bun":
        return disc(0, -322, 30, who.hair_colour)
    return ""


def _hair(who: Person) -> str:
    colour = who.hair_colour
    match who.hair:
        case "short":
            return path("M-62 -250 Q-70 -326 0 -328 Q70 -326 62 -250 Q50 -288 0 -290"
                        " Q-50 -288 -62 -250 Z", colour)
        case "long":
            return path("M-64 -240 Q-70 -322 0 -322 Q70 -322 64 -240 Q56 -282 10 -296"
                        " Q-40 -290 -64 -240 Z", colour)
        case "bun":
            return path("M-62 -248 Q-66 -318 0 -318 Q66 -318 62 -248 Q40 -296 0 -296"
                        " Q-40 -296 -62 -248 Z", colour)
        case "curls":
            return "".join(disc(x, y, r, colour) for x, y, r in (
                (-58, -268, 24), (-42, -298, 27), (-10, -314, 28), (24, -308, 28), (50, -288, 26),
                (62, -258, 20), (-66, -242, 17), (66, -236, 14)))
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


def _extra(who: Person) -> str:
    match who.extra:
        case "glasses":
            ring = f'fill="{PAPER}" fill-opacity="0.25" stroke="{INK}" stroke-width="4"'
            return (
                f'<circle cx="-22" cy="-240" r="19" {ring}/><circle cx="22" cy="-240" r="19" '
                f'{ring}/>' + path("M-3 -242 Q0 -246 3 -242 M-41 -244 L-58 -248 M41 -244 L58 -248",
                                   stroke=INK, width=4)
            )
        case "beard":
            return path("M-58 -224 Q-56 -160 0 -158 Q56 -160 58 -224 Q44 -212 24 -214"
                        " Q0 -220 -24 -214 Q-44 -212 -58 -224 Z M-18 -200 Q0 -190 18 -200"
                        " Q0 -208 -18 -200 Z", who.hair_colour).replace(
                            "/>", ' fill-rule="evenodd"/>')
        case "scarf":
            return path("M-52 -160 Q0 -126 52 -160 L56 -134 Q0 -104 -56 -134 Z", ACCENT) + path(
                "M20 -136 L34 -74 L58 -84 L44 -140 Z", ACCENT)
    return ""
