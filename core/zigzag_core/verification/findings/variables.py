"""Checks of variables: never read, never changed, kept where all else starts over."""

from collections.abc import Iterator

from zigzag_core.course import CourseDocument, Slide
from zigzag_core.course.rules.expression import names_in
from zigzag_core.course.rules.rule import Calculate, StartOver
from zigzag_core.course.rules.rule_use import actions_of, all_rules, expressions_of, expressions_on

from .finding import Finding

_SETTING = ("set", "add", "multiply", "switch", "pick", "take")


def variable_findings(document: CourseDocument) -> Iterator[Finding]:
    """Yield what is odd about the variables of a course."""
    if not document.slides:
        return
    read, changed = _read(document), _changed(document)
    for variable in document.course.variables:
        name = variable.name
        if variable.id in changed and variable.id not in read:
            yield Finding(level="warning", code="variable_never_read", message=(
                f"“{name}” is set, but nothing shows it or asks for it."))
        elif variable.id in read and variable.id not in changed:
            yield Finding(level="warning", code="variable_never_set", message=(
                f"“{name}” is asked for or shown, but nothing ever changes it."))
        elif variable.id not in read:
            yield Finding(level="warning", code="variable_unused", message=(
                f"“{name}” is used nowhere."))
    counted = {
        action.variable for rule, _, _ in all_rules(document) if not rule.off
        for action in actions_of(rule) if isinstance(action, Calculate) and action.action == "add"
    }
    names = {variable.id: variable.name for variable in document.course.variables}
    for rule, owner, slide in all_rules(document):
        for action in actions_of(rule):
            if not rule.off and isinstance(action, StartOver) and "variables" in action.keep:
                for variable in sorted(counted & names.keys()):
                    yield Finding(
                        level="warning", code="counter_kept", slide=slide.id if slide else None,
                        element=owner if slide and any(e.id == owner for e in slide.elements)
                        else None,
                        message=f"“{names[variable]}” counts on after a start over, "
                                "since that keeps the variables.",
                    )


def _read(document: CourseDocument) -> set[str]:
    """The variables that something asks for or shows."""
    found: set[str] = set()
    for rule, _, _ in all_rules(document):
        for node in expressions_of(rule):
            found |= _variables(node)
        if rule.when.event == "variable_changed":
            found |= set(getattr(rule.when, "of", ()))
    for slide in document.slides:
        for node in expressions_on(slide):
            found |= _variables(node)
        found |= _shown(slide)
    return found


def _variables(node: object) -> set[str]:
    return {name for kind, name in names_in(node) if kind == "variables"}


def _shown(slide: Slide) -> set[str]:
    """What texts and meters of a slide show, by `of`."""
    found: set[str] = set()

    def walk(value: object) -> None:
        if isinstance(value, dict):
            if isinstance(value.get("of"), str):
                found.add(value["of"])
            for part in value.values():
                walk(part)
        elif isinstance(value, (list, tuple)):
            for part in value:
                walk(part)

    for element in slide.elements:
        walk(element.model_dump(include={"text", "cells", "rows", "looks"}))
        of = getattr(element, "of", None)
        if isinstance(of, str):
            found.add(of)
    for question in slide.questions:
        walk(question.model_dump())
    return found


def _changed(document: CourseDocument) -> set[str]:
    found = {
        variable for rule, _, _ in all_rules(document) if not rule.off
        for action in actions_of(rule) if action.action in _SETTING
        and (variable := getattr(action, "variable", None))
    }
    for slide in document.slides:
        for element in slide.elements:
            variable = getattr(element, "variable", None)
            if variable:
                found.add(variable)
    return found
