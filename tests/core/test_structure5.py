"""The course structure of a cmi5 package."""

import pytest
from lxml import etree
from zigzag_core.course.document import Completion
from zigzag_core.packaging.incremental import compiled_whole
from zigzag_core.packaging.package import place_in_package
from zigzag_core.packaging.safe_zip import read_zip
from zigzag_core.packaging.structure5 import FILE, read_structure, structure5

from .making import course, slide
from .packing import packaged
from .test_package import PLAYER

NS = "{https://w3id.org/xapi/profiles/cmi5/v1/CourseStructure.xsd}"


@pytest.mark.parametrize(("rule", "move_on", "mastery"), [
    (Completion(), "Completed", None),
    (Completion(passing=True), "CompletedAndPassed", 60),
    (Completion(slides_share=None, passing=True), "Passed", 60)])
def test_what_completes_the_course_is_what_moves_on(rule, move_on, mastery):
    made = course(slide("slidea"))
    settings = made.course.model_copy(update={"completion": rule, "pass_mark": 60})
    [unit] = read_structure({FILE: structure5(settings), "index.html": b""}).scos
    assert (unit.move_on, unit.mastery_score, unit.launch) == (move_on, mastery, "index.html")
    # The same course has the same ids in each publication, and another one has others.
    other = settings.model_copy(update={"id": "another"})
    assert structure5(settings) == structure5(settings.model_copy())
    [elsewhere] = read_structure({FILE: structure5(other), "index.html": b""}).scos
    assert unit.activity != elsewhere.activity and unit.activity.startswith("urn:uuid:")


def test_a_package_has_its_structure_at_the_root_as_the_schema_asks():
    made = course(slide("slidea"))
    files = read_zip(packaged("cmi5", compiled_whole(made, place_in_package), PLAYER, {}))
    assert next(iter(files)) == FILE and "imsmanifest.xml" not in files
    assert files["player/player.js"] == b"// cmi5"
    root = etree.fromstring(files[FILE])
    assert [one.tag for one in root] == [NS + "course", NS + "au"]
    assert [one.tag for one in root[0]] == [NS + "title", NS + "description"]
    assert [one.tag for one in root[1]] == [NS + "title", NS + "description", NS + "url"]
    words = {one.get("lang") for one in root.iter(NS + "langstring")}
    assert words == {"en"} and read_structure(files).standard == "cmi5"
