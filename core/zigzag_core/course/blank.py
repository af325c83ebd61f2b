"""Beginnings: a new course, a new slide, and each element as it is when it is added."""

from typing import Literal

from .document import Background, Course, CourseDocument, Slide
from .elements import Button, Element, Picture, Shape, Text
from .ids import IdSource
from .questions import Choice, Feedback, SingleChoice
from .rules import GoTo, Rule
from .style import Style, StylePatch
from .text import rich

INK, PAPER, SPRUCE, MARIGOLD = "#22302b", "#fbf8f3", "#1e5b4b", "#e8a33d"
WHITE, SAND, MIST = "#ffffff", "#c9bda6", "#e1ede6"

Addition = Literal[
    "title", "text", "rectangle", "ellipse", "line", "picture", "button", "single_choice"
]

BUTTON_STYLE = Style(
    fill=SPRUCE, text_colour=WHITE, size=26, bold=True, radius=10, align="center", valign="middle",
)
BUTTON_LOOKS = {
    "hover": StylePatch(fill="#27705d"), "pressed": StylePatch(fill="#174638"),
    "disabled": StylePatch(fill="#dcd6ca", text_colour="#5f655f"),
}
CHOICE_STYLE = Style(
    fill=WHITE, border_colour=SAND, border_width=2, radius=12, padding=18, size=26,
    valign="middle",
)
CHOICE_LOOKS = {
    "hover": StylePatch(border_colour=SPRUCE),
    "selected": StylePatch(border_colour=SPRUCE, border_width=4, fill=MIST),
}


def blank_course(title: str, fresh: IdSource) -> CourseDocument:
    """Return a new course with one pleasant first slide to start from."""
    first = first_slide(title, fresh)
    return CourseDocument(
        course=Course(id=fresh(), title=title, slides=(first.id,)), slides=(first,)
    )


def first_slide(title: str, fresh: IdSource) -> Slide:
    """Return an opening slide: the title, a line under it, and a button that goes on."""
    return Slide(id=fresh(), title="Welcome", background=Background(colour=PAPER), elements=(
        Shape(id=fresh(), name="Band", x=0, y=0, w=32, h=720, z=0, decoration=True,
              style=Style(fill=SPRUCE)),
        Text(id=fresh(), name="Title", x=120, y=216, w=1040, h=100, z=1, level="title",
             text=rich(title), style=Style(font="heading", size=72, bold=True, valign="bottom")),
        Text(id=fresh(), name="Opening words", x=120, y=336, w=820, h=80, z=2,
             text=rich("Say in one sentence what this course is for."), style=Style(size=30)),
        Button(id=fresh(), name="Start", label="Start", x=120, y=456, w=200, h=68, z=3,
               style=BUTTON_STYLE, looks=BUTTON_LOOKS, rules=(Rule(id=fresh(), do=(GoTo(),)),)),
    ))


def blank_slide(title: str, fresh: IdSource) -> Slide:
    """Return a new slide with its title on it."""
    return Slide(id=fresh(), title=title, elements=(
        Text(id=fresh(), name="Title", x=80, y=56, w=1120, h=76, z=0, level="title",
             text=rich(title), style=Style(font="heading", size=48, bold=True, valign="middle")),
    ))


def new_element(kind: Addition, fresh: IdSource) -> Element:
    """Return an element of `kind` at its usual size, at (0, 0)."""
    name = kind.capitalize()
    match kind:
        case "title":
            return Text(id=fresh(), name=name, w=880, h=76, level="title", text=rich("Title"),
                        style=Style(font="heading", size=48, bold=True, valign="middle"))
        case "text":
            return Text(id=fresh(), name=name, w=480, h=120, text=rich("Text"))
        case "rectangle":
            return Shape(id=fresh(), name=name, w=320, h=200, decoration=True,
                         style=Style(fill=MIST, radius=12))
        case "ellipse":
            return Shape(id=fresh(), name=name, w=220, h=220, decoration=True, shape="ellipse",
                         style=Style(fill=MARIGOLD))
        case "line":
            return Shape(id=fresh(), name=name, w=360, h=0, decoration=True, shape="line",
                         style=Style(border_colour=INK, border_width=4))
        case "picture":
            return Picture(id=fresh(), name=name, w=480, h=320)
        case "button":
            return Button(id=fresh(), name=name, w=220, h=68, style=BUTTON_STYLE,
                          looks=BUTTON_LOOKS, rules=(Rule(id=fresh(), do=(GoTo(),)),))
    raise ValueError(f"“{kind}” is not one element")


def new_single_choice(
    fresh: IdSource, x: float = 80, y: float = 160
) -> tuple[tuple[Element, ...], SingleChoice]:
    """Return a single choice question with its elements: prompt, three choices, a submit button."""
    prompt = Text(
        id=fresh(), name="Question", x=x, y=y, w=1120, h=64, level="heading",
        text=rich("What do you want to ask?"),
        style=Style(font="heading", size=34, bold=True, valign="middle"),
    )
    choices = tuple(
        Text(id=fresh(), name=f"Answer {n}", x=x, y=y + 84 + (n - 1) * 92, w=1120, h=76,
             text=rich(words), style=CHOICE_STYLE, looks=CHOICE_LOOKS)
        for n, words in enumerate(("The right answer", "Another answer", "One more answer"), 1)
    )
    submit = Button(
        id=fresh(), name="Submit", label="Submit", x=x, y=y + 84 + 3 * 92 + 12, w=200, h=68,
        style=BUTTON_STYLE, looks=BUTTON_LOOKS,
    )
    question = SingleChoice(
        id=fresh(), name="Question", prompt=prompt.id, submit=submit.id, attempts=2, shuffle=True,
        choices=tuple(
            Choice(id=fresh(), element=element.id, right=n == 0)
            for n, element in enumerate(choices)
        ),
        feedback=Feedback(
            right=rich("Well done."), wrong=rich("Have another look and try again."),
            last=rich("The right answer was another one."),
        ),
    )
    return (prompt, *choices, submit), question
