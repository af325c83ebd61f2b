"""Questions turned into other kinds: what is kept, and where what is new stands."""

from typing import get_args

import pytest
from zigzag_core.course import SlideSize, rich
from zigzag_core.course.questions import feedback as f
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.answer_row import AnswerRow
from zigzag_core.course.questions.descriptors import DESCRIPTORS, QUESTION_KINDS
from zigzag_core.editing.questions.converting import converted, keeps_elements
from zigzag_core.grading.solutions import right_response
from zigzag_core.verification.findings.questions import question_findings

from .samples import fresh_ids
from .test_questions import UNJUDGED, Taking, document, slide_with

NOTHING_TO_ACCEPT = {
    ("open_answer", "short_text"), ("open_answer", "numeric"), ("short_text", "numeric")}
"""There was no model answer, and no number."""


def test_every_kind_has_its_descriptor_and_its_model():
    [models, _] = get_args(q.Question)
    assert {model.model_fields["kind"].default: model for model in get_args(models)} == {
        kind: DESCRIPTORS[kind].model for kind in QUESTION_KINDS}


@pytest.mark.parametrize(
    ("kind", "other"), [(a, b) for a in QUESTION_KINDS for b in QUESTION_KINDS if a != b])
def test_kinds_turn_into_each_other_with_all_that_can_be_kept(kind, other):
    doc = document(slide_with(kind), points=3, attempts=4, feedback=f.Feedback(right=rich("Yes.")))
    slide, before = doc.slides[0], doc.slides[0].questions[0]
    turned = converted(slide, before.id, other, fresh_ids(8))
    [after] = turned.questions
    assert after.kind == other and after.id == before.id
    assert (after.prompt, after.submit, after.points, after.attempts, after.feedback.right) == (
        before.prompt, before.submit, 3, 4, rich("Yes."))
    kept = set(q.answer_elements(after)) & set(q.answer_elements(before))
    assert bool(kept) == keeps_elements(kind, other)
    on_slide = {e.id for e in turned.elements}
    assert set(q.part_elements(after)) <= on_slide
    if not kept:
        assert not set(q.answer_elements(before)) & on_slide
    if (kind, other) in NOTHING_TO_ACCEPT:
        assert {f.code for f in question_findings(turned)} == {"no_right_answer"}
        return
    assert not [f for f in question_findings(turned) if f.level == "error"]
    if other not in UNJUDGED:
        taker = Taking(document(turned))
        taker.answers(right_response(taker.grader)).submits()
        assert taker.answer.result == "right"


@pytest.mark.parametrize("other", ["single_choice", "matching", "blanks", "rating_scale"])
def test_a_picture_stays_beside_what_its_places_become_and_an_empty_one_goes(other):
    slide = slide_with("hotspot")
    name, ground = slide.questions[0].id, slide.questions[0].on
    turned = converted(slide, name, other, fresh_ids(3))
    assert ground not in {e.id for e in turned.elements}
    slide = slide.model_copy(update={"elements": tuple(
        e.model_copy(update={"media": "hutmap", "w": 500}) if e.id == ground else e
        for e in slide.elements)})
    kept = converted(slide, name, other, fresh_ids(3))
    picture = next(e for e in kept.elements if e.id == ground)
    for made, most in ((turned, 0), (kept, picture.x + picture.w)):
        parts = [e for e in made.elements if e.id in set(q.answer_elements(made.questions[0]))]
        assert all(e.x >= most and e.x + e.w <= 1200 and e.y + e.h <= 720 for e in parts)


@pytest.mark.parametrize(("kind", "other"), [
    ("single_choice", "drag_to_target"), ("ordering", "matching"), ("hotspot", "single_choice"),
    ("short_text", "multiple_response"),
])
def test_what_a_question_becomes_keeps_to_the_margins_of_a_smaller_slide(kind, other):
    slide, size = slide_with(kind), SlideSize(w=1024, h=768)
    turned = converted(slide, slide.questions[0].id, other, fresh_ids(3), size=size)
    old = {e.id for e in slide.elements}
    new = [e for e in turned.elements if e.id not in old]
    assert new and all(e.x >= 0 and e.x + e.w <= 1024 - 80 for e in new)


def test_accepted_words_that_are_numbers_become_numbers_and_back():
    accepts = q.Accepts(words=("1234567,25", "four", "12 m"), units=("m",), typos=True)
    doc = document(slide_with("short_text"), accepts=accepts)
    name = doc.slides[0].questions[0].id
    turned = converted(doc.slides[0], name, "numeric", fresh_ids(3))
    taken = turned.questions[0].accepts
    assert taken.near == (q.Near(value=1234567.25), q.Near(value=12)) and not taken.words
    taker = Taking(document(turned))
    taker.answers(right_response(taker.grader)).submits()
    assert taker.answer.result == "right" and not list(question_findings(turned))
    back = converted(turned, name, "short_text", fresh_ids(4))
    assert back.questions[0].accepts == taken
    [choices] = converted(turned, name, "single_choice", fresh_ids(5)).questions
    assert [choice.right for choice in choices.choices] == [True, False]


@pytest.mark.parametrize(("kind", "there"), [
    ("short_text", "blanks"), ("numeric", "blanks"), ("blanks", "short_text")])
def test_all_that_one_answer_accepts_is_kept_there_and_back(kind, there):
    accepts = q.Accepts(words=("boots", "shoes"), typos=True, any_case=False)
    if kind == "numeric":
        accepts = q.Accepts(near=(q.Near(value=10, off=0.5),),
                            ranges=(q.NumberRange(low=20, high=21),), units=("m",))
    slide = slide_with(kind)
    asked = slide.questions[0]
    own = {"accepts": accepts}
    if kind == "blanks":
        own = {"blanks": (asked.blanks[0].model_copy(update={"accepts": accepts}),)}
    slide = slide.model_copy(update={"questions": (asked.model_copy(update=own),)})
    turned = converted(slide, asked.id, there, fresh_ids(3))
    back = converted(turned, asked.id, kind, fresh_ids(4))
    for made in (turned, back):
        [one] = made.questions
        kept = one.blanks[0].accepts if one.kind == "blanks" else one.accepts
        assert kept == accepts


def test_words_that_were_right_stay_right_in_another_kind():
    slide = slide_with("multiple_response")
    turned = converted(slide, slide.questions[0].id, "short_text", fresh_ids(3))
    assert turned.questions[0].accepts.words == ("A right answer", "Another right answer")
    turned = converted(turned, slide.questions[0].id, "single_choice", fresh_ids(4))
    words = {e.id: e for e in turned.elements}
    assert [words[c.element].text for c in turned.questions[0].choices if c.right] == [
        rich("A right answer")]
    turned = converted(slide, slide.questions[0].id, "drag_to_target", fresh_ids(3))
    asked = turned.questions[0]
    assert [bool(item.to) for item in asked.items] == [True, True, False, False]
    turned = converted(slide, slide.questions[0].id, "blanks", fresh_ids(3))
    [blank] = turned.questions[0].blanks
    assert blank.how == "list" and blank.others == ("A wrong answer", "Another wrong answer")


@pytest.mark.parametrize("there", ["drag_to_target", "hotspot"])
def test_what_a_wrong_answer_is_told_is_kept_on_the_way_there_and_back(there):
    slide = slide_with("single_choice")
    asked = slide.questions[0]
    slide = slide.model_copy(update={"questions": (asked.model_copy(update={"choices": tuple(
        choice.model_copy(update={"says": rich(f"About answer {n}")})
        for n, choice in enumerate(asked.choices))}),)})
    turned = converted(slide, asked.id, there, fresh_ids(3))
    parts = turned.questions[0].items if there == "drag_to_target" else turned.questions[0].spots
    # Words at a thing that belongs somewhere are told when it is not there: none are put there.
    told = q.RichText() if there == "drag_to_target" else rich("About answer 0")
    assert [part.says for part in parts] == [told, rich("About answer 1"), rich("About answer 2")]
    back = converted(turned, asked.id, "single_choice", fresh_ids(4))
    assert [choice.says for choice in back.questions[0].choices] == [part.says for part in parts]


@pytest.mark.parametrize(("kind", "other", "kept"), [
    ("matching", "drag_to_target", True), ("single_choice", "multiple_response", True),
    ("matching", "ordering", False), ("multiple_response", "short_text", False),
])
def test_points_and_rows_of_parts_stay_where_the_parts_do(kind, other, kept):
    slide = slide_with(kind)
    first = next(q.part_ids(slide.questions[0]))
    row = AnswerRow(id="therow", cells={first: True}, words=rich("So."))
    doc = document(slide, partial="per_answer", table=(row,))
    [turned] = converted(doc.slides[0], slide.questions[0].id, other, fresh_ids(3)).questions
    assert (turned.table == (row,), turned.partial == "per_answer") == (kept, kept)


def test_a_place_of_several_areas_counts_once_and_what_was_found_or_spent_stays():
    asked = slide_with("hotspot")
    question = asked.questions[0]
    right, decoy = question.spots[0], question.spots[1]
    joined = right.model_copy(update={"right": True, "also": (decoy.element,)})

    def taking(**changes):
        changed = question.model_copy(update={"spots": (joined,), "clicks": 3, **changes})
        return Taking(document(asked.model_copy(update={"questions": (changed,)})))

    def marks(taker, part, where):
        taker.does("answered", question=question.id, part=part, value=where)
        return len(taker.state.answers[question.id].given)

    assert {e.draw.id for e in taking().slide.elements if e.control == "spot"} == {
        right.element, decoy.element}
    standing = taking()
    assert marks(standing, right.id, "5,5") == 1
    assert marks(standing, right.id, "-5,5") == 0, "a mark is taken back"
    found = taking(found_at_once=True)
    assert marks(found, right.id, "5,5") == 1
    assert marks(found, right.id, "-5,5") == 1, "what was found stays"
    assert marks(found, question.id, "9,9") == 2 and marks(found, question.id, "-9,9") == 1
    spent = taking(clicks_spent=True)
    assert [marks(spent, question.id, f"{n},9") for n in range(4)] == [1, 2, 3, 3]
    assert marks(spent, question.id, "-1,9") == 3, "a click is spent"
    paid = taking(clicks_spent=True, found_at_once=True, judged="at_once")
    marks(paid, question.id, "9,9")
    marks(paid, right.id, "5,5")
    assert paid.state.answers[question.id].result == "right", "the wrong click cost a click"
    free = taking(clicks_spent=True, clicks=None, found_at_once=True, judged="at_once")
    marks(free, question.id, "9,9")
    marks(free, right.id, "5,5")
    assert free.state.answers[question.id].result != "right", "without a limit it counts"
