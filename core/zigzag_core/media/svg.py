"""Drawings (SVG) made harmless: what draws is kept, what acts or fetches is taken out.

An allowlist over elements and attributes of SVG 2 (W3C); references only within the drawing.
"""

import re
from itertools import islice

from lxml import etree

from zigzag_core.errors import BadDrawing

from .svg_cost import MOST_ELEMENTS, check_cost

LARGEST_DRAWING = 5_000_000
"""Bytes of a drawing."""

_SVG = "http://www.w3.org/2000/svg"
_XLINK = "http://www.w3.org/1999/xlink"

_ELEMENTS = frozenset(
    """
    svg g defs symbol use title desc path rect circle ellipse line polyline polygon text tspan
    textPath linearGradient radialGradient stop clipPath mask pattern marker image switch view
    filter feBlend feColorMatrix feComponentTransfer feComposite feConvolveMatrix
    feDiffuseLighting feDisplacementMap feDistantLight feDropShadow feFlood feFuncA feFuncB
    feFuncG feFuncR feGaussianBlur feMerge feMergeNode feMorphology feOffset fePointLight
    feSpecularLighting feSpotLight feTile feTurbulence
    """.split()  # noqa: SIM905
)
_NAMESPACED = frozenset({f"{{{_XLINK}}}href", "{http://www.w3.org/XML/1998/namespace}space"})
_ATTRIBUTE = re.compile(r"^[a-zA-Z][a-zA-Z0-9_.:-]*$")
_OUTSIDE = re.compile(r"url\(\s*['\"]?\s*(?!['\"]?#)|@import|expression\(|javascript:", re.I)
_PICTURE = re.compile(r"^data:image/(png|jpeg|gif|webp);base64,[A-Za-z0-9+/=\s]*$", re.I)
_NUMBER = re.compile(r"^\s*([0-9]*\.?[0-9]+)\s*(px)?\s*$")


def clean_svg(data: bytes) -> tuple[bytes, int, int]:
    """Return `data` as a drawing that only draws, with its width and height in px.

    Scripts, event handlers, links, foreign content, animation, style sheets and everything that
    would be fetched are taken out. Raises `BadDrawing` for what is no SVG, is not well-formed, or
    declares entities, is too large, or would take a browser too long to draw.
    """
    if len(data) > LARGEST_DRAWING:
        raise BadDrawing(f"The drawing is larger than {LARGEST_DRAWING // 1_000_000} MB.")
    if any("<!ENTITY".encode(code) in data for code in ("utf-8", "utf-16-le", "utf-16-be")):
        raise BadDrawing("The drawing declares entities; save it as plain SVG.")
    parser = etree.XMLParser(
        resolve_entities=False, no_network=True, load_dtd=False, huge_tree=False,
        remove_comments=True, remove_pis=True,
    )
    try:
        root = etree.fromstring(data, parser)
    except (etree.XMLSyntaxError, ValueError):
        raise BadDrawing("The drawing is not well-formed SVG.") from None
    if root.tag != f"{{{_SVG}}}svg":
        raise BadDrawing("The file is not a PNG, JPEG, WebP, GIF or SVG picture.")
    elements = list(islice(root.iter(), MOST_ELEMENTS + 1))
    if len(elements) > MOST_ELEMENTS:
        raise BadDrawing(f"The drawing has more than {MOST_ELEMENTS:,} elements.")
    for element in elements:
        _clean(element, root)
    w, h = _size(root)
    check_cost(root)
    root.set("width", str(w))
    root.set("height", str(h))
    if "viewBox" not in root.attrib:
        root.set("viewBox", f"0 0 {w} {h}")
    etree.cleanup_namespaces(root)
    return etree.tostring(root, encoding="utf-8"), w, h


def _clean(element: etree._Element, root: etree._Element) -> None:
    if not _draws(element):
        if element is not root and element.getparent() is not None:
            _remove(element)
        return
    for name, value in list(element.attrib.items()):
        if not _keeps(element, str(name), str(value)):
            del element.attrib[name]


def _draws(element: etree._Element) -> bool:
    if not isinstance(element.tag, str):
        return False
    name = etree.QName(element)
    return name.namespace == _SVG and name.localname in _ELEMENTS


def _keeps(element: etree._Element, name: str, value: str) -> bool:
    if name in ("href", f"{{{_XLINK}}}href"):
        is_picture = etree.QName(element).localname == "image" and _PICTURE.match(value)
        return value.startswith("#") or bool(is_picture)
    if name.startswith("{"):
        return name in _NAMESPACED
    if not _ATTRIBUTE.match(name) or name.lower().startswith("on"):
        return False
    # CSS may hide a word behind an escape or a comment; drawings need neither.
    return not ("\\" in value or "/*" in value or _OUTSIDE.search(value))


def _remove(element: etree._Element) -> None:
    """Take out an element and all in it, but not the text that follows it."""
    parent, before = element.getparent(), element.getprevious()
    if parent is None:
        return
    if element.tail:
        if before is not None:
            before.tail = (before.tail or "") + element.tail
        else:
            parent.text = (parent.text or "") + element.tail
    parent.remove(element)


def _size(root: etree._Element) -> tuple[int, int]:
    """Return width and height in px: as said, else from the view box, else CSS's 300 by 150."""
    box = (root.get("viewBox") or "").replace(",", " ").split()
    sides = [_NUMBER.match(root.get(name) or "") for name in ("width", "height")]
    if all(sides):
        w, h = (float(side[1]) for side in sides if side)
    else:
        try:
            w, h = float(box[2]), float(box[3])
        except (IndexError, ValueError):
            w, h = 300.0, 150.0
    if not (0 < w < 100_000 and 0 < h < 100_000):
        w, h = 300.0, 150.0
    return max(round(w), 1), max(round(h), 1)
