"""The drawings of a day in the hut: scenes of 1280 by 720, and single things that can be moved."""

from zigzag_core.drawings.backdrops import ridge
from zigzag_core.drawings.colours import (
    ACCENT,
    BRICK,
    FLOOR,
    GLOW,
    HILL,
    HILL_FAR,
    INK,
    IRON,
    MEADOW,
    NIGHT,
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
from zigzag_core.drawings.shapes import (
    at,
    boot,
    box,
    cloud,
    disc,
    drawing,
    flame,
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


def weather_sign(what: str) -> bytes:
    """One sign of the weather board: sun, wind, storm or snow. 240 by 150."""
    drawn = {
        "sun": sun(34),
        "wind": path("M-70 -18 H30 q26 0 26 -20 t-24 -18 M-70 8 H58 q26 0 26 20 t-24 18 M-70 34 H6",
                     stroke=SKY_BLUE, width=10),
        "storm": at(0, -18, cloud(.8, "#8b97a8")) + path(
            "M6 8 L-14 38 H6 L-6 62 L28 28 H8 L20 8 Z", ACCENT),
        "snow": at(0, -20, cloud(.8, HILL_FAR)) + "".join(
            path(f"M{x - 10} 42 H{x + 10} M{x - 6} 33 L{x + 6} 51 M{x + 6} 33 L{x - 6} 51",
                 stroke=SKY_BLUE, width=4) for x in (-38, 0, 38)),
    }[what]
    return drawing(240, 150, box(0, 0, 240, 150, WOOD, 12), box(8, 8, 224, 134, PAPER, 8),
                   at(120, 78, drawn))


def morning() -> bytes:
    """The wall beside the door in the first light, with an empty board on it."""
    return drawing(
        1280, 720, box(0, 0, 1280, 720, "#f3dcb4"), box(0, 0, 1280, 250, "#f7c98f"),
        disc(1010, 260, 90, "#f9dba6"), at(1010, 262, disc(0, 0, 54, ACCENT)),
        ridge("#d9c3a5", "#a9a48c", "#fff4e0"),
        path("M0 560 Q420 500 780 556 T1280 540 V720 H0 Z", MEADOW),
        box(0, 110, 500, 610, "#a9825a"),
        *(box(0, y, 500, 4, WOOD_DARK) for y in range(160, 720, 50)),
        box(44, 130, 412, 540, "#2f4a41", 12), path("M44 130 h412 v540 h-412 Z", stroke=WOOD_DARK,
                                                     width=14),
    )


def big_pot() -> bytes:
    """A large pot on the range, with much room beside it."""
    return drawing(
        1280, 720, box(0, 0, 1280, 720, "#eedfc8"),
        *(box(0, y, 1280, 3, "#e0ccac") for y in range(80, 480, 80)),
        *(box(x, 0, 3, 480, "#e6d5b8") for x in range(60, 1280, 110)),
        box(0, 480, 1280, 240, IRON), box(0, 466, 1280, 26, "#3a3a3d"),
        box(80, 540, 300, 140, "#3a3a3d", 12), disc(440, 610, 12, ACCENT),
        disc(490, 610, 12, ACCENT),
        at(300, 470, pot(), scale=2.5), at(230, 676, flame(1.1)),
        at(1130, 470, mug(SKY_BLUE), scale=1.3), at(1040, 470, mug(BRICK), scale=1.3),
    )


def step_picture(what: str) -> bytes:
    """One step of cooking: boil, ask, soup or lids. 220 by 170."""
    drawn = {
        "boil": at(110, 156, pot()) + "".join(
            disc(x, y, 7, SKY_BLUE) for x, y in ((70, 60), (150, 50), (104, 36))),
        "ask": path("M24 22 H150 Q166 22 166 38 V86 Q166 102 150 102 H76 L46 130 V102 H24 Z", PAPER)
        + path("M74 48 q4 -14 20 -14 q18 2 18 16 q0 10 -14 16 v8", stroke=BRICK, width=9)
        + disc(98, 88, 6, BRICK) + at(180, 158, mug(PRIMARY), scale=.8),
        "soup": path("M20 90 H200 Q196 156 110 160 Q24 156 20 90 Z", "#f4efe2")
        + f'<ellipse cx="110" cy="90" rx="90" ry="20" fill="{ACCENT}"/>'
        + disc(84, 88, 7, BRICK) + disc(122, 84, 7, PRIMARY) + disc(144, 94, 6, BRICK)
        + path("M80 60 q-12 -14 0 -26 M130 60 q-12 -14 0 -26", stroke="#ffffff", width=7),
        "lids": path("M30 96 H190 L180 158 H40 Z", "#6f7a80") + box(16, 84, 188, 16, IRON, 8)
        + path("M34 66 Q110 20 186 66 Z", "#848f95") + disc(110, 38, 11, IRON)
        + box(28, 64, 164, 12, "#5d686d", 6),
    }[what]
    return drawing(220, 170, box(0, 0, 220, 170, SOFT, 14), drawn)


def crossroads() -> bytes:
    """A windy meadow in front of the ridge where two ways part."""
    return drawing(
        1280, 720, box(0, 0, 1280, 720, SKY), at(200, 110, cloud(1.2)), at(1080, 90, cloud(.9)),
        path("M520 70 H720 q26 0 26 -20 t-24 -18 M480 104 H820 q26 0 26 20 t-24 18",
             stroke="#ffffff", width=8),
        ridge(HILL_FAR, HILL, SNOW), path("M0 470 Q420 420 780 470 T1280 450 V720 H0 Z", MEADOW),
        path("M640 720 Q630 620 560 560 Q480 500 330 478 M640 720 Q650 620 740 560"
             " Q820 500 960 470", stroke="#e8d8ae", width=44),
        at(90, 540, tree(170)), at(1200, 530, tree(200)), at(1130, 560, tree(120)),
    )


def thing(what: str) -> bytes:
    """Something wet that is to be hung up or put away. 150 by 150, nothing behind it."""
    drawn = {
        "boots": at(52, 138, boot("#7c4a33"), scale=.95) + at(92, 142, boot("#7c4a33"), scale=.95),
        "jacket": at(75, 20, shirt(BRICK, "#8c3522"), scale=.82),
        "rope": at(75, 20, rope(), scale=.8),
        "bread": path("M20 104 Q18 60 75 58 Q132 60 130 104 Q130 118 116 118 H34 Q20 118 20 104 Z",
                      "#c98f4d")
        + path("M52 70 L64 90 M74 66 L86 88 M96 70 L106 88", stroke="#f0cf97", width=7),
    }[what]
    return drawing(150, 150, drawn)


def places_to_dry() -> bytes:
    """An empty drying room: a rack, a peg in the shade, a hanger, and the top of the stove."""
    return drawing(
        1280, 720, room(), at(40, 120, window(200, 150)),
        box(300, 190, 520, 14, WOOD, 6), path("M400 204 v26", stroke=IRON, width=6),
        path("M366 262 L400 232 L434 262 Z", stroke=IRON, width=6),
        path("M700 204 v20 q0 14 -14 14", stroke=IRON, width=7),
        at(330, 470, shelf(420)), at(1040, 600, stove(open_=False)),
        path("M930 350 q-10 -18 0 -32 q10 -16 0 -32 M1150 350 q-10 -18 0 -32 q10 -16 0 -32",
             stroke=PAPER, width=6).replace("/>", ' opacity="0.7"/>'),
    )


def mistakes() -> bytes:
    """A drying room in which three things are wrong: boots and rope by the stove, a shut window."""
    return drawing(
        1280, 720, room(), at(80, 130, window()),
        path("M100 330 q60 -26 200 0", stroke="#ffffff", width=5).replace("/>", ' opacity="0.6"/>'),
        box(420, 156, 400, 14, WOOD, 6),
        at(490, 186, shirt(SKY_BLUE, "#25577d")), at(640, 186, shirt(PRIMARY, "#17483b")),
        at(390, 470, shelf(400)), at(480, 470, boot("#4c6a45")), at(580, 470, boot("#4c6a45")),
        at(700, 470, mug(BRICK)),
        at(1040, 600, stove()), at(910, 634, boot("#7c4a33"), scale=1.1),
        at(850, 640, boot("#7c4a33"), scale=1.1),
        path("M1060 120 Q1130 150 1110 240 Q1100 300 1130 330", stroke=ACCENT, width=14),
        path("M1066 124 Q1000 150 1000 220", stroke="#c98420", width=14),
        box(1084, 352, 64, 10, "#3a3a3d", 4), at(1116, 352, box(-26, -34, 52, 34, PAPER, 4),
                                                  path("M-18 -24 H18 M-18 -12 H10", stroke=IRON,
                                                       width=4)),
    )


def thermometer() -> bytes:
    """A wall thermometer from 0 to 100 degrees beside a boot whose sole comes off."""
    ticks = "".join(
        path(f"M214 {560 - d * 4.4:g} h{34 if d % 20 == 0 else 18}", stroke=INK, width=4)
        + (f'<text x="262" y="{568 - d * 4.4:g}" font-family="sans-serif" font-size="24" '
           f'font-weight="700" fill="{INK}">{d}</text>' if d % 20 == 0 else "")
        for d in range(0, 101, 10))
    return drawing(
        1280, 720, box(0, 0, 1280, 720, WALL), *(box(0, y, 1280, 3, WALL_LINE)
                                                 for y in range(70, 640, 70)),
        box(0, 640, 1280, 80, FLOOR), box(100, 60, 240, 600, PAPER, 28),
        path("M100 88 Q100 60 128 60 H312 Q340 60 340 88 V632 Q340 660 312 660 H128"
             " Q100 660 100 632 Z", stroke=WOOD, width=10),
        box(164, 96, 36, 480, "#e6ddc9", 18), disc(182, 596, 40, BRICK),
        box(172, 250, 20, 340, BRICK),
        ticks, at(470, 640, boot("#7c4a33"), scale=2.6),
        path("M388 650 Q430 690 640 668", stroke=INK, width=16),
        path("M430 600 q-12 -18 0 -34 M520 560 q-12 -18 0 -34 M600 590 q-12 -18 0 -34",
             stroke=BRICK, width=7),
    )


def open_book() -> bytes:
    """The hut book lies open on a table, a pencil beside it."""
    lines = "".join(
        box(x, y, 400, 3, "#d9cdb2") for x in (190, 690) for y in range(230, 600, 52))
    boards = "".join(box(0, y, 1280, 4, WOOD_DARK) for y in (120, 330, 540))
    return drawing(
        1280, 720, box(0, 0, 1280, 720, WOOD), boards,
        path("M120 120 Q380 80 640 140 Q900 80 1160 120 V640 Q900 600 640 660 Q380 600 120 640 Z",
             "#7a3325"),
        path("M150 130 Q390 96 640 152 V644 Q390 592 150 626 Z", PAPER),
        path("M1130 130 Q890 96 640 152 V644 Q890 592 1130 626 Z", "#fbf6ea"),
        path("M640 152 V644", stroke="#d9cdb2", width=5), lines,
        at(1190, 300, path("M0 0 L30 320", stroke=ACCENT, width=18), path("M30 320 L33 350",
                                                                          stroke=INK, width=10)),
    )


def fire_bed() -> bytes:
    """The stove's open fire box, empty, seen from the front. 460 by 520."""
    return drawing(
        460, 520, box(0, 0, 460, 520, IRON, 26), box(26, 26, 408, 468, "#2b2b2d", 18),
        box(60, 60, 340, 340, "#1d1d1f", 14), box(60, 392, 340, 22, "#5b5b5f", 6),
        *(box(x, 396, 12, 26, "#5b5b5f") for x in range(84, 390, 40)),
        box(160, 446, 140, 22, ACCENT, 10), disc(286, 457, 14, PAPER),
    )


def embers() -> bytes:
    """The room at night, lit by nothing but the coals in the stove."""
    return drawing(
        1280, 720, box(0, 0, 1280, 720, "#2a2430"), *(box(0, y, 1280, 3, "#362e3b")
                                                      for y in range(70, 560, 70)),
        box(0, 560, 1280, 160, "#3a2b26"), disc(960, 470, 330, GLOW, ' opacity="0.10"'),
        disc(960, 480, 210, GLOW, ' opacity="0.14"'),
        at(960, 610, box(-20, -610, 40, 400, "#47474b"), box(-135, -300, 270, 290, "#3a3a3d", 16),
           box(-100, -250, 200, 150, "#1d1d1f", 8),
           *(disc(x, y, r, c) for x, y, r, c in (
               (-60, -118, 22, BRICK), (-20, -112, 26, ACCENT), (26, -116, 24, BRICK),
               (64, -112, 20, ACCENT), (4, -134, 18, GLOW), (44, -136, 15, ACCENT)))),
        *(disc(x, y, 4, ACCENT, ' opacity="0.8"') for x, y in ((920, 330), (990, 300), (960, 270))),
        path("M880 300 q-30 -40 0 -80 q30 -40 0 -80 M1040 290 q-30 -40 0 -80 q30 -40 0 -80",
             stroke="#8d8a84", width=5).replace("/>", ' opacity="0.35"/>'),
    )


def call_note() -> bytes:
    """The radio on its shelf, and a large sheet of paper pinned beside it."""
    return drawing(
        1280, 720, box(0, 0, 1280, 720, WALL), *(box(0, y, 1280, 3, WALL_LINE)
                                                 for y in range(70, 720, 70)),
        box(20, 560, 470, 24, WOOD, 5), at(256, 550, radio()),
        path("M540 96 L1230 84 L1240 640 L548 652 Z", "#00000022"),
        path("M530 84 L1220 76 L1226 628 L536 640 Z", PAPER), disc(880, 92, 12, BRICK),
    )


def dark_door() -> bytes:
    """The hut's door at night from within, the bolt open and a lantern beside it."""
    return drawing(
        1280, 720, box(0, 0, 1280, 720, "#5d4936"), *(box(0, y, 1280, 3, "#4d3b2b")
                                                      for y in range(70, 640, 70)),
        box(0, 640, 1280, 80, "#46341f"), box(120, 90, 330, 560, WOOD_DARK, 8),
        box(144, 114, 282, 536, PRIMARY, 4), path("M285 114 V650", stroke="#17483b", width=6),
        box(386, 360, 56, 18, IRON, 6), disc(384, 369, 14, ACCENT),
        box(220, 170, 130, 110, NIGHT, 6), disc(310, 206, 16, "#f4ecd2"),
        at(560, 210, lantern()),
    )
