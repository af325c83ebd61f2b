"""Which slides belong to which section."""

from collections.abc import Sequence

from .document import Course, Section
from .quizzes import Quiz
from .style.theme import Theme


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


def themes_of(course: Course) -> list[Theme]:
    """Return the theme of `course`, and those that quizzes of it have for themselves."""
    own = (section.quiz.theme for section in course.sections if section.quiz)
    return [course.theme, *(theme for theme in own if theme is not None)]


def theme_on(course: Course, slide: str) -> Theme:
    """Return the theme of `slide`: that of the quiz that it is in, else the course's."""
    return next((quiz.theme for _, quiz, own in quizzes_of(course.slides, course.sections)
                 if quiz.theme is not None and slide in own), course.theme)
