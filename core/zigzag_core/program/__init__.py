"""The program: what a course is compiled to, and what an engine runs."""

from .expression import Expression, References, check_expression
from .model import (
    Action,
    Announce,
    Choose,
    CloseOverlay,
    Go,
    Grader,
    Hide,
    OpenOverlay,
    Overlay,
    Program,
    ProgramElement,
    ProgramMedia,
    ProgramRule,
    ProgramSlide,
    Reset,
    SetLook,
    SetVariable,
    Show,
    Submit,
)

__all__ = [
    "Action", "Announce", "Choose", "CloseOverlay", "Expression", "Go", "Grader", "Hide",
    "OpenOverlay", "Overlay", "Program", "ProgramElement", "ProgramMedia", "ProgramRule",
    "ProgramSlide", "References", "Reset", "SetLook", "SetVariable", "Show", "Submit",
    "check_expression",
]
