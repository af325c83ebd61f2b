"""Small drawn things, each an SVG fragment around its own origin."""

from .colours import (
    ACCENT,
    BRICK,
    FLOOR,
    GLOW,
    HILL,
    HILL_FAR,
    INK,
    IRON,
    PAPER,
    PRIMARY,
    SKY,
    SKY_BLUE,
    SNOW,
    WALL,
    WALL_LINE,
    WOOD,
    WOOD_DARK,
)


def at(x: float, y: float, *parts: str, scale: float = 1) -> str:
    """Return `parts` moved to (x, y)."""
    size = f" scale({scale:g})" if scale != 1 else ""
    return f'<g transform="translate({x:g} {y:g}){size}">{"".join(parts)}</g>'


def box(x: float, y: float, w: float, h: float, fill: str, r: float = 0, extra: str = "") -> str:
    """Return a rectangle with corners of radius `r`, as SVG; all lengths in px."""
    radius = f' rx="{r:g}"' if r else ""
    return f'<rect x="{x:g}" y="{y:g}" width="{w:g}" height="{h:g}"{radius} fill="{fill}"{extra}/>'


def disc(x: float, y: float, r: float, fill: str, extra: str = "") -> str:
    """Return a disc of radius `r` px around (`x`, `y`), as SVG."""
    return f'<circle cx="{x:g}" cy="{y:g}" r="{r:g}" fill="{fill}"{extra}/>'


def path(d: str, fill: str = "none", stroke: str = "", width: float = 0) -> str:
    """Return a path (`d` as in SVG), filled, or drawn `width` px wide."""
    line = (
        f' stroke="{stroke}" stroke-width="{width:g}" stroke-linecap="round"'
        ' stroke-linejoin="round"' if stroke else ""
    )
    return f'<path d="{d}" fill="{fill}"{line}/>'


def drawing(w: int, h: int, *parts: str) -> bytes:
    """Return a whole SVG file."""
    body = "".join(parts)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{w}" height="{h}" '
        f'viewBox="0 0 {w} {h}">{body}</svg>'
    ).encode()


def room(floor: float = 560, wall: str = WALL, line: str = WALL_LINE) -> str:
    """A plank wall over a wooden floor, 1280 by 720."""
    planks = "".join(box(0, y, 1280, 3, line) for y in range(70, int(floor), 70))
    boards = "".join(
        path(f"M{x} {floor + 8} L{x * 1.24 - 150:g} 720", stroke=WOOD, width=2)
        for x in range(40, 1280, 150)
    )
    return (
        box(0, 0, 1280, 720, wall) + planks + box(0, floor, 1280, 720 - floor, FLOOR)
        + boards + box(0, floor - 6, 1280, 8, WOOD)
    )


def window(w: float = 240, h: float = 190, sky: str = SKY, hill: str = HILL,
           far: str = HILL_FAR, snow: str = SNOW) -> str:
    """A window with mountains behind, from (0, 0)."""
    i = 12
    view = (
        box(i, i, w - 2 * i, h - 2 * i, sky)
        + path(f"M{w * .38} {h * .62} L{w * .66} {h * .2} L{w - i} {h * .6} L{w - i} {h - i}"
               f" L{i} {h - i} Z", far)
        + path(f"M{w * .58} {h * .32} L{w * .66} {h * .2} L{w * .745} {h * .32}"
               f" L{w * .7} {h * .31} L{w * .66} {h * .37} L{w * .62} {h * .31} Z", snow)
        + path(f"M{i} {h * .72} L{w * .3} {h * .42} L{w * .56} {h * .74} L{w * .74} {h * .58}"
               f" L{w - i} {h * .78} L{w - i} {h - i} L{i} {h - i} Z", hill)
    )
    frame = (
        path(f"M{i / 2} {i / 2} H{w - i / 2} V{h - i / 2} H{i / 2} Z", stroke=WOOD, width=i)
        + path(f"M{w / 2} {i} V{h - i} M{i} {h / 2} H{w - i}", stroke=WOOD, width=8)
    )
    return view + frame + box(-12, h, w + 24, 14, WOOD_DARK, 4)


def shirt(colour: str, shade: str) -> str:
    """A jacket on a hook; hangs from (0, 0)."""
    return (
        path("M0 -18 V4", stroke=IRON, width=5)
        + path("M-26 4 Q0 20 26 4 L66 34 L48 64 L32 54 V150 H-32 V54 L-48 64 L-66 34 Z", colour)
        + path("M0 14 V150", stroke=shade, width=4)
        + path("M-26 4 Q0 20 26 4", stroke=shade, width=6)
        + box(-24, 102, 18, 22, shade, 3) + box(8, 102, 18, 22, shade, 3)
    )


def rope(colour: str = ACCENT, shade: str = "#c98420") -> str:
    """A coiled rope; hangs from (0, 0)."""
    return (
        path("M0 -18 V10", stroke=IRON, width=5)
        + f'<ellipse cx="0" cy="76" rx="34" ry="70" fill="none" stroke="{colour}" '
        'stroke-width="16"/>'
        + f'<ellipse cx="0" cy="76" rx="20" ry="56" fill="none" stroke="{shade}" '
        'stroke-width="9"/>'
        + path("M-14 128 Q0 118 14 128 M-14 140 Q0 130 14 140", stroke=colour, width=8)
    )


def boot(colour: str, sole: str = INK) -> str:
    """A walking boot seen from the side; stands on (0, 0)."""
    return (
        path("M-30 -70 H6 L10 -40 Q16 -26 44 -22 Q58 -18 58 -8 L58 -6 H-32 Z", colour)
        + box(-34, -8, 94, 10, sole, 4)
        + path("M-8 -58 H6 M-6 -46 H8 M-4 -34 H12", stroke=PAPER, width=4)
        + path("M-30 -70 H6", stroke=sole, width=7)
    )


def shelf(w: float) -> str:
    """A boot rack of two boards, `w` wide; its upper board's top is y = 0."""
    return (
        box(0, 0, w, 14, WOOD, 3) + box(0, 92, w, 14, WOOD, 3)
        + box(14, 0, 14, 170, WOOD_DARK) + box(w - 28, 0, 14, 170, WOOD_DARK)
    )


def flame(scale: float = 1) -> str:
    """A fire that stands on (0, 0)."""
    return at(
        0, 0,
        path("M-58 0 Q-66 -44 -26 -66 Q-20 -44 -4 -44 Q-14 -84 22 -104 Q16 -70 44 -54"
             " Q66 -34 56 0 Z", ACCENT),
        path("M-30 0 Q-34 -30 -6 -48 Q4 -24 18 -34 Q34 -20 28 0 Z", GLOW), scale=scale,
    )


def stove(open_: bool = True) -> str:
    """An iron stove with its pipe; stands on (0, 0), 210 wide."""
    fire = flame(.95) if open_ else path("M-44 -50 H44 M-44 -34 H44", stroke="#333", width=6)
    return (
        box(-20, -620, 40, 400, "#5b5b5f") + box(-28, -420, 56, 14, IRON, 3)
        + box(-105, -236, 210, 226, IRON, 14) + box(-118, -244, 236, 20, "#3a3a3d", 6)
        + box(-84, -12, 24, 16, "#3a3a3d") + box(60, -12, 24, 16, "#3a3a3d")
        + box(-78, -196, 156, 104, BRICK if open_ else "#3a3a3d", 8)
        + at(0, -96, fire) + box(-78, -68, 156, 34, "#3a3a3d", 6) + disc(0, -51, 6, ACCENT)
    )


def mug(colour: str) -> str:
    """Return a mug around (0, 0), as SVG."""
    return (
        path("M28 -40 q26 2 22 22 q-4 14 -24 12", stroke=colour, width=8)
        + path("M-30 -52 H30 L26 0 H-26 Z", colour) + box(-30, -52, 60, 8, PAPER)
    )


def pot() -> str:
    """A steaming pot; stands on (0, 0)."""
    return (
        path("M-30 -118 q-12 -16 0 -30 q12 -14 0 -30 M14 -122 q-12 -16 0 -30 q12 -14 0 -30",
             stroke="#ffffff", width=7)
        + box(-96, -84, 192, 16, IRON, 8) + path("M-80 -74 H80 L74 0 H-74 Z", "#6f7a80")
        + box(-78, -92, 156, 14, "#848f95", 6) + disc(0, -96, 9, IRON)
    )


def tree(height: float, colour: str = PRIMARY) -> str:
    """A spruce that stands on (0, 0)."""
    h = height
    tiers = "".join(
        path(f"M0 {-h + h * top:g} L{h * w:g} {-h + h * bottom:g} H{-h * w:g} Z", colour)
        for top, bottom, w in ((0, .42, .2), (.2, .68, .28), (.42, .92, .34))
    )
    return box(-h * .04, -h * .1, h * .08, h * .1, WOOD_DARK) + tiers


def hut(lit: bool = False) -> str:
    """The hut itself; stands on (0, 0), 460 wide."""
    pane = GLOW if lit else SKY
    def pane_at(x: float) -> str:
        return (
            box(x, -128, 78, 66, pane, 3)
            + path(f"M{x + 39} -128 V-62 M{x} -95 H{x + 78}", stroke=WOOD_DARK, width=6)
            + path(f"M{x} -128 H{x + 78} V-62 H{x} Z", stroke=WOOD_DARK, width=8)
            + box(x - 26, -130, 20, 70, BRICK, 2) + box(x + 84, -130, 20, 70, BRICK, 2)
        )
    logs = "".join(box(-200, y, 400, 4, WOOD_DARK) for y in range(-150, -20, 26))
    return (
        box(118, -322, 44, 96, "#8d8a84") + box(110, -330, 60, 16, IRON, 3)
        + box(-200, -176, 400, 156, WOOD) + logs + box(-212, -24, 424, 26, "#8d8a84", 4)
        + path("M-250 -160 L0 -306 L250 -160 L236 -140 L0 -276 L-236 -140 Z", "#5d3f2a")
        + path("M-204 -160 L0 -278 L204 -160 Z", "#9a744e")
        + disc(0, -206, 24, pane) + path("M0 -230 V-182 M-24 -206 H24", stroke=WOOD_DARK, width=5)
        + pane_at(-158) + pane_at(80)
        + box(-36, -136, 72, 114, PRIMARY, 4) + disc(22, -78, 5, ACCENT)
        + path("M0 -122 V-36", stroke="#17483b", width=4)
    )


def lantern() -> str:
    """A lit lantern that hangs from (0, 0)."""
    return (
        disc(0, 62, 120, GLOW, ' opacity="0.25"') + disc(0, 62, 74, GLOW, ' opacity="0.35"')
        + path("M0 0 V20 M-18 30 Q0 6 18 30", stroke=IRON, width=5)
        + box(-26, 30, 52, 12, IRON, 4) + box(-22, 42, 44, 50, GLOW, 4)
        + box(-28, 90, 56, 12, IRON, 4) + path("M-22 42 V92 M22 42 V92", stroke=IRON, width=5)
        + at(0, 90, flame(.28))
    )


def backpack() -> str:
    """Return a backpack around (0, 0), as SVG."""
    return (
        box(-62, -170, 124, 170, SKY_BLUE, 26) + box(-46, -76, 92, 62, "#25577d", 12)
        + box(-54, -188, 108, 30, ACCENT, 14) + path("M-20 -76 V-96 M20 -76 V-96", stroke=PAPER,
                                                       width=6)
        + disc(-34, -126, 6, PAPER) + disc(34, -126, 6, PAPER)
    )


def radio() -> str:
    """The rescue radio; stands on (0, 0), 420 wide."""
    slots = "".join(box(-176, y, 130, 8, "#2c3a36", 4) for y in range(-150, -40, 20))
    return (
        path("M150 -196 L186 -420", stroke=IRON, width=8) + disc(186, -424, 10, BRICK)
        + box(-210, -200, 420, 200, PRIMARY, 18) + box(-194, -184, 166, 168, "#17483b", 12) + slots
        + box(0, -176, 180, 66, "#dfeadb", 8)
        + f'<text x="90" y="-130" font-family="monospace" font-size="40" font-weight="700" '
        f'text-anchor="middle" fill="{INK}">CH 16</text>'
        + disc(42, -56, 36, PAPER) + path("M42 -56 L60 -80", stroke=INK, width=7)
        + disc(136, -56, 36, BRICK) + disc(136, -56, 24, "#cf5d43")
        + box(-190, 0, 40, 12, IRON, 3) + box(150, 0, 40, 12, IRON, 3)
    )


def cloud(scale: float = 1, colour: str = "#ffffff") -> str:
    """Return a cloud around (0, 0), as SVG."""
    return at(0, 0, disc(-44, 0, 34, colour), disc(0, -22, 46, colour), disc(48, -2, 36, colour),
              box(-60, -4, 126, 38, colour, 18), scale=scale)


def sun(r: float = 46) -> str:
    """Return a sun of radius `r` px around (0, 0), as SVG."""
    rays = "".join(
        f'<g transform="rotate({angle})">{box(-4, -r * 1.75, 8, r * .45, ACCENT, 4)}</g>'
        for angle in range(0, 360, 45)
    )
    return disc(0, 0, r, ACCENT) + rays
