"""What slides do: rules, overlays, patterns, gates, timing and drags, compiled and run."""

from typing import get_args, get_type_hints

import pytest
from zigzag_core.course import (
    Area,
    Button,
    CourseDocument,
    Cue,
    Drag,
    Expected,
    Gate,
    Group,
    Happens,
    MediaFile,
    Move,
    Navigation,
    Overlay,
    Picture,
    Rule,
    Section,
    Shape,
    SlideSize,
    Timing,
    Video,
    Walkthrough,
)
from zigzag_core.course.document import valid_slide
from zigzag_core.course.rules import patterns as pt
from zigzag_core.course.rules import rule as r
from zigzag_core.course.rules.gates import MediaWatched, TimeSpent
from zigzag_core.course.walkthroughs import EVENT_KINDS
from zigzag_core.editing.copies.copying import (
    clip,
    duplicate_course,
    duplicate_slide,
    paste,
)
from zigzag_core.editing.path_slides import slides_for_paths
from zigzag_core.editing.patterns import COUNTED, make_pattern
from zigzag_core.editing.removing import without
from zigzag_core.engine import engine
from zigzag_core.errors import CannotMake
from zigzag_core.program.events import Event
from zigzag_core.tracking.progress import pack, unpack
from zigzag_core.verification.findings.document import findings
from zigzag_core.verification.route import route
from zigzag_core.verification.walkthroughs import replay

from .making import DISABLE, ENABLE, HIDE, SHOW, Learner, button, course, slide, text
from .samples import fresh_ids


def test_a_sentence_with_a_condition_does_one_thing_or_the_other():
    add = r.Calculate(action="add", variable="scorevar", value=1)
    big = [">=", ["variable", "scorevar"], 2]
    learner = Learner(course(slide(
        "slidea", button("more", add),
        button("tell", SHOW("good"), condition=big, otherwise=[HIDE("good")]), text("good"),
    )))
    learner.clicks("tell")
    assert not learner.sees("good")
    learner.clicks("more", "more", "tell")
    assert learner.sees("good") and learner.state.variables["scorevar"] == 2


def test_rules_stand_on_overlays_slides_sections_and_the_course():
    add = r.Calculate(action="add", variable="scorevar", value=1)

    def on(event, *of):
        return Rule(id=f"r{event[:4]}{'x'.join(of)}z", when=Happens(event=event, of=of), do=(add,))

    over = Overlay(id="overlaya", name="O", rules=(on("overlay_opened"),))
    document = course(
        slide("slidea", button("open", SHOW("overlaya")), overlays=(over,),
              rules=(on("clicked", "open"), on("slide_entered"))),
        slide("slideb"), rules=(on("slide_left"),),
    )
    learner = Learner(document)
    assert learner.state.variables["scorevar"] == 1
    learner.clicks("open")
    assert learner.state.variables["scorevar"] == 3 and learner.state.overlays == ("overlaya",)
    learner.does("close", target="overlaya").does("next")
    assert learner.state.variables["scorevar"] == 4


def test_one_sentence_for_many_elements_means_each_of_them():
    rule = Rule(id="many", when=Happens(of=("onee", "twoo")), do=(r.ShowOrHide(
        action="hide", what=r.THIS),))
    learner = Learner(course(slide("slidea", button("onee"), button("twoo"), rules=(rule,))))
    learner.clicks("twoo")
    assert learner.sees("onee") and not learner.sees("twoo")


def test_a_sentence_that_is_switched_off_never_runs():
    off = Rule(id="offf", do=(HIDE("text"),), off=True)
    learner = Learner(course(slide("slidea", Button(id="push", name="b", rules=(off,)),
                                   text("text"))))
    assert learner.clicks("push").sees("text")


def test_what_is_disabled_stays_in_sight_and_is_of_no_use_until_it_is_enabled():
    add = r.Calculate(action="add", variable="scorevar", value=1)
    both = Group(id="both", name="Both", x=0, y=0, w=400, h=200)
    counts = [button(name, add).model_copy(update={"group": "both"}) for name in ("onea", "twob")]
    learner = Learner(course(slide(
        "slidea", both, *counts, button("offa", DISABLE("onea")), button("onwa", ENABLE("onea")),
        button("alloff", DISABLE("both")), button("allon", ENABLE("both")),
        button("again", r.StartOver(what="slide")))))
    learner.clicks("offa", "onea", "twob")
    assert learner.state.variables["scorevar"] == 1 and learner.sees("onea")
    learner.clicks("onwa", "onea", "alloff", "onea", "twob")
    assert learner.state.variables["scorevar"] == 2
    saved = unpack(learner.index, pack(learner.index, learner.state))
    assert saved.disabled == {"both": True}
    learner.clicks("offa", "allon", "onea", "twob")
    assert learner.state.variables["scorevar"] == 3, "the one alone is still disabled"
    learner.clicks("again", "onea")
    assert learner.state.variables["scorevar"] == 1, "starting over enables all"


def test_waits_timers_and_keys():
    wait = (HIDE("text"), r.Wait(seconds=2), SHOW("text"))
    timer = Rule(id="tick", when=r.Timer(after=3, again=True), do=(
        r.Calculate(action="add", variable="scorevar", value=1),))
    key = Rule(id="keyy", when=r.KeyPressed(key="s"), do=(r.GoTo(go=r.ToNext()),))
    learner = Learner(course(slide("slidea", button("push", *wait), text("text"),
                                   rules=(timer, key)), slide("slideb")))
    learner.clicks("push").waits(1_900)
    assert not learner.sees("text")
    assert learner.waits(200).sees("text")
    assert learner.waits(10_000).state.variables["scorevar"] == 4
    assert learner.does("key", key="x").slide == "slidea"
    assert learner.does("key", key="s").slide == "slideb" and not learner.state.waiting


def test_a_rule_of_a_section_holds_on_all_of_its_slides():
    timer = Rule(id="tick", when=r.Timer(after=1), do=(
        r.Calculate(action="add", variable="scorevar", value=1),))
    document = course(slide("slidea"), slide("slideb"), slide("slidec"),
                      sections=(Section(id="sect", title="S", before="slideb", rules=(timer,)),))
    learner = Learner(document).waits(5_000)
    assert learner.state.variables["scorevar"] == 0
    learner.does("next").waits(5_000)
    assert learner.state.variables["scorevar"] == 1
    learner.does("next").waits(500).does("previous").waits(5_000)
    assert learner.state.variables["scorevar"] == 2


def test_overlays_block_close_each_other_and_begin_anew():
    first = Overlay(id="overlaya", name="A", closes_others=True)
    second = Overlay(id="overlayb", name="B", blocks=False, closes_others=False, on_escape=False)
    learner = Learner(course(slide(
        "slidea", button("opena", SHOW("overlaya")), button("openb", SHOW("overlayb")),
        text("inner", overlay="overlaya"), button("gone", HIDE("inner"), overlay="overlaya"),
        overlays=(first, second),
    )))
    learner.clicks("openb", "opena")
    assert learner.state.overlays == ("overlaya",)
    assert learner.clicks("openb").state.overlays == ("overlaya",), "what is below is blocked"
    assert not learner.clicks("gone").sees("inner")
    learner.does("close", target="overlaya").clicks("opena")
    assert learner.sees("inner"), "it begins as at first"
    learner.does("close", target="overlaya").clicks("openb").does("close", target="overlayb")
    assert learner.state.overlays == ("overlayb",), "this one does not close on Escape"


def test_timing_shows_moves_and_plays_and_pauses():
    move = Move(id="move", path=({"x": 100, "y": 0},), duration=500)
    timing = Timing(length=4_000, cues=(
        Cue(id="cuea", what="text", at=1_000, until=3_000),
        Cue(id="cueb", does="move", what="text", move="move", at=2_000),
        Cue(id="cuec", does="moment", at=2_500),
    ))
    heard = Rule(id="hear", when=r.CueReached(cue="cuec"), do=(SHOW("late"),))
    hide = Rule(id="hide", when=Happens(event="slide_entered"), do=(HIDE("late"),))
    learner = Learner(course(slide("slidea", text("text", moves=(move,)), text("late"),
                                   timing=timing, rules=(heard, hide))))
    assert not learner.sees("text")
    assert learner.waits(1_000).sees("text")
    learner.does("pause", on=False).waits(10_000)
    assert learner.state.clocks["slidea"].at == 1_000
    learner.does("pause", on=True).waits(1_600)
    assert learner.state.offsets["text"] == (100, 0) and learner.sees("late")
    assert not learner.waits(500).sees("text")


def test_timing_at_another_speed_comes_to_every_cue_in_its_order():
    timing = Timing(length=4_000, cues=(
        Cue(id="cuea", what="text", at=1_001), Cue(id="cueb", does="moment", at=2_500)))
    heard = Rule(id="hear", when=r.CueReached(cue="cueb"), do=(HIDE("late"),))
    learner = Learner(course(slide("slidea", text("text"), text("late"), timing=timing,
                                   rules=(heard,))))
    learner.does("speed", percent=200).waits(500)
    assert not learner.sees("text")
    assert learner.waits(1).sees("text") and learner.sees("late")
    assert learner.state.clocks["slidea"].at == 1_001
    learner.does("speed", percent=75).waits(1_998)
    assert learner.sees("late") and not learner.waits(2).sees("late")
    learner.does("speed", percent=10_000)
    assert learner.state.speed == 400
    assert learner.waits(60_000).state.clocks["slidea"].at == 4_000


@pytest.mark.parametrize(("goes", "end"), [
    ("path", (100, 0)), ("by", (105, 6)), ("to", (350, 40)),
])
def test_a_move_begins_where_the_thing_is_and_ends_where_it_says(goes, end):
    move = Move(id="move", path=({"x": 100, "y": 0},), goes=goes, to="goal")
    thing = text("thing", moves=(move,), drag=Drag(elsewhere="stay"), w=100, h=20)
    goal = text("goal", x=300, y=0, w=200, h=100)
    learner = Learner(course(slide("slidea", thing, goal, button(
        "gogo", r.MoveAlong(what="thing", move="move")))))
    learner.does("dropped", target="thing", on=None, x=5, y=6).clicks("gogo")
    assert learner.state.moves["thing"][2:] == (5, 6) and learner.state.offsets["thing"] == end


@pytest.mark.parametrize(("on_target", "place"), [
    ("stay", (5, 6)), ("snap", (350, 40)), ("place", (90, 80)), ("return", None),
])
def test_what_is_dropped_lies_where_it_should(on_target, place):
    drag = Drag(targets=("goal",), on_target=on_target, x=100, y=100)
    rule = Rule(id="drop", when=r.Dropped(on="goal"), do=(SHOW("well"),))
    item = Shape(id="item", name="i", x=10, y=20, w=40, h=40, drag=drag, rules=(rule,))
    hide = Rule(id="hide", when=Happens(event="slide_entered"), do=(HIDE("well"),))
    learner = Learner(course(slide(
        "slidea", item, Shape(id="goal", name="g", x=300, y=20, w=160, h=120), text("well"),
        rules=(hide,),
    )))
    learner.does("dropped", target="item", on=None, x=7, y=7)
    assert "item" not in learner.state.offsets and not learner.sees("well")
    learner.does("dropped", target="item", on="goal", x=5, y=6)
    assert learner.state.offsets.get("item") == place and learner.sees("well")
    assert learner.state.dropped.get("item") == (None if on_target == "return" else "goal")


def _tabs(**more):
    items = tuple(pt.Revealed(trigger=f"tab{n}", shows=(f"panel{n}",)) for n in "abc")
    pattern = pt.RevealSet(id="reveal", name="Tabs", items=items, **more)
    counter = pt.SeenCounter(id="counter", name="n", text="said", set="reveal",
                             for_count=(pt.CountWords(left=0, words="All seen"),
                                        pt.CountWords(left=1, words="# left")))
    elements = [button(f"tab{n}") for n in "abc"] + [text(f"panel{n}") for n in "abc"]
    return slide("slidea", *elements, text("said"), patterns=(pattern, counter),
                 gate=Gate(meanwhile="disabled"))


def _panels(learner):
    return "".join(n for n in "abc" if learner.sees(f"panel{n}"))


def test_a_reveal_set_shows_one_counts_and_opens_the_gate():
    learner = Learner(course(_tabs(), slide("slideb")))
    said = learner.index.elements["said"].words
    assert _panels(learner) == ""
    assert _panels(learner.clicks("taba")) == "a"
    assert _panels(learner.clicks("tabb")) == "b"
    assert _panels(learner.clicks("tabb")) == "", "a second click closes it"
    assert learner.does("next").slide == "slidea"
    assert learner.effects[0]["effect"] == "closed"
    from zigzag_core.engine.expression import evaluate
    assert evaluate(learner.index, learner.state, said) == "1 left"
    learner.clicks("tabc")
    assert evaluate(learner.index, learner.state, said) == "All seen"
    assert learner.does("next").slide == "slideb"


def test_a_reveal_set_may_stay_open_and_begin_with_the_first():
    learner = Learner(course(_tabs(one_at_a_time=False, first_open=True, closes_again=False)))
    assert _panels(learner) == "a"
    assert _panels(learner.clicks("tabb", "tabc", "tabc")) == "abc"


def test_flip_cards_steps_checklists_and_places():
    document = course(slide(
        "slidea", text("front"), text("back"), text("stepa"), text("stepb"), button("forth"),
        button("back2"), text("task"), Area(id="spot", name="s"),
        patterns=(
            pt.FlipCards(id="flip", name="f", cards=(pt.Card(front="front", back="back"),)),
            pt.Steps(id="steps", name="s", onward="forth", back="back2",
                     steps=(pt.Step(shows=("stepa",)), pt.Step(shows=("stepb",)))),
            pt.Checklist(id="checks", name="c", items=("task",)),
            pt.SpotPlaces(id="spots", name="p", places=("spot",)),
        ),
        gate=Gate(),
    ), slide("slideb"))
    learner = Learner(document)
    assert learner.sees("front") and not learner.sees("back")
    learner.clicks("front")
    assert not learner.sees("front") and learner.sees("back")
    assert learner.sees("stepa") and not learner.sees("stepb")
    learner.clicks("back2")
    assert learner.sees("stepa"), "the first step has none before it"
    learner.clicks("forth", "forth")
    assert learner.sees("stepb")
    assert learner.clicks("task").does("next").slide == "slidea"
    assert learner.clicks("spot").does("next").slide == "slideb"


def test_a_path_is_chosen_by_click_or_by_what_holds():
    pattern = pt.ChoosePath(id="paths", name="p", paths=(
        pt.PathChoice(trigger="left", slide="slidec"),
        pt.PathChoice(condition=[">", ["variable", "scorevar"], 0], slide="slided"),
    ))
    add = r.Calculate(action="add", variable="scorevar", value=1)
    document = course(
        slide("slidea", button("left"), button("more", add), patterns=(pattern,)),
        slide("slideb"), slide("slidec"), slide("slided"),
    )
    assert Learner(document).clicks("left").slide == "slidec"
    assert Learner(document).does("next").slide == "slideb"
    assert Learner(document).clicks("more").does("next").slide == "slided"
    ways = {(way.source, way.target) for way in route(document).ways}
    assert {("slidea", "slidec"), ("slidea", "slided")} <= ways


def test_the_line_of_a_fork_says_its_condition():
    enough = [">=", ["variable", "scorevar"], 2]
    fork = pt.ChoosePath(id="fork", name="Fork", paths=(
        pt.PathChoice(condition=["not", enough], slide="slidec"),))
    document = course(
        slide("slidea", button("push", r.GoTo(go=r.ToSlide(slide="slided")), condition=enough,
                               otherwise=[r.GoTo(go=r.ToSlide(slide="slidee"))]),
              patterns=(fork,)),
        *(slide(f"slide{name}") for name in "bcde"))
    said = {way.target: way.why for way in route(document).ways if way.source == "slidea"}
    assert said == {
        "slideb": "", "slidec": "on Next if “Score” is less than 2",
        "slided": "“push” is clicked if “Score” is at least 2",
        "slidee": "“push” is clicked if “Score” is less than 2",
    }


def test_watching_is_not_cheated_by_seeking():
    media = MediaFile(id="video", name="f", type="video/webm", sha256="0" * 64, size=1,
                      duration=10_000)
    gate = Gate(wants=(MediaWatched(media="play", share=0.9), TimeSpent(seconds=5)))
    learner = Learner(course(slide("slidea", Video(id="play", name="p", media="video"), gate=gate),
                             slide("slideb"), media=(media,)))
    learner.does("played", target="play", since=0, until=4_000)
    learner.does("played", target="play", since=1_000, until=4_500)
    learner.does("played", target="play", since=0, until=400_000)
    assert learner.waits(6_000).does("next").slide == "slidea"
    learner.does("played", target="play", since=4_500, until=9_200)
    assert learner.does("next").slide == "slideb"


@pytest.mark.parametrize(("order", "open_now"), [
    ("free", {"slidea", "slideb"}), ("in_order", {"slidea", "slideb"}), ("seen", {"slidea"}),
])
def test_the_menu_obeys_gates_and_the_order(order, open_now):
    gate = Gate(wants=(TimeSpent(seconds=9),))
    learner = Learner(course(slide("slidea"), slide("slideb", gate=gate), slide("slidec"),
                             navigation=Navigation(order=order)))
    here = {name for name in learner.index.order
            if engine.may_go(learner.index, learner.state, name)}
    assert here == open_now
    assert learner.does("slide", target="slidec").slide == "slidea"


def test_starting_over_clears_all_but_what_is_kept():
    add = r.Calculate(action="add", variable="scorevar", value=1)
    again = r.StartOver(what="slide")
    keeps = r.StartOver(what="slide", keep=("variables",))
    learner = Learner(course(slide(
        "slidea", button("more", add, HIDE("text")), text("text"), button("again", again),
        button("keep", keeps),
    )))
    learner.clicks("more", "keep")
    assert learner.sees("text") and learner.state.variables["scorevar"] == 1
    assert "more" not in learner.state.clicked
    assert learner.clicks("more", "again").state.variables["scorevar"] == 0


def test_actions_that_the_outside_must_do():
    learner = Learner(course(slide("slidea", button(
        "push", r.Announce(text="hi"), r.OpenLink(address="https://example.org"), r.Print(),
        r.Mark(status="passed"), r.Mark(status="completed"),
        r.Pick(variable="scorevar", low=3, high=3),
    ))))
    learner.clicks("push")
    assert [e["effect"] for e in learner.effects] == ["announce", "link", "print", "status"]
    assert learner.state.success == "passed" and learner.state.completed
    assert learner.state.variables["scorevar"] == 3


@pytest.mark.parametrize("what", [
    "reveal_set", "tabs", "accordion", "cards", "markers", "timeline", "flip_cards", "steps",
    "before_after", "checklist", "choose_path", "spot_places",
])
def test_every_pattern_is_made_in_one_step_and_runs(what):
    found = make_pattern(slide(), what, (), fresh_ids(), SlideSize())
    made = found.slide
    assert found.selected and made.patterns[0].id == found.pattern and not found.notes
    assert len({element.name for element in made.elements}) == len(made.elements)
    learner = Learner(course(made, slide("slideb")))
    for element in made.elements:
        learner.clicks(element.id)
    assert learner.slide == "slidea", "no button of it leads on by itself"
    assert all(e.x >= 0 and e.x + e.w <= 1280 for e in made.elements)


@pytest.mark.parametrize("what", COUNTED)
@pytest.mark.parametrize("count", [2, 5, 9, 30])
def test_a_ready_pattern_has_as_many_parts_as_wanted_all_within_the_slide(what, count):
    made = make_pattern(slide(), what, (), fresh_ids(), SlideSize(), count=count).slide
    pattern = made.patterns[0]
    clicked = {
        "reveal_set": lambda: [item.trigger for item in pattern.items],
        "flip_cards": lambda: [card.front for card in pattern.cards],
        "steps": lambda: [step.shows[0] for step in pattern.steps],
        "checklist": lambda: list(pattern.items),
        "choose_path": lambda: [path.trigger for path in pattern.paths],
        "spot_places": lambda: list(pattern.places),
    }[pattern.kind]()
    assert len(clicked) == len(set(clicked)) == count
    for element in made.elements:
        assert element.x >= 0 and element.x + element.w <= 1280, element.name
        assert element.y >= 0 and element.y + element.h <= 720, element.name
        assert element.w >= 8 and element.h >= 8, element.name
    if pattern.kind != "steps" and what != "markers":
        boxes = [(e.x, e.y, e.w, e.h) for e in made.elements if e.id in clicked]
        for n, (x, y, w, h) in enumerate(boxes):
            for left, top, wide, high in boxes[n + 1:]:
                assert left >= x + w or top >= y + h or x >= left + wide or y >= top + high


@pytest.mark.parametrize("size", [(200, 200), (360, 640), (4_000, 300)])
@pytest.mark.parametrize("what", [*COUNTED, "before_after"])
def test_patterns_are_made_on_slides_of_any_size(what, size):
    w, h = size
    for count in (None, 2, 30):
        made = make_pattern(slide(), what, (), fresh_ids(), SlideSize(w=w, h=h), count=count).slide
        for element in valid_slide(made).elements:
            assert element.w >= 16 and element.h >= 16, element.name
            assert 0 <= element.x <= w - element.w and 0 <= element.y <= h - element.h


def test_icons_that_become_tabs_share_one_place_for_their_panels():
    icons = [Shape(id=f"icon{n}", name=f"Icon {n}", x=80 + n * 220, y=160, w=120, h=120)
             for n in range(5)]
    found = make_pattern(
        slide("slidea", *icons), "tabs", [e.id for e in icons], fresh_ids(), SlideSize())
    panels = [e for e in found.slide.elements if e.name.endswith("panel")]
    assert len(panels) == 5
    assert len({(e.x, e.y, e.w, e.h) for e in panels}) == 1 and panels[0].y >= 280
    low = [e.model_copy(update={"y": 560.0}) for e in icons]
    high = make_pattern(
        slide("slidea", *low), "tabs", [e.id for e in low], fresh_ids(), SlideSize())
    panel = next(e for e in high.slide.elements if e.name.endswith("panel"))
    assert panel.y + panel.h <= 560, "without room below they stand above"


def test_each_path_gets_a_slide_that_leads_back_and_next_passes_over_them():
    fork = make_pattern(slide(), "choose_path", (), fresh_ids(), SlideSize(), count=6)
    document = course(fork.slide, slide("slideb"))
    changed, slides = slides_for_paths(document.course, fork.slide, fork.pattern, fresh_ids(7))
    menu, *rooms = slides
    assert [room.title for room in rooms] == [f"Go this way {n}" for n in range(1, 7)]
    assert changed.slides == ("slidea", *(room.id for room in rooms), "slideb")
    made = CourseDocument(course=changed, slides=(*slides, slide("slideb")))
    learner = Learner(made)
    for path in menu.patterns[0].paths:
        learner.clicks(path.trigger)
        assert learner.slide == path.slide
        learner.does("next")
        assert learner.slide == "slidea"
    assert learner.does("next").slide == "slideb"
    again = slides_for_paths(changed, menu, fork.pattern, fresh_ids(8))
    assert again == (changed, ()), "there is nothing left to make"


def test_paths_on_the_last_slide_lead_on_to_a_new_one():
    fork = make_pattern(slide(), "choose_path", (), fresh_ids(), SlideSize())
    document = course(fork.slide)
    changed, slides = slides_for_paths(document.course, fork.slide, fork.pattern, fresh_ids(7))
    assert len(slides) == 4 and slides[-1].title == "After slidea"
    learner = Learner(CourseDocument(course=changed, slides=slides))
    assert learner.does("next").slide == slides[-1].id
    assert slides_for_paths(document.course, fork.slide, "gone", fresh_ids(9))[1] == ()
    other = document.course.model_copy(update={"slides": ("slideb",)})
    assert slides_for_paths(other, fork.slide, fork.pattern, fresh_ids(9)) == (other, ())


def test_a_pattern_is_made_of_what_is_selected():
    start = slide("slidea", button("onee", x=80, y=100), button("twoo", x=300, y=100),
                  text("first"))
    found = make_pattern(start, "reveal_set", ("onee", "twoo", "first"), fresh_ids(), SlideSize())
    made = found.slide
    assert found.notes == ("“onee” shows “first”.", "“twoo” shows a new panel.")
    items = made.patterns[0].items
    assert [i.trigger for i in items] == ["onee", "twoo"] and items[0].shows == ("first",)
    assert len(made.elements) == 4, "the second gets a panel of its own"
    with pytest.raises(CannotMake):
        make_pattern(slide(), "seen_counter", (), fresh_ids(), SlideSize())


def _box(name, x, y, **more):
    return Shape(id=name, name=name, x=x, y=y, w=200, h=120, **more)


@pytest.mark.parametrize(("what", "chosen", "pairs", "notes"), [
    ("reveal_set", [button("onee", x=80), button("twoo", x=700), _box("topp", 700, 100),
                    _box("next", 80, 100), _box("more", 710, 300)],
     ["onee next", "twoo topp more"],
     ("“onee” shows “next”.", "“twoo” shows “topp”, “more”.")),
    ("reveal_set", [_box("onee", 80, 0), _box("twoo", 300, 0), _box("left", 80, 300),
                    _box("righ", 300, 300)], ["onee left", "twoo righ"], ()),
    ("flip_cards", [_box("onee", 80, 0), _box("twoo", 300, 0), _box("thre", 520, 0),
                    _box("back", 80, 300), _box("bbbb", 300, 300), _box("cccc", 520, 300)],
     ["onee back", "twoo bbbb", "thre cccc"], ()),
    ("flip_cards", [_box("onee", 80, 0), _box("twoo", 300, 0), _box("back", 85, 5),
                    _box("bbbb", 305, 5)], ["onee back", "twoo bbbb"], ()),
    ("flip_cards", [_box("onee", 80, 0), _box("twoo", 300, 0), _box("last", 520, 0)],
     ["onee twoo"], ("“onee” has the back “twoo”.", "Not part of it: “last”.")),
    ("before_after", [_box("onee", 80, 0), _box("twoo", 300, 0), _box("last", 520, 0)],
     ["onee twoo"], ("Not part of it: “last”.",)),
])
def test_an_odd_selection_is_paired_by_its_places_and_that_is_said(what, chosen, pairs, notes):
    start = slide("slidea", *chosen)
    found = make_pattern(start, what, [e.id for e in chosen], fresh_ids(), SlideSize())
    pattern = found.slide.patterns[0]
    made = {
        "reveal_set": lambda: [(item.trigger, *item.shows) for item in pattern.items],
        "flip_cards": lambda: [(card.front, card.back) for card in pattern.cards],
        "before_after": lambda: [(pattern.before, pattern.after)],
    }[what]()
    assert [" ".join(names) for names in made] == pairs and found.notes == notes


def test_copies_of_what_does_something_do_it_among_themselves():
    fresh = fresh_ids()
    start = _tabs()
    copy = duplicate_slide(start, fresh)
    ids = {e.id for e in start.elements}
    assert not ids & {i.trigger for i in copy.patterns[0].items}
    assert copy.patterns[1].set == copy.patterns[0].id
    again, _ = paste(start, clip(start, ["taba", "panela"]), fresh)
    assert len(again.patterns[0].items) == 4, "one more item joins the set"
    whole, _ = paste(start, clip(start, [e.id for e in start.elements]), fresh)
    assert [p.name for p in whole.patterns] == ["Tabs", "n", "Tabs 2", "n 2"]
    assert whole.patterns[3].set == whole.patterns[2].id
    less = without(start, ["taba"])
    assert len(less.patterns[0].items) == 2
    over = Overlay(id="overlaya", name="O")
    opener = slide("slidea", button("open", SHOW("overlaya")), text("inner", overlay="overlaya"),
                   overlays=(over,))
    other, chosen = paste(slide("slideb"), clip(opener, ["open"]), fresh)
    assert len(chosen) == 1 and len(other.overlays) == 1
    assert other.elements[0].rules[0].do[0].what == other.overlays[0].id
    assert other.elements[1].overlay == other.overlays[0].id
    twin = duplicate_course(course(opener), "Twin", fresh)
    assert twin.slides[0].elements[0].rules[0].do[0].what == twin.slides[0].overlays[0].id


def test_whatever_can_happen_in_a_run_can_be_kept_in_a_walkthrough():
    kinds = {kind for event in get_args(Event) for kind in get_args(get_type_hints(event)["event"])}
    assert kinds == EVENT_KINDS


def test_a_walkthrough_tells_what_has_changed():
    walk = Walkthrough(
        id="walk", name="Tour", events=({"event": "start"}, {"event": "clicked", "target": "taba"},
                                        {"event": "clicked", "target": "tabc"}),
        expected=(Expected(after=1, what="shown", of="panela"),
                  Expected(after=2, what="shown", of="panelc")),
    )
    document = course(_tabs(), walkthroughs=(walk,))
    assert replay(document) == []
    cut = _tabs()
    items = cut.patterns[0].items
    broken = cut.model_copy(update={"patterns": (
        cut.patterns[0].model_copy(update={"items": (
            *items[:2], items[2].model_copy(update={"shows": ("panela",)}))}),
        cut.patterns[1])})
    told = replay(course(broken, walkthroughs=(walk,)))
    assert len(told) == 0 or "no longer shows" in told[0].words
    silent = broken.model_copy(update={"elements": tuple(
        e.model_copy(update={"rules": (Rule(id="hidden", do=(HIDE("panelc"),)),)})
        if e.id == "tabc" else e for e in broken.elements)})
    told = replay(course(silent, walkthroughs=(walk,)))
    assert [d.words for d in told] == ["After “tabc”, “panelc” no longer shows."]
    assert any(f.code == "walkthrough" for f in findings(course(silent, walkthroughs=(walk,))))


@pytest.mark.parametrize(("code", "faulty"), [
    ("rule_does_nothing", slide("slidea", Button(id="push", name="p", rules=(
        Rule(id="rule"),)))),
    ("rule_never_runs", slide("slidea", button("push", HIDE("push"), condition=False))),
    ("lost_reference", slide("slidea", text("text"), rules=(
        Rule(id="rule", when=Happens(of=("gone",)), do=(HIDE("text"),)),))),
    ("lost_reference", slide("slidea", button("push", SHOW("gone")))),
    ("lost_reference", slide("slidea", button("push", r.Switch(variable="gone")))),
    ("lost_reference", slide("slidea", button("push", HIDE("push"),
                                              condition=["variable", "gone"]))),
    ("undone", slide("slidea", button("push", SHOW("text"), HIDE("text")), text("text"))),
    ("overlay_never_opens", slide("slidea", overlays=(Overlay(id="overlaya", name="O"),))),
    ("overlay_never_closes", slide(
        "slidea", button("push", SHOW("overlaya")),
        overlays=(Overlay(id="overlaya", name="O", on_escape=False),))),
    ("gate_never_opens", slide("slidea", gate=Gate(wants=(MediaWatched(media="gone"),)))),
])
def test_planted_faults_are_found_and_sound_slides_are_not(code, faulty):
    assert code in {finding.code for finding in findings(course(faulty))}
    sound = course(_tabs(), slide("slideb", Picture(id="pict", name="p", decoration=True)))
    assert code not in {finding.code for finding in findings(sound)}
