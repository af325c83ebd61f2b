"""Questions that are kept in a bank and used in courses."""

import pytest
from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import CourseDocument, Text, rich
from zigzag_core.course.banked import BankRef
from zigzag_core.course.document import valid_slide
from zigzag_core.course.questions.question import part_ids
from zigzag_core.editing.banks import differs, kept, taken, updated, with_banked
from zigzag_core.errors import NoQuiz
from zigzag_demo.tool_library import tool_library

from tests.demo_courses import hut_warden_basics

from .quiz_course import keys_course

HUT = hut_warden_basics()[0]
ASKING = [slide for slide in HUT.slides if slide.questions]
REF = BankRef(question="bankquestion", version=1)


@pytest.mark.parametrize("slide", ASKING, ids=lambda slide: slide.title)
def test_every_question_of_the_demo_comes_out_and_into_another_course(slide):
    banked = kept(slide, HUT.course)
    document, _ = tool_library()
    course, made = taken(banked, document.course, "newslide", REF)
    valid_slide(made)
    whole = CourseDocument(
        course=course.model_copy(update={"slides": (*course.slides, "newslide")}),
        slides=(*document.slides, made))
    program = compile_course(whole, by_digest)
    [grader] = [one for one in program.questions if one.slide == "newslide"]
    assert len(grader.parts) == len(next(
        one for one in compile_course(HUT, by_digest).questions
        if one.slide == slide.id).parts)
    # Brought back unchanged, it is what the bank has.
    assert not differs(made, banked, course)
    assert kept(made, course, banked).slide == banked.slide


def test_a_question_can_be_in_a_course_twice_and_shares_no_id():
    banked = kept(ASKING[0], HUT.course)
    course, one = taken(banked, HUT.course, "firstone", REF)
    _, other = taken(banked, course, "secondone", None)

    def ids(slide):
        return {element.id for element in slide.elements} | {
            name for question in slide.questions for name in (question.id, *part_ids(question))}

    assert not ids(one) & ids(other) and not ids(one) & ids(ASKING[0])
    assert (one.bank, other.bank) == (REF, None)


def test_a_new_version_keeps_the_ids_of_what_was_there():
    banked = kept(ASKING[0], HUT.course)
    course, here = taken(banked, HUT.course, "firstone", REF)
    _, there = taken(banked, HUT.course, "otherone", REF)
    extra = Text(id="extratext", name="Extra", text=rich("Look twice."), x=0, y=0, w=200, h=40)
    changed = here.model_copy(update={
        "title": "Asked anew", "elements": (*here.elements, extra), "indent": 1})
    assert differs(changed, banked, course)
    second = kept(changed, course, banked)
    _, after = updated(there, second, 2, course)
    assert after.bank == BankRef(question="bankquestion", version=2)
    assert [e.id for e in after.elements[:-1]] == [e.id for e in there.elements]
    assert after.questions[0].id == there.questions[0].id
    assert (after.title, after.indent, after.elements[-1].text) == (
        "Asked anew", there.indent, rich("Look twice."))
    # Where it was changed, the bank's new version is what is there.
    assert not differs(changed, second, course)


def test_the_course_that_a_question_comes_from_keeps_its_ids():
    origin = BankRef(question="bankquestion", version=1, from_here=True)
    slide = ASKING[3].model_copy(update={"bank": origin})
    banked = kept(slide, HUT.course)
    assert not differs(slide, banked, HUT.course)
    _, after = updated(slide, banked, 2, HUT.course)
    assert after.questions == slide.questions
    assert {e.id for e in slide.elements} <= {e.id for e in after.elements}


def test_questions_of_a_bank_come_into_a_set_behind_its_last_slide():
    document = keys_course()
    banked = kept(ASKING[0], HUT.course)
    course, slides = with_banked(
        document.course, "secquiz", "setfire", [(banked, REF), (banked, None)],
        ["newone", "newtwo"])
    sets = {one.id: one.slides for one in course.sections[0].quiz.sets}
    assert sets["setfire"][-2:] == ("newone", "newtwo")
    assert course.slides[-3:-1] == ("newone", "newtwo") and len(slides) == 2
    with pytest.raises(NoQuiz):
        with_banked(document.course, "secquiz", "nowhere", [(banked, None)], ["newone"])
