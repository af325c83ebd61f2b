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
    Input,
    MediaFile,
    Overlay,
    RichText,
    Shape,
    Slide,
    Style,
    Text,
    plain,
)
from zigzag_core.course.media_use import media_used, sounds_used
from zigzag_core.course.questions import Question
from zigzag_core.course.resolve import resolved_slides
from zigzag_core.program import (
    COURSE,
    Choose,
    CloseOverlay,
    Grader,
    OpenOverlay,
    Program,
    ProgramElement,
    ProgramMedia,
    ProgramOverlay,
    ProgramRule,
    ProgramSlide,
    Span,
    Submit,
)

from .gates import program_gate
from .patterns import Woven, woven
from .remember import remembered
from .rules import Scope, program_rules, scope_of, section_of
from .timing import program_clock, spans

Control = Literal["none", "button", "choice", "input", "check", "wiper"]

Maker = Callable[[Element, tuple[ProgramRule, ...]], ProgramElement]

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
    course = document.course
    slides = resolved_slides(document.slides, course)
    scope = scope_of(document, slides)
    weaves = [woven(slide, scope) for slide in slides]
    variables = (*course.variables, *(v for weave in weaves for v in weave.variables))
    made = tuple(
        _slide(slide, weave, scope) for slide, weave in zip(slides, weaves, strict=True)
    )
    course = remembered(document, variables, made)
    used = media_used(slides) | sounds_used(document)
    return Program(
        course=course.id, title=course.title, language=course.language, size=course.size,
        theme=course.theme, slides=made, variables=variables,
        questions=tuple(
            _grader(slide, question) for slide in slides for question in slide.questions
        ),
        sets=tuple(seen for weave in weaves for seen in weave.sets),
        rules=_course_rules(scope), navigation=course.navigation,
        media={
            file.id: ProgramMedia(
                src=source(file), type=file.type, w=file.w, h=file.h, duration=file.duration,
                captions=file.captions,
            )
            for file in course.media if file.id in used
        },
        completion=course.completion, pass_mark=course.pass_mark, remembered=course.remembered,
    )


def _course_rules(scope: Scope) -> tuple[ProgramRule, ...]:
    """The course's own rules; a section's are added to its slides."""
    return program_rules(scope.course.rules, COURSE, scope, None)


def _slide(slide: Slide, weave: Woven, scope: Scope) -> ProgramSlide:
    roles = _roles(slide.questions)
    feedback = [panel for question in slide.questions for panel in _feedback(question)]
    shown = spans(slide.timing)
    for overlay in slide.overlays:
        shown |= spans(overlay.timing)

    def made(element: Element) -> ProgramElement:
        rules = program_rules(element.rules, element.id, scope, slide)
        return _woven_in(
            roles.get(element.id, _plain_element)(element, rules), weave,
            tuple(shown.get(element.id, ())),
        )

    by_overlay: dict[str | None, list[ProgramElement]] = {}
    for element in slide.elements:
        by_overlay.setdefault(element.overlay, []).append(made(element))
    elements = tuple(by_overlay.get(None, ()))
    overlays = tuple(
        _overlay(overlay, tuple(by_overlay.get(overlay.id, ())), slide, scope)
        for overlay in slide.overlays
    )
    section = next(
        (s for s in scope.course.sections
         if s.rules and slide.id in _slides_of(s.before, scope)), None,
    )
    own = program_rules(slide.rules, slide.id, scope, slide)
    if section:
        # On each of its slides it is a rule of its own.
        ids = [r.model_copy(update={"id": f"{r.id}_{slide.id}"}) for r in section.rules]
        own += program_rules(ids, slide.id, scope, slide)
    return ProgramSlide(
        id=slide.id, title=slide.title, onward=slide.onward, forks=tuple(weave.forks),
        transcript=slide.transcript, background=slide.background or Background(),
        elements=elements, overlays=(*overlays, *(overlay for overlay, _ in feedback)),
        clock=program_clock(slide.timing), gate=program_gate(slide, elements, overlays, scope),
        navigation=slide.navigation, rules=(*(rule for _, rule in feedback), *own),
    )


def _slides_of(before: str | None, scope: Scope) -> tuple[str, ...]:
    return section_of(scope.document, before) if before in scope.course.slides else ()


def _overlay(
    overlay: Overlay, elements: tuple[ProgramElement, ...], slide: Slide, scope: Scope
) -> ProgramOverlay:
    return ProgramOverlay(
        id=overlay.id, title=overlay.name, panel=False, blocks=overlay.blocks, dims=overlay.dims,
        pauses=overlay.pauses, closes_others=overlay.closes_others, on_escape=overlay.on_escape,
        on_outside=overlay.on_outside, resets=overlay.again == "reset",
        clock=program_clock(overlay.timing), elements=elements,
        rules=program_rules(overlay.rules, overlay.id, scope, slide),
    )


def _woven_in(
    element: ProgramElement, weave: Woven, shown: tuple[Span, ...]
) -> ProgramElement:
    """The element with what the slide's patterns and cues make of it."""
    changes = dict(weave.changes.get(element.draw.id, {}))
    if changes.pop("flips", False):
        changes["draw"] = element.draw.model_copy(update={"enters": "flip"})
    if element.control in ("choice", "input"):
        changes.pop("control", None)
    rules = weave.rules.get(element.draw.id)
    if rules:
        changes["rules"] = (*rules, *element.rules)
    if shown:
        changes["spans"] = shown
    return element.model_copy(update=changes) if changes else element


def _plain_element(element: Element, rules: tuple[ProgramRule, ...] = ()) -> ProgramElement:
    """An element with its authors' rules; one that can be clicked is a button to everyone."""
    control: Control = "none"
    if isinstance(element, Input):
        control = "input"
    elif isinstance(element, Button | Area) or any(
        rule.on in ("clicked", "double_clicked") for rule in rules
    ):
        control = "button"
    return ProgramElement(draw=_bare(element), control=control, rules=rules)


_AUTHORS_OWN = {
    "rules": (), "own": (), "named_style": None, "slot": None, "locked": False,
    "hidden_while_editing": False, "overlay": None,
}


def _bare(element: Element) -> Element:
    """The element without what only its author needs."""
    return element.model_copy(update=_AUTHORS_OWN)


def _roles(questions: Sequence[Question]) -> dict[str, Maker]:
    """Return, by element id, how the parts of questions become elements of the program."""
    roles: dict[str, Maker] = {}
    for question in questions:
        for choice in question.choices:
            roles[choice.element] = _choice_maker(question.id, choice.id)
        if question.submit:
            roles[question.submit] = _submit_maker(question.id)
    return roles


def _choice_maker(question: str, choice: str) -> Maker:
    def make(element: Element, rules: tuple[ProgramRule, ...]) -> ProgramElement:
        rule = ProgramRule(
            id=f"{choice}_choose", on="clicked", target=element.id, block=True,
            then=(Choose(question=question, choice=choice),),
        )
        base = _plain_element(element, rules)
        return base.model_copy(update={
            "control": "choice", "question": question, "choice": choice,
            "enabled": ["not", ["locked", question]], "rules": (rule, *base.rules),
        })

    return make


def _submit_maker(question: str) -> Maker:
    def make(element: Element, rules: tuple[ProgramRule, ...]) -> ProgramElement:
        rule = ProgramRule(
            id=f"{question}_submit", on="clicked", target=element.id, block=True,
            then=(Submit(question=question),),
        )
        base = _plain_element(element, rules)
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


def _feedback(question: Question) -> list[tuple[ProgramOverlay, ProgramRule]]:
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


def _panel(name: str, title: str, button: str, tone: str, words: RichText) -> ProgramOverlay:
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
    return ProgramOverlay(id=name, title=title, tone=tone, elements=tuple(elements))
