"""From document to program: authors' blocks become elements, overlays, rules and graders."""

import re
from collections.abc import Callable, Sequence

from zigzag_core.course import (
    Button,
    CourseDocument,
    Element,
    GoTo,
    MediaFile,
    Picture,
    RichText,
    Slide,
    Style,
    Text,
    plain,
    rich,
)
from zigzag_core.course.questions import Question
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
    used = _used_media(document)
    return Program(
        course=course.id, title=course.title, language=course.language, size=course.size,
        slides=tuple(_slide(slide) for slide in document.slides),
        variables=course.variables,
        questions=tuple(
            _grader(slide, question) for slide in document.slides for question in slide.questions
        ),
        media={
            file.id: ProgramMedia(src=source(file), w=file.w, h=file.h)
            for file in course.media if file.id in used
        },
        completion=course.completion, pass_mark=course.pass_mark, remembered=course.remembered,
    )


def _used_media(document: CourseDocument) -> set[str]:
    used = set()
    for slide in document.slides:
        used.add(slide.background.picture)
        used.update(e.media for e in slide.elements if isinstance(e, Picture))
    return {media for media in used if media is not None}


def _slide(slide: Slide) -> ProgramSlide:
    roles = _roles(slide.questions)
    return ProgramSlide(
        id=slide.id, title=slide.title, background=slide.background,
        elements=tuple(roles.get(e.id, _plain_element)(e) for e in slide.elements),
        overlays=tuple(o for q in slide.questions for o in _feedback(q)),
        rules=tuple(r for q in slide.questions for r in _feedback_rules(q)),
    )


def _plain_element(element: Element) -> ProgramElement:
    """An element with its authors' rules; one that can be clicked is a button to everyone."""
    rules = tuple(
        ProgramRule(id=rule.id, on="clicked", target=element.id, then=_actions(rule.do))
        for rule in element.rules
    )
    control = "button" if rules or isinstance(element, Button) else "none"
    return ProgramElement(draw=_bare(element), control=control, rules=rules)


def _actions(actions: Sequence[GoTo]) -> tuple[Action, ...]:
    return tuple(Go(to=a.go.to, slide=getattr(a.go, "slide", None)) for a in actions)


def _bare(element: Element) -> Element:
    return element.model_copy(update={"rules": ()})


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
    if isinstance(element, Button):
        return element.label or element.name
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


def _feedback(question: Question) -> list[Overlay]:
    """The overlays that open after each outcome; none for a survey, which has no right answer."""
    if question.purpose == "survey":
        return []
    return [
        _feedback_overlay(
            f"{question.id}_{outcome}", title, button, tone, getattr(question.feedback, outcome)
        )
        for outcome, _, tone, title, button in _OUTCOMES
        if outcome != "wrong" or question.attempts != 1
    ]


def _feedback_overlay(name: str, title: str, button: str, tone: str, words: RichText) -> Overlay:
    part = name.replace("_", "")
    elements = [
        ProgramElement(draw=_flow_text(f"{part}t", title, rich(title), heading=True)),
    ]
    if plain(words):
        elements.append(ProgramElement(draw=_flow_text(f"{part}b", "Feedback", words)))
    close = Button(
        id=f"{part}c", name=button, label=button, w=200, h=56,
        style=Style(fill="#1e5b4b", text_colour="#ffffff", size=24, bold=True, radius=8,
                    align="center", valign="middle"),
    )
    rule = ProgramRule(
        id=f"{name}_close", on="clicked", target=close.id, block=True,
        then=(CloseOverlay(overlay=name),),
    )
    elements.append(ProgramElement(draw=close, control="button", rules=(rule,)))
    return Overlay(id=name, title=title, tone=tone, elements=tuple(elements))


def _flow_text(name: str, title: str, words: RichText, heading: bool = False) -> Text:
    style = Style(font="heading", size=30, bold=True) if heading else Style(size=24)
    return Text(
        id=name, name=title, text=words, level="heading" if heading else "body",
        style=style,
    )


def _feedback_rules(question: Question) -> list[ProgramRule]:
    overlays = {overlay.id for overlay in _feedback(question)}
    return [
        ProgramRule(
            id=f"{question.id}_{outcome}_open", on=event, target=question.id, block=True,
            then=(OpenOverlay(overlay=f"{question.id}_{outcome}"),),
        )
        for outcome, event, *_ in _OUTCOMES
        if f"{question.id}_{outcome}" in overlays
    ]
