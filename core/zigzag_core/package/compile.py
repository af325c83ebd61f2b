"""From document to program: authors' blocks become elements, overlays, rules and graders."""

import re
from collections.abc import Callable, Sequence
from typing import Literal

from zigzag_core.course import (
    Area,
    Background,
    Button,
    CourseDocument,
    Element,
    GoTo,
    Input,
    MediaFile,
    RichText,
    Shape,
    Slide,
    Style,
    Text,
    plain,
)
from zigzag_core.course.media_use import media_used
from zigzag_core.course.questions import Question
from zigzag_core.course.resolve import resolved_slides
from zigzag_core.program import (
    Action,
    Choose,
    CloseOverlay,
    Go,
    Grader,
    OpenOverlay,
    Overlay,
    Program,
    ProgramElement,
    ProgramMedia,
    ProgramRule,
    ProgramSlide,
    Submit,
)

from .remember import remembered

Control = Literal["none", "button", "choice", "input"]

MediaSource = Callable[[MediaFile], str]
"""Says under which URL a media file is found by the player."""


class NothingToPublish(ValueError):
    """The course has no slides."""


def compile_course(document: CourseDocument, source: MediaSource) -> Program:
    """Return the program of `document`; ids stay those of the document, so progress carries over.

    Raises `NothingToPublish` for a course without slides.
    """
    if not document.slides:
        raise NothingToPublish("the course has no slides yet")
    course = remembered(document)
    slides = resolved_slides(document.slides, course)
    used = media_used(slides)
    return Program(
        course=course.id, title=course.title, language=course.language, size=course.size,
        theme=course.theme, slides=tuple(_slide(slide) for slide in slides),
        variables=course.variables,
        questions=tuple(
            _grader(slide, question) for slide in slides for question in slide.questions
        ),
        media={
            file.id: ProgramMedia(src=source(file), type=file.type, w=file.w, h=file.h)
            for file in course.media if file.id in used
        },
        completion=course.completion, pass_mark=course.pass_mark, remembered=course.remembered,
    )


def _slide(slide: Slide) -> ProgramSlide:
    roles = _roles(slide.questions)
    feedback = [panel for question in slide.questions for panel in _feedback(question)]
    return ProgramSlide(
        id=slide.id, title=slide.title, onward=slide.onward, transcript=slide.transcript,
        background=slide.background or Background(),
        elements=tuple(roles.get(e.id, _plain_element)(e) for e in slide.elements),
        overlays=tuple(overlay for overlay, _ in feedback),
        rules=tuple(rule for _, rule in feedback),
    )


def _plain_element(element: Element) -> ProgramElement:
    """An element with its authors' rules; one that can be clicked is a button to everyone."""
    rules = tuple(
        ProgramRule(id=rule.id, on="clicked", target=element.id, then=_actions(rule.do))
        for rule in element.rules
    )
    control: Control = "none"
    if isinstance(element, Input):
        control = "input"
    elif rules or isinstance(element, Button | Area):
        control = "button"
    return ProgramElement(draw=_bare(element), control=control, rules=rules)


def _actions(actions: Sequence[GoTo]) -> tuple[Action, ...]:
    return tuple(Go(to=a.go.to, slide=getattr(a.go, "slide", None)) for a in actions)


_AUTHORS_OWN = {
    "rules": (), "own": (), "named_style": None, "slot": None, "locked": False,
    "hidden_while_editing": False,
}


def _bare(element: Element) -> Element:
    """The element without what only its author needs."""
    return element.model_copy(update=_AUTHORS_OWN)


def _roles(questions: Sequence[Question]) -> dict[str, Callable[[Element], ProgramElement]]:
    """Return, by element id, how the parts of questions become elements of the program."""
    roles: dict[str, Callable[[Element], ProgramElement]] = {}
    for question in questions:
        for choice in question.choices:
            roles[choice.element] = _choice_maker(question.id, choice.id)
        if question.submit:
            roles[question.submit] = _submit_maker(question.id)
    return roles


def _choice_maker(question: str, choice: str) -> Callable[[Element], ProgramElement]:
    def make(element: Element) -> ProgramElement:
        rule = ProgramRule(
            id=f"{choice}_choose", on="clicked", target=element.id, block=True,
            then=(Choose(question=question, choice=choice),),
        )
        base = _plain_element(element)
        return base.model_copy(update={
            "control": "choice", "question": question, "choice": choice,
            "enabled": ["not", ["locked", question]], "rules": (rule, *base.rules),
        })

    return make


def _submit_maker(question: str) -> Callable[[Element], ProgramElement]:
    def make(element: Element) -> ProgramElement:
        rule = ProgramRule(
            id=f"{question}_submit", on="clicked", target=element.id, block=True,
            then=(Submit(question=question),),
        )
        base = _plain_element(element)
        return base.model_copy(update={
            "control": "button", "question": question,
            "enabled": ["and", ["chosen", question], ["not", ["locked", question]]],
            "rules": (rule, *base.rules),
        })

    return make


def _grader(slide: Slide, question: Question) -> Grader:
    by_id = {element.id: element for element in slide.elements}
    prompt = by_id.get(question.prompt or "")
    choices = question.choices
    return Grader(
        id=question.id, slide=slide.id, name=question.name, record=_record_name(question),
        prompt=spoken(prompt) if prompt else question.name, purpose=question.purpose,
        choices=tuple(choice.id for choice in choices),
        texts=tuple(spoken(by_id[choice.element]) for choice in choices),
        right=tuple(choice.id for choice in choices if choice.right),
        points=question.points, attempts=question.attempts, shuffle=question.shuffle,
    )


def spoken(element: Element) -> str:
    """Return what an element says: its text, its label, its text alternative, or its name."""
    if isinstance(element, Text):
        return plain(element.text) or element.name
    if isinstance(element, Button | Input):
        return element.label or element.name
    if isinstance(element, Shape):
        return element.alt or plain(element.text) or element.name
    return element.alt or element.name


def _record_name(question: Question) -> str:
    """A readable identifier in the characters that every tracking standard takes."""
    words = re.sub(r"[^a-z0-9]+", "-", question.name.lower()).strip("-")[:60]
    return f"{words}_{question.id}" if words else question.id


_OUTCOMES = (
    ("right", "answered_right", "right", "Right", "Continue"),
    ("wrong", "answered_wrong", "wrong", "Not right yet", "Try again"),
    ("last", "answered_last", "wrong", "Not right", "Continue"),
)
_WORDS_STYLE = Style(size=24)
_CLOSE_STYLE = Style(
    fill="#1e5b4b", text_colour="#ffffff", size=24, bold=True, radius=8, align="center",
    valign="middle",
)


def _feedback(question: Question) -> list[tuple[Overlay, ProgramRule]]:
    """The panel that opens after each outcome, and the rule that opens it.

    There is none for a survey, which has no right answer.
    """
    if question.purpose == "survey":
        return []
    found = []
    for outcome, event, tone, title, button in _OUTCOMES:
        if outcome == "wrong" and question.attempts == 1:
            continue
        name = f"{question.id}_{outcome}"
        words = getattr(question.feedback, outcome)
        opens = ProgramRule(
            id=f"{name}_open", on=event, target=question.id, block=True,
            then=(OpenOverlay(overlay=name),),
        )
        found.append((_panel(name, title, button, tone, words), opens))
    return found


def _panel(name: str, title: str, button: str, tone: str, words: RichText) -> Overlay:
    part = name.replace("_", "")
    body = Text(id=f"{part}b", name="Feedback", text=words, style=_WORDS_STYLE)
    close = Button(
        id=f"{part}c", name=button, label=button, w=200, h=56, style=_CLOSE_STYLE,
    )
    closes = ProgramRule(
        id=f"{name}_close", on="clicked", target=close.id, block=True,
        then=(CloseOverlay(overlay=name),),
    )
    elements = [ProgramElement(draw=body)] if plain(words) else []
    elements.append(ProgramElement(draw=close, control="button", rules=(closes,)))
    return Overlay(id=name, title=title, tone=tone, elements=tuple(elements))
