"""Edits of what slides do. Nothing is stored: they answer with what would be."""

from typing import Annotated, Any

from django.http import HttpRequest
from ninja import Router, Schema
from pydantic import Field
from zigzag_core import course as core
from zigzag_core.course.names import names_of
from zigzag_core.course.rules.expression import Expression
from zigzag_core.course.rules.expression_text import read, write
from zigzag_core.editing.overlays import with_overlay, without_overlay
from zigzag_core.editing.path_slides import slides_for_paths
from zigzag_core.editing.patterns import FEWEST, MOST, Ready, make_pattern
from zigzag_core.errors import NotReadable

from .edited import Edited, edited, edited_slide
from .edits_api import overlay_of

router = Router(tags=["does"])


class PatternIn(Schema):
    """Elements to make a ready interaction of; without any, one of `count` parts is made."""

    slide: core.Slide
    course: core.Course
    what: Ready
    elements: list[str] = []
    overlay: str | None = None
    count: int | None = Field(default=None, ge=FEWEST, le=MOST)


@router.post("/pattern", response=Edited)
def edit_pattern(request: HttpRequest, data: PatternIn) -> dict[str, Any]:
    """Make a pattern from elements of a slide, or as a ready arrangement."""
    made = make_pattern(
        data.slide, data.what, data.elements, core.system_ids(), data.course.size,
        data.course.styles, overlay_of(data.slide, data.overlay), data.count,
    )
    return edited_slide(
        data.slide, made.slide, made.selected, made=made.pattern, notes=made.notes)


class PathsIn(Schema):
    """A choice of paths on a slide."""

    slide: core.Slide
    course: core.Course
    pattern: str


@router.post("/paths", response=Edited)
def edit_paths(request: HttpRequest, data: PathsIn) -> dict[str, Any]:
    """Make a slide for each path that leads nowhere yet; Next on it leads back."""
    course, slides = slides_for_paths(data.course, data.slide, data.pattern, core.system_ids())
    return edited({data.slide.id: data.slide}, slides, (), (data.course, course))


class OverlayIn(Schema):
    """A slide, and what moves onto its new overlay."""

    slide: core.Slide
    elements: list[str] = []


class OnOverlay(Schema):
    """A slide, and one of its overlays."""

    slide: core.Slide
    overlay: str


@router.post("/overlay", response=Edited)
def add_overlay(request: HttpRequest, data: OverlayIn) -> dict[str, Any]:
    """Add an overlay to a slide; some elements of the slide move onto it."""
    slide, overlay = with_overlay(data.slide, data.elements, core.system_ids())
    return edited_slide(data.slide, slide, made=overlay)


@router.post("/overlay/remove", response=Edited)
def remove_overlay(request: HttpRequest, data: OnOverlay) -> dict[str, Any]:
    """Take an overlay off a slide with all that is on it, the rest put right."""
    return edited_slide(data.slide, without_overlay(data.slide, data.overlay))


class NamesIn(Schema):
    """What an expression may name: a slide, the course, the titles of all slides by id."""

    slide: core.Slide | None = None
    course: core.Course
    titles: dict[str, str] = {}


class TypedIn(NamesIn):
    """An expression as its author typed it."""

    text: Annotated[str, Field(max_length=4_000)]


class ExpressionIn(NamesIn):
    """The tree of an expression."""

    node: Expression


class Typed(Schema):
    """An expression as text."""

    text: str


class Read(Schema):
    """The tree of a typed expression; or what is wrong, and where in the text, from 0."""

    node: Expression = None
    problem: str = ""
    at: int = 0


@router.post("/expression/text", response=Typed)
def expression_text(request: HttpRequest, data: ExpressionIn) -> dict[str, Any]:
    """Return an expression as it is typed."""
    return {"text": write(data.node, names_of(data.course, data.slide, data.titles))}


@router.post("/expression", response=Read)
def read_expression(request: HttpRequest, data: TypedIn) -> dict[str, Any]:
    """Read a typed expression."""
    try:
        return {"node": read(data.text, names_of(data.course, data.slide, data.titles))}
    except NotReadable as error:
        return {"problem": str(error), "at": error.at}
