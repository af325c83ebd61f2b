"""The course document: what an author makes, as data."""

from .document import (
    FORMAT,
    Completion,
    Course,
    CourseDocument,
    Guides,
    Nowhere,
    Onward,
    Remembered,
    Section,
    Slide,
    SlideSize,
)
from .elements.element import (
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
    Piece,
    Shape,
    Table,
    Text,
    Video,
)
from .elements.overlay import Overlay
from .formats import migrated, migrated_slide
from .ids import IdSource, id_source, system_ids
from .layouts.layout import Background, Layout
from .media import Caption, Chapter, MediaFile
from .model import Name, Role
from .navigation import Navigation, NavigationHere
from .questions.feedback import Feedback
from .questions.question import Choice, Question, SingleChoice
from .rules.gates import Gate
from .rules.patterns import Pattern
from .rules.rule import Action, GoTo, Happens, LeaveCourse, Rule, ToNext, ToPrevious, ToSlide
from .rules.timing import Cue, Move, Offset, Timing
from .rules.variables import NumberVariable, TextVariable, Variable, YesNoVariable
from .style.style import Look, Shadow, Style, StylePatch
from .style.theme import Colours, Fonts, NamedStyle, Theme
from .text.rich_text import (
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
from .walkthroughs import Expected, Walkthrough

__all__ = [
    "FORMAT", "Action", "Area", "Audio", "Background", "BlankRun", "Block", "Button", "Caption",
    "Chapter", "Choice", "Colours", "Completion", "Course", "CourseDocument", "Crop", "Cue", "Drag",
    "Element", "Embed", "Expected", "Feedback", "Fonts", "Gate", "GoTo", "Group", "Guides",
    "Happens", "IdSource", "Input", "Layout", "LeaveCourse", "LiveValue", "Look", "MediaFile",
    "Meter", "Move", "Name", "NamedStyle", "Navigation", "NavigationHere", "Nowhere",
    "NumberVariable", "Offset", "Onward", "Overlay", "Pattern", "Picture", "Piece", "Question",
    "Remembered", "RichText", "Role", "Rule", "Run", "Section", "Shadow", "Shape", "SingleChoice",
    "Slide", "SlideSize", "Style", "StylePatch", "Table", "Text", "TextRun", "TextVariable",
    "Theme", "Timing", "ToNext", "ToPrevious", "ToSlide", "ValueFormat", "ValueRun", "Variable",
    "Video", "Walkthrough", "YesNoVariable", "id_source", "migrated", "migrated_slide", "plain",
    "rich", "system_ids",
]
