"""Changes: what they are made of, applied, taken back, and put together."""

import copy

from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.editing.changes import (
    AddItem,
    Change,
    MoveItem,
    RemoveItem,
    SetValue,
    apply,
    diff,
    equal,
    invert,
    merge,
)

from .json_documents import documents, edited

SLIDE = {
    "id": "room", "title": "Drying room", "rules": [],
    "elements": [
        {"id": "boots", "kind": "text", "x": 10, "own": ["fill", "size"], "words": ["wet"]},
        {"id": "ropes", "kind": "text", "x": 20, "own": [], "words": []},
        {"id": "stove", "kind": "shape", "x": 30, "own": [], "words": []},
    ],
}


def changed(**fields: object) -> dict:
    return {**copy.deepcopy(SLIDE), **fields}


@given(st.data())
def test_a_change_makes_the_one_document_of_the_other(data):
    before = data.draw(documents())
    after = data.draw(edited(before) | documents())
    change = diff(before, after)
    whole = copy.deepcopy(before)
    made = apply(change, before)
    assert equal(made.document, after) and made.conflicts == ()
    assert before == whole, "what a change is applied to stays as it was"
    assert equal(apply(invert(change), made.document).document, before)
    assert invert(invert(change)) == change


@given(st.data())
def test_a_change_is_read_back_from_its_json(data):
    before = data.draw(documents())
    change = diff(before, data.draw(edited(before)))
    assert Change.model_validate_json(change.model_dump_json()) == change


@given(st.data())
def test_changes_of_different_things_go_together_in_any_order(data):
    base = data.draw(documents())
    mine, theirs = data.draw(edited(base)), data.draw(edited(base))
    ours = merge(diff(base, mine), diff(base, theirs), theirs)
    other = merge(diff(base, theirs), diff(base, mine), mine)
    assert bool(ours.conflicts) == bool(other.conflicts)
    if not ours.conflicts and not _reordered(base, mine, theirs):
        assert equal(ours.document, other.document)


def _reordered(base, mine, theirs) -> bool:
    """Whether items were added or moved: then the order follows who came last."""
    return any(
        isinstance(operation, AddItem | MoveItem | RemoveItem)
        for change in (diff(base, mine), diff(base, theirs)) for operation in change.operations
    )


@given(st.data())
def test_what_only_one_has_changed_is_as_that_one_has_it(data):
    base = data.draw(documents())
    after = data.draw(edited(base))
    assert equal(merge(diff(base, after), Change(), base).document, after)
    assert equal(merge(Change(), diff(base, after), after).document, after)
    again = merge(diff(base, after), diff(base, after), after)
    assert equal(again.document, after) and again.conflicts == (), "sending twice changes nothing"


def test_a_value_deep_in_a_thing_is_one_operation():
    after = changed()
    after["elements"][1]["x"] = 25
    (operation,) = diff(SLIDE, after).operations
    assert operation == SetValue(path=("elements", "ropes", "x"), value=25, was=20)


def test_an_item_keeps_its_place_among_its_neighbours():
    after = changed(elements=[SLIDE["elements"][2], *SLIDE["elements"][:2]])
    (operation,) = diff(SLIDE, after).operations
    assert isinstance(operation, MoveItem) and operation.path == ("elements", "stove")
    added = {"id": "drip", "kind": "text", "x": 5, "own": [], "words": []}
    now = changed(elements=[SLIDE["elements"][0], added, *SLIDE["elements"][1:]])
    made = apply(diff(SLIDE, after), now)
    assert [e["id"] for e in made.document["elements"]] == ["stove", "boots", "drip", "ropes"]


def test_what_was_added_after_a_thing_that_is_gone_stands_where_that_was():
    added = {"id": "drip", "kind": "text", "x": 5, "own": [], "words": []}
    first, second, third = SLIDE["elements"]
    mine = diff(SLIDE, changed(elements=[first, second, added, third]))
    made = apply(mine, changed(elements=[first, third]))
    assert [e["id"] for e in made.document["elements"]] == ["boots", "drip", "stove"]


def test_something_changed_by_both_is_a_conflict_and_the_rest_goes_through():
    mine, theirs = changed(title="Boots and ropes"), changed(title="The drying room")
    mine["elements"][0]["x"] = 11
    theirs["elements"][1]["x"] = 22
    made = merge(diff(SLIDE, mine), diff(SLIDE, theirs), theirs)
    (conflict,) = made.conflicts
    assert conflict.operation.path == ("title",) and conflict.why == "changed"
    assert made.document["title"] == "The drying room"
    assert [e["x"] for e in made.document["elements"]] == [11, 22, 30]


def test_changing_what_another_has_taken_away_is_a_conflict():
    mine, theirs = changed(), changed(elements=SLIDE["elements"][1:])
    mine["elements"][0]["x"] = 11
    assert merge(diff(SLIDE, mine), diff(SLIDE, theirs), theirs).conflicts
    assert merge(diff(SLIDE, theirs), diff(SLIDE, mine), mine).conflicts
    made = apply(diff(SLIDE, mine), theirs, force=True)
    assert [conflict.why for conflict in made.conflicts] == ["gone"]


def test_a_thing_of_another_kind_is_another_thing():
    after = changed()
    after["elements"][2] = {"id": "stove", "kind": "text", "x": 30, "text": "Stove"}
    (operation,) = diff(SLIDE, after).operations
    assert isinstance(operation, SetValue) and operation.path == ("elements", "stove")


def test_a_yes_is_no_number_and_a_whole_number_is_the_same_with_decimals():
    assert not equal(True, 1) and not equal(0, False)
    assert equal(1, 1.0) and equal([{"x": 2.0}], [{"x": 2}])
    assert diff({"x": 1}, {"x": 1.0}).operations == ()


def test_lists_without_names_change_as_a_whole():
    before, after = {"cells": [["a", "b"], ["c", "d"]]}, {"cells": [["a", "b"]]}
    (operation,) = diff(before, after).operations
    assert operation.path == ("cells",)
    doubled = diff({"words": ["a", "b"]}, {"words": ["a", "a"]})
    assert [o.path for o in doubled.operations] == [("words",)]


def test_texts_of_a_list_come_and_go_each_for_itself():
    mine, theirs = changed(), changed()
    mine["elements"][0]["own"] = ["fill", "size", "looks"]
    theirs["elements"][0]["own"] = ["size"]
    made = merge(diff(SLIDE, mine), diff(SLIDE, theirs), theirs)
    assert made.conflicts == () and made.document["elements"][0]["own"] == ["size", "looks"]
