"""The colours of Larkspur Ridge, in one place."""

INK, PAPER, SPRUCE, MARIGOLD, BRICK, SKY_BLUE = (
    "#22302b", "#fffdf7", "#1e5b4b", "#e8a33d", "#b4472f", "#2f6f9f",
)
WALL, WALL_LINE, FLOOR, WOOD, WOOD_DARK = "#ead8b4", "#dcc59a", "#b98d61", "#8a6643", "#6b4c31"
SKY, HILL, HILL_FAR, SNOW, MEADOW, IRON = (
    "#c2dfe9", "#7ea3a0", "#a5c3c0", "#ffffff", "#a9c29a", "#4a4a4d",
)
NIGHT, NIGHT_HILL, NIGHT_SNOW, GLOW = "#2f3a55", "#46506b", "#c9d3e4", "#ffd98a"
SKIN, SKIN_DARK, HAIR = "#e3b48f", "#a8744f", "#4a3527"
