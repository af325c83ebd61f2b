"""Checks of variables: never read, never changed, kept where all else starts over."""

from collections.abc import Iterable, Iterator

from zigzag_core.course import CourseDocument, TextVariable, Variable
from zigzag_core.course.kinds import Kind
from zigzag_core.course.references import Identity, Reference, among, pruned, references
from zigzag_core.course.rules.rule import Calculate, StartOver
from zigzag_core.course.rules.rule_use import actions_of, all_rules

from .finding import Finding

_VARIABLE: tuple[Kind, ...] = ("variable",)


def variable_findings(document: CourseDocument) -> Iterator[Finding]:
    """Yield what is odd about the variables of a course."""
    if not document.slides:
        return
    read, changed = _of_variables(document)
    for variable in document.course.variables:
        name = variable.name
        if variable.id in changed and variable.id not in read:
            yield Finding(level="warning", code="variable_never_read", message=(
                f"“{name}” is set, but nothing shows it or asks for it."))
        elif variable.id in read and variable.id not in changed and not _from_lms(variable):
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
                for counter in sorted(counted & names.keys()):
                    yield Finding(
                        level="warning", code="counter_kept", slide=slide.id if slide else None,
                        element=owner if slide and any(e.id == owner for e in slide.elements)
                        else None,
                        message=f"“{names[counter]}” keeps its count when the learner starts "
                                "over, since the variables are kept.",
                    )


def _from_lms(variable: Variable) -> bool:
    return isinstance(variable, TextVariable) and variable.from_lms


def _of_variables(document: CourseDocument) -> tuple[set[str], set[str]]:
    """The variables that something asks for or shows, and those that something sets."""
    found = list(references(document, kinds=_VARIABLE))
    off = {Identity("rule", rule.id) for rule, _, _ in all_rules(document) if rule.off}
    running: Iterable[Reference] = found
    if off:
        active = pruned(document, among(off), lambda before, after: False)
        running = references(active, kinds=_VARIABLE) if active else ()
    return {r.id for r in found if not r.sets}, {r.id for r in running if r.sets}
