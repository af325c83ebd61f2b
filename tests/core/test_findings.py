"""What the checks say of a document: each thing that is missing, and nothing of what is not."""

import pytest
from zigzag_core.course import (
    Area,
    Course,
    CourseDocument,
    Embed,
    Group,
    Input,
    MediaFile,
    Nowhere,
    NumberVariable,
    Picture,
    Rule,
    Video,
)
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.course.rules.rule import Announce
from zigzag_core.editing.removing import without
from zigzag_core.verification.findings.document import findings

from .samples import fresh_ids, quiz_course, with_slides

FILE = MediaFile(id="filea", name="Rope", type="image/png", sha256="0" * 64, size=1)
COUNT = NumberVariable(id="count", name="Count")


ASKED = Rule(id="asked", condition=["=", ["variable", "count"], 1], do=(Announce(text="One"),))


def course_of(*elements, **slide):
    counts = any(getattr(element, "variable", None) == "count" for element in elements)
    made = blank_slide("One", fresh_ids()).model_copy(update={
        "elements": elements, "rules": (ASKED,) if counts else (), **slide})
    course = Course(id="course", title="C", slides=(made.id,), media=(FILE,),
                    variables=(COUNT,) if counts else ())
    return CourseDocument(course=course, slides=(made,))


def codes(document):
    return [finding.code for finding in findings(document)]


@pytest.mark.parametrize(("element", "code"), [
    (Picture(id="thing", name="P"), "no_picture"),
    (Picture(id="thing", name="P", media="gone", alt="A rope"), "lost_reference"),
    (Video(id="thing", name="V"), "no_picture"),
    (Picture(id="thing", name="P", media="filea"), "no_alternative"),
    (Area(id="thing", name="A"), "no_alternative"),
    (Input(id="thing", name="I"), "no_variable"),
    (Input(id="thing", name="I", variable="gone"), "lost_reference"),
    (Embed(id="thing", name="E"), "no_address"),
])
def test_what_an_element_lacks_is_found_with_its_place(element, code):
    [found] = findings(course_of(element))
    assert (found.code, found.element, found.level) == (code, "thing", "warning")
    assert f"“{element.name}”" in found.message


@pytest.mark.parametrize("element", [
    Picture(id="thing", name="P", media="filea", alt="A coiled rope"),
    Picture(id="thing", name="P", media="filea", decoration=True),
    Area(id="thing", name="A", alt="Open the stove"),
    Input(id="thing", name="I", variable="count"),
    Embed(id="thing", name="E", address="https://huts.example/board"),
])
def test_what_lacks_nothing_is_left_alone(element):
    assert codes(course_of(element)) == []


def test_one_alternative_serves_a_group_however_deep():
    outer = Group(id="outer", name="All", alt="Boots and ropes on a rack")
    inner = Group(id="inner", name="Some", group="outer")
    picture = Picture(id="thing", name="P", media="filea", group="inner")
    assert codes(course_of(outer, inner, picture)) == []
    silent = outer.model_copy(update={"alt": ""})
    assert codes(course_of(silent, inner, picture)) == ["no_alternative"]


def test_slides_off_the_route_are_found():
    document = quiz_course(2)
    first, second, third = document.slides
    bare = without(first, [element.id for element in first.elements])
    lost = bare.model_copy(update={"onward": Nowhere()})
    found = findings(with_slides(document, [lost, second, third]))
    assert [(f.code, f.slide) for f in found] == [
        ("unreached", second.id), ("unreached", third.id), ("dead_end", first.id)]
