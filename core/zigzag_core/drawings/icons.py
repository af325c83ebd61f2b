"""Icons: strokes of one width on 64 by 64, with one part in the theme's accent."""

from .colours import ACCENT, PRIMARY
from .shapes import drawing, path

SIDE = 64
_WIDTH = 4

ICONS: dict[str, tuple[str, str, str]] = {
    # name: words to find it by, strokes, strokes in the accent
    "Boot": ("shoe walk", "M20 8 v30 q-4 14 4 14 h32 v-6 q-2 -8 -16 -10 q-6 -2 -6 -12 V8 Z",
             "M20 52 h36"),
    "Rope": ("climb coil", "M32 10 c18 0 18 44 0 44 c-18 0 -18 -44 0 -44", "M22 18 c14 6 14 22 0 28"),
    "Flame": ("fire stove heat", "M32 6 c4 14 18 18 18 34 a18 18 0 0 1 -36 0 c0 -8 4 -12 8 -16"
              " c2 6 6 8 8 6 c2 -8 0 -14 2 -24 Z", "M32 56 c-8 -4 -8 -12 0 -18 c8 6 8 14 0 18"),
    "Stove": ("fire oven warm", "M14 18 h36 v34 h-36 Z M20 52 v6 M44 52 v6 M32 18 V4",
              "M24 40 h16 M32 28 v8"),
    "Mug": ("cup drink coffee tea", "M12 20 h32 v30 q0 6 -6 6 h-20 q-6 0 -6 -6 Z M44 26 h8 v16 h-8",
            "M22 6 v8 M32 6 v8"),
    "Pot": ("cook kitchen soup", "M12 28 h40 v20 q0 6 -6 6 h-28 q-6 0 -6 -6 Z M6 34 h6 M52 34 h6",
            "M12 28 q20 -12 40 0"),
    "Bed": ("sleep night bunk", "M8 16 v38 M8 44 h48 v10 M56 44 v-8 q0 -6 -6 -6 H8", "M16 30 h12"),
    "Lantern": ("light lamp", "M22 20 h20 v26 h-20 Z M18 52 h28 M26 14 q6 -10 12 0", "M32 28 v10"),
    "Radio": ("call rescue speak", "M12 24 h40 v30 h-40 Z M40 24 L48 6", "M20 34 h12 M20 42 h12"),
    "Map": ("place way", "M8 14 l16 -6 l16 6 l16 -6 v42 l-16 6 l-16 -6 l-16 6 Z M24 8 v42 M40 14 v42",
            "M14 40 l8 -8"),
    "Flag": ("mark goal", "M16 6 v52", "M16 10 h32 l-8 10 l8 10 H16"),
    "Compass": ("direction way", "M32 6 a26 26 0 1 1 -0.1 0 Z", "M40 24 l-6 14 l-10 4 l6 -14 Z"),
    "Mountain": ("ridge peak", "M4 54 L24 18 L36 38 L44 26 L60 54 Z", "M19 27 l5 6 l5 -6"),
    "Tree": ("spruce forest", "M32 4 L48 26 H40 L54 46 H10 L24 26 H16 Z", "M32 46 v12"),
    "House": ("hut home", "M8 30 L32 8 L56 30 M14 26 v30 h36 V26", "M28 56 V40 h8 v16"),
    "Door": ("in out", "M16 6 h32 v52 h-32 Z M10 58 h44", "M40 32 v4"),
    "Sun": ("weather clear day", "M32 20 a12 12 0 1 1 -0.1 0 Z",
            "M32 4 v8 M32 52 v8 M4 32 h8 M52 32 h8 M12 12 l6 6 M46 46 l6 6 M52 12 l-6 6 M18 46 l-6 6"),
    "Cloud": ("weather", "M18 46 a10 10 0 0 1 0 -20 a14 14 0 0 1 27 -3 a11 11 0 0 1 2 23 Z", ""),
    "Rain": ("weather wet", "M18 36 a10 10 0 0 1 0 -20 a14 14 0 0 1 27 -3 a11 11 0 0 1 2 23 Z",
             "M20 44 l-4 12 M34 44 l-4 12 M48 44 l-4 12"),
    "Snow": ("weather winter cold", "M32 6 v52 M10 19 l44 26 M54 19 L10 45",
             "M26 12 l6 6 l6 -6 M26 52 l6 -6 l6 6"),
    "Wind": ("weather storm", "M6 24 h36 a8 8 0 1 0 -8 -8", "M6 36 h46 a8 8 0 1 1 -8 8 M6 48 h20"),
    "Thermometer": ("temperature hot cold", "M26 38 V12 a6 6 0 0 1 12 0 v26 a12 12 0 1 1 -12 0",
                    "M32 24 v24"),
    "Clock": ("time hour", "M32 6 a26 26 0 1 1 -0.1 0 Z", "M32 18 v14 l10 8"),
    "Calendar": ("date day", "M10 14 h44 v42 h-44 Z M10 26 h44 M22 6 v14 M42 6 v14", "M22 40 h20"),
    "Book": ("read list", "M32 14 q-10 -8 -24 -6 v40 q14 -2 24 6 q10 -8 24 -6 v-40 q-14 -2 -24 6 Z",
             "M32 14 v40"),
    "Pen": ("write", "M10 54 l4 -14 L42 12 l10 10 L24 50 Z", "M36 18 l10 10"),
    "Key": ("lock open", "M20 30 a12 12 0 1 1 -0.1 0 Z", "M30 34 L56 8 M46 18 l8 8"),
    "Lock": ("closed safe", "M14 28 h36 v28 h-36 Z M20 28 v-8 a12 12 0 0 1 24 0 v8", "M32 38 v8"),
    "Hammer": ("tool build", "M24 24 L52 56", "M10 26 L28 8 l10 6 l-6 4 l4 4 L20 38 Z"),
    "Spanner": ("tool mend", "M50 8 a14 14 0 1 0 6 6 l-8 8 l-6 -6 Z", "M36 28 L12 52"),
    "Saw": ("tool wood", "M6 22 h40 l12 8 l-12 8 l-5 6 l-5 -6 l-5 6 l-5 -6 l-5 6 l-5 -6 H6 Z", ""),
    "Basket": ("shop carry", "M8 26 h48 l-6 30 h-36 Z M18 26 L28 8 M46 26 L36 8",
               "M24 34 v14 M40 34 v14"),
    "Box": ("parcel store", "M8 20 L32 8 l24 12 v26 L32 58 L8 46 Z M8 20 l24 12 l24 -12", "M32 32 v26"),
    "Phone": ("call speak", "M20 6 h24 v52 h-24 Z", "M30 50 h4"),
    "Letter": ("mail message", "M8 16 h48 v34 h-48 Z", "M8 18 l24 18 l24 -18"),
    "Person": ("somebody guest", "M32 8 a11 11 0 1 1 -0.1 0 Z M10 58 q0 -22 22 -22 t22 22", ""),
    "People": ("group team", "M22 12 a9 9 0 1 1 -0.1 0 Z M6 54 q0 -18 16 -18 t16 18",
               "M44 16 a8 8 0 1 1 -0.1 0 Z M46 38 q12 2 12 16"),
    "Heart": ("like care", "M32 56 C4 36 8 10 24 12 q6 2 8 8 q2 -6 8 -8 C56 10 60 36 32 56 Z", ""),
    "Star": ("favourite best", "M32 6 l8 17 l18 2 l-13 13 l3 18 l-16 -9 l-16 9 l3 -18 l-13 -13 l18 -2 Z",
             ""),
    "Tick": ("right yes done", "M32 6 a26 26 0 1 1 -0.1 0 Z", "M20 32 l8 9 l16 -18"),
    "Cross": ("wrong no", "M32 6 a26 26 0 1 1 -0.1 0 Z", "M23 23 l18 18 M41 23 l-18 18"),
    "Warning": ("careful danger", "M32 8 L58 54 H6 Z", "M32 24 v14 M32 45 v2"),
    "Information": ("notice help", "M32 6 a26 26 0 1 1 -0.1 0 Z", "M32 30 v16 M32 19 v2"),
    "Question": ("help ask", "M32 6 a26 26 0 1 1 -0.1 0 Z",
                 "M24 26 q0 -9 8 -9 q9 0 9 8 q0 6 -9 10 v3 M32 46 v2"),
    "Eye": ("see look", "M4 32 Q32 4 60 32 Q32 60 4 32 Z", "M32 24 a8 8 0 1 1 -0.1 0 Z"),
    "Ear": ("hear listen", "M20 28 a14 14 0 0 1 28 0 q0 8 -8 12 q-4 2 -4 8 q-2 8 -10 8 q-8 -2 -8 -8",
            "M28 28 a6 6 0 0 1 12 0"),
    "Arrow right": ("next on", "M8 32 h46", "M38 16 l16 16 l-16 16"),
    "Arrow round": ("again repeat", "M52 32 a20 20 0 1 1 -6 -14", "M48 6 v14 h-14"),
}


def icon(name: str) -> bytes:
    """Return the icon as a whole drawing; raises `KeyError` for a name that is none."""
    _, strokes, accents = ICONS[name]
    return drawing(
        SIDE, SIDE, path(strokes, stroke=PRIMARY, width=_WIDTH),
        path(accents, stroke=ACCENT, width=_WIDTH) if accents else "",
    )
