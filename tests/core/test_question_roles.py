"""Which elements become things and which targets, and how they change their roles later."""

import pytest
from zigzag_core.course import Picture, Shape, Slide, Text, rich
from zigzag_core.course.document import valid_slide
from zigzag_core.course.questions.answer_row import AnswerRow
from zigzag_core.course.questions.question import Hotspot, Item, Spot, Target
from zigzag_core.course.style.style import Style
from zigzag_core.editing.questions.making import question_from
from zigzag_core.editing.questions.roles import (
    Roles,
    dissolved,
    one_place,
    own_places,
    roles_of,
    swapped,
    with_role,
    without_part,
)
from zigzag_core.errors import CannotAsk

from .samples import fresh_ids


def shape(name, x, y, w=120, h=80, fill=None, **more):
    return Shape(id=name, name=name, x=x, y=y, w=w, h=h, style=Style(fill=fill), **more)


def row(prefix, count, y, **more):
    return [shape(f"{prefix}{n}", 60 + 200 * n, y, **more) for n in range(count)]


def found(parts):
    roles = roles_of(parts)
    return sorted(roles.items), sorted(roles.targets)


def names(prefix, count):
    return [f"{prefix}{n}" for n in range(count)]


@pytest.mark.parametrize("turned", [False, True], ids=["in order", "drawn the other way round"])
@pytest.mark.parametrize(("things", "boxes"), [
    (row("thing", 2, 100), row("boxes", 2, 400)),
    (row("thing", 2, 400, w=60, h=60), row("boxes", 2, 100, w=300, h=200)),
    (row("thing", 3, 100) + [shape(f"thing{n}", 60 + 200 * n, 200) for n in (3, 4, 5)],
     row("boxes", 3, 450)),
    (row("thing", 3, 100, w=90) + [shape(f"thing{n}", 60 + 200 * n, 220, w=90) for n in (3, 4, 5)],
     row("boxes", 3, 340, w=180, h=200)),
    (row("thing", 3, 100, fill="#1e5b4b"), row("boxes", 3, 100 + 90)),
    ([shape(f"thing{n}", 60, 60 + 120 * n) for n in range(3)],
     [shape(f"boxes{n}", 700, 60 + 120 * n) for n in range(3)]),
])
def test_roles_are_told_by_size_fill_rows_and_columns(things, boxes, turned):
    parts = [*boxes, *things] if turned else [*things, *boxes]
    assert found(parts) == (names("thing", len(things)), names("boxes", len(boxes)))


def test_labels_and_grounds_have_no_role():
    boxes = row("boxes", 2, 300, w=180, h=180)
    labels = [Text(id=f"label{n}", name="L", x=b.x + 40, y=b.y + 60, w=60, h=30, text=rich("Bin"))
              for n, b in enumerate(boxes)]
    ground = Picture(id="ground", name="Room", x=0, y=250, w=900, h=400)
    things = [Picture(id=f"thing{n}", name="P", x=60 + 100 * n, y=40, w=60, h=60) for n in range(3)]
    assert found([ground, *boxes, *labels, *things]) == (names("thing", 3), names("boxes", 2))


def asked():
    parts = [*row("thing", 2, 100), *row("boxes", 2, 400)]
    slide = Slide(id="slidea", title="S", elements=tuple(parts))
    made, _ = question_from(slide, [e.id for e in parts], "drag_to_target", fresh_ids(3))
    return made, made.questions[0]


def test_roles_given_by_the_author_are_taken_as_they_are():
    parts = [*row("thing", 2, 100), *row("boxes", 2, 400)]
    slide = Slide(id="slidea", title="S", elements=tuple(parts))
    roles = Roles(items=("boxes0", "boxes1"), targets=("thing0", "thing1"))
    made, _ = question_from(slide, [e.id for e in parts], "matching", fresh_ids(3), roles=roles)
    assert [item.element for item in made.questions[0].items] == ["boxes0", "boxes1"]


def test_things_and_targets_are_swapped_with_what_belongs_on_what():
    slide, question = asked()
    turned = swapped(slide, question.id).questions[0]
    assert [item.element for item in turned.items] == ["boxes0", "boxes1"]
    placed = {item.element: [t.element for t in turned.targets if t.id in item.to]
              for item in turned.items}
    assert placed == {"boxes0": ["thing0"], "boxes1": ["thing1"]}


def test_a_part_gets_the_other_role_and_nothing_names_its_old_one():
    slide, question = asked()
    changed = with_role(slide, question.id, "boxes1", "items", fresh_ids(8))
    now = valid_slide(changed).questions[0]
    assert [item.element for item in now.items] == ["thing0", "thing1", "boxes1"]
    assert [target.element for target in now.targets] == ["boxes0"]
    assert now.items[1].to == ()
    with pytest.raises(CannotAsk, match="last one of its kind"):
        with_role(changed, question.id, "boxes0", "items", fresh_ids(9))
    back = with_role(changed, question.id, "boxes1", "targets", fresh_ids(9)).questions[0]
    assert back.targets[-1] == Target(id=back.targets[-1].id, element="boxes1", takes=None)


def test_a_part_is_taken_out_and_stays_on_the_slide():
    slide, question = asked()
    left = valid_slide(without_part(slide, question.id, "thing0"))
    assert [item.element for item in left.questions[0].items] == ["thing1"]
    assert left.elements == slide.elements
    out = without_part(left, question.id, question.submit)
    assert out.questions[0].submit is None
    alone, _ = question_from(
        slide.model_copy(update={"questions": ()}), ["thing0", "thing1"], "ordering", fresh_ids(4))
    one = without_part(alone, alone.questions[0].id, "thing0")
    with pytest.raises(CannotAsk, match="last one"):
        without_part(one, alone.questions[0].id, "thing1")


def test_a_question_is_dissolved_and_all_its_elements_stay():
    slide, question = asked()
    left = valid_slide(dissolved(slide, question.id))
    assert left.questions == ()
    assert left.elements == slide.elements
    with pytest.raises(CannotAsk):
        dissolved(left, question.id)
    assert isinstance(question.items[0], Item)


def spots():
    """A hotspot with three places; a row of its table and an answer name the last two."""
    slide = Slide(id="slide1", title="Boats", elements=tuple(row("area", 3, 100)))
    asked = Hotspot(id="question", name="Find", table=(
        AnswerRow(id="row1", cells={"spot2": True, "spot3": True}),), spots=tuple(
            Spot(id=f"spot{n + 1}", element=f"area{n}", right=n > 0) for n in range(3)))
    return slide.model_copy(update={"questions": (asked,)})


def test_two_places_become_one_and_nothing_names_the_one_that_is_gone():
    joined = one_place(spots(), "question", "area2", "area1")
    asked = valid_slide(joined).questions[0]
    assert [(spot.id, spot.element, spot.also) for spot in asked.spots] == [
        ("spot1", "area0", ()), ("spot2", "area1", ("area2",))]
    assert "spot3" not in joined.model_dump_json()
    assert one_place(joined, "question", "area2", "area1") == joined
    apart = valid_slide(own_places(joined, "question", "area1", fresh_ids(3))).questions[0]
    assert [(spot.element, spot.also, spot.right) for spot in apart.spots] == [
        ("area0", (), False), ("area1", (), True), ("area2", (), True)]
    with pytest.raises(CannotAsk):
        one_place(spots(), "question", "area2", "other1")


def test_roles_are_given_to_what_is_selected_only():
    slide = Slide(id="slide1", title="Boats", elements=(*row("thing", 2, 100), *row("box", 2, 400)))
    given = Roles(items=("thing0", "thing0"), targets=("box0", "elsewhere"))
    with pytest.raises(CannotAsk):
        question_from(slide, [e.id for e in slide.elements], "matching", fresh_ids(4), roles=given)
