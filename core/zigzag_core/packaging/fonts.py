"""The fonts of a package: files of their own, cut to the characters that its course uses.

Each font comes twice: cut, and whole for what is typed or told by an LMS. Browsers load the whole
one only where a character is asked for that the cut one has not (CSS Fonts 4, *unicode-range*).
"""

import base64
import io
import re
from collections.abc import Callable, Iterable, Sequence
from functools import lru_cache

from fontTools import subset
from fontTools.ttLib import TTFont

from zigzag_core.course import Theme

Cut = Callable[[bytes, frozenset[int]], bytes]
"""Returns a font with only the characters of these code points."""

_FACE = re.compile(rb"@font-face\s*\{[^}]*\}")
_DATA = re.compile(rb"""url\(["']?data:font/woff2;base64,([A-Za-z0-9+/=]*)["']?\)""")
_RANGE = re.compile(rb"unicode-range:\s*([^;}]+)")
_OTHER = re.compile(r"[^\x00-\x7f]")
_FEATURES = ["kern", "liga", "ccmp", "locl", "mark", "mkmk"]
_ALWAYS = frozenset(range(0x20, 0x7F))


def fonts_of(
    css: bytes, themes: Sequence[Theme], text: Iterable[str], cut: Cut
) -> tuple[bytes, dict[str, bytes]]:
    """Return the style sheet for `themes`, and its fonts by file name, cut to ASCII and what the
    texts in `text` have besides.

    The style sheet names the files as ``fonts/…``. Fonts that no theme uses are left out.
    """
    families = {family for theme in themes for family in (theme.fonts.text, theme.fonts.heading)}
    wanted = [f"{family} Variable".encode() for family in families]
    used = _ALWAYS | {ord(character) for part in text for character in _OTHER.findall(part)}
    files: dict[str, bytes] = {}

    def face(found: re.Match[bytes]) -> bytes:
        if not any(name in found[0] for name in wanted):
            return b""
        data, covers = _DATA.search(found[0]), _RANGE.search(found[0])
        if data is None or covers is None:
            return found[0]
        font = base64.b64decode(data[1])
        number = 1 + sum(not path.endswith("-cut.woff2") for path in files)
        whole = _placed(found[0], files, f"{number}.woff2", font)
        characters = used & code_points(covers[1].decode())
        if not characters & _ALWAYS:
            # What only some names need is loaded whole, where it is needed.
            return whole
        small = _placed(found[0], files, f"{number}-cut.woff2", cut(font, characters))
        return whole + _RANGE.sub(b"unicode-range: " + ranges(characters).encode(), small)

    return _FACE.sub(face, css), files


def _placed(face: bytes, files: dict[str, bytes], name: str, font: bytes) -> bytes:
    files[f"fonts/{name}"] = font
    return _DATA.sub(f'url("fonts/{name}")'.encode(), face)


@lru_cache(maxsize=16)
def cut_font(font: bytes, characters: frozenset[int]) -> bytes:
    """Return a WOFF2 font with only `characters`; the font itself where it cannot be read."""
    options = subset.Options(flavor="woff2", hinting=False, layout_features=_FEATURES)
    try:
        found: TTFont = subset.load_font(io.BytesIO(font), options)
    except Exception:
        return font
    subsetter = subset.Subsetter(options)
    subsetter.populate(unicodes=characters)
    subsetter.subset(found)
    out = io.BytesIO()
    subset.save_font(found, out, options)
    return out.getvalue()


def code_points(ranges: str) -> frozenset[int]:
    """Return what a CSS *unicode-range* covers, as ``U+0000-00FF, U+1??``."""
    found: set[int] = set()
    for part in ranges.split(","):
        low, _, high = part.strip().upper().removeprefix("U+").partition("-")
        first, last = low.replace("?", "0"), (high or low).replace("?", "F")
        found.update(range(int(first, 16), int(last, 16) + 1))
    return frozenset(found)


def ranges(characters: Iterable[int]) -> str:
    """Return code points as a CSS *unicode-range*."""
    found: list[list[int]] = []
    for character in sorted(characters):
        if found and found[-1][1] == character - 1:
            found[-1][1] = character
        else:
            found.append([character, character])
    return ", ".join(f"U+{a:X}" if a == b else f"U+{a:X}-{b:X}" for a, b in found)
