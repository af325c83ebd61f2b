"""Types of the fields of a program that name something: the visitor of references reads them."""

from typing import Annotated, Protocol

from pydantic import Field

from zigzag_core.course.kinds import Kind, Refers, RefersBy

ProgramId = Annotated[str, Field(pattern=r"^[a-z0-9_]{1,48}$")]
"""An id of the document, or one that the compiler made by adding to it."""

ElementName = Annotated[ProgramId, Refers(("element",))]
OverlayName = Annotated[ProgramId, Refers(("overlay",))]
ShownName = Annotated[ProgramId, Refers(("element", "overlay"))]
QuizName = Annotated[ProgramId, Refers(("section",))]
SlideName = Annotated[ProgramId, Refers(("slide",))]
QuestionName = Annotated[ProgramId, Refers(("question",))]
PartName = Annotated[ProgramId, Refers(("part",))]
TargetName = Annotated[ProgramId, Refers(("part", "element"))]
VariableName = Annotated[ProgramId, Refers(("variable",))]
VariableOrLive = Annotated[str, Refers(("variable", "set"), weak=True)]
"""A variable by its id, or a value that the course keeps by its name."""
SetVariableName = Annotated[ProgramId, Refers(("variable",), sets=True)]
MoveName = Annotated[ProgramId, Refers(("move",))]
ClockName = Annotated[ProgramId, Refers(("slide", "overlay"))]
MediaName = Annotated[ProgramId, Refers(("medium",))]

HappensTo = Annotated[ProgramId | None, Refers(
    ("element", "slide", "overlay", "variable", "question", "pattern"), weak=True)]
"""What an event happens to; what runs throughout the course has a word of its own."""


class _HasEvent(Protocol):
    on: str


def _detail_kinds(rule: _HasEvent) -> tuple[Kind, ...]:
    return _DETAILS.get(rule.on, ())


_DETAILS: dict[str, tuple[Kind, ...]] = {
    "dropped": ("element",), "cue_reached": ("cue",),
}

Detail = Annotated[str | None, RefersBy(_detail_kinds, weak=True)]
"""What narrows an event down: for a drop the target, for timing the cue; else a word or number."""
