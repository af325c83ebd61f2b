"""Checks of what is named: whether all of it is there."""

from collections.abc import Iterator

from zigzag_core.course import CourseDocument, Slide
from zigzag_core.course.elements.element import ElementBase
from zigzag_core.course.known import Known
from zigzag_core.course.layouts.layout import Layout
from zigzag_core.course.model import Model
from zigzag_core.course.questions.question import QuestionBase

from .finding import Finding

_KINDS = {
    "element": "an element", "overlay": "an overlay", "slide": "a slide", "section": "a section",
    "question": "a question", "part": "an answer of a question", "row": "a row of a table",
    "pattern": "a pattern", "cue": "a cue", "move": "a move", "variable": "a variable",
    "medium": "a file", "style": "a style", "layout": "a layout",
}


def reference_findings(document: CourseDocument) -> Iterator[Finding]:
    """Yield where something names what is gone; each place once, however often it does."""
    reported: set[tuple[str, str, str]] = set()
    for reference, holder, part in Known(document).lost():
        gone = " or ".join(_KINDS.get(kind, kind) for kind in reference.kinds)
        who = _who(part, holder)
        element = part.id if isinstance(part, ElementBase) else None
        if isinstance(part, QuestionBase):
            element = part.prompt
        slide = holder.id if isinstance(holder, Slide) else None
        if (slide or "", who, gone) in reported:
            continue
        reported.add((slide or "", who, gone))
        yield Finding(
            level="error" if "slide" in reference.kinds else "warning", code="lost_reference",
            slide=slide, element=element, message=f"{who} refers to {gone} that no longer exists.",
        )


def _who(part: Model, holder: Slide | Layout | None) -> str:
    """What names it: by its name, or as the rules and settings of what it is on."""
    name = getattr(part, "name", "")
    if name:
        return f"“{name}”"
    if isinstance(holder, Slide):
        return f"Something of the slide “{holder.title}” (its rules, timing or where it leads)"
    return "Something of the course (its rules, gate, sections or feedback)"
