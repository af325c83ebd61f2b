"""Contrast of words with what is behind them (WCAG 2.2, 1.4.3)."""

from zigzag_core.course.style.theme import Colours, colour_of

LEAST = 4.5
LEAST_LARGE = 3.0
LARGE = 24.0
"""CSS px from which words count as large; bold ones do from 18.66 px on."""
LARGE_BOLD = 18.66

PAIRS: tuple[tuple[str, str, str], ...] = (
    ("ink", "paper", "words on the slide"),
    ("ink", "sheet", "words on panels"),
    ("ink", "soft", "words on tinted panels"),
    ("quiet", "paper", "lesser words on the slide"),
    ("quiet", "sheet", "lesser words on panels"),
    ("primary", "paper", "headings on the slide"),
    ("primary", "sheet", "headings on panels"),
    ("on_primary", "primary", "words on buttons"),
)
"""Which colours of a theme stand on which, and what that is."""


def luminance(colour: str) -> float:
    """Return the relative luminance, 0..1, of ``#rrggbb`` (WCAG 2.2, definition)."""
    channels = (int(colour[at: at + 2], 16) / 255 for at in (1, 3, 5))
    r, g, b = (c / 12.92 if c <= 0.04045 else ((c + 0.055) / 1.055) ** 2.4 for c in channels)
    return 0.2126 * r + 0.7152 * g + 0.0722 * b


def contrast(one: str, other: str) -> float:
    """Return the contrast ratio, 1..21, of two ``#rrggbb`` colours (WCAG 2.2, definition)."""
    high, low = sorted((luminance(one), luminance(other)), reverse=True)
    return (high + 0.05) / (low + 0.05)


def needed(size: float, bold: bool) -> float:
    """Return the contrast that words of `size` px must have at least."""
    large = size >= LARGE or (bold and size >= LARGE_BOLD)
    return LEAST_LARGE if large else LEAST


def weak_pairs(colours: Colours) -> list[tuple[str, str, str, float]]:
    """Return the pairs of a theme that are hard to read: words, ground, what it is, the ratio."""
    found = []
    for words, ground, what in PAIRS:
        ratio = contrast(colour_of(words, colours), colour_of(ground, colours))
        if ratio < LEAST:
            found.append((words, ground, what, round(ratio, 2)))
    return found
