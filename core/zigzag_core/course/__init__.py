"""The course document: what an author makes, as data."""

from .document import (
    FORMAT,
    Completion,
    Course,
    CourseDocument,
    Guides,
    Nowhere,
    Onward,
    Section,
    Slide,
    SlideSize,
)
from .elements import (
    Area,
    Audio,
    Button,
    Crop,
    Element,
    Embed,
    Group,
    Input,
    Meter,
    Picture,
    Shape,
    Table,
    Text,
    Video,
)
from .ids import IdSource, id_source, system_ids
from .layouts import Background, Layout
from .media import MediaFile
from .migrate import NewerFormat, migrated
from .model import Role
from .questions import Choice, Feedback, Question, SingleChoice
from .rules import Clicked, GoTo, LeaveCourse, Rule, ToNext, ToPrevious, ToSlide
from .style import Look, Shadow, Style, StylePatch
from .text import Block, LiveValue, RichText, Run, TextRun, ValueRun, plain, rich
from .theme import Colours, Fonts, NamedStyle, Theme
from .variables import NumberVariable, TextVariable, Variable, YesNoVariable

__all__ = [
    "FORMAT", "Area", "Audio", "Background", "Block", "Button", "Choice", "Clicked", "Colours",
    "Completion", "Course", "CourseDocument", "Crop", "Element", "Embed", "Feedback", "Fonts",
    "GoTo", "Group", "Guides", "IdSource", "Input", "Layout", "LeaveCourse", "LiveValue", "Look",
    "MediaFile", "Meter", "NamedStyle", "NewerFormat", "Nowhere", "NumberVariable", "Onward",
    "Picture", "Question", "RichText", "Role", "Rule", "Run", "Section", "Shadow", "Shape",
    "SingleChoice", "Slide", "SlideSize", "Style", "StylePatch", "Table", "Text", "TextRun",
    "TextVariable", "Theme", "ToNext", "ToPrevious", "ToSlide", "ValueRun", "Variable", "Video",
    "YesNoVariable", "id_source", "migrated", "plain", "rich", "system_ids",
]
