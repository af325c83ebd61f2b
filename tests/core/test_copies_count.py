"""A card that is finished and then duplicated: all copies count in one set, with their rules."""

import pytest
from zigzag_core.course import Happens, Rule
from zigzag_core.course.document import valid_slide
from zigzag_core.course.rules import patterns as pt
from zigzag_core.course.rules import rule as r
from zigzag_core.editing.arranging.groups import group
from zigzag_core.editing.copies.copying import clip, paste
from zigzag_core.editing.removing import without

from .making import HIDE, SHOW, Learner, button, course, slide, text
from .samples import fresh_ids


def finished_card(grouped, pattern):
    """A card with a tick, a member of a set of one with a counter, and a rule of the slide."""
    elements = (button("card"), text("tick"), text("counter", y=600))
    made = slide("slidea", *elements)
    whole = "card"
    if grouped:
        made, whole = group(made, ["card", "tick"], fresh_ids(4))
    patterns = {
        "reveal_set": pt.RevealSet(id="cards", name="Cards", items=(
            pt.Revealed(trigger=whole, shows=("tick",)),)),
        "spot_places": pt.SpotPlaces(id="cards", name="Cards", places=(whole,)),
        "checklist": pt.Checklist(id="cards", name="Cards", items=(whole,)),
    }
    hidden = Rule(id="hidden", when=Happens(event="slide_entered"), do=(HIDE("tick"),))
    ticked = Rule(id="ticked", when=Happens(event="clicked", of=("card",)), do=(SHOW("tick"),))
    other = Rule(id="other", when=Happens(event="all_seen", of=("cards",)),
                 do=(SHOW("counter"),))
    return made.model_copy(update={
        "patterns": (patterns[pattern],
                     pt.SeenCounter(id="count", name="Count", text="counter", set="cards")),
        "rules": (hidden, ticked, other)}), ([whole] if grouped else ["card", "tick"])


@pytest.mark.parametrize("grouped", [True, False], ids=["a group", "loose elements"])
@pytest.mark.parametrize("pattern", ["reveal_set", "spot_places", "checklist"])
def test_eight_copies_are_nine_cards_in_one_counter(grouped, pattern):
    made, card = finished_card(grouped, pattern)
    fresh = fresh_ids(9)
    for _ in range(8):
        made, _ = paste(made, clip(made, card), fresh, 24, 24)
    made = valid_slide(made)
    found = [each for each in made.patterns if each.kind == pattern]
    assert len(found) == 1 and len(pt.parts(found[0])) >= 9
    assert sum(isinstance(each, pt.SeenCounter) for each in made.patterns) == 1
    # Rules that name only the card and its tick are copied; the one of the whole set is not.
    assert sum(rule.do == (SHOW("counter"),) for rule in made.rules) == 1
    assert len(made.rules) == 3 + 2 * 8
    learner = Learner(course(made, variables=()))
    ticks = [e.id for e in made.elements if e.name.startswith("tick")]
    assert len(ticks) == 9 and not any(learner.sees(tick) for tick in ticks)
    assert str(learner.state.hidden).count("True") == 9


def test_a_whole_set_of_several_is_another_set():
    three = [button(f"card{n}") for n in range(3)]
    made = slide("slidea", *three, patterns=(
        pt.SpotPlaces(id="cards", name="Cards", places=tuple(e.id for e in three)),))
    copied, _ = paste(made, clip(made, [e.id for e in three]), fresh_ids(3))
    assert [len(each.places) for each in copied.patterns] == [3, 3]


def test_what_is_cut_and_pasted_keeps_the_rules_that_named_only_it():
    made, card = finished_card(grouped=True, pattern="checklist")
    clipping = clip(made, card)
    assert len(clipping.rules) == 2
    left = without(made, card)
    assert len(left.rules) < 3
    back, _ = paste(left, clipping, fresh_ids(5))
    assert sum(isinstance(rule.do[0], r.ShowOrHide) for rule in back.rules) >= 2
