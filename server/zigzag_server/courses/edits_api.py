"""Edits that the core thinks through. Nothing is stored: they answer with what would be."""

from typing import Any, Literal

from django.http import HttpRequest
from ninja import Field, Router, Schema
from pydantic import FiniteFloat
from zigzag_core import course as core
from zigzag_core.access.contrast import weak_pairs
from zigzag_core.course.elements.blank import Addition
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.course.references import Identity
from zigzag_core.editing.adding import add
from zigzag_core.editing.arranging import arrange, groups
from zigzag_core.editing.copies.copying import Clipping, clip, duplicate_slide, paste, welcome
from zigzag_core.editing.outline import plant, read_outline
from zigzag_core.editing.questions.placement import covers_others
from zigzag_core.editing.removing import (
    lost_on,
    settings_without,
    without,
    without_mentions,
    without_slides,
    without_things,
)
from zigzag_core.words import say_in

from zigzag_server.accounts.auth import author
from zigzag_server.problems import Problem

from . import store
from .edited import Edited, edited, edited_slide

router = Router(tags=["edits"])


class AddIn(Schema):
    """What to add to a slide or overlay; `at` is the middle of its box, in px.

    `file` is what it will show: it gets its proportions, and finds a place that is large enough,
    beside the elements that `beside` names.
    """

    slide: core.Slide
    course: core.Course
    what: Addition
    at: tuple[FiniteFloat, FiniteFloat] | None = None
    overlay: str | None = None
    name: core.Name = ""
    file: core.MediaFile | None = None
    beside: list[str] = Field(default=[], max_length=500)


class ClipIn(Schema):
    """Elements to copy."""

    slide: core.Slide
    elements: list[str]
    course: core.Course | None = None


class ElementsIn(Schema):
    """Elements of a slide."""

    slide: core.Slide
    elements: list[str]


class Thing(Schema):
    """Something on a slide that is no element."""

    kind: Literal["question", "pattern", "overlay", "cue", "move", "look"]
    id: str


class RemoveIn(Schema):
    """What is taken off a slide; `course` is the slug of the course that may name it."""

    slide: core.Slide
    elements: list[str] = []
    things: list[Thing] = Field(default=[], max_length=100)
    course: str = ""


class SlidesIn(Schema):
    """Slides of a course."""

    course: core.Course
    slides: list[str] = Field(min_length=1, max_length=5_000)


class PasteIn(Schema):
    """A clipping, and how far from its origin to put it, in px."""

    slide: core.Slide
    clipping: Clipping
    course: core.Course | None = None
    dx: float = 0
    dy: float = 0
    onto: str | None = None


class ArrangeIn(ElementsIn):
    """`edge` aligns, `axis` with `by` distributes, `side` matches sizes, `row` puts side by side,
    and so on: one of them.

    `to_slide` aligns and distributes on the whole slide instead of within the selection.
    """

    edge: arrange.Edge | None = None
    axis: arrange.Axis | None = None
    by: arrange.Spacing = "gaps"
    side: arrange.Side | None = None
    row: bool = False
    turn: float | None = Field(default=None, ge=-360, le=360)
    flip: arrange.Axis | None = None
    level: arrange.Level | None = None
    to_slide: bool = False
    size: core.SlideSize = core.SlideSize()


class CopySlideIn(Schema):
    """A slide to copy; the copy's title is told apart from `titles`."""

    slide: core.Slide
    titles: list[str] = []


class OutlineIn(Schema):
    """Lines of text to become sections and slides behind the slide `after`."""

    text: str = Field(max_length=2_000_000)
    course: core.Course
    after: str | None = None


class WeakPair(Schema):
    """Two colours of a theme that are hard to tell apart: their contrast ratio (WCAG 1.4.3)."""

    words: core.Role
    ground: core.Role
    what: str
    ratio: float


def overlay_of(slide: core.Slide, overlay: str | None) -> str | None:
    """Return `overlay` if the slide has it; else None, for the slide itself."""
    return overlay if any(known.id == overlay for known in slide.overlays) else None


@router.post("/add", response=Edited)
def edit_add(request: HttpRequest, data: AddIn) -> dict[str, Any]:
    """Add an element or a question to a slide, with the variable it needs."""
    course = data.course
    slide, selected, variables = add(
        data.slide, data.what, core.system_ids(), course.size, data.at, course.styles,
        overlay_of(data.slide, data.overlay), data.name, data.file, data.beside,
        say_in(course.language, course.words),
    )
    if variables:
        grown = welcome(course, Clipping(variables=variables))
        return edited_slide(data.slide, slide, selected, (course, grown))
    covers = data.at is None and data.what in QUESTION_KINDS and covers_others(
        slide, selected, course.size)
    return edited_slide(data.slide, slide, selected, covers=covers)


@router.post("/clip", response=Clipping)
def edit_clip(request: HttpRequest, data: ClipIn) -> Clipping:
    """Return elements of a slide with all that belongs to them, for pasting."""
    return clip(data.slide, data.elements, data.course)


@router.post("/paste", response=Edited)
def edit_paste(request: HttpRequest, data: PasteIn) -> dict[str, Any]:
    """Put copies of what was clipped on a slide; what the course lacks for them comes along."""
    slide, selected = paste(
        data.slide, data.clipping, core.system_ids(), data.dx, data.dy,
        overlay_of(data.slide, data.onto), data.course,
    )
    courses = (data.course, welcome(data.course, data.clipping)) if data.course else None
    return edited_slide(data.slide, slide, selected, courses)


@router.post("/remove", response=Edited)
def edit_remove(request: HttpRequest, data: RemoveIn) -> dict[str, Any]:
    """Take things off a slide, with whatever names them, there and elsewhere in the course."""
    things = {Identity(thing.kind, thing.id) for thing in data.things}
    left = without_things(without(data.slide, data.elements), things)
    before, after = {data.slide.id: data.slide}, {data.slide.id: left}
    courses = None
    if data.course:
        row = store.course_of(author(request), data.course)
        gone = lost_on(data.slide, left)
        settings = store.settings_of(row)
        courses = settings, settings_without(settings, gone)
        for name, slide in store.slides_naming(row, [one.id for one in gone]).items():
            if name != data.slide.id:
                before[name], after[name] = slide, without_mentions(slide, gone)
    return edited(before, after.values(), (), courses)


@router.post("/remove-slides/{slug}", response=Edited)
def edit_remove_slides(request: HttpRequest, slug: str, data: SlidesIn) -> dict[str, Any]:
    """Take slides out of a course, with whatever leads to them or names what is on them.

    The settings come with the request, the slides are those that are saved.
    """
    row = store.course_of(author(request), slug)
    stored = [core.Slide.model_validate(slide.document) for slide in row.slide_rows.all()]
    course, left = without_slides(data.course, stored, data.slides)
    return edited({slide.id: slide for slide in stored}, left, (), (data.course, course))


@router.post("/group", response=Edited)
def edit_group(request: HttpRequest, data: ElementsIn) -> dict[str, Any]:
    """Make a group of elements."""
    try:
        slide, made = groups.group(data.slide, data.elements, core.system_ids())
    except ValueError as error:
        raise Problem(422, "no_group", f"{str(error).capitalize()}.") from None
    return edited_slide(data.slide, slide, [made])


@router.post("/ungroup", response=Edited)
def edit_ungroup(request: HttpRequest, data: ElementsIn) -> dict[str, Any]:
    """Take groups apart."""
    return edited_slide(data.slide, *groups.ungroup(data.slide, data.elements))


@router.post("/arrange", response=Edited)
def edit_arrange(request: HttpRequest, data: ArrangeIn) -> dict[str, Any]:
    """Align, distribute, match sizes, turn, flip or restack elements."""
    slide, ids = data.slide, data.elements
    within = arrange.slide_box(data.size) if data.to_slide else None
    if data.edge:
        slide = arrange.align(slide, ids, data.edge, within)
    elif data.axis:
        slide = arrange.distribute(slide, ids, data.axis, data.by, within)
    elif data.side:
        slide = arrange.match_size(slide, ids, data.side)
    elif data.row:
        slide = arrange.side_by_side(slide, ids, data.size)
    elif data.turn is not None:
        slide = arrange.turn(slide, ids, data.turn)
    elif data.flip:
        slide = arrange.flip(slide, ids, data.flip)
    elif data.level:
        slide = arrange.restack(slide, ids, data.level)
    return edited_slide(data.slide, slide, ids)


@router.post("/duplicate-slide", response=Edited)
def edit_duplicate_slide(request: HttpRequest, data: CopySlideIn) -> dict[str, Any]:
    """Make a copy of a slide, everything on it rewired to the copy."""
    slide = duplicate_slide(data.slide, core.system_ids(), data.titles)
    return edited({}, (slide,), made=slide.id)


@router.post("/outline", response=Edited)
def edit_outline(request: HttpRequest, data: OutlineIn) -> dict[str, Any]:
    """Make sections and slides of an indented text, a Markdown list or Markdown headings."""
    try:
        lines = read_outline(data.text)
    except ValueError as error:
        raise Problem(422, "too_long", f"{str(error).capitalize()}.") from None
    course, slides = plant(data.course, lines, data.after, core.system_ids())
    return edited({}, slides, (), (data.course, course))


@router.post("/contrast", response=list[WeakPair])
def edit_contrast(request: HttpRequest, data: core.Colours) -> list[dict[str, Any]]:
    """Return the pairs of a theme's colours that are hard to read on each other."""
    return [
        {"words": words, "ground": ground, "what": what, "ratio": ratio}
        for words, ground, what, ratio in weak_pairs(data)
    ]
