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
    Drag,
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
from .feedback import Feedback
from .gates import Gate
from .ids import IdSource, id_source, system_ids
from .layouts import Background, Layout
from .media import Caption, MediaFile
from .migrate import NewerFormat, migrated
from .model import Name, Role
from .navigation import Navigation, NavigationHere
from .overlays import Overlay
from .patterns import Pattern
from .questions import Choice, Question, SingleChoice
from .rules import Action, GoTo, Happens, LeaveCourse, Rule, ToNext, ToPrevious, ToSlide
from .style import Look, Shadow, Style, StylePatch
from .text import (
    BlankRun,
    Block,
    LiveValue,
    RichText,
    Run,
    TextRun,
    ValueFormat,
    ValueRun,
    plain,
    rich,
)
from .theme import Colours, Fonts, NamedStyle, Theme
from .timing import Cue, Move, Offset, Timing
from .variables import NumberVariable, TextVariable, Variable, YesNoVariable
from .walkthroughs import Expected, Walkthrough

__all__ = [
    "FORMAT", "Action", "Area", "Audio", "Background", "BlankRun", "Block", "Button", "Caption",
    "Choice", "Colours", "Completion", "Course", "CourseDocument", "Crop", "Cue", "Drag",
    "Element", "Embed", "Expected", "Feedback", "Fonts", "Gate", "GoTo", "Group", "Guides",
    "Happens", "IdSource", "Input", "Layout", "LeaveCourse", "LiveValue", "Look", "MediaFile",
    "Meter", "Move", "Name", "NamedStyle", "Navigation", "NavigationHere", "NewerFormat", "Nowhere",
    "NumberVariable", "Offset", "Onward", "Overlay", "Pattern", "Picture", "Question",
    "RichText", "Role", "Rule", "Run", "Section", "Shadow", "Shape", "SingleChoice", "Slide",
    "SlideSize", "Style", "StylePatch", "Table", "Text", "TextRun", "TextVariable", "Theme",
    "Timing", "ToNext", "ToPrevious", "ToSlide", "ValueFormat", "ValueRun", "Variable", "Video",
    "Walkthrough", "YesNoVariable", "id_source", "migrated", "plain", "rich", "system_ids",
]
