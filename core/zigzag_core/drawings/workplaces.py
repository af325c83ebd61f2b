"""Eight more backdrops of 1280 by 720: places where people work, meet and talk."""

from .colours import (
    ACCENT,
    BRICK,
    GLOW,
    HILL,
    HILL_FAR,
    INK,
    IRON,
    MEADOW,
    PAPER,
    PRIMARY,
    SKY,
    SKY_BLUE,
    SOFT,
    WOOD,
    WOOD_DARK,
)
from .shapes import (
    at,
    backpack,
    boot,
    box,
    cloud,
    disc,
    drawing,
    lantern,
    mug,
    path,
    radio,
    rope,
    shelf,
    shirt,
    stove,
    sun,
    tree,
    window,
)

W, H = 1280, 720
_PLASTER, _SKIRTING, _CARPET, _TILE = "#efe9dd", "#d9cfbc", "#a8b3ae", "#cfc6b6"


def _plain_room(floor: str, wall: str = _PLASTER) -> str:
    """A plain wall over a floor."""
    return box(0, 0, W, H, wall) + box(0, 560, W, 160, floor) + box(0, 548, W, 12, _SKIRTING)


def _plant(x: float, y: float) -> str:
    leaves = path("M0 -60 Q-60 -110 -40 -170 M0 -60 Q-6 -140 0 -200 M0 -60 Q60 -110 40 -170",
                  stroke="#5f8f6b", width=22)
    return at(x, y, leaves, path("M-40 -66 H40 L30 0 H-30 Z", BRICK))


def _lamp(x: float, drop: float) -> str:
    return path(f"M{x} 0 V{drop}", stroke=IRON, width=4) + path(
        f"M{x - 50} {drop + 44} Q{x - 44} {drop} {x} {drop} Q{x + 44} {drop} {x + 50} {drop + 44}"
        " Z", PRIMARY) + box(x - 30, drop + 44, 60, 8, GLOW, 4)


def office() -> bytes:
    """Return an office with a desk and shelves, as SVG."""
    files = "".join(box(x, y, 26, 70, colour, 3) for y in (150, 260) for x, colour in zip(
        range(880, 1180, 30), (PRIMARY, ACCENT, SOFT, BRICK, SKY_BLUE) * 2, strict=True))
    return drawing(
        W, H, _plain_room(_CARPET), at(120, 110, window(300, 240)),
        *(box(860, y, 340, 12, WOOD_DARK, 3) for y in (220, 330)), files,
        box(420, 470, 640, 24, WOOD, 5), box(450, 494, 24, 150, WOOD_DARK),
        box(1006, 494, 24, 150, WOOD_DARK),
        box(620, 330, 200, 124, IRON, 8), box(632, 342, 176, 96, SOFT, 4),
        box(706, 454, 28, 16, IRON), at(500, 472, mug(ACCENT), scale=0.8), _plant(1190, 640),
    )


def meeting_room() -> bytes:
    """Return a meeting room with a board on the wall, as SVG."""
    chairs = "".join(box(x, 400, 110, 150, SKY_BLUE, 22) for x in (210, 400, 770, 960))
    return drawing(
        W, H, _plain_room(_CARPET), box(380, 100, 520, 250, PAPER, 8),
        path("M380 100 H900 V350 H380 Z", stroke=IRON, width=8),
        path("M430 290 L520 220 L600 250 L720 160 L840 190", stroke=PRIMARY, width=8),
        path("M430 150 H560 M430 180 H520", stroke=INK, width=6), _lamp(300, 60), _lamp(980, 60),
        chairs, box(110, 500, 1060, 40, WOOD, 20), box(240, 540, 30, 130, WOOD_DARK),
        box(1010, 540, 30, 130, WOOD_DARK),
    )


def counter() -> bytes:
    """Return a counter where guests are served, as SVG."""
    return drawing(
        W, H, _plain_room(_TILE), at(90, 120, window(240, 200)),
        box(420, 90, 780, 300, SOFT, 8),
        *(box(440, y, 740, 10, WOOD_DARK, 3) for y in (190, 290, 372)),
        *(at(x, 190, mug(colour), scale=0.9) for x, colour in (
            (500, BRICK), (590, SKY_BLUE), (680, PAPER), (770, PRIMARY))),
        *(box(x, 210, 54, 80, colour, 8) for x, colour in (
            (880, ACCENT), (950, PRIMARY), (1020, BRICK), (1090, SKY_BLUE))),
        *(box(x, 320, 90, 52, colour, 6) for x, colour in (
            (470, WOOD), (590, WOOD), (710, ACCENT), (850, WOOD), (990, ACCENT))),
        box(0, 460, W, 30, WOOD_DARK, 4), box(0, 490, W, 230, WOOD),
        *(path(f"M{x} 520 V700", stroke=WOOD_DARK, width=5) for x in range(80, W, 160)),
        box(180, 404, 120, 56, IRON, 8), box(196, 416, 88, 22, SOFT, 4),
        path("M1000 460 q-6 -44 40 -44 q46 0 40 44 Z", GLOW), disc(1040, 410, 7, IRON),
    )


def corridor() -> bytes:
    """Return a corridor with doors, as SVG."""
    def door(x: float, w: float, colour: str) -> str:
        return box(x, 190, w, 372, colour, 4) + box(
            x + 14, 210, w - 28, 150, "rgba(255,255,255,0.22)", 4) + disc(
                x + w - 22, 390, 8, ACCENT)

    return drawing(
        W, H, _plain_room(_TILE), box(0, 420, W, 8, _SKIRTING),
        door(120, 190, PRIMARY), door(400, 190, PRIMARY), door(960, 190, PRIMARY),
        box(670, 160, 210, 160, PAPER, 6), path("M690 200 H860 M690 235 H830 M690 270 H850",
                                                 stroke=IRON, width=8),
        box(690, 500, 180, 18, WOOD, 5), box(704, 518, 14, 60, WOOD_DARK),
        box(842, 518, 14, 60, WOOD_DARK), _lamp(355, 40), _lamp(920, 40), _plant(1210, 640),
    )


def terrace() -> bytes:
    """Return a terrace above a valley, as SVG."""
    posts = "".join(box(x, 380, 22, 190, WOOD, 4) for x in range(40, W, 200))
    return drawing(
        W, H, box(0, 0, W, H, SKY), at(1080, 130, sun(52)), at(300, 130, cloud(1.1)),
        path("M0 400 L230 250 L420 370 L690 210 L920 350 L1280 240 V720 H0 Z", HILL_FAR),
        path("M0 470 L320 370 L640 460 L980 360 L1280 440 V720 H0 Z", HILL),
        box(0, 390, W, 16, WOOD_DARK, 4), box(0, 470, W, 12, WOOD_DARK, 4), posts,
        box(0, 570, W, 150, WOOD),
        *(box(0, y, W, 4, WOOD_DARK) for y in (605, 642, 680)),
        box(780, 470, 340, 20, PRIMARY, 6), box(930, 490, 30, 130, WOOD_DARK),
        at(860, 472, mug(PAPER), scale=0.8), at(1010, 472, mug(BRICK), scale=0.8),
    )


def woodland_path() -> bytes:
    """Return a path through a wood, as SVG."""
    far = "".join(at(x, 470, tree(h, "#86a68d")) for x, h in zip(
        range(-20, 1320, 90), (230, 280, 210, 260, 300) * 3, strict=True))
    near = "".join(at(x, 650, tree(h)) for x, h in (
        (70, 420), (230, 330), (1040, 350), (1200, 440)))
    return drawing(
        W, H, box(0, 0, W, H, "#d6e6e0"), far, path("M0 460 Q640 420 1280 460 V720 H0 Z", MEADOW),
        path("M470 720 Q620 560 600 450 H660 Q700 560 860 720 Z", "#e0cda2"), near,
        box(880, 430, 18, 210, WOOD_DARK, 4), path("M800 440 H960 L990 466 L960 492 H800 Z", WOOD),
        path("M820 466 H940", stroke=PAPER, width=8),
    )


def drying_room() -> bytes:
    """Return a drying room with boots and jackets, as SVG."""
    return drawing(
        W, H, _plain_room(_TILE, "#e7dcc6"), at(1090, 610, stove(), scale=0.9),
        path("M60 150 H940", stroke=IRON, width=6), at(180, 170, shirt(BRICK, "#8c3522")),
        at(330, 170, shirt(PRIMARY, "#17483b")), at(480, 170, shirt(SKY_BLUE, "#25577d")),
        at(640, 170, rope()), at(780, 170, shirt(ACCENT, "#c98420")),
        at(120, 480, shelf(760)),
        *(at(x, 480, boot(colour)) for x, colour in (
            (210, WOOD), (320, WOOD), (460, IRON), (570, IRON), (710, BRICK))),
        at(930, 640, backpack(), scale=0.9),
    )


def radio_room() -> bytes:
    """Return a room with a radio and a map, as SVG."""
    return drawing(
        W, H, _plain_room(WOOD, "#dfd7c6"), box(120, 90, 420, 300, PAPER, 4),
        path("M140 320 Q230 200 320 270 T520 150 M150 220 Q280 140 510 260", stroke=HILL, width=7),
        disc(300, 232, 9, BRICK), disc(430, 205, 9, PRIMARY), at(1100, 40, lantern(), scale=0.8),
        box(60, 500, 1160, 26, WOOD_DARK, 5), box(110, 526, 26, 140, WOOD_DARK),
        box(1140, 526, 26, 140, WOOD_DARK), at(840, 500, radio(), scale=0.9),
        at(420, 500, mug(SKY_BLUE), scale=0.8), box(480, 484, 130, 16, PAPER, 3),
    )


WORKPLACES = (
    ("office", "Office", office), ("meeting-room", "Meeting room", meeting_room),
    ("counter", "Counter", counter), ("corridor", "Corridor", corridor),
    ("terrace", "Terrace", terrace), ("woodland-path", "Woodland path", woodland_path),
    ("drying-room", "Drying room", drying_room), ("radio-room", "Radio room", radio_room),
)
