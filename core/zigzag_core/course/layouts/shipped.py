"""Layouts that ship with Zigzag, for slides of 1280 by 720. A course takes in those it uses."""

from typing import Any

from ..elements.element import Element, Picture, Shape, Text, Video
from ..style.style import Style
from ..style.usual_styles import shipped_style
from ..text.rich_text import rich
from .layout import Background, Layout

W, H = 1280, 720
LEFT, TOP, WIDE = 80, 56, 1120


class _Sheet:
    """Collects the elements of one layout; paint order and running order are as they come."""

    def __init__(self, key: str, name: str, **background: Any) -> None:
        self.key, self.name = key, name
        self.background = Background(**background)
        self.elements: list[Element] = []
        self.slots: list[str] = []

    def _common(self, name: str, box: tuple[float, float, float, float]) -> dict[str, Any]:
        x, y, w, h = box
        z = len(self.elements)
        return {"id": f"ly{self.key}{z}", "name": name, "x": x, "y": y, "w": w, "h": h, "z": z}

    def _slot(self, element: Element) -> None:
        self.elements.append(element)
        self.slots.append(element.id)

    def words(
        self, name: str, x: float, y: float, w: float, h: float, follows: str = "text",
        says: str = "", **own: Any,
    ) -> None:
        """A place for words that follow the shipped style `follows`, but for `own`."""
        named = shipped_style(f"style{follows}")
        level = follows if follows in ("title", "heading") else "body"
        self._slot(Text(
            **self._common(name, (x, y, w, h)), level=level, text=rich(says or name),
            named_style=named.id, own=tuple(own), style=named.style.model_copy(update=own),
            looks=named.looks,
        ))

    def title(self, says: str = "Title", y: float = TOP, **own: Any) -> None:
        self.words("Title", LEFT, y, WIDE, 76, "title", says, **own)

    def picture(self, name: str, x: float, y: float, w: float, h: float, **style: Any) -> None:
        self._slot(Picture(**self._common(name, (x, y, w, h)), fit="cover", style=Style(**style)))

    def video(self, name: str, x: float, y: float, w: float, h: float) -> None:
        self._slot(Video(**self._common(name, (x, y, w, h))))

    def block(self, x: float, y: float, w: float, h: float, fill: str, radius: float = 0) -> None:
        """Something that stands on each slide of this layout and is not filled in."""
        self.elements.append(Shape(
            **self._common(f"Block {len(self.elements) + 1}", (x, y, w, h)), decoration=True,
            style=Style(fill=fill, radius=radius),
        ))

    def done(self) -> Layout:
        return Layout(id=f"layout{self.key}", name=self.name, background=self.background,
                      elements=tuple(self.elements), slots=tuple(self.slots))


def _opening() -> Layout:
    s = _Sheet("opening", "Opening")
    s.block(0, 0, 32, H, "primary")
    s.words("Title", 120, 200, 1040, 120, "title", "Title of the course", size=72, valign="bottom")
    s.block(122, 340, 120, 6, "accent", 3)
    s.words("Opening words", 120, 366, 820, 100, "lead", "What it is for, in one sentence")
    return s.done()


def _section() -> Layout:
    s = _Sheet("section", "Section", colour="primary")
    s.block(LEFT, 420, 120, 6, "accent", 3)
    s.words("Title", LEFT, 250, WIDE, 150, "title", "Title of the section", size=64,
            text_colour="on_primary", valign="bottom")
    s.words("Lead", LEFT, 448, 900, 120, "lead", "What comes now", text_colour="on_primary")
    return s.done()


def _title_only() -> Layout:
    s = _Sheet("title", "Title")
    s.title()
    return s.done()


def _title_text() -> Layout:
    s = _Sheet("text", "Title and text")
    s.title()
    s.words("Text", LEFT, 168, 980, 472)
    return s.done()


def _text_picture() -> Layout:
    s = _Sheet("textpicture", "Text and picture")
    s.title()
    s.words("Text", LEFT, 168, 560, 472)
    s.picture("Picture", 700, 168, 500, 472, radius=16)
    return s.done()


def _picture_text() -> Layout:
    s = _Sheet("picturetext", "Picture beside text")
    s.picture("Picture", 0, 0, 560, H)
    s.words("Title", 624, TOP, 576, 130, "title")
    s.words("Text", 624, 212, 576, 428)
    return s.done()


def _two_columns() -> Layout:
    s = _Sheet("columns", "Two columns")
    s.title()
    s.words("Left heading", LEFT, 168, 540, 52, "heading", "One side")
    s.words("Left text", LEFT, 232, 540, 408)
    s.words("Right heading", 660, 168, 540, 52, "heading", "The other side")
    s.words("Right text", 660, 232, 540, 408)
    return s.done()


def _three_cards() -> Layout:
    s = _Sheet("cards", "Three cards")
    s.title()
    for n, x in enumerate((80, 464, 848), 1):
        s.block(x, 168, 352, 472, "sheet", 16)
        s.block(x + 28, 196, 48, 6, "accent", 3)
        s.words(f"Heading {n}", x + 28, 216, 296, 84, "heading", valign="top", size=30)
        s.words(f"Text {n}", x + 28, 308, 296, 304, size=24)
    return s.done()


def _full_picture() -> Layout:
    s = _Sheet("fullpicture", "Picture over the whole slide")
    s.picture("Picture", 0, 0, W, H)
    s.words("Title", 60, 40, 720, 76, "title", fill="sheet", radius=12, padding=20, size=42)
    s.words("Words", 60, 548, 720, 124, fill="sheet", radius=12, padding=20, size=24,
            valign="middle")
    return s.done()


def _statement() -> Layout:
    s = _Sheet("statement", "Statement", colour="soft")
    s.block(LEFT, 200, 8, 280, "accent", 4)
    s.words("Title", 124, 190, 1000, 300, "title", "One sentence to remember", size=64)
    s.words("Source", 124, 508, 1000, 50, "small", "Who says so")
    return s.done()


def _figure() -> Layout:
    s = _Sheet("figure", "Large figure")
    s.title()
    s.words("Figure", LEFT, 190, 480, 260, "title", "60°", size=200, text_colour="primary",
            line_height=1.0)
    s.words("What it means", LEFT, 470, 480, 150, "lead", size=28)
    s.words("Text", 640, 200, 560, 420)
    return s.done()


def _steps() -> Layout:
    s = _Sheet("steps", "Four steps")
    s.title()
    s.block(LEFT + 32, 214, WIDE - 288 + 32, 4, "edge")
    for n, x in enumerate((80, 368, 656, 944), 1):
        s.block(x, 184, 64, 64, "primary", 32)
        s.words(f"Number {n}", x, 184, 64, 64, "heading", str(n), text_colour="on_primary",
                align="center", size=30)
        s.words(f"Step {n}", x, 272, 256, 72, "heading", valign="top", size=28)
        s.words(f"Text {n}", x, 348, 256, 292, size=24)
    return s.done()


def _do_and_do_not() -> Layout:
    s = _Sheet("dodont", "Do and do not")
    s.title()
    for x, sign, words in ((80, "✓", "Do"), (660, "✕", "Do not")):
        s.block(x, 168, 540, 472, "sheet", 16)
        s.block(x, 168, 540, 10, "primary" if sign == "✓" else "accent", 5)
        s.words(f"{words} heading", x + 32, 200, 476, 52, "heading", f"{sign} {words}")
        s.words(f"{words} text", x + 32, 268, 476, 348, size=26)
    return s.done()


def _gallery() -> Layout:
    s = _Sheet("gallery", "Three pictures")
    s.title()
    for n, x in enumerate((80, 464, 848), 1):
        s.picture(f"Picture {n}", x, 168, 352, 352, radius=16)
        s.words(f"Caption {n}", x, 536, 352, 90, size=24, align="center")
    return s.done()


def _video() -> Layout:
    s = _Sheet("film", "Video")
    s.title(y=36)
    s.video("Video", 160, 132, 960, 540)
    return s.done()


def _closing() -> Layout:
    s = _Sheet("closing", "Closing", colour="primary")
    s.words("Title", LEFT, 180, WIDE, 120, "title", "What to take along", size=60,
            text_colour="on_primary")
    s.block(LEFT, 320, 120, 6, "accent", 3)
    s.words("Text", LEFT, 356, 900, 280, "lead", text_colour="on_primary")
    return s.done()


SHIPPED_LAYOUTS: tuple[Layout, ...] = tuple(make() for make in (
    _opening, _section, _title_only, _title_text, _text_picture, _picture_text, _two_columns,
    _three_cards, _full_picture, _statement, _figure, _steps, _do_and_do_not, _gallery, _video,
    _closing,
))

TITLE_ONLY, TITLE_AND_TEXT = "layouttitle", "layouttext"
"""Ids of the layouts that slides from an outline begin with."""
