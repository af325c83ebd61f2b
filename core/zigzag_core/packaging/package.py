"""Packages: a program, the player, fonts and media as one archive."""

import re
from collections.abc import Mapping
from typing import Literal

from jinja2 import Environment, PackageLoader

from zigzag_core.course import Course, MediaFile, Theme
from zigzag_core.media.recolour import recoloured
from zigzag_core.tracking import words

from .archive import media_path
from .incremental import CompiledCourse
from .manifest12 import manifest12
from .write_zip import write_zip

PackageKind = Literal["scorm12", "web"]
KINDS: tuple[PackageKind, ...] = ("scorm12", "web")

_TEMPLATES = Environment(loader=PackageLoader(__package__, ""), autoescape=True)


def place_in_package(file: MediaFile) -> str:
    """Return where a media file is in a package, as a relative URL."""
    return media_path(file.sha256, file.type)


def build_package(
    kind: PackageKind, compiled: CompiledCourse, player: Mapping[str, bytes],
    media: Mapping[str, bytes],
) -> bytes:
    """Return the package of a course as a ZIP.

    The course was `compiled` with its media at `place_in_package`. `player` holds the built
    player by file name, `media` the bytes of the course's files by SHA-256. Raises `KeyError` for
    lost media.
    """
    course = compiled.course
    files: dict[str, bytes] = {
        "index.html": page(course, kind).encode(),
        "program.js": program_script(compiled.program),
        words.FILE: compiled.words.model_dump_json(indent=1).encode(),
    }
    files |= {
        f"player/{name}": _with_fonts(data, course.theme) if name.endswith(".css") else data
        for name, data in sorted(player.items())
    }
    files |= {
        place_in_package(file): _as_shown(file, media[file.sha256], course.theme)
        for file in compiled.media
    }
    if kind == "scorm12":
        files = {"imsmanifest.xml": manifest12(course, files), **files}
    return write_zip(files)


_FONT = re.compile(rb"@font-face\s*\{[^}]*\}")


def _with_fonts(css: bytes, theme: Theme) -> bytes:
    """The style sheet with only those of its fonts that the theme uses; they are most of it."""
    wanted = [f"{family} Variable".encode() for family in {theme.fonts.text, theme.fonts.heading}]
    return _FONT.sub(
        lambda font: font[0] if any(name in font[0] for name in wanted) else b"", css
    )


def _as_shown(file: MediaFile, data: bytes, theme: Theme) -> bytes:
    return recoloured(data, theme.colours) if file.recoloured else data


def page(course: Course, tracking: str, player: str = "player", app: str = "") -> str:
    """Return the page that starts ``program.js`` beside it in the player.

    `tracking` says who is told, `player` where the player's files are, and `app` the origin of
    the workbench that watches a rehearsal.
    """
    return _TEMPLATES.get_template("page.html").render(
        language=course.language, title=course.title, tracking=tracking, player=player, app=app)


def program_script(program: str) -> bytes:
    """Return a program in JSON as a script, so that it also loads from a folder without a server.
    """
    # U+2028 and U+2029 end a line in older JavaScript; `<` could end the script element.
    for character in "\u2028\u2029<":
        program = program.replace(character, f"\\u{ord(character):04x}")
    return f"window.zigzagProgram={program};\n".encode()
