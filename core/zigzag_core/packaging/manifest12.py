"""The SCORM 1.2 manifest.

Source: ADL, *SCORM Version 1.2, The SCORM Content Aggregation Model* (2001), section 2.3.
"""

from collections.abc import Iterable
from typing import Any
from urllib.parse import quote

from lxml import etree

from zigzag_core.course import Course

_CP = "http://www.imsproject.org/xsd/imscp_rootv1p1p2"
_ADLCP = "http://www.adlnet.org/xsd/adlcp_rootv1p2"
_XSI = "http://www.w3.org/2001/XMLSchema-instance"
_NAMES: Any = {None: _CP, "adlcp": _ADLCP, "xsi": _XSI}
"""By prefix; the stubs of lxml do not know that None stands for no prefix."""


def manifest12(course: Course, paths: Iterable[str], launch: str = "index.html") -> bytes:
    """Return ``imsmanifest.xml`` for a package with one SCO that starts at `launch`.

    `paths` are all files of the package. No ``adlcp:masteryscore`` is given: with one, an LMS sets
    the status to *passed* or *failed* from the score alone, also when a learner leaves half-way.
    The player, which knows what else must hold, sets the status itself.
    """
    root = etree.Element(
        _cp("manifest"), {"identifier": f"zigzag-{course.id}", "version": "1.0"},
        nsmap=_NAMES,
    )
    root.set(
        f"{{{_XSI}}}schemaLocation",
        f"{_CP} imscp_rootv1p1p2.xsd {_ADLCP} adlcp_rootv1p2.xsd",
    )
    metadata = etree.SubElement(root, _cp("metadata"))
    etree.SubElement(metadata, _cp("schema")).text = "ADL SCORM"
    etree.SubElement(metadata, _cp("schemaversion")).text = "1.2"
    organizations = etree.SubElement(root, _cp("organizations"), {"default": "course"})
    organization = etree.SubElement(organizations, _cp("organization"), {"identifier": "course"})
    etree.SubElement(organization, _cp("title")).text = course.title
    item = etree.SubElement(
        organization, _cp("item"),
        {"identifier": "item", "identifierref": "sco", "isvisible": "true"},
    )
    etree.SubElement(item, _cp("title")).text = course.title
    resources = etree.SubElement(root, _cp("resources"))
    resource = etree.SubElement(
        resources, _cp("resource"),
        {
            "identifier": "sco", "type": "webcontent", f"{{{_ADLCP}}}scormtype": "sco",
            "href": quote(launch),
        },
    )
    for path in paths:
        etree.SubElement(resource, _cp("file"), {"href": quote(path)})
    return etree.tostring(root, xml_declaration=True, encoding="UTF-8", pretty_print=True)


def _cp(name: str) -> str:
    return f"{{{_CP}}}{name}"
