"""Making a layout of a slide, which then follows it."""

from collections.abc import Iterable, Iterator

from zigzag_core.course import Course, Element, IdSource, Layout, Picture, Shape, Slide, Text, Video
from zigzag_core.course.elements.element import Group, Meter
from zigzag_core.course.elements.geometry import Box, box_of
from zigzag_core.course.layouts.resolve import Sources, resolved_element
from zigzag_core.course.model import Model
from zigzag_core.course.references import named
from zigzag_core.course.rules.rule_use import rules_on

from ..names import free_name


def layout_from(
    slide: Slide, course: Course, name: str, fresh: IdSource
) -> tuple[Layout, Slide]:
    """Return a layout called `name` that looks like `slide`, and the slide following it, which
    looks as before.

    Words and media become slots, which the slide goes on filling. Figures, meters and decoration
    below all else stand in the layout alone. What something is done with stays the slide's own:
    parts of questions and patterns, what has rules or is named by them, what moves or can be
    dragged, groups, and whatever is on overlays.
    """
    sources = Sources(course)
    former = sources.layouts.get(slide.layout or "")
    before = [e for e in former.elements if e.id not in former.slots] if former else []
    slots_before = {e.id: e for e in former.elements} if former else {}
    shown = {e.id: resolved_element(e, slots_before, sources) for e in slide.elements}
    bound = _bound(slide, course)
    slots = [e for e in shown.values() if e.id not in bound and _is_slot(e)]
    adorning = {e.id for e in shown.values() if e.id not in bound and _is_fixed(e)}
    fixed = _below_all(_by_height(shown.values()), adorning)
    ids = {e.id: fresh() for e in (*before, *fixed, *slots)}
    elements = tuple(
        _shared(element, ids[element.id], z)
        for z, element in enumerate((*_by_height(before), *_by_height([*fixed, *slots]))))
    background = slide.background or (former.background if former else None)
    layout = Layout(
        id=fresh(), name=free_name(name, [own.name for own in course.layouts]), elements=elements,
        slots=tuple(ids[e.id] for e in slots),
        **({"background": background} if background else {}),
    )
    gone, filled = {e.id for e in fixed}, {e.id for e in slots}
    kept = (shown[e.id] for e in slide.elements if e.id not in gone)
    return layout, slide.model_copy(update={
        "layout": layout.id, "background": None, "elements": tuple(
            _filling(e, ids[e.id]) if e.id in filled else _loose(e) for e in kept),
    })


def _bound(slide: Slide, course: Course) -> set[str]:
    """The elements with which something is done on the slide or in the course."""
    taken = {name for model in _naming(slide, course) for name in named(model, "element")}
    return {
        e.id for e in slide.elements
        if e.id in taken or e.rules or e.drag or e.moves or e.group or e.overlay
    }


def _naming(slide: Slide, course: Course) -> Iterator[Model]:
    """What can name elements of the slide."""
    yield from (*slide.questions, *slide.patterns, *slide.overlays, slide.timing)
    yield from (rule for rule, _ in rules_on(slide))
    yield from (rule for section in course.sections for rule in section.rules)
    yield from course.rules
    yield from (gate for gate in (slide.gate, course.gate) if gate)


def _is_slot(element: Element) -> bool:
    return isinstance(element, Text | Picture | Video) and not element.decoration


def _is_fixed(element: Element) -> bool:
    return isinstance(element, Shape | Meter) or (
        element.decoration and isinstance(element, Text | Picture | Video))


def _below_all(elements: list[Element], wanted: set[str]) -> list[Element]:
    """Those of `elements` (in paint order) that are `wanted` and lie on none of the others."""
    found: list[Element] = []
    others: list[Box] = []
    for element in elements:
        box = box_of(element)
        if element.id in wanted and not any(box.touches(other) for other in others):
            found.append(element)
        elif not isinstance(element, Group):
            others.append(box)
    return found


def _by_height(elements: Iterable[Element]) -> list[Element]:
    """The elements in paint order: of the same height, those later in the running order above."""
    return sorted(elements, key=lambda element: element.z)


def _shared(element: Element, name: str, z: int) -> Element:
    """The element as the layout has it."""
    return element.model_copy(update={
        "id": name, "z": z, "slot": None, "group": None,
        "own": tuple(own for own in element.own if own != "box") if element.named_style else (),
    })


def _filling(element: Element, slot: str) -> Element:
    own = tuple(name for name in element.own if name != "box") if element.named_style else ()
    return element.model_copy(update={"slot": slot, "own": own})


def _loose(element: Element) -> Element:
    """The element on no slot any more, where and how it was."""
    return element.model_copy(update={
        "slot": None, "own": element.own if element.named_style else ()})


