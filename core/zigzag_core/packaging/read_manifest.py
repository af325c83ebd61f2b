"""Reading a SCORM package that anybody made.

Sources: ADL, SCORM 1.2 Content Aggregation Model (2001), 2.3 (content packaging); ADL, SCORM 2004
4th Edition Content Aggregation Model (2009), 3.4; W3C, XML Base.
"""

import posixpath
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from itertools import islice
from typing import Literal
from urllib.parse import unquote, urljoin, urlsplit

from lxml import etree

from zigzag_core.errors import BadArchive

LARGEST = 5_000_000
MOST_SCOS = 500
"""Of a package no more are launched."""
_BASE = "{http://www.w3.org/XML/1998/namespace}base"
_ROOT = "http://package.invalid/"
"""Where the files of a package lie while addresses are worked out: no host has this name."""


Standard = Literal["scorm12", "scorm2004", "scorm2004_3", "cmi5"]
"""SCORM 1.2, SCORM 2004 in its 4th edition and in an edition before, cmi5."""


@dataclass(frozen=True)
class Launchable:
    """What an LMS needs to launch a SCO. `parameters` follow the launch path, with their ``?``.

    In SCORM 2004 the `mastery_score` is the mark to pass (0..100) that success goes by, and
    `threshold` the measure of progress (0..1) that completion goes by. In cmi5 an assignable unit
    is an `activity` and has a rule to `move_on`.
    """

    title: str
    launch: str
    parameters: str
    mastery_score: float | None
    launch_data: str
    time_limit: str
    threshold: float | None = None
    activity: str = ""
    move_on: str = ""


@dataclass(frozen=True)
class Manifest:
    """A package: its title, its standard, and what it launches, in order, at least one.

    `sequenced` tells of rules that say when which part is to be launched.
    """

    title: str
    standard: Standard
    sequenced: bool
    scos: tuple[Launchable, ...]


def read_manifest(files: Mapping[str, bytes]) -> Manifest:
    """Return what the manifest among `files` (by path) launches.

    Raises `BadArchive` when there is no manifest at the root, it cannot be read, or names a launch
    file that the archive does not hold.
    """
    if "imsmanifest.xml" not in files:
        deeper = next((path for path in files if path.endswith("/imsmanifest.xml")), None)
        hint = f" There is one at “{deeper}”: zip what is in that folder, not the folder."
        raise BadArchive(
            "The package has no imsmanifest.xml at its root." + (hint if deeper else "")
        )
    root = parsed_xml(files["imsmanifest.xml"], "imsmanifest.xml")
    if local_name(root) != "manifest":
        raise BadArchive("imsmanifest.xml is not a manifest.")
    resources = {
        e.get("identifier"): e for e in root.iter() if local_name(e) == "resource" and e.get("href")
    }
    organization = _organization(root)
    items = _items(organization, resources)
    scos = [_launchable(item, resources[item.get("identifierref")], files) for item in items]
    if not scos:
        resource = _first_sco(resources)
        if resource is None:
            raise BadArchive("The manifest names nothing that could be launched.")
        scos = [_launchable(None, resource, files)]
    title = _text(organization, "title") or scos[0].title
    return Manifest(
        title=title or "Untitled package", standard=_standard(root), scos=tuple(scos),
        sequenced=any(local_name(e) in ("sequencingRules", "rollupRules") for e in root.iter()))


def _standard(root: etree._Element) -> Standard:
    """What the manifest says of its version; where it says nothing, its namespaces tell."""
    version = next((e.text or "" for e in root.iter() if local_name(e) == "schemaversion"), "")
    if "4th" in version:
        return "scorm2004"
    if "2004" in version or "1.3" in version:
        return "scorm2004_3"
    later = not version and any("adlcp_v1p3" in str(uri) for uri in root.nsmap.values())
    return "scorm2004_3" if later else "scorm12"


def parsed_xml(data: bytes, name: str) -> etree._Element:
    """Return the root of the file with this name; it may be hostile. Raises `BadArchive`."""
    if len(data) > LARGEST:
        raise BadArchive(f"{name} is too large.")
    parser = etree.XMLParser(
        resolve_entities=False, no_network=True, load_dtd=False, huge_tree=False,
        remove_comments=True, remove_pis=True,
    )
    try:
        return etree.fromstring(data, parser)
    except etree.XMLSyntaxError as error:
        raise BadArchive(f"{name} is not well-formed XML: {error.msg}.") from None


def _organization(root: etree._Element) -> etree._Element | None:
    """The organization that the manifest names as its default, else the first."""
    found = [e for e in root.iter() if local_name(e) == "organization"]
    wanted = next((e.get("default") for e in root.iter() if local_name(e) == "organizations"), None)
    return next((e for e in found if e.get("identifier") == wanted), found[0] if found else None)


def _items(
    organization: etree._Element | None, resources: Mapping[str | None, etree._Element]
) -> list[etree._Element]:
    if organization is None:
        return []
    return list(islice(
        (e for e in organization.iter()
         if local_name(e) == "item" and e.get("identifierref") in resources), MOST_SCOS))


def _first_sco(resources: Mapping[str | None, etree._Element]) -> etree._Element | None:
    def is_sco(resource: etree._Element) -> bool:
        return any(
            str(name).lower().endswith("scormtype") and str(value).lower() == "sco"
            for name, value in resource.attrib.items()
        )

    return next((r for r in resources.values() if is_sco(r)), next(iter(resources.values()), None))


def _launchable(
    item: etree._Element | None, resource: etree._Element, files: Mapping[str, bytes]
) -> Launchable:
    path, query = _address(resource)
    if path not in files:
        raise BadArchive(f"The manifest launches “{path}”, but the package does not hold it.")
    parameters = (item.get("parameters") or "") if item is not None else ""
    if parameters.lstrip("?&"):
        query += ("&" if query else "?") + parameters.lstrip("?&")
    return Launchable(
        title=_text(item, "title"),
        launch=path, parameters=query,
        mastery_score=_score(_text(item, "masteryscore")) if item is None else _mark(item),
        launch_data=_text(item, "datafromlms", 4_096) or _text(item, "dataFromLMS", 4_000),
        time_limit=_text(item, "maxtimeallowed", 20),
        threshold=None if item is None else _threshold(item),
    )


def _mark(item: etree._Element) -> float | None:
    """The mark to pass of an item: in 2004 the measure that its primary objective goes by."""
    if (score := _score(_text(item, "masteryscore"))) is not None:
        return score
    primary = next(
        (e for e in _own(item, "sequencing") if local_name(e) == "primaryObjective"), None)
    if primary is None or primary.get("satisfiedByMeasure") != "true":
        return None
    measure = _score(_text(primary, "minNormalizedMeasure") or "1")
    return None if measure is None or measure > 1 else measure * 100


def _threshold(item: etree._Element) -> float | None:
    """The measure of progress from which an item is completed (4th edition: as attributes)."""
    found = next((e for e in item if local_name(e) == "completionThreshold"), None)
    if found is None:
        return None
    if found.get("completedByMeasure") is not None:
        if found.get("completedByMeasure") != "true":
            return None
        measure = _score(found.get("minProgressMeasure") or "1")
    else:
        measure = _score(found.text or "")
    return None if measure is None or measure > 1 else measure


def _own(item: etree._Element, name: str) -> Iterator[etree._Element]:
    """What stands in the children of `item` with this name."""
    for child in item:
        if local_name(child) == name:
            yield from child.iter()


def _address(resource: etree._Element) -> tuple[str, str]:
    """The path in the package that a resource launches, and its query, with ``?``.

    Each ``xml:base`` from the manifest down to the resource counts.
    """
    above = [*reversed(list(resource.iterancestors())), resource]
    address = _ROOT
    for reference in (*(e.get(_BASE) or "" for e in above), resource.get("href") or ""):
        try:
            address = urljoin(address, reference.strip().replace("\\", "/"))
        except ValueError:
            raise BadArchive("The manifest launches an address that cannot be read.") from None
    target = urlsplit(address)
    if not address.startswith(_ROOT):
        raise BadArchive("The manifest launches a page outside the package.")
    path = posixpath.normpath(unquote(target.path)).lstrip("/")
    return path, f"?{target.query}" if target.query else ""


def local_name(element: etree._Element) -> str:
    """Return the name of an element without its namespace; nothing for what is no element."""
    return etree.QName(element).localname if isinstance(element.tag, str) else ""


def _text(element: etree._Element | None, name: str, most: int = 200) -> str:
    """The words, `most` characters of them, of the child `name`; its items have their own."""
    if element is None:
        return ""
    found = next((e.text for e in element if local_name(e) == name and e.text), "")
    return found.strip()[:most]


def _score(text: str) -> float | None:
    try:
        value = float(text)
    except ValueError:
        return None
    return value if 0 <= value <= 100 else None
