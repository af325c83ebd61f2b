"""The colours of the drawings, in one place."""

PRIMARY, ACCENT, SOFT, GROUND = (
    "var(--primary, #1e5b4b)", "var(--accent, #e8a33d)", "var(--soft, #e1ede6)",
    "var(--paper, #fbf8f3)",
)
"""These follow the theme of the course; see `zigzag_core.media.recolour`."""

INK, PAPER, BRICK, SKY_BLUE = "#22302b", "#fffdf7", "#b4472f", "#2f6f9f"
WALL, WALL_LINE, FLOOR, WOOD, WOOD_DARK = "#ead8b4", "#dcc59a", "#b98d61", "#8a6643", "#6b4c31"
SKY, HILL, HILL_FAR, SNOW, MEADOW, IRON = (
    "#c2dfe9", "#7ea3a0", "#a5c3c0", "#ffffff", "#a9c29a", "#4a4a4d",
)
NIGHT, NIGHT_HILL, NIGHT_SNOW, GLOW = "#2f3a55", "#46506b", "#c9d3e4", "#ffd98a"
