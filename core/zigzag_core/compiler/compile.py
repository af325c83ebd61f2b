"""From document to program: authors' blocks become elements, overlays, rules and graders."""

from collections.abc import Callable, Iterable
from typing import Any, Literal

from zigzag_core.course import (
    Area,
    Background,
    Button,
    Course,
    CourseDocument,
    Element,
    Group,
    Input,
    MediaFile,
    Overlay,
    Slide,
)
from zigzag_core.course.layouts.resolve import resolved_slides
from zigzag_core.course.media_use import media_of_settings
from zigzag_core.course.questions.feedback import FeedbackDesign
from zigzag_core.course.references import named
from zigzag_core.course.reporting import Progress, telling, untold
from zigzag_core.course.rules.rule_use import row_rules
from zigzag_core.errors import NothingToPublish
from zigzag_core.program import (
    AUTHORS_OWN,
    COURSE,
    Program,
    ProgramElement,
    ProgramMedia,
    ProgramOverlay,
    ProgramRule,
    ProgramSlide,
    Span,
)

from .feedback import feedback
from .gates import program_gate
from .numbering import remembered
from .patterns import Woven, woven
from .questions import as_one, grader_of, roles_of, slide_rules
from .rules import Scope, program_rules, scope_of, section_of
from .timing import program_clock, spans

Control = Literal["none", "button", "input"]

MediaSource = Callable[[MediaFile], str]
"""Says under which URL a media file is found by the player."""


def compile_course(
    document: CourseDocument, source: MediaSource, progress: Progress = untold
) -> Program:
    """Return the program of `document`; ids stay those of the document, so progress carries over.

    `progress` is told how much is done. Raises `NothingToPublish` for a course without slides.
    """
    if not document.slides:
        raise NothingToPublish
    course = document.course
    slides = resolved_slides(document.slides, course)
    scope = scope_of(document, slides)
    weaves = [woven(slide, scope) for slide in slides]
    variables = (*course.variables, *(v for weave in weaves for v in weave.variables))
    made = tuple(
        _slide(slide, weave, scope)
        for slide, weave in telling(tuple(zip(slides, weaves, strict=True)), progress)
    )
    course = remembered(document, variables, made)
    used = _media_used(course, slides)
    return Program(
        course=course.id, title=course.title, language=course.language, size=course.size,
        theme=course.theme, slides=made, variables=variables,
        questions=tuple(
            grader_of(slide, question) for slide in slides for question in slide.questions
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


def _media_used(course: Course, slides: Iterable[Slide]) -> set[str]:
    """The files that learners come to see or hear; feedback has some only where questions are."""
    without: dict[str, Any] = {"styles": ()}
    if not any(slide.questions for slide in slides):
        without["feedback"] = FeedbackDesign()
    found = media_of_settings(course.model_copy(update=without))
    return found.union(*(named(slide, "medium") for slide in slides))


def _course_rules(scope: Scope) -> tuple[ProgramRule, ...]:
    """The course's own rules; a section's are added to its slides."""
    return program_rules(scope.course.rules, COURSE, scope, None)


def _slide(slide: Slide, weave: Woven, scope: Scope) -> ProgramSlide:
    roles = {
        element: changes for question in slide.questions
        for element, changes in roles_of(question).items()
    }
    after = [
        feedback(question, slide, scope.course, scope.title_of)
        for question in slide.questions
    ]
    shown = spans(slide.timing)
    for overlay in slide.overlays:
        shown |= spans(overlay.timing)

    def made(element: Element) -> ProgramElement:
        rules = program_rules(element.rules, element.id, scope, slide)
        plain_one = _plain_element(element, rules)
        changes = roles.get(element.id)
        if changes:
            if isinstance(element, Group):
                changes = {**changes, "draw": _bare(as_one(element, slide))}
            plain_one = plain_one.model_copy(update={
                **changes, "rules": (*changes.get("rules", ()), *plain_one.rules),
            })
        return _woven_in(plain_one, weave, tuple(shown.get(element.id, ())))

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
    own = (*(rule for question in slide.questions for rule in (
        *slide_rules(question, slide),
        *program_rules(row_rules(question), slide.id, scope, slide))), *own)
    if section:
        # On each of its slides it is a rule of its own.
        ids = [r.model_copy(update={"id": f"{r.id}_{slide.id}"}) for r in section.rules]
        own += program_rules(ids, slide.id, scope, slide)
    return ProgramSlide.made(
        id=slide.id, title=slide.title, onward=slide.onward, forks=tuple(weave.forks),
        transcript=slide.transcript, background=slide.background or Background(),
        elements=elements,
        overlays=(*overlays, *(panel for panels, _ in after for panel in panels)),
        clock=program_clock(slide.timing), gate=program_gate(slide, elements, overlays, scope),
        navigation=slide.navigation, rules=(*(rule for _, rules in after for rule in rules), *own),
    )


def _slides_of(before: str | None, scope: Scope) -> tuple[str, ...]:
    return section_of(scope.document, before) if before in scope.course.slides else ()


def _overlay(
    overlay: Overlay, elements: tuple[ProgramElement, ...], slide: Slide, scope: Scope
) -> ProgramOverlay:
    return ProgramOverlay.made(
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
    if element.control not in ("none", "button"):
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
    return ProgramElement.made(draw=_bare(element), control=control, rules=rules)


def _bare(element: Element) -> Element:
    """The element without what only its author needs."""
    return element.model_copy(update=AUTHORS_OWN)
