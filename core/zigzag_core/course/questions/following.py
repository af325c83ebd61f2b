"""Questions that follow the defaults of their quiz.

The twin of this file is `web/workbench/store/defaults.ts`; a test holds the two together.
"""

from collections.abc import Iterable, Sequence
from typing import Any

from ..document import CourseDocument, Section, Slide
from ..elements.element import Button, Element
from ..sections import quizzes_of
from ..text.rich_text import plain
from .feedback import Shown
from .question import Question
from .settings import DESIGN, FIELDS, LABELS, WORDS, QuestionDefaults, Setting


def defaults_by_slide(
    order: Sequence[str], sections: Sequence[Section]
) -> dict[str, QuestionDefaults]:
    """Return, by slide, the defaults of the quiz that it is in; nothing for all other slides."""
    return {slide: quiz.defaults for _, quiz, own in quizzes_of(order, sections)
            if quiz.defaults is not None for slide in own}


def following_defaults(document: CourseDocument) -> CourseDocument:
    """Return `document` with what its questions come to: each with the defaults it follows."""
    found = defaults_by_slide(document.course.slides, document.course.sections)
    if not found:
        return document
    return document.model_copy(update={"slides": tuple(
        with_defaults(slide, found.get(slide.id)) for slide in document.slides)})


def with_defaults(slide: Slide, defaults: QuestionDefaults | None) -> Slide:
    """Return `slide` with the defaults that its questions follow, and the words on their buttons.
    """
    if defaults is None or not any(question.follows for question in slide.questions):
        return slide
    return with_labels(slide, defaults).model_copy(update={
        "questions": tuple(_followed(question, defaults) for question in slide.questions)})


def with_labels(slide: Slide, defaults: QuestionDefaults | None) -> Slide:
    """Return `slide` with the words that its buttons follow; itself where it has them already."""
    labels = labels_followed(slide, defaults)
    elements = tuple(_labelled(element, labels) for element in slide.elements)
    return slide if elements == slide.elements else slide.model_copy(update={"elements": elements})


def labels_followed(slide: Slide, defaults: QuestionDefaults | None) -> dict[str, str]:
    """Return, by button of `slide`, the words on it that are a default."""
    return dict(_labels(slide.questions, defaults)) if defaults else {}


def _followed(question: Question, defaults: QuestionDefaults) -> Question:
    fields: dict[str, Any] = {}
    said: dict[str, Any] = {}
    for setting in question.follows:
        if setting in FIELDS:
            fields |= {name: getattr(defaults, name) for name in FIELDS[setting]
                       if name in type(question).model_fields}
        elif setting == "shows":
            said[setting] = tuple(Shown(**dict(shown)) for shown in defaults.shows)
        elif setting in DESIGN or follows_words(question, defaults, setting):
            said[setting] = getattr(defaults, setting)
    if "loss" in question.follows:
        fields["attempt_points"] = ()
    if said:
        fields["feedback"] = question.feedback.model_copy(update=said)
    return question.model_copy(update=fields)


def follows_words(question: Question, defaults: QuestionDefaults, setting: Setting) -> bool:
    """Return whether `question` says the words of `defaults` after an outcome, not its own."""
    return setting in WORDS and setting in question.follows and bool(
        plain(getattr(defaults, setting)))


def _labels(
    questions: Iterable[Question], defaults: QuestionDefaults
) -> Iterable[tuple[str, str]]:
    """The buttons whose words are a default, with these words."""
    for question in questions:
        for setting, role in LABELS.items():
            button, label = getattr(question, role), getattr(defaults, setting)
            if setting in question.follows and button and label:
                yield button, label


def _labelled(element: Element, labels: dict[str, str]) -> Element:
    if isinstance(element, Button) and element.id in labels:
        return element.model_copy(update={"label": labels[element.id]})
    return element
