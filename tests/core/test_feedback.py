"""What follows an answer: feedback and its design, rows that act, ways back, time, returning."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import Course, CourseDocument, Overlay, Picture, Text, plain, rich
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.course.media_use import usage
from zigzag_core.course.questions import feedback as f
from zigzag_core.course.questions.answer_row import AnswerRow
from zigzag_core.course.references import named
from zigzag_core.course.rules.rule import Calculate, GoTo, ToSlide
from zigzag_core.course.rules.variables import NumberVariable
from zigzag_core.engine import engine
from zigzag_core.engine.expression import evaluate
from zigzag_core.engine.questions import time_left
from zigzag_core.grading.grade import judge
from zigzag_core.grading.solutions import right_response, wrong_response
from zigzag_core.grading.tally import measure
from zigzag_core.program import Grader, GraderPart
from zigzag_core.tracking import progress

from .samples import fresh_ids
from .test_questions import Taking, document, slide_with


def panels(doc, **design):
    course = doc.course.model_copy(update={"feedback": f.FeedbackDesign(**design)})
    program = compile_course(doc.model_copy(update={"course": course}), by_digest)
    return {panel.id.rsplit("_", 1)[1]: panel for panel in program.slides[0].overlays}


def given_feedback(kind, **feedback):
    slide = slide_with(kind)
    old = slide.questions[0].feedback
    return document(slide, feedback=old.model_copy(update=feedback))


def test_one_design_changes_all_panels_and_a_question_may_stand_elsewhere():
    usual = panels(document(slide_with("multiple_response")))
    assert {panel.place for panel in usual.values()} == {"below"}
    assert usual["lastpartly"].title == "Partly right" and usual["last"].title == "Not right"
    told = panels(document(slide_with("multiple_response")), place="over", w=500,
                  right=f.ToneDesign(title="Yes!", speaker="somebody"))
    assert {(panel.place, panel.w) for panel in told.values()} == {("over", 500)}
    assert told["right"].title == "Yes!" and told["right"].speaker == "somebody"
    assert told["wrong"].speaker is None
    own = panels(given_feedback("multiple_response", place="beside"), place="over")
    assert {panel.place for panel in own.values()} == {"beside"}
    assert all(panel.w <= 400 for panel in own.values())


def test_a_picture_and_a_sound_come_with_the_words():
    doc = given_feedback("single_choice", shows=(
        f.Shown(after="right", picture="seen", alt="A hut", sound="ding"),))
    pictures = [e.draw for e in panels(doc)["right"].elements if isinstance(e.draw, Picture)]
    assert [(p.media, p.alt) for p in pictures] == [("seen", "A hut")]
    taker = Taking(doc)
    taker.answers(right_response(taker.grader)).submits()
    assert {"effect": "sound", "media": "ding"} in taker.effects
    assert named(f.FeedbackDesign(wrong=f.ToneDesign(sound="bump")), "medium") == {"bump"}


def test_an_overlay_of_the_slide_can_stand_in_for_the_panel():
    slide = slide_with("single_choice")
    overlay = Overlay(id="overlay", name="Look here")
    asked = slide.questions[0]
    asked = asked.model_copy(update={"after": "next", "feedback": asked.feedback.model_copy(update={
        "shows": (f.Shown(after="right", overlay="overlay"),)})})
    slide = slide.model_copy(update={"overlays": (overlay,), "questions": (asked,)})
    after = blank_slide("After", fresh_ids(9))
    doc = CourseDocument(course=Course(id="course", title="C", slides=(slide.id, after.id)),
                         slides=(slide, after))
    taker = Taking(doc)
    taker.answers(right_response(taker.grader)).submits()
    assert taker.state.overlays == ("overlay",)
    taker.does("close", target="overlay")
    assert taker.state.slide == after.id


def test_reading_again_offers_the_way_back():
    slide, other = slide_with("single_choice"), blank_slide("Explained", fresh_ids(8))
    asked = slide.questions[0]
    asked = asked.model_copy(update={
        "feedback": asked.feedback.model_copy(update={"read_again": other.id})})
    slide = slide.model_copy(update={"questions": (asked,)})
    taker = Taking(CourseDocument(
        course=Course(id="course", title="C", slides=(slide.id, other.id)),
        slides=(slide, other)))
    taker.answers(wrong_response(taker.grader)).submits()
    button = next(e.draw.id for e in taker.index.overlays[taker.state.overlays[0]].elements
                  if getattr(e.draw, "label", "").startswith("Read again"))
    taker.does("clicked", target=button)
    assert (taker.state.slide, taker.state.back) == (other.id, slide.id)
    taker.does("slide", target=slide.id)
    assert taker.state.back is None and taker.answer.attempts == 1


def test_submitting_nothing_says_so_and_costs_no_attempt():
    taker = Taking(document(slide_with("single_choice"), submit_is="ready"))
    taker.submits()
    assert taker.state.overlays == (f"{taker.grader.id}_nothing",)
    assert taker.grader.id not in taker.state.answers
    hidden = Taking(document(slide_with("single_choice"), submit_is="hidden"))
    button = hidden.slide.elements[-1].draw.id
    assert not engine.is_visible(hidden.index, hidden.state, button)
    hidden.answers(right_response(hidden.grader))
    assert engine.is_visible(hidden.index, hidden.state, button)


def test_a_row_of_the_table_does_something():
    slide = slide_with("multiple_response")
    asked = slide.questions[0]
    first = asked.choices[0].id
    other = blank_slide("Other", fresh_ids(8))
    row = AnswerRow(id="therow", cells={first: True}, do=(
        Calculate(action="add", variable="count", value=3), GoTo(go=ToSlide(slide=other.id))))
    slide = slide.model_copy(update={"questions": (asked.model_copy(update={"table": (row,)}),)})
    taker = Taking(CourseDocument(
        course=Course(id="course", title="C", slides=(slide.id, other.id),
                      variables=(NumberVariable(id="count", name="Count"),)),
        slides=(slide, other)))
    taker.answers(((first, ""),)).submits()
    assert taker.state.variables["count"] == 3 and taker.state.slide == other.id


def test_a_required_question_closes_the_way_on():
    slide, other = slide_with("single_choice"), blank_slide("Other", fresh_ids(8))
    asked = slide.questions[0].model_copy(update={"required": True})
    slide = slide.model_copy(update={"questions": (asked,)})
    taker = Taking(CourseDocument(
        course=Course(id="course", title="C", slides=(slide.id, other.id)),
        slides=(slide, other)))
    taker.does("next")
    assert taker.state.slide == slide.id and taker.effects[-1]["effect"] == "closed"
    taker.answers(right_response(taker.grader)).submits().closes().does("next")
    assert taker.state.slide == other.id


def test_time_goes_on_after_coming_back_and_can_be_made_longer():
    slide, other = slide_with("numeric"), blank_slide("Other", fresh_ids(8))
    slide = slide.model_copy(update={
        "questions": (slide.questions[0].model_copy(update={"time_limit": 30}),)})
    taker = Taking(CourseDocument(
        course=Course(id="course", title="C", slides=(slide.id, other.id)),
        slides=(slide, other)))
    taker.does("tick", ms=20_000).does("next").does("tick", ms=60_000).does("previous")
    assert time_left(taker.grader, taker.state) == 10_000
    back = progress.unpack(taker.index, progress.pack(taker.index, taker.state))
    assert time_left(taker.grader, back) == 10_000
    taker.does("more_time", factor=1.5).does("tick", ms=20_000)
    assert not taker.answer.locked
    taker.does("tick", ms=5_000)
    assert taker.answer.locked


def test_without_a_limit_it_waits_unless_the_author_insists():
    free = Taking(document(slide_with("numeric"), time_limit=30))
    free.does("more_time", factor=0).does("tick", ms=600_000)
    assert free.grader.id not in free.state.answers
    strict = Taking(document(slide_with("numeric"), time_limit=30, extendable=False))
    strict.does("more_time", factor=0).does("tick", ms=600_000)
    assert strict.answer.locked


def test_forgetting_on_leaving_gives_no_attempt_back():
    slide, other = slide_with("single_choice"), blank_slide("Other", fresh_ids(8))
    slide = slide.model_copy(update={
        "questions": (slide.questions[0].model_copy(update={"keeps": False}),)})
    taker = Taking(CourseDocument(
        course=Course(id="course", title="C", slides=(slide.id, other.id)),
        slides=(slide, other)))
    taker.answers(wrong_response(taker.grader)).submits().closes().does("next")
    assert taker.answer.given == () and taker.answer.attempts == 1


def placing(**changes):
    return Taking(document(slide_with("drag_to_target"), attempts=3, **changes))


def test_wrong_items_return_at_once_or_when_judged():
    once = placing(wrong_items="return_at_once")
    item, wrong = once.grader.parts[0], once.grader.targets[1].id
    once.does("answered", question=once.grader.id, part=item.id, value=wrong)
    assert once.grader.id not in once.state.answers or not once.answer.given
    assert once.effects[-1]["effect"] == "announce"
    judged = placing(wrong_items="return_when_judged")
    right = [(p.id, p.right[0]) for p in judged.grader.parts if p.right]
    mixed = [(right[0][0], wrong), *right[1:]]
    judged.answers(mixed).submits()
    assert set(judged.answer.given) == set(right[1:])
    told = next(e for e in judged.effects if e["effect"] == "answered")
    assert len(told["given"]) == len(mixed)


def test_a_target_takes_only_what_may_be_put_there():
    slide = slide_with("drag_to_target")
    asked = slide.questions[0]
    only = asked.targets[0].model_copy(update={"only": (asked.items[1].id,)})
    taker = Taking(document(slide, targets=(only, *asked.targets[1:])))
    first, second = (p.id for p in taker.grader.parts[:2])
    taker.does("answered", question=taker.grader.id, part=first, value=only.id)
    assert taker.grader.id not in taker.state.answers
    taker.does("answered", question=taker.grader.id, part=second, value=only.id)
    assert taker.answer.given == ((second, only.id),)


@pytest.mark.parametrize(("counts", "order", "right"), [
    ("all", "abcd", True), ("all", "acbd", True), ("all", "bacd", False), ("all", "abdc", False),
    ("pairs", "acbd", True), ("run", "acbd", True), ("run", "dabc", False),
])
def test_things_on_a_level_may_change_places(counts, order, right):
    parts = tuple(GraderPart(id=name, words=name, level=name == "c") for name in "abcd")
    grader = Grader(id="q", slide="slide", name="q", record="q", prompt="?", kind="ordering",
                    form="order", purpose="scored", parts=parts, points=1, attempts=1,
                    counts=counts)
    assert measure(grader, tuple((name, "") for name in order)).complete is right


def test_words_for_what_is_not_judged():
    said = panels(given_feedback("rating_scale", answered=rich("Noted.")))
    assert list(said) == ["answered"]
    said = panels(given_feedback("rating_scale", answered=rich("")))
    assert plain(said["answered"].elements[0].draw.text) == "Your answer was sent."


def test_long_ids_and_a_full_table_of_twelve_answers_are_published():
    slide = slide_with("multiple_response")
    assert "right" in panels(document(slide, id="q" * 24, submit_is="ready"))
    rows = tuple(AnswerRow(id=f"row{n:05}", words=rich(f"Row {n}"), at_least=n % 3)
                 for n in range(4_096))
    taker = Taking(document(slide, table=rows))
    taker.answers(right_response(taker.grader)).submits()
    said = [e.draw.id for e in taker.index.overlays[taker.state.overlays[0]].elements
            if engine.is_visible(taker.index, taker.state, e.draw.id)]
    assert taker.answer.row == 1 and len(said) == 2


def test_the_pictures_of_the_design_are_used():
    doc = document(slide_with("single_choice"))
    design = f.FeedbackDesign(right=f.ToneDesign(speaker="somebody"))
    course = doc.course.model_copy(update={"feedback": design})
    assert usage(doc.model_copy(update={"course": course})) == {"somebody": (course.id,)}


MAPPED = st.lists(st.tuples(st.booleans(), st.sampled_from([-2, -1, -0.5, 0, 0.5, 1, 2])),
                  min_size=2, max_size=8)


@settings(max_examples=2_000, deadline=None, derandomize=True)
@given(MAPPED, st.data())
def test_choices_score_as_the_open_question_standard_says(mapped, data):
    """QTI 3.0, response processing templates *match_correct* and *map_response*: the first is
    all or nothing over sets, the second the bounded sum of the mapped values of what is chosen.
    """
    names = [f"c{n}" for n in range(len(mapped))]
    chosen = data.draw(st.sets(st.sampled_from(names)))
    response = tuple((name, "") for name in names if name in chosen)
    correct = {name for name, (right, _) in zip(names, mapped, strict=True) if right}
    common = {
        "id": "q", "slide": "slide", "name": "q", "record": "q", "prompt": "?", "form": "choose",
        "kind": "multiple_response", "purpose": "scored", "points": 3, "attempts": 1, "floor": -1,
        "parts": tuple(
            GraderPart(id=name, right=("",) if right else (), points=points)
            for name, (right, points) in zip(names, mapped, strict=True)),
    }
    if correct:
        exact = judge(Grader(**common), response, 1)
        assert exact.points == (3 if chosen == correct else 0)
        assert (exact.result == "right") == (chosen == correct)
        mapping = dict(zip(names, (points for _, points in mapped), strict=True))
        total = sum(mapping[name] for name in chosen)
        each = judge(Grader(**common, partial="per_answer"), response, 1)
        assert each.points == max(-1, min(total, 3))


@settings(max_examples=1_000, deadline=None, derandomize=True)
@given(st.data())
def test_pairs_score_as_directed_pairs_of_the_open_question_standard(data):
    """QTI 3.0, *map_response* over directed pairs of which each right one is worth one."""
    items, targets = [f"i{n}" for n in range(4)], [f"t{n}" for n in range(3)]
    correct = {item: data.draw(st.sampled_from([*targets, ""])) for item in items}
    put = {item: data.draw(st.sampled_from([*targets, ""])) for item in items}
    wanted = {pair for pair in correct.items() if pair[1]}
    given_ = {pair for pair in put.items() if pair[1]}
    grader = Grader(
        id="q", slide="slide", name="q", record="q", prompt="?", form="pairs", kind="matching",
        purpose="scored", points=max(len(wanted), 1), attempts=1, partial="right_parts",
        parts=tuple(GraderPart(id=i, right=(t,) if t else ()) for i, t in correct.items()))
    verdict = judge(grader, tuple(given_), 1)
    if wanted:
        if len(given_) <= len(wanted):
            assert verdict.points == len(wanted & given_)
        else:
            assert verdict.points <= len(wanted & given_), "more than was asked for is no gain"
        assert (verdict.result == "right") == (wanted == given_)


def test_hints_come_one_after_each_try_and_how_it_was_judged_is_said():
    hints = (rich("Look at the sky."), rich("Look at the wind."))
    doc = given_feedback("multiple_response", hints=hints, tells=True, wrong=rich("No."))
    doc = document(doc.slides[0], attempts=3, points=4)
    taker = Taking(doc)
    wrong = wrong_response(taker.grader)

    def said():
        panel = next(o for o in taker.slide.overlays if o.id == taker.state.overlays[-1])
        texts = [e for e in panel.elements if isinstance(e.draw, Text)
                 and engine.is_visible(taker.index, taker.state, e.draw.id)]
        return [evaluate(taker.index, taker.state, e.words) if e.words else plain(e.draw.text)
                for e in texts]

    taker.answers(wrong).submits()
    assert said() == ["No.", "Look at the sky.", "0 of 2 right, 1 wrong: 0 of 4 points"]
    all_wrong = tuple((part.id, "") for part in taker.grader.parts if not part.right)
    taker.closes().answers(all_wrong[1:]).submits()
    assert said()[:2] == ["No.", "Look at the wind."]
    taker.closes().answers(all_wrong[1:]).submits()
    assert "Look at the wind." not in said() and said()[-1].endswith("0 of 4 points")
