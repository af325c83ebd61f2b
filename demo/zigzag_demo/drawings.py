"""The drawings of Hut Warden Basics: scenes of 1280 by 720, and pictures that stand on slides."""

from zigzag_core.drawings.backdrops import ridge
from zigzag_core.drawings.colours import (
    ACCENT,
    BRICK,
    FLOOR,
    GLOW,
    GROUND,
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
    WALL,
    WALL_LINE,
    WOOD,
    WOOD_DARK,
)
from zigzag_core.drawings.people import Person, person
from zigzag_core.drawings.shapes import (
    at,
    backpack,
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
    radio,
    room,
    rope,
    shelf,
    shirt,
    stove,
    sun,
    tree,
    window,
)

_GUEST = Person("guest", "Guest", "#a8744f", "#231a16", "hat", BRICK, "#8c3522")
_WARDEN = Person("warden", "Mika", "#e3b48f", "#4a3527", "short", PRIMARY, "#17483b")


def hut_at_dawn() -> bytes:
    """The hut on its meadow in the morning."""
    return drawing(
        1280, 720,
        box(0, 0, 1280, 720, "#f6e3c4"), box(0, 0, 1280, 210, SKY),
        path("M0 190 Q320 250 640 205 T1280 215 V330 H0 Z", "#e4e3d0"),
        at(1040, 170, sun(54)), ridge(HILL_FAR, HILL, SNOW),
        at(220, 130, cloud(1.1)), at(700, 90, cloud(.8)),
        path("M0 600 Q340 520 720 580 T1280 560 V720 H0 Z", MEADOW),
        path("M860 720 Q850 650 905 612 Q940 596 940 592", stroke="#e5d3a8", width=34),
        *(at(x, y, tree(h)) for x, y, h in (
            (610, 590, 150), (668, 604, 110), (1230, 600, 190), (1180, 606, 120))),
        at(940, 596, hut()),
        *(disc(x, y, 5, ACCENT) for x, y in ((640, 660), (700, 680), (1120, 668), (1190, 690))),
        *(disc(x, y, 5, PAPER) for x, y in ((600, 690), (740, 652), (1060, 690), (1230, 660))),
    )


def hut_map() -> bytes:
    """The hut's plan seen from above, with a path between its places. 1120 by 500."""
    def place(x: float, y: float, w: float, h: float, fill: str) -> str:
        return box(x, y, w, h, fill, 10) + path(
            f"M{x} {y} h{w} v{h} h{-w} Z", stroke=WOOD, width=8)
    return drawing(
        1120, 500,
        box(0, 0, 1120, 500, "#dfe8d2", 24),
        path("M40 450 Q200 380 330 420 T560 440", stroke="#ecdcb6", width=40),
        place(300, 60, 270, 170, "#f3e4c4"), place(570, 60, 250, 170, "#eedfc8"),
        place(300, 230, 330, 170, "#f7ecd2"), place(630, 230, 190, 170, "#e9d5b4"),
        path("M430 400 h70", stroke="#f7ecd2", width=12),
        path("M470 450 L470 330 L430 150 M470 330 L700 320 L700 150 M820 300 L930 240",
             stroke=PRIMARY, width=5).replace("/>", ' stroke-dasharray="2 14"/>'),
        at(360, 128, shirt(BRICK, "#8c3522"), scale=.45),
        at(430, 128, rope(), scale=.5), at(500, 200, boot(WOOD), scale=.7),
        at(700, 210, pot(), scale=.62), at(780, 205, mug(SKY_BLUE), scale=.6),
        at(725, 386, stove(), scale=.32),
        at(350, 372, box(0, -58, 150, 14, WOOD, 4), box(10, -44, 12, 50, WOOD_DARK),
           box(128, -44, 12, 50, WOOD_DARK), at(70, -58, mug(BRICK), scale=.5)),
        at(960, 260, box(-6, -120, 12, 150, WOOD_DARK), box(-70, -150, 140, 90, PAPER, 6),
           path("M-70 -150 h140 v90 h-140 Z", stroke=WOOD, width=8),
           at(-30, -104, sun(16)), at(28, -100, cloud(.36, HILL_FAR))),
        at(150, 190, tree(120)), at(90, 240, tree(90)), at(1010, 440, tree(130)),
        at(200, 120, tree(80)), at(1060, 380, tree(80)),
    )


def guest_at_door() -> bytes:
    """A late guest in the doorway, snow on the hat. 520 by 520."""
    return drawing(
        520, 520,
        box(0, 0, 520, 520, WALL, 24), *(box(0, y, 520, 3, WALL_LINE) for y in (90, 180, 270, 360)),
        box(86, 40, 348, 480, WOOD_DARK, 8), box(104, 58, 312, 462, NIGHT),
        path("M104 400 L190 300 L270 380 L340 320 L416 400 V520 H104 Z", NIGHT_HILL),
        *(disc(x, y, 4, SNOW) for x, y in (
            (130, 100), (180, 150), (150, 220), (390, 120), (370, 210), (400, 280), (330, 90),
            (220, 90), (128, 300), (392, 340))),
        at(300, 520, at(78, 0, backpack(), scale=.9)),
        at(258, 520, person(_GUEST, "tired")),
        at(60, 150, lantern(), scale=.8),
    )


def drying_room() -> bytes:
    """Jackets and ropes on a rail, boots on a rack, the stove with its door open."""
    return drawing(
        1280, 720, room(), at(60, 130, window()),
        box(384, 156, 516, 14, WOOD, 6),
        at(450, 186, shirt(BRICK, "#8c3522")), at(586, 186, shirt(SKY_BLUE, "#25577d")),
        at(710, 186, rope()),
        path("M836 170 Q870 230 830 290 T852 392", stroke=PRIMARY, width=13),
        at(390, 448, shelf(520)),
        *(at(x, 448, boot(c)) for x, c in (
            (470, "#7c4a33"), (560, "#7c4a33"), (690, "#4c6a45"), (780, "#4c6a45"))),
        *(at(x, 540, boot("#3f4968")) for x in (490, 580)),
        at(1075, 596, stove()),
    )


def kitchen() -> bytes:
    """The kitchen: pots on the range, mugs on a shelf. 560 by 440."""
    return drawing(
        560, 440,
        box(0, 0, 560, 440, "#eedfc8", 24), *(box(0, y, 560, 3, "#e0ccac") for y in (80, 160, 240)),
        at(40, 60, window(150, 130)),
        box(240, 128, 280, 12, WOOD, 4), *(at(x, 128, mug(c)) for x, c in (
            (290, SKY_BLUE), (380, BRICK), (470, PRIMARY))),
        box(30, 310, 500, 130, IRON, 8), box(20, 298, 520, 20, "#3a3a3d", 6),
        box(70, 344, 130, 70, "#3a3a3d", 8), box(360, 344, 130, 70, "#3a3a3d", 8),
        *(disc(x, 380, 8, ACCENT) for x in (250, 280, 310)),
        at(160, 300, pot()), at(400, 300, pot(), scale=.8),
    )


def stove_picture() -> bytes:
    """The stove with wood beside it. 460 by 560."""
    logs = "".join(
        at(x, y, disc(0, 0, 26, WOOD), disc(0, 0, 17, "#d7b483"), disc(0, 0, 7, WOOD))
        for x, y in ((352, 506), (404, 506), (378, 462))
    )
    return drawing(
        460, 560,
        box(0, 0, 460, 560, WALL, 24), *(box(0, y, 460, 3, WALL_LINE) for y in range(90, 480, 90)),
        path("M0 480 H460 V536 Q460 560 436 560 H24 Q0 560 0 536 Z", FLOOR),
        box(70, 486, 250, 34, "#8d8a84", 6), at(195, 492, stove(), scale=.86), logs,
    )


def weather_board() -> bytes:
    """The weather board by the door with four signs. 620 by 420."""
    def sign(x: float, y: float, inner: str) -> str:
        return box(x, y, 240, 150, PAPER, 10) + at(x + 120, y + 78, inner)
    wind = path("M-70 -18 H30 q26 0 26 -20 t-24 -18 M-70 8 H58 q26 0 26 20 t-24 18 M-70 34 H6",
                stroke=SKY_BLUE, width=10)
    storm = at(0, -22, cloud(.9, "#8b97a8")) + path("M6 8 L-14 42 H6 L-6 70 L30 30 H8 L20 8 Z",
                                                    ACCENT)
    snow = at(0, -22, cloud(.9, HILL_FAR)) + "".join(
        path(f"M{x - 10} 44 H{x + 10} M{x - 6} 35 L{x + 6} 53 M{x + 6} 35 L{x - 6} 53",
             stroke=SKY_BLUE, width=4) for x in (-40, 0, 40))
    return drawing(
        620, 420,
        box(0, 0, 620, 420, WOOD_DARK, 18), box(16, 16, 588, 388, "#2f4a41", 10),
        sign(50, 44, sun(36)), sign(330, 44, wind), sign(50, 224, storm), sign(330, 224, snow),
    )


def sky_clear() -> bytes:
    """A settled sky. 320 by 200."""
    return drawing(320, 200, box(0, 0, 320, 200, "#a9d3e6"), at(240, 64, sun(30)),
                   at(92, 70, cloud(.5)),
                   path("M0 160 L90 110 L170 156 L250 112 L320 150 V200 H0 Z", HILL))


def sky_anvil() -> bytes:
    """A cloud that towers up and spreads out on top. 320 by 200."""
    return drawing(
        320, 200, box(0, 0, 320, 200, "#9fb6c8"),
        path("M60 40 Q160 8 270 40 Q230 56 214 60 Q250 84 226 110 Q250 140 210 152 H116"
             " Q80 140 104 110 Q80 84 112 60 Q90 54 60 40 Z", "#e9edf2"),
        path("M116 152 Q90 142 106 128 H220 Q238 142 210 152 Z", "#6d7b8f"),
        path("M0 176 L90 146 L170 172 L250 148 L320 170 V200 H0 Z", "#55736f"),
    )


def sky_high() -> bytes:
    """Thin high streaks. 320 by 200."""
    return drawing(
        320, 200, box(0, 0, 320, 200, "#bcdcea"),
        path("M20 52 Q120 30 230 44 M70 76 Q170 54 300 68 M30 98 Q100 84 190 92", stroke="#fff",
             width=9),
        path("M0 160 L70 120 L160 158 L240 116 L320 156 V200 H0 Z", HILL),
    )


def rescue_radio() -> bytes:
    """The rescue radio on its shelf. 600 by 480."""
    return drawing(
        600, 480,
        box(0, 0, 600, 480, WALL, 24), *(box(0, y, 600, 3, WALL_LINE) for y in (80, 160, 240, 320)),
        box(40, 408, 520, 22, WOOD, 5), box(90, 430, 22, 50, WOOD_DARK),
        box(488, 430, 22, 50, WOOD_DARK), at(270, 396, radio()),
    )


def night_round() -> bytes:
    """The hut at night, one window lit, seen from the path."""
    stars = ((80, 70), (190, 130), (320, 60), (470, 110), (610, 50), (760, 120), (880, 60),
             (1010, 140), (1150, 80), (1230, 180), (260, 210), (540, 190))
    return drawing(
        1280, 720, box(0, 0, 1280, 720, NIGHT),
        *(disc(x, y, 2.5 + n % 3, PAPER, ' opacity="0.8"') for n, (x, y) in enumerate(stars)),
        disc(1090, 150, 46, "#f4ecd2"), disc(1070, 140, 40, NIGHT),
        ridge("#3a4560", NIGHT_HILL, NIGHT_SNOW),
        path("M0 600 Q340 530 720 584 T1280 566 V720 H0 Z", "#39485a"),
        *(at(x, y, tree(h, "#24363d")) for x, y, h in ((120, 610, 180), (190, 620, 120),
                                                       (1200, 606, 200))),
        disc(940, 500, 190, GLOW, ' opacity="0.12"'), at(940, 600, hut(lit=True)),
        at(560, 470, lantern()),
        path("M560 470 L560 440 Q560 420 530 420", stroke=IRON, width=6),
    )


def warden() -> bytes:
    """Mika, the warden who leads through the course. 360 by 360."""
    return drawing(
        360, 360, '<clipPath id="round"><circle cx="180" cy="180" r="180"/></clipPath>',
        disc(180, 180, 180, "#dfe8d2"), '<g clip-path="url(#round)">',
        at(180, 366, person(_WARDEN, "friendly")), "</g>",
    )


def ridge_pattern() -> bytes:
    """A quiet backdrop for slides with much text."""
    return drawing(
        1280, 720, box(0, 0, 1280, 720, GROUND),
        path("M0 640 L180 560 L330 620 L520 520 L700 630 L900 550 L1090 640 L1280 570 V720 H0 Z",
             SOFT).replace("/>", ' opacity="0.6"/>'),
        path("M0 690 L240 620 L470 684 L760 606 L1010 680 L1280 622 V720 H0 Z", SOFT),
    )
