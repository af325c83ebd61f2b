"""Buttons that clear an answer, for all questions of a quiz at once."""

from collections.abc import Iterable, Iterator

from zigzag_core.course import Course, IdSource, Slide
from zigzag_core.course.questions.following import defaults_by_slide, with_labels
from zigzag_core.words import Say, say_english

from ..questions.making import with_button


def with_clear_buttons(
    course: Course, slides: Iterable[Slide], fresh: IdSource, say: Say = say_english
) -> Iterator[Slide]:
    """Yield each of `slides` on which a question had no button to clear it, with one.

    The words on it are the default of their quiz, where it has one.
    """
    defaults = defaults_by_slide(course.slides, course.sections)
    for slide in slides:
        made = slide
        for question in slide.questions:
            if question.reset is None:
                made, _ = with_button(made, question.id, "reset", fresh, course.styles, say)
        if made is not slide:
            yield with_labels(made, defaults.get(slide.id))
