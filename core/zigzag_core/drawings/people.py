"""Twelve people in eight moods, standing and seated, from the waist up, drawn on 360 by 400."""

from dataclasses import dataclass
from typing import Literal

from .colours import ACCENT, BRICK, INK, PAPER, PRIMARY, SKY_BLUE, SOFT, WOOD, WOOD_DARK
from .faces import Mood, face
from .hair import Hair, hair, hair_behind
from .shapes import at, box, disc, drawing, mug, path

W, H = 360, 400
Posture = Literal["standing", "seated"]


@dataclass(frozen=True)
class Person:
    """Somebody with a look of their own. `hair` names how it is worn."""

    key: str
    name: str
    skin: str
    hair_colour: str
    hair: Hair
    coat: str
    trim: str
    extra: Literal["", "glasses", "beard", "scarf", "moustache", "earrings"] = ""


PEOPLE: tuple[Person, ...] = (
    Person("edda", "Edda", "#f0c9a8", "#8c8f93", "bun", PRIMARY, ACCENT, "glasses"),
    Person("jonte", "Jonte", "#e3b48f", "#4a3527", "short", SKY_BLUE, ACCENT, "beard"),
    Person("suna", "Suna", "#a8744f", "#231a16", "curls", ACCENT, PAPER),
    Person("pell", "Pell", "#f3d3b8", "#c97b3a", "hat", BRICK, SOFT),
    Person("mira", "Mira", "#c98f68", "#2d211b", "long", SOFT, PRIMARY, "scarf"),
    Person("oskarin", "Oskarin", "#8a5a3c", "#2a201b", "bald", "#5b6770", ACCENT, "glasses"),
    Person("ilva", "Ilva", "#f2cdb4", "#b5532c", "braids", "#3f6f8f", ACCENT),
    Person("brannoc", "Brannoc", "#eab893", "#9b9d9c", "short", "#6b4c31", SOFT, "moustache"),
    Person("yusha", "Yusha", "#b9845c", "#1f1a18", "headscarf", SKY_BLUE, PAPER),
    Person("doro", "Doro", "#e6b896", "#2f2622", "bob", ACCENT, PRIMARY, "glasses"),
    Person("tamsel", "Tamsel", "#6f4630", "#1b1512", "afro", PRIMARY, ACCENT, "earrings"),
    Person("kirrin", "Kirrin", "#f1cba6", "#d9b25f", "fringe", "#7b5a84", SOFT),
)


def person(who: Person, mood: Mood) -> str:
    """Return the person as a fragment whose waist's middle is (0, 0), about 340 high."""
    brow = "#6d5a4c" if who.hair in ("bald", "headscarf") else who.hair_colour
    return (
        hair_behind(who.hair, who.hair_colour) + _body(who) + _head(who)
        + face(mood, who.skin, brow) + _hand(who, mood) + hair(who.hair, who.hair_colour)
        + _extra(who)
    )


def portrait(who: Person, mood: Mood, posture: Posture = "standing") -> bytes:
    """Return the person in a mood as a whole drawing."""
    if posture == "standing":
        return drawing(W, H, at(W / 2, H, person(who, mood), scale=1.08))
    return drawing(W, H, _chair(), at(W / 2, H - 46, person(who, mood)), _table(who))


def _chair() -> str:
    return (
        box(86, 150, 188, 220, WOOD_DARK, 26) + box(104, 168, 152, 190, WOOD, 18)
        + box(86, 330, 16, 70, WOOD_DARK) + box(258, 330, 16, 70, WOOD_DARK)
    )


def _table(who: Person) -> str:
    """The table in front of somebody, with the arms on it."""
    arms = path("M66 352 Q96 372 150 366 M294 352 Q264 372 210 366", stroke=who.coat, width=36)
    hands = disc(158, 364, 17, who.skin) + disc(202, 364, 17, who.skin)
    return box(0, 372, W, 28, WOOD) + box(0, 372, W, 6, WOOD_DARK) + arms + hands + at(
        300, 374, mug(BRICK), scale=0.8)


def _hand(who: Person, mood: Mood) -> str:
    """A hand at the chin of those who think."""
    if mood != "thoughtful":
        return ""
    return path("M40 -60 Q70 -110 44 -160", stroke=who.coat, width=40) + disc(
        40, -172, 20, who.skin)


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
        case "moustache":
            return path("M-26 -206 Q-14 -218 0 -210 Q14 -218 26 -206 Q14 -200 0 -204 Q-14 -200"
                        " -26 -206 Z", who.hair_colour)
        case "earrings":
            return disc(-62, -214, 7, ACCENT) + disc(62, -214, 7, ACCENT)
        case "scarf":
            return path("M-52 -160 Q0 -126 52 -160 L56 -134 Q0 -104 -56 -134 Z", ACCENT) + path(
                "M20 -136 L34 -74 L58 -84 L44 -140 Z", ACCENT)
    return ""
