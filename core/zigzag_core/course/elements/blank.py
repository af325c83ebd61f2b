"""Beginnings: a new course, a new slide, and each element as it is when it is added."""

from typing import Any, Literal

from ..document import Course, CourseDocument, Slide
from ..ids import IdSource
from ..layouts.layout import Background
from ..questions.descriptors import QuestionKind
from ..rules.rule import GoTo, Rule
from ..rules.variables import NumberVariable, TextVariable, Variable, YesNoVariable
from ..style.style import Style
from ..style.theme import NamedStyle, StyleUse
from ..style.usual_styles import USUAL_STYLES, usual
from ..text.rich_text import rich
from .element import (
    Area,
    Audio,
    Button,
    Element,
    Embed,
    Input,
    Meter,
    Picture,
    Shape,
    Table,
    Text,
    Video,
    points,
)

Addition = Literal[
    "title", "heading", "text", "rectangle", "ellipse", "line", "arrow", "callout", "triangle",
    "star", "picture", "video", "audio", "button", "area", "text_input", "number_input",
    "choice_list", "checkbox", "slider", "progress_bar", "progress_ring", "progress_text",
    "table", "embed", QuestionKind,
]
Styles = tuple[NamedStyle, ...]

STAR = points(
    (0.5, 0), (0.618, 0.345), (0.976, 0.345), (0.69, 0.565), (0.794, 0.905), (0.5, 0.7),
    (0.206, 0.905), (0.31, 0.565), (0.024, 0.345), (0.382, 0.345),
)
"""Corners of a five-pointed star, in shares of its box."""


def blank_course(title: str, fresh: IdSource) -> CourseDocument:
    """Return a new course with one pleasant first slide to start from."""
    first = first_slide(title, fresh)
    course = Course(id=fresh(), title=title, slides=(first.id,), styles=USUAL_STYLES)
    return CourseDocument(course=course, slides=(first,))


def course_for_dialogue(title: str, fresh: IdSource) -> CourseDocument:
    """Return a new course whose one slide is empty: a dialogue is to take all of it."""
    slide = Slide(id=fresh(), title=title, background=Background(colour="paper"))
    course = Course(id=fresh(), title=title, slides=(slide.id,), styles=USUAL_STYLES)
    return CourseDocument(course=course, slides=(slide,))


def first_slide(title: str, fresh: IdSource, styles: Styles = USUAL_STYLES) -> Slide:
    """Return an opening slide: the title, a line under it, and a button that goes on."""
    return Slide(id=fresh(), title="Welcome", background=Background(colour="paper"), elements=(
        Shape(id=fresh(), name="Band", x=0, y=0, w=32, h=720, z=0, decoration=True,
              style=Style(fill="primary")),
        Text(id=fresh(), name="Title", x=120, y=216, w=1040, h=100, z=1, level="title",
             text=rich(title), **_follow("title", styles, size=72, valign="bottom")),
        Text(id=fresh(), name="Opening words", x=120, y=336, w=820, h=80, z=2,
             text=rich("Say in one sentence what this course is for."),
             **_follow("text", styles, size=30)),
        Button(id=fresh(), name="Start", label="Start", x=120, y=456, w=200, h=68, z=3,
               **_follow("button", styles), rules=(Rule(id=fresh(), do=(GoTo(),)),)),
    ))


def blank_slide(title: str, fresh: IdSource, styles: Styles = USUAL_STYLES) -> Slide:
    """Return a new slide with its title on it."""
    return Slide(id=fresh(), title=title, elements=(
        Text(id=fresh(), name="Title", x=80, y=56, w=1120, h=76, z=0, level="title",
             text=rich(title), **_follow("title", styles)),
    ))


def new_element(
    kind: Addition, fresh: IdSource, styles: Styles = USUAL_STYLES
) -> tuple[Element, tuple[Variable, ...]]:
    """Return an element of `kind` at its usual size at (0, 0), and the variables made for it.

    Raises `ValueError` for a kind that is more than one element.
    """
    name = "Web page" if kind == "embed" else kind.replace("_", " ").capitalize()
    common: dict[str, Any] = {"id": fresh(), "name": name}
    if kind in _INPUTS:
        return _new_input(kind, common, fresh, styles)
    return _plain_element(kind, common, fresh, styles), ()


def _plain_element(
    kind: Addition, common: dict[str, Any], fresh: IdSource, styles: Styles
) -> Element:
    words = _words(kind, common, styles)
    if words is not None:
        return words
    shape = _shape(kind, common, styles)
    if shape is not None:
        return shape
    match kind:
        case "picture":
            return Picture(w=480, h=320, **common)
        case "video":
            return Video(w=640, h=360, **common)
        case "audio":
            return Audio(w=420, h=56, **common)
        case "button":
            return Button(w=220, h=68, **common, **_follow("button", styles),
                          rules=(Rule(id=fresh(), do=(GoTo(),)),))
        case "area":
            return Area(w=240, h=180, **common, style=Style(radius=8))
        case "progress_bar":
            return Meter(w=420, h=28, alt="Slides seen", **common,
                         style=Style(fill="soft", text_colour="primary", radius=14))
        case "progress_ring":
            return Meter(w=160, h=160, meter="ring", alt="Slides seen", **common, style=Style(
                fill="soft", text_colour="primary", size=32, bold=True, border_width=18))
        case "progress_text":
            return Meter(w=320, h=48, meter="text", alt="Slides seen", **common,
                         **_follow("text", styles))
        case "table":
            cells = (("Name", "Value"), ("", ""), ("", ""))
            return Table(w=640, h=180, cells=cells, **common, **_follow("table", styles))
        case "embed":
            return Embed(w=640, h=400, **common,
                         style=Style(border_colour="edge", border_width=2, radius=8))
    raise ValueError(f"“{kind}” is not one element")


def _words(kind: Addition, common: dict[str, Any], styles: Styles) -> Element | None:
    """A text of its kind; None where it is none."""
    match kind:
        case "title":
            return Text(w=880, h=76, level="title", text=rich("Title"), **common,
                        **_follow("title", styles))
        case "heading":
            return Text(w=640, h=52, level="heading", text=rich("Heading"), **common,
                        **_follow("heading", styles))
        case "text":
            return Text(w=480, h=120, text=rich("Text"), **common, **_follow("text", styles))
    return None


def _shape(kind: Addition, common: dict[str, Any], styles: Styles) -> Element | None:
    """A drawn figure of its kind; None where it is none."""
    figure = Style(fill="accent", align="center", valign="middle")
    match kind:
        case "rectangle":
            return Shape(w=320, h=200, decoration=True, **common, **_follow("shape", styles))
        case "callout":
            return Shape(w=360, h=150, shape="callout", text=rich("What is said"), **common,
                         **_follow("shape", styles))
        case "line" | "arrow":
            return Shape(w=360, h=0, decoration=True, shape=kind, **common,
                         style=Style(border_colour="ink", border_width=4))
        case "ellipse":
            return Shape(w=220, h=220, decoration=True, shape="ellipse", **common, style=figure)
        case "triangle":
            return Shape(w=220, h=190, decoration=True, shape="polygon", **common, style=figure)
        case "star":
            return Shape(w=220, h=220, decoration=True, shape="polygon", points=STAR, **common,
                         style=figure)
    return None


_INPUTS: dict[Addition, Literal["text", "number", "choice", "checkbox", "slider"]] = {
    "text_input": "text", "number_input": "number", "choice_list": "choice",
    "checkbox": "checkbox", "slider": "slider",
}


def _new_input(
    kind: Addition, common: dict[str, Any], fresh: IdSource, styles: Styles
) -> tuple[Element, tuple[Variable, ...]]:
    made, name = _INPUTS[kind], common["name"]
    variable: Variable
    match made:
        case "number" | "slider":
            variable = NumberVariable(id=fresh(), name=name)
        case "checkbox":
            variable = YesNoVariable(id=fresh(), name=name)
        case _:
            variable = TextVariable(id=fresh(), name=name)
    label = {"text": "Your answer", "number": "How many?", "choice": "Choose one",
             "checkbox": "I have read this", "slider": "How much?"}[made]
    options = ("First", "Second", "Third") if made == "choice" else ()
    element = Input(
        w=420, h=44 if made == "checkbox" else 92, input=made, label=label, options=options,
        variable=variable.id, **common, **_follow("input", styles),
    )
    return element, (variable,)


def _follow(use: StyleUse, styles: Styles, **own: Any) -> dict[str, Any]:
    """The settings of an element that follows the usual style for `use`, but for `own`."""
    named = usual(use, styles)
    return {
        "named_style": named.id, "own": tuple(own),
        "style": named.style.model_copy(update=own), "looks": named.looks,
    }
