"""Which slides belong to which section."""

from collections.abc import Sequence

from .document import Section
from .quizzes import Quiz


def slides_by_section(
    order: Sequence[str], sections: Sequence[Section]
) -> list[tuple[Section | None, tuple[str, ...]]]:
    """Return the sections in the order of the course, each with its slides.

    What comes before the first belongs to none. Of several sections that begin at one place the
    last has the slides.
    """
    places = {slide: place for place, slide in enumerate(order)}
    found: list[tuple[Section | None, int]] = [(None, 0), *sorted(
        ((one, places.get(one.before or "", len(order))) for one in sections),
        key=lambda begins: begins[1])]
    ends = [begin for _, begin in found[1:]] + [len(order)]
    return [(section, tuple(order[begin:end]))
            for (section, begin), end in zip(found, ends, strict=True)]


def quizzes_of(
    order: Sequence[str], sections: Sequence[Section]
) -> list[tuple[Section, Quiz, tuple[str, ...]]]:
    """Return the sections that are quizzes, in the order of the course, each with its slides."""
    return [
        (section, section.quiz, own) for section, own in slides_by_section(order, sections)
        if section is not None and section.quiz is not None]


def section_around(
    order: Sequence[str], sections: Sequence[Section], slide: str
) -> tuple[str, ...]:
    """Return the slides of the section that `slide` is in, in order."""
    return next((slides for _, slides in slides_by_section(order, sections) if slide in slides), ())
