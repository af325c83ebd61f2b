"""The course document: what an author makes, as data."""

from .document import (
    FORMAT,
    Background,
    Completion,
    Course,
    CourseDocument,
    MediaFile,
    NumberVariable,
    Slide,
    SlideSize,
    TextVariable,
    Variable,
    YesNoVariable,
)
from .elements import Button, Element, Picture, Shape, Text
from .ids import IdSource, id_source, system_ids
from .migrate import NewerFormat, migrated
from .questions import Choice, Feedback, Question, SingleChoice
from .rules import Clicked, GoTo, LeaveCourse, Rule, ToNext, ToPrevious, ToSlide
from .style import Look, Style, StylePatch
from .text import Block, LiveValue, RichText, Run, TextRun, ValueRun, plain, rich

__all__ = [
    "FORMAT", "Background", "Block", "Button", "Choice", "Clicked", "Completion", "Course",
    "CourseDocument", "Element", "Feedback", "GoTo", "IdSource", "LeaveCourse", "LiveValue", "Look",
    "MediaFile", "NewerFormat", "NumberVariable", "Picture", "Question", "RichText", "Rule", "Run",
    "Shape", "SingleChoice", "Slide", "SlideSize", "Style", "StylePatch", "Text", "TextRun",
    "TextVariable", "ToNext", "ToPrevious", "ToSlide", "ValueRun", "Variable", "YesNoVariable",
    "id_source", "migrated", "plain", "rich", "system_ids",
]
