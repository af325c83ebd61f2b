"""Copies, additions and names."""

from itertools import combinations
from typing import get_args

import pytest
from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.course import (
    Course,
    CourseDocument,
    Input,
    MediaFile,
    Picture,
    SlideSize,
    ToSlide,
    plain,
)
from zigzag_core.course.elements.blank import Addition, blank_slide
from zigzag_core.course.elements.geometry import box_of
from zigzag_core.course.media_use import usage
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.course.questions.question import part_ids
from zigzag_core.course.style.usual_styles import USUAL_STYLES
from zigzag_core.editing.adding import add
from zigzag_core.editing.arranging.groups import group
from zigzag_core.editing.copies.copying import (
    clip,
    duplicate_course,
    duplicate_slide,
    paste,
    welcome,
)
from zigzag_core.editing.names import free_name, free_title
from zigzag_core.editing.removing import without
from zigzag_core.verification.findings.document import findings

from tests.demo_courses import hut_warden_basics

from .samples import fresh_ids, quiz_course, with_slides

KINDS = get_args(Addition)


@pytest.mark.parametrize("what", KINDS)
@pytest.mark.parametrize("at", [None, (0, 0), (1280, 720), (640, 300)])
def test_what_is_added_lies_on_the_slide_and_on_top(what, at):
    fresh = fresh_ids()
    before = blank_slide("Slide", fresh)
    slide, selected, _ = add(before, what, fresh, SlideSize(), at)
    new = [e for e in slide.elements if e.id in selected]
    assert new and all(e.z > 0 for e in new)
    assert all(e.x >= 0 and e.x + e.w <= 1280 and e.y >= 0 and e.y + e.h <= 720 for e in new)
    assert bool(slide.questions) == (what in QUESTION_KINDS)


def test_a_pasted_question_is_wired_to_its_own_parts():
    slide = quiz_course(1).slides[1]
    question = slide.questions[0]
    parts = [question.prompt, question.submit, *(c.element for c in question.choices)]
    grown, ids = paste(slide, clip(slide, parts), fresh_ids(5), 24, 24)
    copy = grown.questions[1]
    assert {copy.prompt, copy.submit, *(c.element for c in copy.choices)} == set(ids)
    assert copy.name == "Question 2" and copy.id != question.id
    assert [c.right for c in copy.choices] == [c.right for c in question.choices]
    assert len({e.name for e in grown.elements}) == len(grown.elements)


def test_parts_copied_alone_are_plain_elements():
    slide = quiz_course(1).slides[1]
    question = slide.questions[0]
    assert not clip(slide, [question.prompt, question.submit]).questions
    part = clip(slide, [question.choices[0].element]).questions[0]
    assert len(part.choices) == 1 and part.prompt is None


def test_deleting_all_choices_deletes_the_question():
    slide = quiz_course(1).slides[1]
    choices = [c.element for c in slide.questions[0].choices]
    assert len(without(slide, choices[:1]).questions[0].choices) == 2
    assert without(slide, choices).questions == ()


def test_a_duplicated_slide_points_at_itself_and_shares_no_id():
    document, _ = hut_warden_basics()
    slide = document.slides[1]
    own = slide.elements[2].model_copy(update={"rules": tuple(
        rule.model_copy(update={"do": tuple(
            a.model_copy(update={"go": ToSlide(slide=slide.id)}) for a in rule.do)})
        for rule in slide.elements[2].rules)})
    slide = slide.model_copy(update={"elements": (*slide.elements[:2], own, *slide.elements[3:])})
    copy = duplicate_slide(slide, fresh_ids(3), [slide.title])
    assert copy.elements[2].rules[0].do[0].go.slide == copy.id
    assert copy.elements[3].rules[0].do[0].go == slide.elements[3].rules[0].do[0].go
    assert not {e.id for e in copy.elements} & {e.id for e in slide.elements}
    assert copy.title == "Hut map (copy)"


def test_a_duplicated_course_shares_no_id_and_says_the_same():
    document, _ = hut_warden_basics()
    copy = duplicate_course(document, "Copy", fresh_ids(4))

    def ids(found):
        return {found.course.id, *found.course.slides} | {
            e.id for s in found.slides for e in s.elements} | {
            r.id for s in found.slides for e in s.elements for r in e.rules} | {
            part for s in found.slides for q in s.questions
            for part in (q.id, *part_ids(q))}

    assert not ids(document) & ids(copy)
    targets = {a.go.slide for s in copy.slides for e in s.elements for r in e.rules for a in r.do
               if a.action == "go" and isinstance(a.go, ToSlide)}
    assert targets <= set(copy.course.slides)
    said = [[plain(e.text) for e in s.elements if e.kind == "text"] for s in copy.slides]
    assert said == [[plain(e.text) for e in s.elements if e.kind == "text"]
                    for s in document.slides]


@given(st.lists(st.sampled_from(["Card", "Card 1", "Card 2", "Card 7", "Other"]), max_size=5),
       st.sampled_from(["Card", "Card 1", "Card 9", "Other"]))
def test_names_count_on(taken, wanted):
    name = free_name(wanted, taken)
    assert name not in taken
    assert name == wanted or name.startswith(wanted.split()[0])


def test_titles_of_copies():
    assert free_title("Stove", ["Stove"]) == "Stove (copy)"
    assert free_title("Stove (copy)", ["Stove (copy)"]) == "Stove (copy 2)"


def test_the_demo_has_no_findings_and_bad_courses_have_theirs():
    document, _ = hut_warden_basics()
    assert findings(document) == []
    assert [f.code for f in findings(CourseDocument(course=document.course.model_copy(
        update={"slides": (), "sections": ()}), slides=()))] == ["no_slides"]
    lost = with_slides(document, [s for s in document.slides if s.title != "The stove"])
    assert {f.code for f in findings(lost)} == {"lost_reference"}
    quiz = quiz_course(1)
    question = quiz.slides[1].questions[0]
    nothing_right = question.model_copy(update={
        "choices": tuple(c.model_copy(update={"right": False}) for c in question.choices)})
    bad = with_slides(quiz, [quiz.slides[1].model_copy(update={"questions": (nothing_right,)})])
    assert [f.code for f in findings(bad)] == ["no_right_answer"]


def test_additions_stand_beside_each_other_not_on_top():
    fresh = fresh_ids()
    slide = blank_slide("Slide", fresh)
    for _ in range(4):
        slide, _, _ = add(slide, "star", fresh, SlideSize())
    stars = [e for e in slide.elements if e.kind == "shape"]
    assert len({(e.x, e.y) for e in stars}) == 4
    assert [e.name for e in stars] == ["Star", "Star 2", "Star 3", "Star 4"]
    for _ in range(2):
        slide, _, _ = add(slide, "picture", fresh, SlideSize(), name="Hammer")
    assert [e.name for e in slide.elements[-2:]] == ["Hammer", "Hammer 2"]


def test_an_input_brings_its_variable_and_takes_it_to_another_course():
    fresh = fresh_ids()
    slide, [name], [variable] = add(blank_slide("S", fresh), "slider", fresh, SlideSize())
    here = Course(id="here", title="Here", variables=(variable,), styles=USUAL_STYLES)
    there = Course(id="there", title="There", variables=(
        variable.model_copy(update={"id": "other"}),))
    clipping = clip(slide, [name], here)
    assert clipping.variables == (variable,)
    assert [s.id for s in clipping.styles] == ["styleinput"]
    grown = welcome(there, clipping)
    assert [v.name for v in grown.variables] == ["Slider", "Slider 2"]
    assert grown.variables[1].id == variable.id
    assert welcome(grown, clipping) is grown
    pasted, [copy] = paste(blank_slide("T", fresh), clipping, fresh)
    field = next(e for e in pasted.elements if e.id == copy)
    assert isinstance(field, Input) and field.variable == variable.id


def test_pictures_come_along_with_their_files():
    file = MediaFile(id="filea", name="Rope", type="image/png", sha256="0" * 64, size=1)
    slide = blank_slide("S", fresh_ids()).model_copy(update={
        "elements": (Picture(id="pica", name="P", media="filea"),)})
    here = Course(id="here", title="Here", media=(file,), slides=(slide.id,))
    there = welcome(Course(id="there", title="There"), clip(slide, ["pica"], here))
    assert there.media == (file,)
    assert usage(CourseDocument(course=here, slides=(slide,))) == {"filea": (slide.id,)}


def test_a_copied_group_holds_copies_of_its_members():
    slide = quiz_course(1).slides[1]
    question = slide.questions[0]
    ids = [choice.element for choice in question.choices]
    grouped, name = group(slide, ids, fresh_ids(4))
    grown, [copy] = paste(grouped, clip(grouped, [name]), fresh_ids(5), 10, 10)
    members = [e for e in grown.elements if e.group == copy]
    assert len(members) == 3 and not {e.id for e in members} & set(ids)
    assert [c.element for c in grown.questions[1].choices] == [e.id for e in members]
    again = duplicate_slide(grown, fresh_ids(6))
    groups = {e.id for e in again.elements if e.kind == "group"}
    assert {e.group for e in again.elements if e.group} == groups
    gone = without(grown, [copy])
    assert gone.elements == grouped.elements and gone.questions == grouped.questions
    emptied = without(grouped, ids)
    assert name not in {e.id for e in emptied.elements}


@pytest.mark.parametrize(("what", "count", "file"), [
    ("button", 6, None), ("picture", 4, (1_600, 1_200)), ("picture", 20, (96, 96)),
    ("video", 3, (640, 360)), ("picture", 3, (300, 1_500)),
])
def test_what_is_added_covers_nothing_while_there_is_room(what, count, file):
    fresh = fresh_ids(3)
    slide = blank_slide("Stove", fresh)
    shown = file and MediaFile(id="photofile", name="Stove", type="image/png", sha256="0" * 64,
                               size=1, w=file[0], h=file[1])
    for _ in range(count):
        slide, _, _ = add(slide, what, fresh, SlideSize(), file=shown)
    boxes = [box_of(element) for element in slide.elements]
    for one, other in combinations(boxes, 2):
        assert one.right <= other.x or other.right <= one.x or (
            one.bottom <= other.y or other.bottom <= one.y)
    for box in boxes:
        assert box.x >= 0 and box.y >= 0 and box.right <= 1280 and box.bottom <= 720
    for box in boxes[-count:] if file else ():
        assert box.h / box.w == pytest.approx(file[1] / file[0], rel=0.03)


@pytest.mark.parametrize("at", [(640, 360), (5, 5), (1_300, 700)])
@pytest.mark.parametrize("sizes", [
    [(1_600, 1_200)] * 5, [(96, 96)] * 5, [(300, 1_500), (1_500, 300), (96, 96), (640, 360)],
])
def test_files_that_are_dropped_at_one_point_do_not_land_on_each_other(sizes, at):
    fresh, beside = fresh_ids(3), []
    slide = blank_slide("Stove", fresh)
    slide, _, _ = add(slide, "rectangle", fresh, SlideSize(), at)
    ground = slide.elements[-1].id
    for w, h in sizes:
        shown = MediaFile(id="photofile", name="Stove", type="image/png", sha256="0" * 64,
                          size=1, w=w, h=h)
        slide, ids, _ = add(slide, "picture", fresh, SlideSize(), at, file=shown, beside=beside)
        beside += ids
    boxes = [box_of(e) for e in slide.elements if e.id in beside]
    assert len(boxes) == len(sizes)
    for one, other in combinations(boxes, 2):
        assert not one.touches(other)
    for box in boxes:
        assert box.x >= 0 and box.y >= 0 and box.right <= 1280 and box.bottom <= 720
    under = next(box_of(e) for e in slide.elements if e.id == ground)
    assert boxes[0].touches(under), "what is no file may be covered"
    # The same again at the same point, without a word of what came before.
    slide, _, _ = add(slide, "picture", fresh, SlideSize(), at, file=shown)
    middles = [box_of(e).middle for e in slide.elements if e.id != ground]
    assert len(set(middles)) == len(middles)
