"""A course as a table."""

import pytest
from zigzag_core.course import ToSlide
from zigzag_core.course.questions.descriptors import DESCRIPTORS
from zigzag_core.course.rules import rule as r
from zigzag_core.course.rules.rule import GoTo
from zigzag_core.verification.storyboard import HEADING, LONGEST, storyboard

from tests.demo_courses import hut_warden_basics

from .making import button, course, slide, text
from .test_questions import document, slide_with


def lines(doc):
    heading, *rows = storyboard(doc)
    assert heading == HEADING
    return [dict(zip(HEADING, row, strict=True)) for row in rows]


def test_each_slide_is_a_line_with_what_it_says_and_where_it_leads():
    made = course(
        slide("slidea", text("hello"), button("door", GoTo(go=r.ToSlide(slide="slidec"))),
              notes="Ask Mira."),
        slide("slideb", onward=ToSlide(slide="slidea")),
        slide("slidec", text("goodbye")))
    one, two, three = lines(made)
    assert (one["No."], one["Slide"], one["Notes"]) == ("1", "slidea", "Ask Mira.")
    assert one["On the slide"].split("\n")[0] == "hello"
    assert one["Leads to"] == "slideb\nslidec (“door” is clicked)"
    assert two["Leads to"] == "slidea" and three["Leads to"] == ""


@pytest.mark.parametrize("kind", sorted(DESCRIPTORS))
def test_every_kind_of_question_is_told_with_what_is_right(kind):
    [line] = lines(document(slide_with(kind)))
    asked = line["Questions"]
    prompt, *answers = asked.split("\n")
    assert prompt
    signs = {"single_choice": "[x] ", "multiple_response": "[x] ", "true_false": "[x] ",
             "matching": " → ", "drag_to_target": " → ", "ordering": "1. ", "short_text": "= ",
             "numeric": "= ", "blanks": "= ", "hotspot": "[x] "}
    if kind in signs:
        assert any(signs[kind] in answer for answer in answers)
    else:
        assert answers == []


def test_the_demo_is_told_whole():
    doc, _ = hut_warden_basics()
    found = lines(doc)
    assert [line["Slide"] for line in found] == [one.title for one in doc.slides]
    assert any(line["Spoken"].startswith("Edda") or "hut" in line["Spoken"] for line in found)
    assert all(len(cell) <= LONGEST for line in found for cell in line.values())
    quiz = next(line for line in found if line["Section"] == "Before you get the keys")
    assert quiz["Slide"]
