"""Slides and their layouts: begin from one, change to another, change one by a slide."""

from collections.abc import Iterable
from typing import Any

from zigzag_core.course import Course, Element, IdSource, Layout, Slide, Text, rich
from zigzag_core.course.layouts.resolve import BOX, Sources, resolved_element, styled
from zigzag_core.course.layouts.shipped import SHIPPED_LAYOUTS
from zigzag_core.course.questions.question import part_elements
from zigzag_core.course.rules.patterns import parts
from zigzag_core.course.text.rich_text import RichText

from ..arranging.resizing import fitted_layout
from ..removing import lost_on, without_things


def known_layouts(course: Course) -> tuple[Layout, ...]:
    """Return the course's own layouts, and the shipped ones it has not taken in, at its size."""
    own = {layout.id for layout in course.layouts}
    shipped = (fitted_layout(layout, course.size) for layout in SHIPPED_LAYOUTS
               if layout.id not in own)
    return (*course.layouts, *shipped)


def with_layout(course: Course, layout_id: str) -> tuple[Course, Layout]:
    """Return `course` with the layout among its own, and the layout.

    The course is the same object when it had it. Raises `KeyError` when there is no such layout.
    """
    for layout in known_layouts(course):
        if layout.id == layout_id:
            if layout not in course.layouts:
                course = course.model_copy(update={"layouts": (*course.layouts, layout)})
            return course, layout
    raise KeyError(layout_id)


def slide_from(layout: Layout, course: Course, title: str, fresh: IdSource) -> Slide:
    """Return a new slide that follows `layout`: its slots empty, but for the title."""
    styles = Sources(course).styles
    elements = tuple(
        _filled(styled(slot, styles), title, fresh)
        for slot in layout.elements if slot.id in layout.slots
    )
    return Slide(id=fresh(), title=title, layout=layout.id, elements=elements)


def _filled(slot: Element, title: str, fresh: IdSource) -> Element:
    update: dict[str, Any] = {"id": fresh(), "slot": slot.id, "own": (), "named_style": None}
    if isinstance(slot, Text):
        update["text"] = rich(title) if slot.level == "title" else RichText()
    return slot.model_copy(update=update)


def change_layout(
    slide: Slide, layout: Layout | None, course: Course, fresh: IdSource
) -> Slide:
    """Return `slide` following `layout`; nothing that it says is lost.

    What filled a slot of the former layout goes into a slot of its kind, titles into titles, in
    running order. Slots left over are added empty; empty ones of the former layout go, but for
    parts of questions and patterns. What finds no slot stays where it stood. None takes the slide
    off its layout as it looks.
    """
    sources = Sources(course)
    if layout is None:
        return _loose(slide, sources)
    styles = sources.styles
    former = sources.layouts.get(slide.layout or "")
    slot_names = {e.id: e.name for e in former.elements} if former else {}
    taking_part = {name for pattern in slide.patterns for name in parts(pattern)}
    taking_part |= {name for asked in slide.questions for name in part_elements(asked)}
    open_slots = [styled(e, styles) for e in layout.elements if e.id in layout.slots]
    kept: list[Element] = []
    for element in slide.elements:
        if not (element.slot or _is_title(element)):
            kept.append(element)
            continue
        slot = next((s for s in open_slots if _fits(element, s)), None)
        if slot is not None:
            open_slots.remove(slot)
            # Styled at once: what it looked like in its former slot is not its own.
            moved = styled(_into(element, slot), styles, slot)
            if element.name == slot_names.get(element.slot or ""):
                # Named by its former slot, not by anyone: it is called after the new one.
                moved = moved.model_copy(update={"name": slot.name})
            kept.append(moved)
        elif not _is_empty(element) or element.id in taking_part:
            kept.append(element.model_copy(update={"slot": None, "own": ()}))
    added = [_filled(slot, slide.title, fresh) for slot in open_slots]
    top = max((e.z for e in kept), default=-1) + 1
    added = [e.model_copy(update={"z": top + n}) for n, e in enumerate(added)]
    changed = slide.model_copy(update={
        "layout": layout.id, "background": None,
        "elements": (*_in_slot_order(kept, layout), *added),
    })
    return without_things(changed, lost_on(slide, changed))


def update_layout(slide: Slide, course: Course) -> tuple[Course, Slide]:
    """Return `course` with the slide's layout as the slide has it, and the slide following it.

    Places and styles that were the slide's own become the layout's, and so does its background;
    all slides that follow the layout change with it, but for what is their own. Raises
    `KeyError` when the slide follows no layout of the course.
    """
    before = next((own for own in course.layouts if own.id == slide.layout), None)
    if before is None:
        raise KeyError(slide.layout)
    sources = Sources(course)
    slots = {e.id: e for e in sources.layouts[before.id].elements}
    shown = {
        e.slot: resolved_element(e, slots, sources)
        for e in slide.elements if e.slot in before.slots
    }
    elements = tuple(_as_shown(e, shown[e.id]) if e.id in shown else e for e in before.elements)
    after = before.model_copy(update={
        "elements": elements, "background": slide.background or before.background,
    })
    layouts = tuple(after if own.id == after.id else own for own in course.layouts)
    following = tuple(
        e.model_copy(update={"own": ()}) if e.slot in shown and e.named_style is None else e
        for e in slide.elements
    )
    return (
        course.model_copy(update={"layouts": layouts}),
        slide.model_copy(update={"background": None, "elements": following}),
    )


def _as_shown(slot: Element, shown: Element) -> Element:
    """The layout's element where and how its filling stands on a slide."""
    update: dict[str, Any] = {name: getattr(shown, name) for name in BOX}
    update |= {"style": shown.style, "looks": shown.looks}
    changed = [
        name for name in type(slot.style).model_fields
        if getattr(shown.style, name) != getattr(slot.style, name)
    ]
    update["own"] = tuple(dict.fromkeys((*slot.own, *changed))) if slot.named_style else slot.own
    return slot.model_copy(update=update)


def _loose(slide: Slide, sources: Sources) -> Slide:
    layout = sources.layouts.get(slide.layout or "")
    slots = {e.id: e for e in layout.elements} if layout else {}
    elements = tuple(
        styled(e, sources.styles, slots.get(e.slot or "")).model_copy(update={
            "slot": None, "own": e.own if e.named_style else (),
        })
        for e in slide.elements
    )
    background = slide.background or (layout.background if layout else None)
    return slide.model_copy(update={
        "layout": None, "background": background, "elements": elements,
    })


def _into(element: Element, slot: Element) -> Element:
    """The element in its new slot: place and style are the slot's, unless they were its own."""
    own = tuple(name for name in element.own if name != "box") if element.slot else ()
    update: dict[str, Any] = {"slot": slot.id, "own": own}
    update |= {name: getattr(slot, name) for name in BOX}
    if not element.slot:
        update |= {"style": slot.style, "looks": slot.looks, "named_style": None}
    return element.model_copy(update=update)


def _is_title(element: Element) -> bool:
    return isinstance(element, Text) and element.level == "title"


def _fits(element: Element, slot: Element) -> bool:
    return element.kind == slot.kind and _is_title(element) == _is_title(slot)


def _is_empty(element: Element) -> bool:
    if isinstance(element, Text):
        return not any(block.runs for block in element.text.blocks)
    return getattr(element, "media", "x") is None


def _in_slot_order(elements: Iterable[Element], layout: Layout) -> list[Element]:
    """Stable order: what fills slots as the layout has them, all else where it was."""
    found = list(elements)
    indexes = [n for n, e in enumerate(found) if e.slot in layout.slots]
    filled = sorted((found[n] for n in indexes), key=lambda e: layout.slots.index(e.slot or ""))
    for n, element in zip(indexes, filled, strict=True):
        found[n] = element
    return found
