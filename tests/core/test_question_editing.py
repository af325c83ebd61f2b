"""Questions while they are made: of what is there, copied, given more parts."""

from itertools import combinations, pairwise

import pytest
from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import Area, Picture, Shape, SlideSize, Text, rich
from zigzag_core.course.document import valid_slide
from zigzag_core.course.elements.blank import blank_slide
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.course.text.spoken import all_spoken
from zigzag_core.editing.adding import add
from zigzag_core.editing.arranging.groups import group, ungroup
from zigzag_core.editing.copies.copying import clip, paste
from zigzag_core.editing.questions.converting import converted
from zigzag_core.editing.questions.making import (
    question_from,
    with_button,
    with_elements_as_parts,
)
from zigzag_core.editing.questions.parts import with_new_parts, with_parts, with_text
from zigzag_core.editing.questions.pasted_table import with_table
from zigzag_core.editing.removing import without
from zigzag_core.errors import CannotAsk
from zigzag_core.grading.solutions import right_response
from zigzag_core.verification.findings.questions import question_findings

from .samples import fresh_ids
from .test_questions import Taking, document, slide_with


@pytest.mark.parametrize("kind", QUESTION_KINDS)
def test_copies_answer_for_themselves_and_parts_that_go_are_let_go(kind):
    slide = slide_with(kind)
    ids = [e.id for e in slide.elements[1:]]
    grown, copies = paste(slide, clip(slide, ids), fresh_ids(9))
    first, second = grown.questions
    assert set(q.part_elements(second)) <= set(copies)
    assert not set(q.part_ids(first)) & set(q.part_ids(second))
    assert not [f for f in question_findings(grown) if f.level == "error"]
    assert without(slide, ids).questions == ()
    answering_ones = list(q.answer_elements(slide.questions[0]))
    if len(answering_ones) > 1:
        assert len(without(slide, answering_ones[:1]).questions) == 1


def test_parts_are_added_in_a_row_and_say_what_was_typed():
    slide = slide_with("single_choice")
    grown, made = with_parts(slide, slide.questions[0].id, "choices", ["North", "South"],
                             fresh_ids(4))
    assert len(grown.questions[0].choices) == 5
    ys = [e.y for e in grown.elements if e.id in [c.element for c in grown.questions[0].choices]]
    assert ys == sorted(ys) and len({b - a for a, b in pairwise(ys)}) == 1
    assert [e.text for e in grown.elements if e.id in made] == [rich("North"), rich("South")]


def test_there_are_clicks_for_all_places_to_find_however_they_come():
    slide = slide_with("hotspot")
    asked = slide.questions[0]
    assert asked.clicks == 1
    grown, _ = with_new_parts(slide, asked.id, "spots", ["The door"], fresh_ids(4))
    copied, _ = paste(slide, clip(slide, [asked.spots[0].element]), fresh_ids(4))
    for made in (grown, copied):
        assert (made.questions[0].clicks, sum(s.right for s in made.questions[0].spots)) == (2, 2)
        assert not list(question_findings(made))
    table = [["Door", "x"], ["Roof", ""], ["Bench", "x"], ["Pan", ""]]
    pasted = with_table(slide, asked.id, "spots", 0, table, fresh_ids(4))
    choices = slide_with("multiple_response")
    turned = converted(choices, choices.questions[0].id, "hotspot", fresh_ids(4))
    for made in (pasted, turned):
        assert (made.questions[0].clicks, sum(s.right for s in made.questions[0].spots)) == (2, 2)


@pytest.mark.parametrize(("kinds", "answers"), [
    (("picture", "text"), 1), (("picture", "ellipse"), 0)])
def test_of_a_group_that_is_taken_apart_its_text_or_first_member_answers(kinds, answers):
    slide, fresh = slide_with("single_choice"), fresh_ids(5)
    members = []
    for kind in kinds:
        slide, (added,), _ = add(slide, kind, fresh, SlideSize())
        members.append(added)
    slide, made = group(slide, members, fresh)
    slide = with_elements_as_parts(slide, slide.questions[0].id, "choices", [made], fresh)
    apart, free = ungroup(slide, [made])
    assert list(free) == members and valid_slide(apart) == apart
    assert apart.questions[0].choices[-1].element == members[answers]


def test_questions_are_made_of_what_is_on_the_slide():
    fresh = fresh_ids(6)
    things = [Picture(id=f"pica{n}", name=f"P{n}", x=40 * n) for n in range(4)]
    boxes = [Shape(id=f"boxa{n}", name=f"B{n}", y=400, decoration=True) for n in range(2)]
    spot = Area(id="spota", name="S")
    slide = blank_slide("S", fresh).model_copy(update={"elements": (*things, *boxes, spot)})
    made, _ = question_from(slide, [e.id for e in (*things, *boxes)], "drag_to_target", fresh)
    assert len(made.questions[0].items) == 4 and len(made.questions[0].targets) == 2
    assert not any(e.decoration for e in made.elements)
    made, _ = question_from(slide, ["pica0", "spota"], "hotspot", fresh)
    assert made.questions[0].on == "pica0"
    with pytest.raises(CannotAsk, match="part of a question already"):
        question_from(made, ["pica0", "pica1"], "single_choice", fresh)
    with pytest.raises(CannotAsk):
        question_from(slide, ["pica0"], "blanks", fresh)


@pytest.mark.parametrize(("kind", "most"), [("true_false", 2), ("single_choice", 26),
                                            ("ordering", 30)])
def test_what_is_too_much_for_a_kind_is_refused_with_the_number(kind, most):
    fresh = fresh_ids(6)
    slide = blank_slide("Full", fresh)
    for _ in range(most + 1):
        slide, _, _ = add(slide, "text", fresh, SlideSize())
    texts = [e.id for e in slide.elements[1:]]
    with pytest.raises(CannotAsk, match=f"no more than {most} "):
        question_from(slide, texts, kind, fresh)
    assert question_from(slide, texts[1:], kind, fresh)[0].questions


def test_copies_of_some_parts_are_more_parts_of_the_question():
    slide = slide_with("multiple_response")
    asked = slide.questions[0]
    first = asked.choices[0].model_copy(update={"points": 2, "says": rich("Well seen.")})
    slide = slide.model_copy(update={"questions": (asked.model_copy(
        update={"choices": (first, *asked.choices[1:])}),)})
    grown, (copy,) = paste(slide, clip(slide, [first.element]), fresh_ids(3), 0, 400)
    [question] = grown.questions
    more = question.choices[-1]
    assert (more.element, more.right, more.points, more.says) == (copy, True, 2, first.says)
    single = slide_with("single_choice")
    right = next(c for c in single.questions[0].choices if c.right)
    grown, _ = paste(single, clip(single, [right.element]), fresh_ids(3))
    assert [c.right for c in grown.questions[0].choices].count(True) == 1
    assert not [f for f in question_findings(grown) if f.level == "error"]
    pairs = slide_with("drag_to_target")
    item = pairs.questions[0].items[0]
    grown, (copy,) = paste(pairs, clip(pairs, [item.element]), fresh_ids(3))
    assert grown.questions[0].items[-1].to == item.to
    cut = without(pairs, [item.element])
    again, _ = paste(cut, clip(pairs, [item.element]), fresh_ids(3))
    assert len(again.questions) == 1 and len(again.questions[0].items) == 4
    truth = slide_with("true_false")
    grown, _ = paste(truth, clip(truth, [truth.questions[0].choices[0].element]), fresh_ids(3))
    assert grown.questions == truth.questions


def grouped(slide, ids, seed=2):
    return group(slide, ids, fresh_ids(seed))


def test_a_group_is_one_answer_and_says_what_is_in_it():
    fresh = fresh_ids(6)
    slide = blank_slide("S", fresh)
    names = []
    for n, word in enumerate(("Boots", "Ropes")):
        here = (Picture(id=f"pica{n}", name="P", x=300 * n, decoration=True),
                Text(id=f"texta{n}", name="T", x=300 * n, y=200, text=rich(word)))
        slide = slide.model_copy(update={"elements": (*slide.elements, *here)})
        slide, name = grouped(slide, [e.id for e in here], n + 2)
        names.append(name)
    made, _ = question_from(slide, names, "single_choice", fresh)
    question = made.questions[0]
    assert [c.element for c in question.choices] == names
    program = compile_course(document(made), by_digest)
    assert [part.words for part in program.questions[0].parts] == ["Boots", "Ropes"]
    [group] = [e for e in program.slides[0].elements if e.draw.id == names[0]]
    assert group.control == "choice" and group.draw.alt == "Boots"
    grown, (third,) = with_parts(made, question.id, "choices", ["Lamps"], fresh)
    members = [e for e in grown.elements if e.group == third]
    assert [e.kind for e in members] == ["picture", "text"] and members[1].text == rich("Lamps")
    both, _ = grouped(slide, names, 9)
    whole = next(e.id for e in both.elements if e.kind == "group" and e.group is None)
    made, _ = question_from(both, [whole], "multiple_response", fresh)
    assert [c.element for c in made.questions[0].choices] == names


def test_targets_drawn_on_a_picture_have_it_as_their_ground():
    fresh = fresh_ids(6)
    ground = Picture(id="ground", name="Room", x=100, y=100, w=600, h=400)
    places = [Area(id=f"areaa{n}", name=f"A{n}", x=150 + 200 * n, y=200, w=80, h=80)
              for n in range(2)]
    things = [Picture(id=f"pica{n}", name=f"P{n}", x=800, y=100 * n, w=60, h=60) for n in range(3)]
    slide = blank_slide("S", fresh).model_copy(update={"elements": (ground, *places, *things)})
    made, _ = question_from(slide, [e.id for e in slide.elements], "drag_to_target", fresh)
    question = made.questions[0]
    assert [i.element for i in question.items] == [thing.id for thing in things]
    assert [t.element for t in question.targets] == [place.id for place in places]


def said_by(slide, parts):
    by_id = {e.id: e for e in slide.elements}
    return [by_id[part.element].text.blocks[0].runs[0].text for part in parts]


def test_a_table_becomes_answers_with_what_is_right_and_said():
    slide = slide_with("single_choice")
    name = slide.questions[0].id
    rows = [["Wood", "", "Too slow."], ["Coal", "x", ""], ["Peat", "", ""], ["Oil", "-", "Never."]]
    filled = with_table(slide, name, "choices", 0, rows, fresh_ids(3))
    choices = filled.questions[0].choices
    assert said_by(filled, choices) == ["Wood", "Coal", "Peat", "Oil"]
    assert [c.right for c in choices] == [False, True, False, False]
    assert [c.says for c in choices] == [rich("Too slow."), rich(""), rich(""), rich("Never.")]
    several = slide_with("multiple_response")
    name = several.questions[0].id
    filled = with_table(several, name, "choices", 2, [["C", "1,5"], ["D", "-2"]], fresh_ids(3))
    assert [c.points for c in filled.questions[0].choices] == [0, 0, 1.5, -2]
    assert filled.questions[0].partial == "per_answer"
    truth = slide_with("true_false")
    filled = with_table(truth, truth.questions[0].id, "choices", 0, [["a"], ["b"], ["c"]],
                        fresh_ids(3))
    assert len(filled.questions[0].choices) == 2


def test_a_table_of_pairs_says_what_belongs_where():
    slide = slide_with("matching")
    name = slide.questions[0].id
    rows = [["Rack", "Boots"], ["Hook", "Ropes"], ["Shelf", "Lamps"], ["Bench", ""],
            ["Box", "Lamps", "Boots"]]
    filled = with_table(slide, name, "items", 0, rows, fresh_ids(3))
    asked = filled.questions[0]
    words = dict(zip((t.id for t in asked.targets), said_by(filled, asked.targets), strict=True))
    assert set(words.values()) == {"Boots", "Ropes", "Lamps"}
    assert [[words[to] for to in item.to] for item in asked.items] == [
        ["Boots"], ["Ropes"], ["Lamps"], [], ["Lamps", "Boots"]]
    more = with_table(filled, name, "items", 4, [["Box", "Gloves"]], fresh_ids(4))
    assert len(more.questions[0].targets) == 4
    with pytest.raises(CannotAsk):
        with_table(slide, name, "spots", 0, rows, fresh_ids(3))
    slide = slide_with("drag_to_target")
    filled = with_table(slide, slide.questions[0].id, "items", 0, rows, fresh_ids(3))
    spoken = all_spoken(filled.elements)
    assert [spoken[t.element] for t in filled.questions[0].targets] == ["Boots", "Ropes", "Lamps"]
    assert all(target.takes is None for target in filled.questions[0].targets)
    slide = slide_with("matching")
    rows = [["Rack", "Boots"], ["Bench", "Boots"], ["Hook", "Ropes"]]
    filled = with_table(slide, slide.questions[0].id, "items", 0, rows, fresh_ids(3))
    assert [target.takes for target in filled.questions[0].targets] == [None, 1]
    assert not [f for f in question_findings(filled) if f.level == "error"]


def test_a_whole_table_leaves_no_samples_behind_and_no_pairs_opposite_each_other():
    slide = slide_with("multiple_response")
    asked = slide.questions[0]
    slide = with_text(slide, asked.choices[3].element, "Written by hand")
    filled = with_table(slide, asked.id, "choices", 0, [["Stove", "x"], ["Lamp", ""]], fresh_ids(3))
    assert said_by(filled, filled.questions[0].choices) == ["Stove", "Lamp", "Written by hand"]
    slide = slide_with("matching")
    rows = [["Boots", "Drying room"], ["Gas", "Outside cage"], ["Skis", "Ski cellar"]]
    filled = with_table(slide, slide.questions[0].id, "items", 0, rows, fresh_ids(3))
    assert said_by(filled, filled.questions[0].targets) == [
        "Outside cage", "Ski cellar", "Drying room"]
    assert not list(question_findings(filled))


def test_elements_that_are_there_join_a_question_and_it_gets_its_buttons():
    slide = slide_with("single_choice")
    extra = Text(id="extra", name="X", x=700, y=300, text=rich("Another"))
    slide = slide.model_copy(update={"elements": (*slide.elements, extra)})
    name = slide.questions[0].id
    grown = with_elements_as_parts(slide, name, "choices", ["extra"], fresh_ids(3))
    assert grown.questions[0].choices[-1].element == "extra"
    with pytest.raises(CannotAsk, match="already"):
        with_elements_as_parts(grown, name, "choices", ["extra"], fresh_ids(3))
    with pytest.raises(CannotAsk):
        with_elements_as_parts(slide, name, "targets", ["extra"], fresh_ids(3))
    cleared, (button,) = with_button(slide, name, "reset", fresh_ids(3))
    assert cleared.questions[0].reset == button
    taker = Taking(document(cleared))
    taker.answers(right_response(taker.grader)).does("clicked", target=button)
    assert taker.answer.given == ()
    with pytest.raises(CannotAsk, match="already"):
        with_button(cleared, name, "submit", fresh_ids(3))


def are_apart_and_above_the_button(slide):
    by_id = {e.id: e for e in slide.elements}
    [asked] = slide.questions
    boxes = [by_id[part.element] for where in q.PART_LISTS for part in getattr(asked, where, ())]
    submit = by_id[asked.submit] if asked.submit else None
    assert not submit or submit.y + submit.h <= 720
    for box in boxes:
        assert box.x >= 0 and box.x + box.w <= 1280 and box.h >= 40 and box.y + box.h <= 720
        assert not submit or box.y + box.h <= submit.y
    for one, other in combinations(boxes, 2):
        assert (one.x + one.w <= other.x or other.x + other.w <= one.x
                or one.y + one.h <= other.y or other.y + other.h <= one.y)
    return [(round(box.x), box.y) for box in boxes]


@pytest.mark.parametrize("answers", [3, 4, 6, 9, 12, 16, 21, 26])
def test_many_answers_leave_room_for_the_button_on_the_slide(answers):
    slide = slide_with("multiple_response")
    rows = [[f"Answer {n}"] for n in range(answers)]
    filled = with_table(slide, slide.questions[0].id, "choices", 0, rows, fresh_ids(3))
    places = are_apart_and_above_the_button(filled)
    assert places == sorted(places)


@pytest.mark.parametrize("rows", [4, 5, 6, 8, 12])
@pytest.mark.parametrize(("kind", "where", "targets"), [
    ("matching", "items", 12), ("drag_to_target", "items", 2), ("drag_to_target", "items", 4),
    ("drag_to_target", "items", 6), ("ordering", "items", 0), ("rating_scale", "rows", 0),
    ("hotspot", "spots", 0),
])
def test_as_many_parts_as_one_likes_lie_on_the_slide_and_apart(kind, where, targets, rows):
    rows = min(rows, {"hotspot": 8, "rating_scale": 5}.get(kind, rows))
    table = [[f"Thing {n}", *([f"Place {n % targets}"] if targets else [])] for n in range(rows)]
    slide = slide_with(kind)
    filled = with_table(slide, slide.questions[0].id, where, 0, table, fresh_ids(3))
    if kind != "hotspot":  # Its button lies below the picture.
        are_apart_and_above_the_button(filled)
    grown, fresh = slide, fresh_ids(4)
    for number in range(rows):
        grown, _ = with_parts(grown, slide.questions[0].id, where, [f"Thing {number}"], fresh)
        are_apart_and_above_the_button(grown)


def test_room_for_things_leaves_places_where_they_were_put():
    slide = slide_with("drag_to_target")
    asked = slide.questions[0]
    spots = {t.element: (640 + 300 * n, 250) for n, t in enumerate(asked.targets)}
    slide = slide.model_copy(update={"elements": tuple(
        e.model_copy(update={"x": spots[e.id][0], "y": spots[e.id][1], "w": 220, "h": 60})
        if e.id in spots else e for e in slide.elements)})
    grown, _ = with_parts(slide, asked.id, "items", ["Rope", "Axe", "Map"], fresh_ids(3))
    are_apart_and_above_the_button(grown)
    assert {e.id: (e.x, e.y, e.w, e.h) for e in grown.elements if e.id in spots} == {
        name: (*place, 220, 60) for name, place in spots.items()}


def test_answers_that_come_one_by_one_find_their_places_too():
    slide, fresh = slide_with("multiple_response"), fresh_ids(3)
    for number in range(22):
        slide, _ = with_parts(slide, slide.questions[0].id, "choices", [f"Answer {number}"], fresh)
        places = are_apart_and_above_the_button(slide)
        assert places == sorted(places)
