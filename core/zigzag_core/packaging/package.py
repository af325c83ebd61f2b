"""Packages: a program, the player, fonts and media as one archive."""

import json
from collections.abc import Iterable, Mapping, Sequence
from functools import lru_cache, partial
from typing import BinaryIO, Literal, get_args

from jinja2 import Environment, PackageLoader

from zigzag_core.course import Course, MediaFile
from zigzag_core.course.posts import Post
from zigzag_core.course.sections import themes_of
from zigzag_core.course.style.theme import Colours
from zigzag_core.media.recolour import colour_mark, recoloured
from zigzag_core.tracking import words
from zigzag_core.words import direction, say_in

from . import structure5
from .archive import OpenMedia, media_path
from .fonts import Cut, cut_font, fonts_of
from .incremental import CompiledCourse
from .manifest12 import manifest12
from .manifest2004 import manifest2004
from .parts import deflated, in_parts
from .write_zip import Content, write_zip

PackageKind = Literal["scorm12", "scorm2004", "scorm2004_3", "cmi5", "web"]
"""How a package is tracked: SCORM 1.2, SCORM 2004 in its 4th or 3rd edition, cmi5, not at all."""
KINDS: tuple[PackageKind, ...] = get_args(PackageKind)
_TRACKING: Mapping[PackageKind, str] = {
    "scorm12": "scorm12", "scorm2004": "scorm2004", "scorm2004_3": "scorm2004",
    "cmi5": "cmi5", "web": "web"}
"""Which of the players a package has: `web/player/starts/`."""

_SCRIPTS = ("player/boot.js", "program.js", "player/player.z.js")
_POST = "post.js"
"""The part of the player that only courses with reports need."""
_TEMPLATES = Environment(loader=PackageLoader(__package__, ""), autoescape=True)


Receivers = Mapping[str, tuple[str, str]]
"""By quiz, the address of the receiver of its reports, and the key (hex) that signs them."""


def posts_of(course: Course) -> dict[str, Post]:
    """Return the posts of a course's quizzes, by the id of their section."""
    return {section.id: section.quiz.post for section in course.sections
            if section.quiz and section.quiz.post}


def place_in_package(file: MediaFile, colours: Colours | None = None) -> str:
    """Return where a media file is in a package, as a relative URL.

    A drawing has a place of its own for other `colours` than those of the course.
    """
    return media_path(file.sha256, file.type, colour_mark(colours) if colours else "")


def build_package(
    kind: PackageKind, compiled: CompiledCourse, player: Mapping[str, bytes], media: OpenMedia,
    into: BinaryIO, cut: Cut = cut_font, receivers: Receivers | None = None,
) -> None:
    """Write the package of a course as a ZIP, with its `media` one by one.

    The course was `compiled` with its media at `place_in_package`. `player` holds the built
    player by file name; `cut` cuts fonts to what is used. Reports of quizzes go to the `receivers`.
    """
    course = compiled.course
    files: dict[str, Content] = {
        "index.html": page(course, _SCRIPTS, receivers=receivers).encode(),
        words.FILE: compiled.words.model_dump_json(indent=1).encode(),
    }
    parts = in_parts(compiled)
    for number, part in enumerate(parts, 1):
        name = "program.js" if number == 1 else f"program-{number}.js"
        files[name] = f'zigzagPart({number},{len(parts)},"{deflated(part)}");\n'.encode()
    css, fonts = fonts_of(player.get("player.css", b""), themes_of(course), parts, cut)
    script = player.get(f"player-{_TRACKING[kind]}.js", b"")
    files |= {f"player/{name}": data for name, data in sorted({**player, **fonts}.items())
              if not name.startswith("player-") and (name != _POST or posts_of(course))}
    files |= {"player/player.css": css, "player/player.js": script,
              "player/player.z.js": _deflated_player(css, script)}
    files |= {
        place_in_package(file): _as_shown(file, media, course.theme.colours)
        for file in compiled.used.files
    }
    files |= {
        place_in_package(file, colours): _as_shown(file, media, colours)
        for colours, drawings in compiled.used.drawings.values() for file in drawings
    }
    write_zip({**_manifest(kind, course, files), **files}, into)


def _manifest(kind: PackageKind, course: Course, paths: Iterable[str]) -> dict[str, bytes]:
    """The file by which an LMS knows a package, by its path; none for the web."""
    match kind:
        case "scorm12":
            return {"imsmanifest.xml": manifest12(course, paths)}
        case "scorm2004":
            return {"imsmanifest.xml": manifest2004(course, paths, 4)}
        case "scorm2004_3":
            return {"imsmanifest.xml": manifest2004(course, paths, 3)}
        case "cmi5":
            return {structure5.FILE: structure5.structure5(course)}
    return {}


@lru_cache(maxsize=8)
def _deflated_player(css: bytes, script: bytes) -> bytes:
    """The player for `web/player/boot.ts`; the plain files are there where that may not run it."""
    # In the page itself, paths begin at the page.
    here = css.decode().replace('url("fonts/', 'url("player/fonts/')
    text = json.dumps({"css": here, "js": script.decode()}, ensure_ascii=False)
    return f'zigzagPlayer("{deflated(text)}");\n'.encode()


def _as_shown(file: MediaFile, media: OpenMedia, colours: Colours) -> Content:
    if not file.recoloured:
        return partial(media, file)
    with media(file) as drawing:
        return recoloured(drawing.read(), colours)


def page(
    course: Course, scripts: Sequence[str], styles: Sequence[str] = (),
    app: str = "", receivers: Receivers | None = None,
) -> str:
    """Return the page that starts the player: with the `scripts` and `styles` at these addresses.

    `app` is the origin of the workbench that watches a rehearsal. `receivers` take the reports of
    quizzes.
    """
    say = say_in(course.language, course.words)
    return _TEMPLATES.get_template("page.html").render(
        language=course.language, direction=direction(course.language),
        loading=say("loading_course"), needs_script=say("needs_script"),
        title=course.title, scripts=scripts, styles=styles, app=app,
        post=json.dumps(dict(receivers)) if receivers else "")


def program_script(program: str) -> bytes:
    """Return a program in JSON as a script, for the page of a rehearsal."""
    # U+2028 and U+2029 end a line in older JavaScript; `<` could end the script element.
    for character in "\u2028\u2029<":
        program = program.replace(character, f"\\u{ord(character):04x}")
    return f"window.zigzagProgram={program};\n".encode()
