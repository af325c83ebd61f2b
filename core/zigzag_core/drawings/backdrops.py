"""Eight backdrops of 1280 by 720, in front of which people and words can stand."""

from .colours import (
    ACCENT,
    BRICK,
    GLOW,
    HILL,
    HILL_FAR,
    IRON,
    MEADOW,
    NIGHT,
    NIGHT_HILL,
    NIGHT_SNOW,
    PAPER,
    PRIMARY,
    SKY,
    SKY_BLUE,
    SNOW,
    SOFT,
    WOOD,
    WOOD_DARK,
)
from .shapes import (
    at,
    boot,
    box,
    cloud,
    disc,
    drawing,
    hut,
    lantern,
    mug,
    path,
    pot,
    room,
    rope,
    shelf,
    shirt,
    stove,
    sun,
    tree,
    window,
)

W, H = 1280, 720


def ridge(far: str = HILL_FAR, near: str = HILL, snow: str = SNOW) -> str:
    """Two rows of mountains, down to the lower edge."""
    return (
        path("M0 470 L180 300 L300 392 L520 190 L700 372 L860 262 L1060 430 L1280 300 V720 H0 Z",
             far)
        + path("M452 254 L520 190 L585 256 L548 246 L522 282 L492 244 Z", snow)
        + path("M820 290 L860 262 L908 302 L882 298 L862 318 L844 294 Z", snow)
        + path("M140 338 L180 300 L226 336 L200 332 L182 352 L164 330 Z", snow)
        + path("M0 560 L240 430 L460 540 L760 410 L1010 530 L1280 420 V720 H0 Z", near)
    )


def ridge_by_day() -> bytes:
    """Return the ridge by day, as SVG."""
    return drawing(
        W, H, box(0, 0, W, H, SKY), at(1090, 130, sun(56)), ridge(),
        at(240, 140, cloud(1.2)), at(760, 90, cloud(.9)),
        path("M0 620 Q340 540 720 600 T1280 580 V720 H0 Z", MEADOW),
        *(at(x, y, tree(h)) for x, y, h in (
            (90, 640, 170), (150, 650, 120), (1150, 620, 160), (1220, 630, 200))),
    )


def in_front_of_the_hut() -> bytes:
    """Return the place in front of the hut, as SVG."""
    return drawing(
        W, H, box(0, 0, W, H, SKY), ridge(), at(300, 120, cloud(1.1)),
        path("M0 580 Q500 530 1280 570 V720 H0 Z", MEADOW),
        at(940, 612, hut(), scale=1.25),
        path("M900 720 Q900 660 940 626", stroke="#e5d3a8", width=46),
        *(at(x, y, tree(h)) for x, y, h in ((80, 610, 220), (170, 620, 150), (560, 590, 120))),
    )


def ridge_at_night() -> bytes:
    """Return the ridge at night, as SVG."""
    stars = ((90, 80), (220, 160), (350, 60), (520, 110), (690, 70), (860, 150), (1180, 90),
             (1030, 200), (150, 250), (420, 200), (740, 190))
    return drawing(
        W, H, box(0, 0, W, H, NIGHT), *(disc(x, y, 3.5, NIGHT_SNOW) for x, y in stars),
        disc(1060, 120, 52, "#f3ead2"), disc(1040, 106, 46, NIGHT),
        ridge("#3a4560", NIGHT_HILL, NIGHT_SNOW),
        path("M0 620 Q340 560 720 610 T1280 590 V720 H0 Z", "#27314a"),
        at(980, 620, hut(lit=True), scale=.8), at(150, 640, tree(200, "#1d2a33")),
        at(240, 650, tree(140, "#1d2a33")),
    )


def front_room() -> bytes:
    """Return the front room of the hut, as SVG."""
    return drawing(
        W, H, room(), at(120, 130, window(280, 220)), at(1090, 600, stove(), scale=.95),
        box(520, 250, 380, 14, WOOD_DARK, 4), at(590, 250, mug(BRICK)), at(680, 250, mug(SKY_BLUE)),
        at(770, 250, mug(ACCENT)), box(120, 470, 520, 26, WOOD_DARK, 6),
        box(150, 496, 26, 120, WOOD), box(584, 496, 26, 120, WOOD),
    )


def hut_kitchen() -> bytes:
    """Return the hut's kitchen, as SVG."""
    tiles = "".join(box(x, y, 74, 54, SOFT, 4)
                    for x in range(440, 1240, 80) for y in (280, 340))
    return drawing(
        W, H, room(), at(90, 120, window(260, 200)), tiles,
        box(430, 400, 850, 22, WOOD_DARK, 4), box(430, 422, 850, 200, PRIMARY),
        *(path(f"M{x} 440 h180 v150 h-180 Z", stroke="#ffffff", width=4).replace(
            "/>", ' opacity="0.35"/>') for x in (460, 670, 880, 1090)),
        at(600, 400, pot()), at(860, 400, pot(), scale=.75),
        box(520, 190, 560, 14, WOOD_DARK, 4),
        *(at(x, 190, mug(colour)) for x, colour in (
            (580, BRICK), (670, PAPER), (760, SKY_BLUE), (850, ACCENT), (940, BRICK))),
    )


def cloakroom() -> bytes:
    """Return the cloakroom, as SVG."""
    return drawing(
        W, H, room(), box(140, 170, 760, 18, WOOD, 6), at(230, 200, shirt(BRICK, "#8c3522")),
        at(390, 200, shirt(SKY_BLUE, "#25577d")), at(540, 200, rope()),
        at(680, 200, shirt(PRIMARY, "#17483b")), at(820, 200, rope(BRICK, "#8c3522")),
        at(200, 470, shelf(640)),
        *(at(x, 470, boot(colour)) for x, colour in (
            (280, WOOD), (390, WOOD), (560, IRON), (670, IRON))),
        at(1080, 120, window(180, 220)),
    )


def bunk_room() -> bytes:
    """Return the bunk room, as SVG."""
    def bunk(x: float) -> str:
        return (
            box(x, 180, 24, 440, WOOD_DARK) + box(x + 396, 180, 24, 440, WOOD_DARK)
            + "".join(
                box(x, y, 420, 26, WOOD, 4) + box(x + 30, y - 48, 360, 48, colour, 14)
                + box(x + 36, y - 66, 100, 40, PAPER, 14)
                for y, colour in ((330, PRIMARY), (540, ACCENT))
            )
            + path(f"M{x + 300} 330 V600 M{x + 350} 330 V600 M{x + 300} 400 h50 M{x + 300} 460 h50"
                   f" M{x + 300} 520 h50", stroke=WOOD_DARK, width=10)
        )

    return drawing(W, H, room(), at(540, 120, window(200, 190)), bunk(70), bunk(790),
                   at(640, 380, lantern(), scale=.9))


def tool_room() -> bytes:
    """Return the room of the tool library, as SVG."""
    hammer = box(-8, 0, 16, 130, WOOD, 6) + box(-42, -16, 84, 34, IRON, 6)
    saw = (path("M0 0 L200 20 L200 52 L0 70 Z", "#b8bfc2")
           + path("M200 10 h70 v54 h-70 Z M222 26 h26 v22 h-26 Z", BRICK).replace(
               "/>", ' fill-rule="evenodd"/>'))
    spanner = path("M0 0 V120", stroke="#8b9498", width=18) + path(
        "M-22 -34 L-18 0 H18 L22 -34 L8 -20 H-8 Z", "#8b9498")
    return drawing(
        W, H, box(0, 0, W, H, "#eee6d8"), box(0, 560, W, 160, "#b8a58a"),
        box(120, 90, 800, 330, SOFT, 12), path("M120 90 h800 v330 h-800 Z", stroke=WOOD, width=10),
        at(220, 160, hammer), at(330, 160, hammer, scale=.8), at(430, 180, saw),
        at(790, 190, spanner), at(850, 190, spanner, scale=.8),
        box(60, 500, 920, 34, WOOD_DARK, 6), box(100, 534, 40, 150, WOOD), box(880, 534, 40, 150,
                                                                              WOOD),
        box(1040, 120, 190, 560, WOOD, 8),
        *(box(1056, y, 158, 110, "#f7efe0", 4) for y in (136, 262, 388, 514)),
        *(box(1070 + 44 * n, 190 + 126 * row, 36, 50, colour, 4)
          for row in range(4) for n, colour in enumerate((PRIMARY, ACCENT, BRICK))),
        box(640, 430, 190, 70, PRIMARY, 8), box(690, 410, 90, 24, IRON, 8),
        disc(250, 470, 30, GLOW), box(180, 480, 140, 20, ACCENT, 6),
    )


BACKDROPS = (
    ("ridge-day", "Ridge by day", ridge_by_day), ("hut-front", "In front of the hut",
                                                  in_front_of_the_hut),
    ("ridge-night", "Ridge at night", ridge_at_night), ("front-room", "Front room", front_room),
    ("kitchen", "Kitchen", hut_kitchen), ("cloakroom", "Cloakroom", cloakroom),
    ("bunk-room", "Bunk room", bunk_room), ("tool-room", "Tool room", tool_room),
)
