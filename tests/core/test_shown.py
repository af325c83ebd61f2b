"""Elements that are hidden at first, or shown only while a condition holds."""

from zigzag_core.course import Group, Overlay, Text
from zigzag_core.course.rules import patterns as pt
from zigzag_core.course.rules.rule import Calculate, StartOver
from zigzag_core.editing.copies.copying import duplicate_slide
from zigzag_core.editing.removing import without
from zigzag_core.tracking.progress import pack, unpack
from zigzag_core.verification.findings.document import findings

from .making import HIDE, SHOW, Learner, button, course, slide, text
from .samples import fresh_ids

BOTH_CLICKED = ["and", ["clicked", "first"], ["clicked", "second"]]


def test_what_is_hidden_at_first_is_shown_by_a_rule_and_stays_shown_after_coming_back():
    learner = Learner(course(
        slide("slidea", button("first", SHOW("hint")), text("hint", shown=False)), slide("slideb")))
    assert not learner.sees("hint")
    learner.clicks("first")
    assert learner.sees("hint")
    learner.does("next").does("previous")
    assert learner.slide == "slidea"
    assert learner.sees("hint")


def test_what_is_shown_only_when_all_was_seen_is_there_then_and_after_coming_back():
    document = course(
        slide("slidea", button("first", SHOW("other")), button("second", SHOW("other")),
              text("other"), text("hint", shown=BOTH_CLICKED)), slide("slideb"))
    learner = Learner(document).clicks("first")
    assert not learner.sees("hint")
    learner.clicks("second")
    assert learner.sees("hint")
    learner.does("next").does("previous")
    assert learner.sees("hint")
    # Progress brings it back as well.
    other = Learner(document)
    other.state = unpack(other.index, pack(learner.index, learner.state))
    other.does("resume")
    assert other.sees("hint")


def test_a_rule_has_the_last_word_over_the_condition():
    learner = Learner(course(slide(
        "slidea", button("first", HIDE("hint")), button("second", SHOW("hint")),
        text("hint", shown=["clicked", "first"]))))
    assert not learner.sees("hint")
    learner.clicks("first")
    assert not learner.sees("hint")
    learner.clicks("second")
    assert learner.sees("hint")


def test_a_hidden_group_hides_what_is_in_it():
    learner = Learner(course(slide(
        "slidea", button("first", SHOW("group")), Group(id="group", name="G", shown=False),
        text("hint", group="group"))))
    assert not learner.sees("hint")
    assert learner.clicks("first").sees("hint")


def test_what_a_pattern_reveals_may_be_hidden_at_first_as_well():
    reveal = pt.RevealSet(id="reveal", name="R", items=(
        pt.Revealed(trigger="first", shows=("hint",)),
        pt.Revealed(trigger="second", shows=("other",))))
    learner = Learner(course(slide(
        "slidea", button("first"), button("second"), text("hint", shown=False), text("other"),
        patterns=(reveal,))))
    assert not learner.sees("hint")
    assert learner.clicks("first").sees("hint")


def test_the_condition_goes_along_with_copies_and_with_what_is_taken_away():
    first = slide("slidea", button("first", SHOW("other")), text("other"),
                  text("hint", shown=["clicked", "first"]))
    copy = duplicate_slide(first, fresh_ids())
    ids = {element.name: element.id for element in copy.elements}
    assert next(e for e in copy.elements if e.name == "hint").shown == ["clicked", ids["first"]]
    left = without(first, {"first"})
    assert next(e for e in left.elements if e.id == "hint").shown != ["clicked", "first"]


def test_a_condition_that_names_what_is_gone_is_found():
    hint = Text(id="hint", name="Hint", shown=["clicked", "gone"])
    found = findings(course(slide("slidea", hint)))
    assert any(one.element == "hint" for one in found)


def overlay_shown(shown, *elements):
    """A slide with an overlay that opens by `shown`, and whatever else."""
    return slide("slidea", *elements, text("word", overlay="panel"), overlays=(
        Overlay(id="panel", name="Panel", shown=shown, blocks=False),))


def test_an_overlay_opens_when_its_condition_comes_to_hold_and_stays_closed_once_closed():
    buttons = (button("first", SHOW("word")), button("second", SHOW("word")))
    document = course(overlay_shown(BOTH_CLICKED, *buttons), slide("slideb"))
    learner = Learner(document).clicks("first")
    assert learner.state.overlays == ()
    learner.clicks("second")
    assert learner.state.overlays == ("panel",)
    learner.does("close", target="panel")
    learner.clicks("first", "second").waits(1_000)
    assert learner.state.overlays == ()
    # Coming back into the course opens nothing that was closed; coming back to the slide does.
    other = Learner(document)
    other.state = unpack(other.index, pack(learner.index, learner.state))
    other.does("resume").waits(1_000)
    assert other.state.overlays == ()
    other.does("next").waits(1_000).does("previous")
    assert other.state.overlays == ("panel",)


def test_an_overlay_closes_when_its_condition_holds_no_longer_and_opens_anew():
    count = Calculate(action="add", variable="scorevar", value=1)
    once = ["=", ["variable", "scorevar"], 1]
    learner = Learner(course(overlay_shown(once, button("first", count))))
    seen = []
    for _ in range(3):
        learner.clicks("first")
        seen.append(learner.state.overlays)
    assert seen == [("panel",), (), ()]


def test_an_overlay_can_be_open_from_the_start():
    learner = Learner(course(overlay_shown(True), slide("slideb")))
    assert learner.state.overlays == ("panel",)
    learner.does("close", target="panel").waits(1_000)
    assert learner.state.overlays == ()


def test_a_chain_of_overlays_opens_in_one_step_however_long_it_is():
    chain = [Overlay(id=f"panel{n}", name=f"Panel {n}", blocks=False,
                     shown=["open", f"panel{n - 1}"] if n else ["clicked", "first"])
             for n in range(8)]
    learner = Learner(course(slide("slidea", button("first", SHOW("word")), text("word"),
                                   overlays=tuple(chain))))
    learner.clicks("first")
    assert learner.state.overlays == tuple(overlay.id for overlay in chain)


def test_an_overlay_opens_anew_where_the_slide_is_entered_again_at_once():
    restart = button("first", StartOver(what="slide"))
    learner = Learner(course(overlay_shown(True, restart)))
    learner.does("close", target="panel")
    assert learner.state.overlays == ()
    learner.clicks("first")
    assert learner.state.overlays == ("panel",)


def test_overlays_that_open_and_close_each_other_come_to_an_end():
    turning = slide("slidea", overlays=(
        Overlay(id="panel", name="Panel", shown=["not", ["open", "panel"]], blocks=False),
        Overlay(id="other", name="Other", shown=["open", "panel"], blocks=False)))
    learner = Learner(course(turning)).waits(1_000)
    assert set(learner.state.overlays) <= {"panel", "other"}
