"""Packages: a program, the player, fonts and media as one archive."""

import re
from collections.abc import Mapping
from typing import Literal

from jinja2 import Environment, PackageLoader

from zigzag_core.compiler.compile import compile_course
from zigzag_core.course import CourseDocument, MediaFile, Theme
from zigzag_core.course.reporting import Progress, portion, untold
from zigzag_core.media.recolour import recoloured
from zigzag_core.program import Program
from zigzag_core.tracking import words

from .about import words_of
from .archive import media_path
from .manifest12 import manifest12
from .write_zip import write_zip

PackageKind = Literal["scorm12", "web"]
KINDS: tuple[PackageKind, ...] = ("scorm12", "web")

_TEMPLATES = Environment(loader=PackageLoader(__package__, ""), autoescape=True)


def build_package(
    kind: PackageKind,
    document: CourseDocument,
    player: Mapping[str, bytes],
    media: Mapping[str, bytes],
    progress: Progress = untold,
) -> tuple[bytes, Program]:
    """Return the package of `document` as a ZIP, and the program in it.

    `player` holds the built player by file name, `media` the bytes of the course's files by
    SHA-256. `progress` is told how much is done. Raises `NothingToPublish` for a course without
    slides, `KeyError` for lost media.
    """
    program = compile_course(
        document, lambda file: media_path(file.sha256, file.type), portion(progress, 0, 0.6))
    used = {file.src for file in program.media.values()}
    files: dict[str, bytes] = {
        "index.html": page(program, kind).encode(),
        "program.js": program_script(program),
        words.FILE: words_of(document, program).model_dump_json(indent=1).encode(),
    }
    files |= {
        f"player/{name}": _with_fonts(data, program.theme) if name.endswith(".css") else data
        for name, data in sorted(player.items())
    }
    files |= {
        media_path(file.sha256, file.type): _as_shown(file, media[file.sha256], document)
        for file in document.course.media
        if media_path(file.sha256, file.type) in used
    }
    if kind == "scorm12":
        files = {"imsmanifest.xml": manifest12(program, files), **files}
    return write_zip(files), program


_FONT = re.compile(rb"@font-face\s*\{[^}]*\}")


def _with_fonts(css: bytes, theme: Theme) -> bytes:
    """The style sheet with only those of its fonts that the theme uses; they are most of it."""
    wanted = [f"{family} Variable".encode() for family in {theme.fonts.text, theme.fonts.heading}]
    return _FONT.sub(
        lambda font: font[0] if any(name in font[0] for name in wanted) else b"", css
    )


def _as_shown(file: MediaFile, data: bytes, document: CourseDocument) -> bytes:
    return recoloured(data, document.course.theme.colours) if file.recoloured else data


def page(program: Program, tracking: str, player: str = "player", app: str = "") -> str:
    """Return the page that starts ``program.js`` beside it in the player.

    `tracking` says who is told, `player` where the player's files are, and `app` the origin of
    the workbench that watches a rehearsal.
    """
    return _TEMPLATES.get_template("page.html").render(
        language=program.language, title=program.title, tracking=tracking, player=player, app=app)


def program_json(program: Program) -> str:
    """Return the program as JSON without what is as by default.

    Those who read it fill that in: the player and the workbench in ``web/player/engine/filled.ts``.
    """
    return program.model_dump_json(exclude_defaults=True)


def program_script(program: Program) -> bytes:
    """Return the program as a script, so that it also loads from a folder without a server."""
    text = program_json(program)
    # U+2028 and U+2029 end a line in older JavaScript; `<` could end the script element.
    for character in "\u2028\u2029<":
        text = text.replace(character, f"\\u{ord(character):04x}")
    return f"window.zigzagProgram={text};\n".encode()
