"""One slide: authors' blocks become elements, overlays, rules and graders."""

from dataclasses import dataclass
from typing import Any, Literal

from zigzag_core.course import (
    Area,
    Background,
    Button,
    Element,
    Group,
    Input,
    Overlay,
    Remembered,
    Slide,
    Variable,
)
from zigzag_core.course.references import named
from zigzag_core.course.rules.expression import Node
from zigzag_core.course.rules.rule_use import row_rules
from zigzag_core.course.text.spoken import all_spoken
from zigzag_core.program import (
    AUTHORS_OWN,
    Grader,
    ProgramElement,
    ProgramObjective,
    ProgramOverlay,
    ProgramRule,
    ProgramSlide,
    SeenSet,
    Span,
)

from .collecting import collected
from .dialogues.acting import kept_by_dialogues
from .dialogues.asking import asked_in_dialogues, reachable_in_dialogues
from .dialogues.objective import dialogue_objectives
from .dialogues.viewing import program_dialogues
from .feedback import feedback, final_words
from .gates import program_gate
from .numbering import remembered_of
from .patterns import Woven, woven
from .questions import as_one, grader_of, roles_of, slide_rules
from .rules import program_expression, program_rules
from .scope import Scope
from .timed_words import timed_on
from .timing import program_clock, spans
from .watching import asked_to_be_watched

Control = Literal["none", "button", "input"]


@dataclass(frozen=True)
class CompiledSlide:
    """What one slide is in the program.

    `variables` are those that its patterns keep, `media` the files that learners come to see or
    hear on it, `timed` those of them whose words something goes by, `watched` the videos and
    audio of which it asks how much was played, `remembered` by kind the ids that saved progress
    may name.
    """

    slide: ProgramSlide
    questions: tuple[Grader, ...]
    sets: tuple[SeenSet, ...]
    variables: tuple[Variable, ...]
    media: tuple[str, ...]
    timed: tuple[str, ...]
    remembered: Remembered
    objectives: tuple[ProgramObjective, ...]
    watched: tuple[str, ...]


def compiled_slide(slide: Slide, scope: Scope) -> CompiledSlide:
    """Return what `slide`, which is as its layout makes it look, comes to in `scope`."""
    said = {question.id: final_words(question, scope) for question in slide.questions} \
        if scope.says_again(slide.id) else {}
    if scope.collects(slide.id):
        slide = collected(slide)
    weave = woven(slide, scope)
    weave.variables += kept_by_dialogues(slide)
    made = _slide(slide, weave, scope)
    words = all_spoken(slide.elements)
    reachable = reachable_in_dialogues(slide)
    return CompiledSlide(
        slide=made, questions=tuple(
            _told(grader_of(slide, question, scope.say, said.get(question.id, ()), words),
                  reachable.get(question.id))
            for question in slide.questions),
        sets=tuple(weave.sets), variables=tuple(weave.variables),
        media=tuple(sorted(named(slide, "medium"))), timed=timed_on(slide),
        remembered=remembered_of(slide, made, weave.variables),
        objectives=dialogue_objectives(slide), watched=asked_to_be_watched(made),
    )


def _told(grader: Grader, changes: dict[str, Any] | None) -> Grader:
    return grader.model_copy(update=changes) if changes else grader


def _slide(slide: Slide, weave: Woven, scope: Scope) -> ProgramSlide:
    roles = {
        element: changes for question in slide.questions
        for element, changes in roles_of(question, slide).items()
    }
    # What a reply of a dialogue comes to is told by what is said then.
    told = asked_in_dialogues(slide)
    after = [] if scope.collects(slide.id) else [
        feedback(question, slide, scope) for question in slide.questions if question.id not in told]
    shown = spans(slide.timing)
    for overlay in slide.overlays:
        shown |= spans(overlay.timing)

    def made(element: Element) -> ProgramElement:
        rules = program_rules(element.rules, element.id, scope, slide)
        plain_one = _plain_element(element, program_expression(element.shown, scope), rules)
        changes = roles.get(element.id)
        if changes:
            if isinstance(element, Group):
                changes = {**changes, "draw": _bare(as_one(element, slide))}
            plain_one = plain_one.model_copy(update={
                **changes, "rules": (*changes.get("rules", ()), *plain_one.rules),
                "visible": _both(plain_one.visible, changes.get("visible", True)),
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
        (s for s in scope.sections
         if s.rules and s.before and s.before in scope.order
         and slide.id in scope.section_of(s.before)), None,
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
        dialogues=program_dialogues(slide),
    )


def _overlay(
    overlay: Overlay, elements: tuple[ProgramElement, ...], slide: Slide, scope: Scope
) -> ProgramOverlay:
    return ProgramOverlay.made(
        id=overlay.id, title=overlay.name, panel=False, blocks=overlay.blocks, dims=overlay.dims,
        pauses=overlay.pauses, closes_others=overlay.closes_others, on_escape=overlay.on_escape,
        on_outside=overlay.on_outside, resets=overlay.again == "reset",
        opens=program_expression(overlay.shown, scope),
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
    if "visible" in changes and element.visible is not False:
        # What a pattern reveals is hidden at first by itself.
        changes["visible"] = _both(element.visible, changes["visible"])
    return element.model_copy(update=changes) if changes else element


def _both(one: Node, other: Node) -> Node:
    """The condition that both hold."""
    if one is True or other is True:
        return other if one is True else one
    return ["and", one, other]


def _plain_element(
    element: Element, visible: Node = True, rules: tuple[ProgramRule, ...] = ()
) -> ProgramElement:
    """An element with its authors' rules; one that can be clicked is a button to everyone."""
    control: Control = "none"
    if isinstance(element, Input):
        control = "input"
    elif isinstance(element, Button | Area) or any(
        rule.on in ("clicked", "double_clicked") for rule in rules
    ):
        control = "button"
    return ProgramElement.made(
        draw=_bare(element), control=control, visible=visible, rules=rules)


def _bare(element: Element) -> Element:
    """The element without what only its author needs."""
    return element.model_copy(update=AUTHORS_OWN)
