"""Where rules are, whose they are, and where they lead."""

from collections.abc import Iterator
from typing import Any

from ..document import CourseDocument, Slide
from ..questions.question import Question
from .rule import Action, GoTo, Happens, Rule


def rules_on(slide: Slide) -> Iterator[tuple[Rule, str]]:
    """Yield the rules on `slide` with the id of their owner: element, overlay or the slide."""
    for element in slide.elements:
        for rule in element.rules:
            yield rule, element.id
    for overlay in slide.overlays:
        for rule in overlay.rules:
            yield rule, overlay.id
    for question in slide.questions:
        for rule in row_rules(question):
            yield rule, slide.id
    for rule in slide.rules:
        yield rule, slide.id


def row_rules(question: Question) -> Iterator[Rule]:
    """Yield what the rows of an answer table do, as rules."""
    for number, row in enumerate(question.table, 1):
        if row.do:
            yield Rule(
                id=row.id, when=Happens(event="judged", of=(question.id,)), do=row.do,
                condition=["=", ["row", question.id], number],
            )


def all_rules(document: CourseDocument) -> Iterator[tuple[Rule, str, Slide | None]]:
    """Yield every rule of a course with its owner and its slide, if it is on one."""
    for slide in document.slides:
        for rule, owner in rules_on(slide):
            yield rule, owner, slide
    for section in document.course.sections:
        for rule in section.rules:
            yield rule, section.id, None
    for rule in document.course.rules:
        yield rule, "course", None


def actions_of(rule: Rule) -> tuple[Action, ...]:
    """Return what a rule may do, whatever its condition gives."""
    return (*rule.do, *rule.otherwise)


def goes(rule: Rule) -> Iterator[tuple[GoTo, Any]]:
    """Yield where a rule that is not switched off goes, with the condition for it."""
    if rule.off:
        return
    for actions, condition in (
        (rule.do, rule.condition), (rule.otherwise, ["not", rule.condition])
    ):
        for action in actions:
            if isinstance(action, GoTo):
                yield action, condition
