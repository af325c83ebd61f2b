"""The course structure of a cmi5 package: ``cmi5.xml``, written and read.

Source: ADL, *cmi5 Specification Profile for xAPI* (Quartz, 2016), sections 13 and 14.
"""

from collections.abc import Mapping
from itertools import islice
from urllib.parse import quote, unquote, urlsplit
from uuid import NAMESPACE_URL, uuid5

from lxml import etree

from zigzag_core.course import Course
from zigzag_core.errors import BadArchive

from .read_manifest import MOST_SCOS, Launchable, Manifest, local_name, parsed_xml

FILE = "cmi5.xml"
_NS = "https://w3id.org/xapi/profiles/cmi5/v1/CourseStructure.xsd"
MOVE_ON = ("NotApplicable", "Passed", "Completed", "CompletedAndPassed", "CompletedOrPassed")


def structure5(course: Course, launch: str = "index.html") -> bytes:
    """Return ``cmi5.xml`` for a course of one assignable unit, which starts at `launch`.

    Ids follow from that of the course: they stay the same over publications.
    """
    rule = course.completion
    seen = rule.slides_share is not None
    root = etree.Element(_in("courseStructure"), nsmap={None: _NS})  # type: ignore[dict-item]
    whole = etree.SubElement(root, _in("course"), {"id": _id(course, "course")})
    unit = etree.SubElement(root, _in("au"), {
        "id": _id(course, "unit"), "launchMethod": "AnyWindow",
        "moveOn": "CompletedAndPassed" if rule.passing and seen
        else "Passed" if rule.passing else "Completed",
        **({"masteryScore": f"{course.pass_mark / 100:g}"} if rule.passing else {})})
    for element in (whole, unit):
        for name in ("title", "description"):
            words = etree.SubElement(etree.SubElement(element, _in(name)), _in("langstring"))
            words.set("lang", course.language)
            words.text = course.title
    etree.SubElement(unit, _in("url")).text = quote(launch)
    return etree.tostring(root, xml_declaration=True, encoding="UTF-8", pretty_print=True)


def read_structure(files: Mapping[str, bytes]) -> Manifest:
    """Return the assignable units that ``cmi5.xml`` names, in their order, whatever their block.

    Raises `BadArchive` where it cannot be read, names none, or one that the package does not hold.
    """
    root = parsed_xml(files[FILE], FILE)
    if local_name(root) != "courseStructure":
        raise BadArchive(f"{FILE} is not a course structure.")
    units = [_unit(one, files)
             for one in islice((e for e in root.iter() if local_name(e) == "au"), MOST_SCOS)]
    if not units:
        raise BadArchive(f"{FILE} names nothing that could be launched.")
    course = next((e for e in root if local_name(e) == "course"), None)
    title = _words(course, "title") or units[0].title or "Untitled package"
    return Manifest(title=title, standard="cmi5", sequenced=False, scos=tuple(units))


def _unit(unit: etree._Element, files: Mapping[str, bytes]) -> Launchable:
    url = urlsplit("".join(e.text or "" for e in unit if local_name(e) == "url").strip())
    path = unquote(url.path).lstrip("/")
    if url.scheme or url.netloc:
        raise BadArchive("The package launches a page outside the package.")
    if path not in files:
        raise BadArchive(f"The package launches “{path}”, but does not hold it.")
    if not unit.get("id"):
        raise BadArchive("An assignable unit has no id.")
    move_on = unit.get("moveOn", "NotApplicable")
    return Launchable(
        title=_words(unit, "title"), launch=path, parameters=f"?{url.query}" if url.query else "",
        mastery_score=_share(unit.get("masteryScore")),
        launch_data="".join(
            e.text or "" for e in unit if local_name(e) == "launchParameters")[:65_536],
        time_limit="", activity=(unit.get("id") or "")[:2_000],
        move_on=move_on if move_on in MOVE_ON else "NotApplicable")


def _words(element: etree._Element | None, name: str) -> str:
    if element is None:
        return ""
    found = next((e for e in element if local_name(e) == name), None)
    texts = [] if found is None else [e.text for e in found if e.text]
    return (texts[0] if texts else "").strip()[:200]


def _share(text: str | None) -> float | None:
    try:
        share = float(text or "")
    except ValueError:
        return None
    return round(share * 100, 4) if 0 <= share <= 1 else None


def _id(course: Course, part: str) -> str:
    return uuid5(NAMESPACE_URL, f"zigzag:{course.id}:{part}").urn


def _in(name: str) -> str:
    return f"{{{_NS}}}{name}"
