"""Which background sound is heard on which slides."""

from zigzag_core.course import Course
from zigzag_core.course.sections import slides_by_section
from zigzag_core.course.sounds import BackgroundSound
from zigzag_core.program import ProgramSound


def program_sounds(course: Course) -> tuple[ProgramSound, ...]:
    """Return the background sounds of `course`, each with the slides that it plays on, in order."""
    found: dict[BackgroundSound, list[str]] = {}
    for section, slides in slides_by_section(course.slides, course.sections):
        sound = course.sound
        if section is not None:
            sound = None if section.silent else section.sound or sound
        if sound is not None:
            found.setdefault(sound, []).extend(slides)
    return tuple(
        ProgramSound(media=sound.media, volume=sound.volume, lowered=sound.lowered,
                     slides=tuple(slides))
        for sound, slides in found.items() if slides)
