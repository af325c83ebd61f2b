"""Where the parts of ready patterns stand on the slide, however many there are."""

from math import ceil, sqrt

from zigzag_core.course import SlideSize

Place = tuple[float, float, float, float]
"""Left, top, width and height in slide px."""

_LEFT, _TOP, _BOTTOM = 80.0, 160.0, 60.0
"""Room (px) beside, above and below; a title stands above."""
_GAP = 24.0
_LEAST = 16.0
"""No part (px) is made smaller."""
_IN_ROW = 8
"""So many tabs or years fit beside each other."""


def middle(size: SlideSize) -> Place:
    """Return the part of a slide that patterns fill; on small ones there is less around it."""
    left, top, bottom = min(_LEFT, size.w / 8), min(_TOP, size.h / 4), min(_BOTTOM, size.h / 8)
    return left, top, size.w - 2 * left, size.h - top - bottom


def within(place: Place, size: SlideSize) -> Place:
    """Return `place`, made and moved so that it is on the slide and large enough to be seen."""
    x, y, w, h = place
    w, h = min(max(w, _LEAST), size.w), min(max(h, _LEAST), size.h)
    return min(max(x, 0), size.w - w), min(max(y, 0), size.h - h), w, h


def grid(count: int, area: Place, gap: float = _GAP) -> list[Place]:
    """Return `count` places of one size that fill `area` in rows: one row for up to three."""
    left, top, w, h = area
    columns = count if count <= 3 else ceil(sqrt(count))
    rows = ceil(count / columns)
    wide, high = (w - (columns - 1) * gap) / columns, (h - (rows - 1) * gap) / rows
    return [
        (left + n % columns * (wide + gap), top + n // columns * (high + gap), wide, high)
        for n in range(count)
    ]


def column(count: int, area: Place, gap: float, most: float) -> list[Place]:
    """Return `count` places below each other from the top of `area`, no higher than `most`; many
    stand closer."""
    left, top, w, h = area
    gap = min(gap, h / count / 4)
    high = min((h + gap) / count - gap, most)
    return [(left, top + n * (high + gap), w, high) for n in range(count)]


def row(count: int, area: Place, gap: float, most: float, high: float) -> list[Place]:
    """Return `count` places beside each other, no wider than `most`; many make several rows."""
    left, top, w, _ = area
    columns = min(count, _IN_ROW)
    wide = min((w - (columns - 1) * gap) / columns, most)
    return [
        (left + n % _IN_ROW * (wide + gap), top + n // _IN_ROW * (high + gap), wide, high)
        for n in range(count)
    ]


def below(places: list[Place], area: Place, gap: float) -> Place:
    """Return what is left of `area` under all of `places`."""
    left, top, w, h = area
    end = max(y + high for _, y, _, high in places) + gap
    return left, end, w, top + h - end


def revealing(what: str, count: int, size: SlideSize) -> list[tuple[Place, Place]]:
    """Return where what is clicked stands, and the panel that it shows, in an arrangement of a
    reveal set: tabs, accordion, cards, markers or timeline."""
    area = left, top, w, h = middle(size)
    match what:
        case "accordion":
            panel = (left + w * 0.4, top, w * 0.6, h)
            return [(place, panel) for place in column(count, (left, top, w * 0.36, h), 12, 52)]
        case "cards":
            return [_card(place) for place in grid(count, area)]
        case "markers":
            step = 0.56 / max(count - 1, 1)
            panel = (left, top + h - 110, w, 110)
            return [
                ((left + w * (0.18 + step * n), top + h * (0.2 + 0.15 * (n % 3)), 52, 52), panel)
                for n in range(count)
            ]
        case "timeline":
            years = row(count, (left, top + 30, w, h - 30), 20, w / min(count, _IN_ROW) - 20, 52)
            return [(place, below(years, area, 48)) for place in years]
        case _:
            tabs = row(count, area, 12, 220, 56)
            return [(place, below(tabs, area, 16)) for place in tabs]


def _card(place: Place) -> tuple[Place, Place]:
    """What is clicked on a card, and the panel under it."""
    left, top, w, h = place
    head = min(72.0, h * 0.4)
    return (left, top, w, head), (left, top + head + 16, w, h - head - 16)
