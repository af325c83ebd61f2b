"""The SCORM 2004 manifest, of the 4th and the 3rd edition.

Sources: ADL, *SCORM 2004 4th Edition, Content Aggregation Model* (2009), sections 3.4 and 5;
*Sequencing and Navigation* (2009), section 3; IEEE 1484.12.3 (LOM).
"""

from collections.abc import Iterable
from typing import Any, Literal
from urllib.parse import quote

from lxml import etree

from zigzag_core.course import Course

_CP = "http://www.imsglobal.org/xsd/imscp_v1p1"
_CPS = {
    "adlcp": "http://www.adlnet.org/xsd/adlcp_v1p3",
    "adlseq": "http://www.adlnet.org/xsd/adlseq_v1p3",
    "adlnav": "http://www.adlnet.org/xsd/adlnav_v1p3",
    "imsss": "http://www.imsglobal.org/xsd/imsss",
    "lom": "http://ltsc.ieee.org/xsd/LOM",
    "xsi": "http://www.w3.org/2001/XMLSchema-instance",
}
_NAMES: Any = {None: _CP, **_CPS}
"""By prefix; the stubs of lxml do not know that None stands for no prefix."""
_SCHEMAS = (
    (_CP, "imscp_v1p1.xsd"), (_CPS["adlcp"], "adlcp_v1p3.xsd"),
    (_CPS["adlseq"], "adlseq_v1p3.xsd"), (_CPS["adlnav"], "adlnav_v1p3.xsd"),
    (_CPS["imsss"], "imsss_v1p0.xsd"), (_CPS["lom"], "lom.xsd"),
)

Edition = Literal[3, 4]
_EDITIONS = {3: "2004 3rd Edition", 4: "2004 4th Edition"}


def manifest2004(
    course: Course, paths: Iterable[str], edition: Edition, launch: str = "index.html"
) -> bytes:
    """Return ``imsmanifest.xml`` for a package with one SCO that starts at `launch`.

    `paths` are all files of the package. Navigation is left to the course: the LMS is asked to
    show no buttons of its own for it. Completion and success come from the course; the threshold
    says that it is completed with a progress measure of 1, which the player tells only then.
    There is no objective satisfied by measure: with one, an LMS sets *passed* or *failed* from the
    score alone, also when a learner leaves half-way.
    """
    root = etree.Element(
        _cp("manifest"), {"identifier": f"zigzag-{course.id}", "version": "1.0"}, nsmap=_NAMES)
    root.set(_in("xsi", "schemaLocation"),
             " ".join(f"{name} {file}" for name, file in _SCHEMAS))
    metadata = etree.SubElement(root, _cp("metadata"))
    etree.SubElement(metadata, _cp("schema")).text = "ADL SCORM"
    etree.SubElement(metadata, _cp("schemaversion")).text = _EDITIONS[edition]
    _lom(metadata, course)
    organizations = etree.SubElement(root, _cp("organizations"), {"default": "course"})
    organization = etree.SubElement(organizations, _cp("organization"), {"identifier": "course"})
    etree.SubElement(organization, _cp("title")).text = course.title
    _item(organization, course, edition)
    sequencing = etree.SubElement(organization, _in("imsss", "sequencing"))
    etree.SubElement(sequencing, _in("imsss", "controlMode"), {"choice": "true", "flow": "true"})
    resources = etree.SubElement(root, _cp("resources"))
    resource = etree.SubElement(resources, _cp("resource"), {
        "identifier": "sco", "type": "webcontent", _in("adlcp", "scormType"): "sco",
        "href": quote(launch)})
    for path in paths:
        etree.SubElement(resource, _cp("file"), {"href": quote(path)})
    return etree.tostring(root, xml_declaration=True, encoding="UTF-8", pretty_print=True)


def _item(organization: etree._Element, course: Course, edition: Edition) -> None:
    item = etree.SubElement(organization, _cp("item"), {
        "identifier": "item", "identifierref": "sco", "isvisible": "true"})
    etree.SubElement(item, _cp("title")).text = course.title
    threshold = etree.SubElement(item, _in("adlcp", "completionThreshold"))
    if edition == 4:
        threshold.set("completedByMeasure", "true")
        threshold.set("minProgressMeasure", "1.0")
    else:
        threshold.text = "1.0"
    sequencing = etree.SubElement(item, _in("imsss", "sequencing"))
    etree.SubElement(sequencing, _in("imsss", "deliveryControls"), {
        "tracked": "true", "completionSetByContent": "true", "objectiveSetByContent": "true"})
    presentation = etree.SubElement(item, _in("adlnav", "presentation"))
    interface = etree.SubElement(presentation, _in("adlnav", "navigationInterface"))
    for button in ("previous", "continue"):
        etree.SubElement(interface, _in("adlnav", "hideLMSUI")).text = button


def _lom(metadata: etree._Element, course: Course) -> None:
    """The title and the language of the course, as learning object metadata."""
    lom = etree.SubElement(metadata, _in("lom", "lom"))
    general = etree.SubElement(lom, _in("lom", "general"))
    title = etree.SubElement(general, _in("lom", "title"))
    words = etree.SubElement(title, _in("lom", "string"), {"language": course.language})
    words.text = course.title
    etree.SubElement(general, _in("lom", "language")).text = course.language


def _cp(name: str) -> str:
    return f"{{{_CP}}}{name}"


def _in(prefix: str, name: str) -> str:
    return f"{{{_CPS[prefix]}}}{name}"
