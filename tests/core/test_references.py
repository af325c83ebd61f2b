"""What names what: every field that does is known, and copies and removals follow it."""

import json
from typing import get_args

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from pydantic import BaseModel
from zigzag_core.course import Course, CourseDocument, Rule, Slide, Text, rich
from zigzag_core.course import model as models
from zigzag_core.course.elements.element import Button, Input
from zigzag_core.course.known import Known
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.answer_row import AnswerRow, OtherThan
from zigzag_core.course.questions.descriptors import DESCRIPTORS
from zigzag_core.course.questions.feedback import Feedback
from zigzag_core.course.references import (
    Identity,
    _plan,
    _reach,
    among,
    identities,
    named,
    pruned,
    references,
    rewired,
)
from zigzag_core.course.rules import rule as r
from zigzag_core.course.rules.patterns import Revealed, RevealSet, SeenCounter
from zigzag_core.editing.copies.copying import clip, duplicate_course, duplicate_slide, paste
from zigzag_core.editing.idle import is_idle
from zigzag_core.editing.mending import mended
from zigzag_core.editing.removing import without
from zigzag_core.program import Program
from zigzag_core.program.field_types import ProgramId
from zigzag_core.verification.findings.references import reference_findings

from tests.demo_courses import hut_warden_basics

from .samples import fresh_ids

NAMES_NOTHING = {
    # An id of the course itself, and lists of what was published before.
    ("Course", "id"), ("Course", "remembered"), ("Program", "course"), ("Program", "remembered"),
}


def all_models(model, found=None):
    """Every model that can be in `model`."""
    found = {} if found is None else found
    if model.__name__ in found:
        return found
    found[model.__name__] = model
    for field in model.model_fields.values():
        for inner in _models_in(field.annotation):
            all_models(inner, found)
    return found


def _models_in(annotation):
    if isinstance(annotation, type) and issubclass(annotation, BaseModel):
        yield annotation
    for part in get_args(annotation):
        yield from _models_in(part)


ID_PATTERNS = {get_args(models.Id)[1].pattern, get_args(ProgramId)[1].metadata[0].pattern}


def _has_id(annotation, metadata):
    if any(_is_id(mark) for mark in metadata):
        return True
    inner = [part for part in get_args(annotation) if part is not annotation]
    return any(_is_id(part) or _has_id(part, ()) for part in inner)


def _is_id(mark):
    marks = getattr(mark, "metadata", None) or (mark,)
    return any(getattr(one, "pattern", None) in ID_PATTERNS for one in marks)


@pytest.mark.parametrize(
    "model", {**all_models(CourseDocument), **all_models(Program)}.values(),
    ids=lambda m: m.__name__)
def test_every_field_that_can_hold_an_id_says_what_it_names(model):
    marked = {name for name, *_ in _plan(model, None).steps}
    for name, field in model.model_fields.items():
        if (model.__name__, name) in NAMES_NOTHING:
            continue
        if _has_id(field.annotation, field.metadata):
            assert name in marked, f"{model.__name__}.{name} holds ids of nobody knows what"


def hostile():
    """A slide in which texts, names and ids of different things are all the same word."""
    return Slide(
        id="note", title="note", elements=(
            Text(id="note", name="note", text=rich("note")),
            Button(id="text", name="text", label="note", rules=(
                Rule(id="note", when=r.Happens(of=("text",)), condition=[
                    "and", ["clicked", "note"], ["=", ["variable", "note"], "note"],
                    ["=", ["dropped", "text"], "note"]],
                    do=(r.ShowOrHide(action="show", what="note"), r.Announce(text="note"),
                        r.Calculate(variable="note", value="note"),
                        r.ShowOrHide(action="hide", what="this"))),)),
            Input(id="card", name="card", variable="note", options=("note",)),
        ),
        questions=(q.ShortText(id="note", name="note", field="card", accepts=q.Accepts(
            words=("note",)), table=(AnswerRow(id="note", cells={"card": "note"}),)),),
    )


@pytest.mark.parametrize("kind", DESCRIPTORS)
def test_every_element_of_a_question_is_known_as_a_part_of_it(kind):
    model = DESCRIPTORS[kind].model
    single = {name for name, field in model.model_fields.items()
              if "element" in _reach(field.annotation, tuple(field.metadata))}
    conditional = {"table", "feedback"}  # What is done and shown after an answer is no part.
    assert single - conditional <= {*q.PART_LISTS, *q.SINGLE_PARTS}


def test_a_word_that_looks_like_an_id_stays_a_word():
    copy = duplicate_slide(hostile(), fresh_ids(1))
    text, button, field = copy.elements
    assert text.text == rich("note") and text.name == "note" and button.label == "note"
    [rule] = button.rules
    assert rule.when.of == (button.id,)
    assert rule.condition == ["and", ["clicked", text.id], ["=", ["variable", "note"], "note"],
                              ["=", ["dropped", button.id], text.id]]
    show, announce, calculate, this = rule.do
    assert show.what == text.id and announce.text == "note" and this.what == "this"
    assert (calculate.variable, calculate.value) == ("note", "note")
    assert field.variable == "note" and field.options == ("note",)
    [question] = copy.questions
    assert question.field == field.id and question.accepts.words == ("note",)
    assert question.table[0].cells == {"card": "note"}
    assert len({text.id, rule.id, question.id, copy.id, question.table[0].id}) == 5


def test_items_on_targets_are_followed_into_rows_and_conditions():
    asked = q.Matching(
        id="pairs", name="pairs", items=(q.Item(id="itema", element="boots", to=("rack",)),),
        targets=(q.Target(id="rack", element="shelf"),),
        table=(AnswerRow(id="rowa", cells={"itema": "rack"}),
               AnswerRow(id="rowb", cells={"itema": OtherThan(value="rack")})))
    rule = Rule(id="rule", condition=["=", ["given", "pairs", "itema"], "rack"], do=(
        r.ShowOrHide(what="boots"),))
    slide = Slide(id="slide", title="S", questions=(asked,), rules=(rule,), elements=(
        Text(id="boots", name="Boots"), Text(id="shelf", name="Shelf")))
    ids = {identity: f"new{n:04}" for n, identity in enumerate(identities(slide))}
    copy = rewired(slide, ids)
    item, target = copy.questions[0].items[0], copy.questions[0].targets[0]
    assert item.to == (target.id,)
    assert [row.cells for row in copy.questions[0].table] == [
        {item.id: target.id}, {item.id: OtherThan(value=target.id)}]
    assert copy.rules[0].condition == [
        "=", ["given", copy.questions[0].id, item.id], target.id]
    gone = pruned(slide, among({Identity("part", "rack")}), is_idle)
    assert gone.questions[0].items[0].to == () and gone.questions[0].table[0].cells == {}
    assert gone.rules[0].condition == ["=", ["given", "pairs", "itema"], ""]


def test_the_demo_names_only_what_there_is_also_in_copies():
    document, _ = hut_warden_basics()
    assert list(Known(document).lost()) == [] and mended(document) is document
    copy = duplicate_course(document, "Copy", fresh_ids(2))
    assert list(Known(copy).lost()) == []
    kinds = ("element", "question", "part", "overlay", "pattern", "cue", "move", "slide", "rule")
    for kind in kinds:
        before, after = (
            {i.id for slide in d.slides for i in identities(slide) if i.kind == kind}
            for d in (document, copy))
        assert not before & after and len(before) == len(after), kind
    words = [json.dumps(_words(d.model_dump(mode="json"))) for d in (document, copy)]
    assert words[0] == words[1]


def _words(node):
    """The texts and names of a document, but its title."""
    if isinstance(node, dict):
        return [[name, _words(value)] for name, value in node.items()
                if name in ("text", "label", "name", "alt", "runs", "blocks", "elements", "slides")]
    return [_words(item) for item in node] if isinstance(node, list) else node


@settings(max_examples=60, deadline=None, suppress_health_check=list(HealthCheck))
@given(st.data())
def test_whatever_is_taken_away_nothing_is_left_that_names_it(data):
    document, _ = hut_warden_basics()
    slide = data.draw(st.sampled_from([s for s in document.slides if s.elements]))
    ids = [e.id for e in slide.elements]
    gone = data.draw(st.lists(st.sampled_from(ids), min_size=1, max_size=4))
    left = without(slide, gone)
    there = set(identities(left))
    for reference in references(left):
        if set(reference.kinds) & {"element", "overlay", "question", "part", "pattern", "cue"}:
            if reference.weak or reference.asked:
                continue
            assert any(Identity(kind, reference.id) in there for kind in reference.kinds), reference
    assert not {e.id for e in left.elements} & set(gone)
    Slide.model_validate(left.model_dump())


def test_what_has_nothing_left_to_do_goes_too():
    reveal = RevealSet(id="tabs", name="Tabs", items=(Revealed(trigger="taba", shows=("panel",)),))
    counter = SeenCounter(id="counter", name="Counter", text="count", set="tabs")
    slide = Slide(id="slide", title="S", patterns=(reveal, counter), elements=(
        Button(id="taba", name="Tab"), Text(id="panel", name="Panel"), Text(id="count", name="C"),
        Button(id="other", name="Other", rules=(
            Rule(id="rulea", when=r.Happens(event="all_seen", of=("tabs",)), do=(
                r.ShowOrHide(what="count"),)),
            Rule(id="ruleb", do=(r.ShowOrHide(what="taba"),)),
            Rule(id="rulec", condition=["all_seen", "tabs"], do=(r.ShowOrHide(what="count"),)),
            Rule(id="ruled"))),
    ))
    left = without(slide, ["taba"])
    assert left.patterns == ()
    assert [rule.id for rule in left.elements[-1].rules] == ["rulec", "ruled"]
    assert left.elements[-1].rules[0].condition is False


def test_a_course_that_names_what_is_gone_is_told_and_mended():
    slide = Slide(id="slide", title="Stove", elements=(
        Button(id="push", name="Push", named_style="nostyle", rules=(
            Rule(id="rule", condition=["variable", "novar"], do=(
                r.ShowOrHide(what="gone"), r.GoTo(go=r.ToSlide(slide="noslide")))),)),),
        questions=(q.ShortText(id="asks", name="Ask", field="push", feedback=Feedback(
            read_again="noslide")),))
    document = CourseDocument(
        course=Course(id="course", title="C", slides=("slide",), rules=(
            Rule(id="more", do=(r.PlaySound(media="nosound"),)),)),
        slides=(slide,))
    told = [(f.code, f.slide, f.element, f.message) for f in reference_findings(document)]
    assert {code for code, *_ in told} == {"lost_reference"}
    assert ("lost_reference", "slide", "push",
            "“Push” refers to an element or an overlay that no longer exists.") in told
    assert any(place is None and "a file" in words for _, place, _, words in told)
    whole = mended(document)
    assert list(Known(whole).lost()) == [] and whole.course.rules == ()
    [push] = whole.slides[0].elements
    assert push.rules == () and push.named_style is None
    assert whole.slides[0].questions[0].feedback.read_again is None


def test_names_are_apart_also_among_copies():
    slide = Slide(id="slide", title="S", elements=(
        Text(id="one1", name="Note"), Text(id="two2", name="Note 2")))
    pasted, new = paste(slide, clip(slide, ["one1", "two2"]), fresh_ids(3))
    names = [e.name for e in pasted.elements]
    assert names == ["Note", "Note 2", "Note 3", "Note 4"] and len(new) == 2


def test_a_copy_on_another_slide_names_nothing_that_stayed_behind():
    push = Button(id="push", name="Push", rules=(
        Rule(id="rule", condition=["clicked", "other"], do=(
            r.ShowOrHide(what="panel"), r.GoTo(go=r.ToSlide(slide="second")),
            r.Announce(text="panel"))),))
    first = Slide(id="first", title="A", elements=(push, Text(id="panel", name="P"),
                                                   Text(id="other", name="O")))
    home = Course(id="home", title="H", slides=("first", "second"))
    away = Course(id="away", title="A", slides=("third",))
    clipping = clip(first, ["push"], home)
    same, _ = paste(first, clipping, fresh_ids(4), course=home)
    assert len(same.elements[-1].rules[0].do) == 3
    next_door, _ = paste(Slide(id="second", title="B"), clipping, fresh_ids(5), course=home)
    [rule] = next_door.elements[0].rules
    assert [action.action for action in rule.do] == ["go", "announce"]
    assert rule.condition == ["clicked", "other"]
    abroad, _ = paste(Slide(id="third", title="C"), clipping, fresh_ids(6), course=away)
    [rule] = abroad.elements[0].rules
    assert [action.action for action in rule.do] == ["announce"] and rule.condition is False


def test_kinds_tell_apart_what_has_the_same_id():
    rule = hostile().elements[1].rules[0]
    assert named(rule, "variable") == {"note"} and named(rule, "element") == {"note", "text"}
    moved = rewired(rule, {Identity("variable", "note"): "count"})
    assert named(moved, "variable") == {"count"} and named(moved, "element") == {"note", "text"}
