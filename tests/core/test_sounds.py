"""Background sounds: which is heard on which slides."""

from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import MediaFile
from zigzag_core.course.document import Section
from zigzag_core.course.media_use import usage
from zigzag_core.course.sounds import BackgroundSound

from .making import course, slide

_FILES = tuple(MediaFile(id=name, name=name, type="audio/mpeg", sha256=name[-1] * 64, size=9)
               for name in ("sounda", "soundb", "soundc"))


def _heard(document):
    program = compile_course(document, by_digest)
    return {sound.media: sound.slides for sound in program.sounds}, set(program.media)


def _course(*sections, sound="sounda"):
    return course(*(slide(f"slide{n}") for n in range(4)), media=_FILES, sections=sections,
                  sound=sound and BackgroundSound(media=sound))


def test_sections_have_a_sound_of_their_own_or_none():
    document = _course(
        Section(id="secta", title="A", before="slide1", sound=BackgroundSound(media="soundb")),
        Section(id="sectb", title="B", before="slide2", silent=True),
        Section(id="sectc", title="C", before="slide3"))
    heard, packed = _heard(document)
    assert heard == {"sounda": ("slide0", "slide3"), "soundb": ("slide1",)}
    assert packed == {"sounda", "soundb"}
    assert usage(document)["soundb"] == (document.course.id,)


def test_a_course_without_one_is_quiet():
    assert _heard(_course(sound=None)) == ({}, set())


def test_a_sound_that_no_slide_plays_does_not_travel():
    heard, packed = _heard(_course(
        Section(id="secta", title="A", before="slide0", silent=True)))
    assert heard == {}
    assert packed == set()
