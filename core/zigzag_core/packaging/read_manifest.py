"""Reading a SCORM 1.2 package that anybody made."""

from collections.abc import Mapping
from dataclasses import dataclass
from pathlib import PurePosixPath
from urllib.parse import unquote, urlsplit

from lxml import etree

from zigzag_core.errors import BadArchive

_LIMIT = 5_000_000


@dataclass(frozen=True)
class Launchable:
    """What an LMS needs of a package. `parameters` follow the launch path, with their ``?``."""

    title: str
    launch: str
    parameters: str
    mastery_score: float | None
    launch_data: str
    time_limit: str


def read_manifest(files: Mapping[str, bytes]) -> Launchable:
    """Return what the manifest among `files` (by path) launches first.

    Raises `BadArchive` when there is no manifest at the root, it cannot be read, is not
    SCORM 1.2, or names a launch file that the archive does not hold.
    """
    if "imsmanifest.xml" not in files:
        deeper = next((path for path in files if path.endswith("/imsmanifest.xml")), None)
        hint = f" There is one at “{deeper}”: zip what is in that folder, not the folder."
        raise BadArchive(
            "The package has no imsmanifest.xml at its root." + (hint if deeper else "")
        )
    root = _parsed(files["imsmanifest.xml"])
    if _local(root) != "manifest":
        raise BadArchive("imsmanifest.xml is not a manifest.")
    version = next((e.text or "" for e in root.iter() if _local(e) == "schemaversion"), "")
    if "2004" in version or "1.3" in version:
        raise BadArchive("The package is for SCORM 2004; this practice LMS runs SCORM 1.2.")
    resources = {
        e.get("identifier"): e for e in root.iter() if _local(e) == "resource" and e.get("href")
    }
    item = _first_item(root, resources)
    resource = resources[item.get("identifierref")] if item is not None else _first_sco(resources)
    if resource is None:
        raise BadArchive("The manifest names nothing that could be launched.")
    return _launchable(root, item, resource, files)


def _parsed(data: bytes) -> etree._Element:
    if len(data) > _LIMIT:
        raise BadArchive("imsmanifest.xml is too large.")
    parser = etree.XMLParser(
        resolve_entities=False, no_network=True, load_dtd=False, huge_tree=False,
        remove_comments=True, remove_pis=True,
    )
    try:
        return etree.fromstring(data, parser)
    except etree.XMLSyntaxError as error:
        raise BadArchive(f"imsmanifest.xml is not well-formed XML: {error.msg}.") from None


def _first_item(
    root: etree._Element, resources: Mapping[str | None, etree._Element]
) -> etree._Element | None:
    organizations = [e for e in root.iter() if _local(e) == "organization"]
    wanted = next((e.get("default") for e in root.iter() if _local(e) == "organizations"), None)
    organizations.sort(key=lambda e: e.get("identifier") != wanted)
    for organization in organizations:
        for item in organization.iter():
            if _local(item) == "item" and item.get("identifierref") in resources:
                return item
    return None


def _first_sco(resources: Mapping[str | None, etree._Element]) -> etree._Element | None:
    def is_sco(resource: etree._Element) -> bool:
        return any(
            str(name).lower().endswith("scormtype") and str(value).lower() == "sco"
            for name, value in resource.attrib.items()
        )

    return next((r for r in resources.values() if is_sco(r)), next(iter(resources.values()), None))


def _launchable(
    root: etree._Element, item: etree._Element | None, resource: etree._Element,
    files: Mapping[str, bytes],
) -> Launchable:
    href = resource.get("href") or ""
    target = urlsplit(href)
    if target.scheme or target.netloc:
        raise BadArchive("The manifest launches a page outside the package.")
    path = str(PurePosixPath(unquote(target.path)))
    if path not in files:
        raise BadArchive(f"The manifest launches “{path}”, but the package does not hold it.")
    parameters = (item.get("parameters") or "") if item is not None else ""
    query = f"?{target.query}" if target.query else ""
    if parameters.lstrip("?&"):
        query += ("&" if query else "?") + parameters.lstrip("?&")
    around = item if item is not None else root
    return Launchable(
        title=(_text(around, "title") or _text(root, "title") or "Untitled package")[:200],
        launch=path, parameters=query, mastery_score=_score(_text(around, "masteryscore")),
        launch_data=_text(around, "datafromlms")[:4_096],
        time_limit=_text(around, "maxtimeallowed")[:20],
    )


def _local(element: etree._Element) -> str:
    return etree.QName(element).localname if isinstance(element.tag, str) else ""


def _text(element: etree._Element, name: str) -> str:
    found = next((e.text for e in element.iter() if _local(e) == name and e.text), "")
    return found.strip()


def _score(text: str) -> float | None:
    try:
        value = float(text)
    except ValueError:
        return None
    return value if 0 <= value <= 100 else None
