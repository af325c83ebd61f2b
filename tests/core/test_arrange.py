"""Arranging: exact to the pixel, groups moved as one, what is locked left alone."""

from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from zigzag_core.course import Shape, Slide, SlideSize
from zigzag_core.course.elements.geometry import around, box_of
from zigzag_core.editing.arranging import arrange
from zigzag_core.editing.arranging.groups import group, outermost, ungroup, with_members
from zigzag_core.errors import CannotMake

from .samples import fresh_ids

quick = settings(max_examples=150, deadline=None, derandomize=True)

places = st.integers(-200, 1_400)
lengths = st.integers(1, 600)
boxes = st.tuples(places, places, lengths, lengths)


def slide_of(*rects, **more):
    return Slide(id="slidea", title="S", elements=tuple(
        Shape(id=f"shape{n}", name=f"S {n}", x=x, y=y, w=w, h=h, z=n, **more)
        for n, (x, y, w, h) in enumerate(rects)
    ))


def ids_of(slide):
    return [element.id for element in slide.elements]


def box(slide, name):
    return box_of(next(e for e in slide.elements if e.id == name))


@quick
@given(st.lists(boxes, min_size=1, max_size=6), st.sampled_from(
    ["left", "center", "right", "top", "middle", "bottom"]))
def test_aligned_things_share_an_edge_or_a_centre(rects, edge):
    before = slide_of(*rects)
    after = arrange.align(before, ids_of(before), edge)
    at = {
        "left": lambda b: b.x, "center": lambda b: b.x + b.w / 2, "right": lambda b: b.right,
        "top": lambda b: b.y, "middle": lambda b: b.y + b.h / 2, "bottom": lambda b: b.bottom,
    }[edge]
    found = [at(box_of(e)) for e in after.elements]
    # Places are whole px, so centres of odd and even lengths are half a px apart.
    assert max(found) - min(found) <= (0.5 if edge in ("center", "middle") else 0)
    assert all(float(e.x).is_integer() and float(e.y).is_integer() for e in after.elements)
    assert [(e.w, e.h) for e in after.elements] == [(e.w, e.h) for e in before.elements]
    assert edge in ("center", "middle") or arrange.align(after, ids_of(after), edge) == after


@quick
@given(st.lists(boxes, min_size=2, max_size=30), st.integers(200, 4_000), st.integers(200, 4_000))
def test_things_side_by_side_are_of_one_size_in_one_row_within_the_slide(rects, width, height):
    before, size = slide_of(*rects), SlideSize(w=width, h=height)
    after = arrange.side_by_side(before, ids_of(before), size)
    row = sorted(after.elements, key=lambda e: e.x)
    assert len({(e.y, e.w, e.h) for e in row}) == 1
    assert all(0 <= e.x <= width - e.w and 0 <= e.y <= height - e.h for e in row)
    assert len({b.x - a.x - a.w for a, b in pairwise(row)}) == 1
    assert row[1].x - row[0].x - row[0].w == min(24, width // len(row) // 4)
    assert [e.id for e in row] == [
        e.id for e in sorted(before.elements, key=lambda e: (e.x, e.y))]
    again = arrange.side_by_side(after, ids_of(after), size)
    assert [e.id for e in sorted(again.elements, key=lambda e: e.x)] == [e.id for e in row]


def test_what_is_locked_or_alone_is_not_put_side_by_side():
    alone = slide_of((10, 10, 50, 50))
    fixed = slide_of((10, 10, 50, 50), (90, 40, 50, 50), locked=True)
    for slide in (alone, fixed):
        with pytest.raises(CannotMake):
            arrange.side_by_side(slide, ids_of(slide), SlideSize())


@quick
@given(st.lists(st.tuples(st.integers(0, 900), lengths), min_size=3, max_size=8))
def test_gaps_are_equal_to_the_pixel_and_the_outermost_stay(row):
    before = slide_of(*((x, 0, w, 10) for x, w in row))
    after = arrange.distribute(before, ids_of(before), "across", "gaps")
    ordered = sorted(after.elements, key=lambda e: (
        before.elements[int(e.id[5:])].x + before.elements[int(e.id[5:])].w / 2))
    gaps = [b.x - a.x - a.w for a, b in pairwise(ordered)]
    assert max(gaps) - min(gaps) <= 1
    frame = around(map(box_of, before.elements))
    if min(gaps) >= 0:
        assert min(e.x for e in after.elements) == frame.x
        assert max(e.x + e.w for e in after.elements) == frame.right
    assert all(float(e.x).is_integer() for e in after.elements)


def test_centres_are_spaced_evenly_whatever_the_sizes():
    before = slide_of((0, 0, 100, 10), (120, 0, 20, 10), (400, 0, 200, 10))
    after = arrange.distribute(before, ids_of(before), "across", "centres")
    assert [e.x + e.w / 2 for e in after.elements] == [50, 275, 500]


def test_things_are_lined_up_and_spaced_on_the_slide():
    size = SlideSize(w=1280, h=720)
    before = slide_of((5, 5, 100, 50), (300, 90, 100, 50), (700, 44, 100, 50))
    whole = arrange.slide_box(size)
    right = arrange.align(before, ids_of(before), "right", whole)
    assert {e.x for e in right.elements} == {1180}
    spread = arrange.distribute(before, ids_of(before), "across", "gaps", whole)
    assert [e.x for e in spread.elements] == [0, 590, 1180]


def test_a_turned_thing_counts_by_what_it_covers():
    before = slide_of((0, 0, 100, 100), (300, 300, 200, 20))
    turned = arrange.turn(before, ["shape1"], 90)
    assert box(turned, "shape1").x == pytest.approx(390)
    after = arrange.align(turned, ids_of(turned), "left")
    assert box(after, "shape1").x == pytest.approx(0)
    assert box(after, "shape1").w == pytest.approx(20)


def test_sizes_match_the_first_chosen():
    before = slide_of((0, 0, 10, 20), (0, 0, 30, 40), (0, 0, 50, 60))
    wide = arrange.match_size(before, ["shape1", "shape0"], "width")
    assert [(e.w, e.h) for e in wide.elements] == [(30, 20), (30, 40), (50, 60)]
    both = arrange.match_size(before, ["shape2", "shape0"], "both")
    assert [(e.w, e.h) for e in both.elements] == [(50, 60), (30, 40), (50, 60)]


@quick
@given(st.lists(boxes, min_size=1, max_size=4), st.integers(-180, 180))
def test_turning_there_and_back_or_flipping_twice_changes_nothing(rects, degrees):
    before = slide_of(*rects)
    there = arrange.turn(arrange.turn(before, ids_of(before), degrees), ids_of(before), -degrees)
    for old, new in zip(before.elements, there.elements, strict=True):
        assert new.x == pytest.approx(old.x, abs=0.01) and new.turn % 360 == old.turn % 360
    flipped = arrange.flip(arrange.flip(before, ids_of(before), "across"), ids_of(before), "across")
    assert [e.x for e in flipped.elements] == [e.x for e in before.elements]


@quick
@given(st.permutations(range(5)), st.sets(st.integers(0, 4), min_size=1, max_size=3),
       st.sampled_from(["front", "forward", "backward", "back"]))
def test_restacking_keeps_the_order_of_the_rest(levels, chosen, level):
    before = slide_of(*[(0, 0, 10, 10)] * 5)
    before = before.model_copy(update={"elements": tuple(
        e.model_copy(update={"z": z}) for e, z in zip(before.elements, levels, strict=True)
    )})
    ids = [f"shape{n}" for n in chosen]
    after = arrange.restack(before, ids, level)

    def order(slide, keep):
        return [e.id for e in sorted(slide.elements, key=lambda e: e.z) if (e.id in ids) == keep]

    assert order(after, True) == order(before, True)
    assert order(after, False) == order(before, False)
    highest = max(after.elements, key=lambda e: e.z).id
    lowest = min(after.elements, key=lambda e: e.z).id
    assert level != "front" or highest in ids
    assert level != "back" or lowest in ids


def test_a_group_moves_as_one_and_keeps_its_inner_distances():
    before = slide_of((100, 100, 50, 50), (200, 160, 50, 50), (600, 300, 80, 80))
    grouped, name = group(before, ["shape0", "shape1"], fresh_ids())
    assert outermost(grouped.elements, ids_of(grouped)) == [name, "shape2"]
    assert box(grouped, name) == around([box(before, "shape0"), box(before, "shape1")])
    after = arrange.align(grouped, [name, "shape2"], "right")
    assert box(after, name).right == 680
    assert box(after, "shape1").x - box(after, "shape0").x == 100
    free, members = ungroup(after, [name])
    assert set(members) == {"shape0", "shape1"}
    assert all(e.group is None for e in free.elements) and len(free.elements) == 3


def test_groups_hold_groups_and_stay_together_in_both_orders():
    before = slide_of(*[(n * 50, 0, 40, 40) for n in range(5)])
    inner, one = group(before, ["shape0", "shape3"], fresh_ids(1))
    outer, two = group(inner, [one, "shape4"], fresh_ids(2))
    assert with_members(outer.elements, [two]) == {one, two, "shape0", "shape3", "shape4"}
    assert ids_of(outer)[:5] == [two, one, "shape0", "shape3", "shape4"]
    painted = [e.id for e in sorted(outer.elements, key=lambda e: e.z)]
    run = [painted.index(n) for n in (one, two, "shape0", "shape3", "shape4")]
    assert max(run) - min(run) == 4
    back, _ = ungroup(outer, [two])
    assert {e.id: e.group for e in back.elements}[one] is None
    with pytest.raises(ValueError, match="different groups"):
        group(outer, ["shape0", "shape1"], fresh_ids(3))


def test_what_is_locked_stays():
    before = slide_of((0, 0, 10, 10), (100, 100, 10, 10))
    locked = before.model_copy(update={"elements": (
        before.elements[0].model_copy(update={"locked": True}), before.elements[1],
    )})
    after = arrange.align(locked, ids_of(locked), "right")
    assert [e.x for e in after.elements] == [0, 100]
    assert [e.x for e in arrange.align(locked, ids_of(locked), "left").elements] == [0, 0]
