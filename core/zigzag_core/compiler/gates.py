"""From gates to conditions."""

from collections.abc import Iterable, Iterator
from typing import Any

from zigzag_core import program as p
from zigzag_core.course import Gate, Input, Slide
from zigzag_core.course.rules.expression import Node, joined
from zigzag_core.course.rules.gates import (
    AllHere,
    AllOfSet,
    ConditionHolds,
    DialogueTaken,
    MediaWatched,
    QuestionAnswered,
    TimeSpent,
    Wanted,
)

from .dialogues.asking import asked_in_dialogues, gone_through, operated_in_dialogues
from .rules import program_expression
from .scope import Scope


def program_gate(
    slide: Slide, elements: tuple[p.ProgramElement, ...], overlays: tuple[p.ProgramOverlay, ...],
    scope: Scope,
) -> p.ProgramGate | None:
    """Return the gate of `slide`: its own, else the course's where it asks for something here.

    Questions that are required are among what it asks for.
    """
    gate = slide.gate or (None if slide.ungated else scope.gate)
    required = tuple(
        QuestionAnswered(question=question.id) for question in slide.questions if question.required
    )
    fields = tuple(_fields(elements, overlays))
    if gate is None and not required and not fields:
        return None
    gate = gate or Gate(wants=())
    gate = gate.model_copy(update={"wants": (*gate.wants, *required)})
    every = [*elements, *(e for overlay in overlays if not overlay.panel for e in overlay.elements)]
    wanted = [_wanted(part, slide, every, scope) for part in gate.wants]
    conditions = [condition for condition in wanted if condition is not True]
    conditions += [field.condition for field in fields]
    if not conditions:
        return None
    return p.ProgramGate(
        condition=joined("and", conditions),
        fields=fields, watched=tuple(
            p.GateMedia(element=part.media, share=part.share) for part in gate.wants
            if isinstance(part, MediaWatched) and part.media),
        meanwhile=gate.meanwhile,
        message=gate.message or scope.say(_told(gate)), for_good=gate.for_good,
    )


def _fields(
    elements: Iterable[p.ProgramElement], overlays: Iterable[p.ProgramOverlay]
) -> Iterator[p.GateField]:
    """The inputs that have to be filled in, or filled in well, while they are in sight."""
    every = [*elements, *(e for overlay in overlays if not overlay.panel for e in overlay.elements)]
    for element in every:
        draw = element.draw
        if not isinstance(draw, Input) or element.question or not draw.variable:
            continue
        value = ["variable", draw.variable]
        filled: Node
        match draw.input:
            case "mail":
                filled = ["or", ["is_mail", value], *([] if draw.required else [["=", value, ""]])]
            case "checkbox":
                filled = value
            case _:
                filled = ["is_filled", value]
        if draw.required or draw.input == "mail":
            away = ["not", ["shown", draw.id]]
            yield p.GateField(label=draw.label or draw.name, condition=(
                filled if element.visible is True and draw.overlay is None
                else ["or", away, filled]))


def _wanted(
    part: Wanted, slide: Slide, elements: list[p.ProgramElement], scope: Scope
) -> Node:
    match part:
        case AllOfSet(set=name):
            return program_expression(["all_seen", name], scope) if name else True
        case AllHere():
            return _all_here(slide, elements, scope)
        case QuestionAnswered(wants=how, question=question):
            asked = asked_in_dialogues(slide)
            names = [question] if question else [q.id for q in slide.questions if q.id not in asked]
            operator = "locked" if how == "answered" else "right"
            if scope.collects(slide.id):
                operator = "chosen"
            conditions: list[Node] = [[operator, name] for name in names]
            if not question and slide.dialogues:
                conditions.append(gone_through(slide.dialogues, every=False))
            return joined("and", conditions) if conditions else True
        case DialogueTaken(dialogue=name, every=every):
            return gone_through(
                [one for one in slide.dialogues if name in (None, one.id)], every)
        case MediaWatched(media=media, share=share):
            return [">=", ["watched", media], share] if media else True
        case TimeSpent(seconds=seconds):
            return [">=", ["seconds_on", slide.id], seconds]
        case ConditionHolds(condition=condition):
            return program_expression(condition, scope)
    return True


def _all_here(slide: Slide, elements: list[p.ProgramElement], scope: Scope) -> Node:
    """All patterns that are sets, and everything else that answers a click without leading away."""
    conditions: list[Any] = []
    in_sets: set[str] = set()
    in_dialogues = operated_in_dialogues(slide)
    for pattern in slide.patterns:
        if pattern.kind in ("reveal_set", "flip_cards", "steps", "checklist", "spot_places"):
            conditions.append(program_expression(["all_seen", pattern.id], scope))
    for element in elements:
        in_sets |= {
            element.draw.id
            for pattern in slide.patterns if pattern.kind in ("flip_cards", "steps")
            and any(rule.id.startswith(f"{pattern.id}_") for rule in element.rules)
        }
        reveals = any(
            action.do in ("show", "toggle", "open", "look", "set")
            for rule in element.rules for action in rule.then
        )
        if element.draw.id in in_dialogues:
            continue
        if element.control == "button" and not element.question and reveals:
            conditions.append(["clicked", element.draw.id])
    conditions = [
        c for c in conditions if c[0] != "clicked" or c[1] not in in_sets
    ]
    asked = asked_in_dialogues(slide)
    conditions += [["locked", question.id] for question in slide.questions
                   if question.id not in asked]
    talked = gone_through(slide.dialogues, every=False)
    if talked is not True:
        conditions.append(talked)
    return ["and", *conditions] if conditions else True


def _told(gate: Gate) -> str:
    """The key of what is said when the author has not written anything."""
    match gate.wants[0] if len({type(want) for want in gate.wants}) == 1 else None:
        case AllOfSet() | AllHere():
            return "look_at_all"
        case QuestionAnswered(wants="right"):
            return "answer_right_first"
        case QuestionAnswered():
            return "answer_first"
        case MediaWatched():
            return "play_to_end"
        case TimeSpent():
            return "more_time_here"
        case DialogueTaken(every=True):
            return "all_endings_first"
        case DialogueTaken():
            return "talk_first"
    return "still_to_do"
