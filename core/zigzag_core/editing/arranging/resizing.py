"""Another slide size: everything keeps its proportions and its place in the picture."""

from zigzag_core.course import CourseDocument, Element, Layout, SlideSize, StylePatch
from zigzag_core.course.layouts.shipped import H, W
from zigzag_core.course.model import FARTHEST
from zigzag_core.course.style.style import LARGEST_FONT, SMALLEST_FONT, WIDEST_BORDER, Style

_LENGTHS = ("border_width", "radius", "padding")
_FULL = 0.985
"""What covers this share of the slide's width or height covers it all afterwards as well."""


def resize_course(document: CourseDocument, size: SlideSize) -> CourseDocument:
    """Return `document` at another slide size.

    Things are scaled by one factor, so that nothing is distorted, and keep their share of the
    free room on each side; what reached from edge to edge still does.
    """
    old = document.course.size
    if size == old:
        return document
    course = document.course.model_copy(update={
        "size": size,
        "layouts": tuple(_layout(layout, old, size) for layout in document.course.layouts),
        "styles": tuple(
            named.model_copy(update={
                "style": _style(named.style, _factor(old, size)),
                "looks": {
                    look: _patch(patch, _factor(old, size)) for look, patch in named.looks.items()
                },
            })
            for named in document.course.styles
        ),
    })
    slides = tuple(
        slide.model_copy(update={
            "elements": tuple(_element(e, old, size) for e in slide.elements)
        })
        for slide in document.slides
    )
    return document.model_copy(update={"course": course, "slides": slides})


def fitted_layout(layout: Layout, size: SlideSize) -> Layout:
    """Return a shipped layout at the slide size of a course."""
    shipped = SlideSize(w=W, h=H)
    return layout if size == shipped else _layout(layout, shipped, size)


def _layout(layout: Layout, old: SlideSize, new: SlideSize) -> Layout:
    return layout.model_copy(update={
        "elements": tuple(_element(e, old, new) for e in layout.elements)
    })


def _factor(old: SlideSize, new: SlideSize) -> float:
    return min(new.w / old.w, new.h / old.h)


def _element(element: Element, old: SlideSize, new: SlideSize) -> Element:
    k = _factor(old, new)
    x, w = _along(element.x, element.w, old.w, new.w, k)
    y, h = _along(element.y, element.h, old.h, new.h, k)
    return element.model_copy(update={
        "x": x, "y": y, "w": w, "h": h, "style": _style(element.style, k),
        "looks": {
            look: _placed(_patch(patch, k), element, old, new)
            for look, patch in element.looks.items()
        },
    })


def _placed(patch: StylePatch, element: Element, old: SlideSize, new: SlideSize) -> StylePatch:
    """The patch with its own place and size, if it has any, where they belong on the new size."""
    given = {name: value for name in ("x", "y", "w", "h")
             if (value := getattr(patch, name)) is not None}
    if not given:
        return patch
    box = {name: given.get(name, getattr(element, name)) for name in ("x", "y", "w", "h")}
    k = _factor(old, new)
    x, w = _along(box["x"], box["w"], old.w, new.w, k)
    y, h = _along(box["y"], box["h"], old.h, new.h, k)
    after = {"x": x, "y": y, "w": w, "h": h}
    return patch.model_copy(update={name: after[name] for name in given})


def _along(start: float, length: float, old: float, new: float, k: float) -> tuple[float, float]:
    """Return place and length along one axis."""
    if length >= old * _FULL:
        before, after = start, old - start - length
        return _placed_within(before * k, new - (before + after) * k)
    scaled = length * k
    free = old - length
    share = start / free if free > 0 else 0.5
    return _placed_within((new - scaled) * share, scaled)


def _placed_within(start: float, length: float) -> tuple[float, float]:
    """The place and length, rounded, as far off the slide as anything can be."""
    return (min(max(round(start, 2), -FARTHEST), FARTHEST),
            min(max(round(length, 2), 0), FARTHEST))


def _style(style: Style, k: float) -> Style:
    lengths = {name: _width(name, getattr(style, name), k) for name in _LENGTHS}
    return style.model_copy(update={"size": _font(style.size, k), **lengths})


def _patch(patch: StylePatch, k: float) -> StylePatch:
    changes = {
        name: _width(name, value, k) for name in _LENGTHS
        if (value := getattr(patch, name)) is not None
    }
    if patch.size is not None:
        changes["size"] = _font(patch.size, k)
    return patch.model_copy(update=changes) if changes else patch


def _width(name: str, value: float, k: float) -> float:
    return min(round(value * k, 2), WIDEST_BORDER if name == "border_width" else FARTHEST)


def _font(size: float, k: float) -> float:
    return min(max(round(size * k, 1), SMALLEST_FONT), LARGEST_FONT)
