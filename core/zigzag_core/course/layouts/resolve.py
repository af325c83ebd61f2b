"""What a slide comes to: its own words laid over its layout, the named styles and its quiz.

The twin of this file is `web/player/render/resolve.ts`; a test holds the two together.
"""

from collections.abc import Iterable, Mapping
from functools import cached_property

from ..document import Course, Slide
from ..elements.element import Element
from ..questions.following import defaults_by_slide, with_defaults
from ..questions.settings import QuestionDefaults
from ..style.style import Style
from ..style.theme import NamedStyle
from .layout import Background, Layout

BOX = ("x", "y", "w", "h", "turn")


class Sources:
    """What slides may follow: the layouts and named styles of one course, by id.

    And the `defaults` of the quiz that a slide is in, by slide.
    """

    def __init__(self, course: Course) -> None:
        self.styles: Mapping[str, NamedStyle] = {style.id: style for style in course.styles}
        self._layouts = course.layouts
        self._course = course

    @cached_property
    def defaults(self) -> Mapping[str, QuestionDefaults]:
        """What questions may follow, by slide."""
        return defaults_by_slide(self._course.slides, self._course.sections)

    @cached_property
    def layouts(self) -> Mapping[str, Layout]:
        """The layouts, their own elements already styled by what they follow."""
        return {
            layout.id: layout.model_copy(update={
                "elements": tuple(styled(e, self.styles) for e in layout.elements)
            })
            for layout in self._layouts
        }


def styled(
    element: Element, styles: Mapping[str, NamedStyle], slot: Element | None = None
) -> Element:
    """Return `element` with the style and looks of what it follows: a named style, or its slot."""
    source = styles.get(element.named_style or "") or slot
    if source is None:
        return element
    own = {
        name: getattr(element.style, name) for name in element.own if name in Style.model_fields
    }
    style = source.style.model_copy(update=own) if own else source.style
    looks = element.looks if "looks" in element.own else source.looks
    return element.model_copy(update={"style": style, "looks": looks})


def resolved_element(element: Element, slots: Mapping[str, Element], sources: Sources) -> Element:
    """Return `element` as it stands on the slide: in its slot's box unless that is its own."""
    slot = slots.get(element.slot or "")
    result = styled(element, sources.styles, slot)
    if slot is not None and "box" not in element.own:
        result = result.model_copy(update={name: getattr(slot, name) for name in BOX})
    return result


def resolved(slide: Slide, sources: Sources) -> Slide:
    """Return `slide` as it looks: with its layout's background and fixed elements below its own.

    The fixed elements come first in the running order, their ids made unique to the slide. Its
    questions have the defaults that they follow.
    """
    slide = with_defaults(slide, sources.defaults.get(slide.id))
    layout = sources.layouts.get(slide.layout or "")
    slots = _slots(layout)
    elements = tuple(resolved_element(element, slots, sources) for element in slide.elements)
    return slide.model_copy(update={
        "background": slide.background or (layout.background if layout else Background()),
        "elements": (*_fixed(layout, slide, elements), *elements),
    })


def resolved_slides(slides: Iterable[Slide], course: Course) -> tuple[Slide, ...]:
    """Return all `slides` as they look in `course`."""
    sources = Sources(course)
    return tuple(resolved(slide, sources) for slide in slides)


def _slots(layout: Layout | None) -> Mapping[str, Element]:
    if layout is None:
        return {}
    return {element.id: element for element in layout.elements if element.id in layout.slots}


def _fixed(layout: Layout | None, slide: Slide, above: tuple[Element, ...]) -> list[Element]:
    """The layout's own elements, below everything of the slide."""
    if layout is None:
        return []
    fixed = [element for element in layout.elements if element.id not in layout.slots]
    top = max((element.z for element in fixed), default=0)
    floor = min((element.z for element in above), default=0)
    ids = {element.id: fixed_id(slide.id, index) for index, element in enumerate(fixed)}
    return [
        element.model_copy(update={
            "id": ids[element.id], "z": element.z - top + floor - 1,
            "group": ids.get(element.group or ""),
        })
        for element in fixed
    ]


def fixed_id(slide: str, index: int) -> str:
    """Return the id on `slide` of the layout's fixed element number `index`."""
    return f"{slide[:20]}f{index}"
