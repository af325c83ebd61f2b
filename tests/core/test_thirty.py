"""Thirty interactions as authors ask for them, each built from its description and taken."""

from zigzag_core.course import (
    Cue,
    Drag,
    Gate,
    Happens,
    Input,
    MediaFile,
    Move,
    Navigation,
    NumberVariable,
    Offset,
    Overlay,
    Rule,
    Section,
    Shape,
    TextVariable,
    Timing,
    Video,
    YesNoVariable,
)
from zigzag_core.course.rules import patterns as pt
from zigzag_core.course.rules import rule as r
from zigzag_core.course.rules.gates import (
    AllHere,
    AllOfSet,
    ConditionHolds,
    MediaWatched,
    TimeSpent,
)

from .making import HIDE, SHOW, TOGGLE, Learner, button, course, slide, text

LAMP = YesNoVariable(id="lampon", name="Lamp on")
NAME = TextVariable(id="namevar", name="Name")
VIDEO = MediaFile(id="videofile", name="Video", type="video/mp4", sha256="0" * 64, size=1,
                 duration=40_000)
ADD = r.Calculate(action="add", variable="scorevar", value=1)
TO_B = r.GoTo(go=r.ToSlide(slide="slideb"))


def at_least(number):
    return [">=", ["variable", "scorevar"], number]


def entered(*actions, **more):
    return Rule(id="whenentered", when=Happens(event="slide_entered"), do=actions, **more)


def when(name, event, *actions, **more):
    return Rule(id=name, when=event, do=actions, **more)


def test_01_a_button_leads_to_a_certain_slide():
    learner = Learner(course(slide("slidea", button("push", r.GoTo(go=r.ToSlide(slide="slidec")))),
                             slide("slideb"), slide("slidec")))
    assert learner.clicks("push").slide == "slidec"


def test_02_a_click_shows_a_hint_and_a_second_hides_it():
    learner = Learner(course(slide("slidea", button("push", TOGGLE("hint")), text("hint"),
                                   rules=(entered(HIDE("hint")),))))
    assert [learner.clicks("push").sees("hint") for _ in range(3)] == [True, False, True]


def test_03_three_tabs_of_which_one_is_open():
    tabs = pt.RevealSet(id="tabs", name="Tabs", first_open=True, closes_again=False, items=tuple(
        pt.Revealed(trigger=f"tab{n}", shows=(f"page{n}",)) for n in "abc"))
    learner = Learner(course(slide("slidea", *(button(f"tab{n}") for n in "abc"),
                                   *(text(f"page{n}") for n in "abc"), patterns=(tabs,))))
    assert [learner.sees(f"page{n}") for n in "abc"] == [True, False, False]
    learner.clicks("tabc", "tabc")
    assert [learner.sees(f"page{n}") for n in "abc"] == [False, False, True]


def test_04_a_picture_note_opens_over_the_slide_and_closes_on_escape():
    learner = Learner(course(slide(
        "slidea", button("push", SHOW("note")), text("inner", overlay="note"),
        overlays=(Overlay(id="note", name="Note"),))))
    assert learner.clicks("push").state.overlays == ("note",)
    assert learner.does("close", target="note").state.overlays == ()


def test_05_next_opens_when_all_cards_were_seen():
    cards = pt.SpotPlaces(id="cards", name="Cards", places=("carda", "cardb"))
    learner = Learner(course(slide("slidea", button("carda"), button("cardb"), patterns=(cards,),
                                   gate=Gate(wants=(AllOfSet(set="cards"),))), slide("slideb")))
    assert learner.clicks("carda").does("next").slide == "slidea"
    assert learner.clicks("cardb").does("next").slide == "slideb"


def test_06_next_opens_when_everything_on_the_slide_was_clicked():
    learner = Learner(course(slide("slidea", button("carda", ADD), button("cardb", ADD),
                                   gate=Gate(wants=(AllHere(),))), slide("slideb")))
    assert learner.clicks("carda").does("next").slide == "slidea"
    assert learner.clicks("cardb").does("next").slide == "slideb"


def test_07_next_opens_after_half_a_minute():
    learner = Learner(course(slide("slidea", gate=Gate(wants=(TimeSpent(seconds=30),))),
                             slide("slideb")))
    assert learner.waits(29_000).does("next").slide == "slidea"
    assert learner.waits(2_000).does("next").slide == "slideb"


def test_08_next_opens_when_the_video_was_watched_not_skipped():
    learner = Learner(course(slide("slidea", Video(id="video", name="F", media="videofile"),
                                   gate=Gate(wants=(MediaWatched(media="video", share=0.9),))),
                             slide("slideb"), media=(VIDEO,)))
    learner.does("played", target="video", since=35_000, until=40_000).does("next")
    assert learner.slide == "slidea"
    learner.does("played", target="video", since=0, until=36_000).does("next")
    assert learner.slide == "slideb"


def test_09_a_right_number_opens_the_door():
    learner = Learner(course(slide(
        "slidea", Input(id="code", name="Code", input="number", variable="scorevar", high=9999),
        button("push", TO_B, condition=["=", ["variable", "scorevar"], 1912],
               otherwise=[SHOW("wrong")]), text("wrong"), rules=(entered(HIDE("wrong")),)),
        slide("slideb")))
    learner.does("entered", target="code", value=1234).clicks("push")
    assert (learner.slide, learner.sees("wrong")) == ("slidea", True)
    assert learner.does("entered", target="code", value=1912).clicks("push").slide == "slideb"


def test_10_the_learners_name_is_taken_over_and_asked_for():
    learner = Learner(course(slide(
        "slidea", Input(id="field", name="Name", variable="namevar"),
        button("push", SHOW("hello"), condition=["!=", ["variable", "namevar"], ""]),
        text("hello"), rules=(entered(HIDE("hello")),)), variables=(NAME,)))
    assert not learner.clicks("push").sees("hello")
    assert learner.does("entered", target="field", value="Ina").clicks("push").sees("hello")


def test_11_points_are_counted_and_the_path_follows_them():
    fork = pt.ChoosePath(id="fork", name="Fork", paths=(
        pt.PathChoice(condition=at_least(2), slide="slidec"), pt.PathChoice(slide="slideb")))
    document = course(slide("slidea", button("push", ADD), patterns=(fork,)), slide("slideb"),
                      slide("slidec"))
    assert Learner(document).clicks("push").does("next").slide == "slideb"
    assert Learner(document).clicks("push", "push").does("next").slide == "slidec"


def test_12_a_choice_of_two_people_leads_two_ways():
    fork = pt.ChoosePath(id="fork", name="Fork", paths=(
        pt.PathChoice(trigger="edda", slide="slideb"), pt.PathChoice(trigger="pell",
                                                                      slide="slidec")))
    document = course(slide("slidea", button("edda"), button("pell"), patterns=(fork,)),
                      slide("slideb"), slide("slidec"))
    assert Learner(document).clicks("edda").slide == "slideb"
    assert Learner(document).clicks("pell").slide == "slidec"


def test_13_a_lamp_is_switched_and_two_things_follow():
    follow = when("followit", Happens(event="variable_changed", of=("lampon",)), SHOW("light"),
                  condition=["variable", "lampon"], otherwise=(HIDE("light"),))
    learner = Learner(course(slide("slidea", button("push", r.Switch(variable="lampon")),
                                   text("light"), rules=(follow,)), variables=(LAMP,)))
    assert [learner.clicks("push").sees("light") for _ in range(2)] == [True, False]


def test_14_cards_turn_over():
    cards = pt.FlipCards(id="cards", name="Cards", cards=(pt.Card(front="fronta", back="backa"),))
    learner = Learner(course(slide("slidea", text("fronta"), text("backa"), patterns=(cards,))))
    assert learner.sees("fronta") and not learner.sees("backa")
    assert learner.clicks("fronta").sees("backa")


def test_15_a_procedure_step_by_step_and_back():
    steps = pt.Steps(id="steps", name="Steps", onward="onwardb", back="backbutton", steps=tuple(
        pt.Step(shows=(f"step{n}",)) for n in "abc"))
    learner = Learner(course(slide("slidea", *(text(f"step{n}") for n in "abc"),
                                   button("onwardb"), button("backbutton"), patterns=(steps,))))
    learner.clicks("onwardb", "onwardb")
    assert learner.sees("stepc")
    learner.clicks("backbutton")
    assert learner.sees("stepb") and not learner.sees("stepc")


def test_16_a_checklist_counts_what_is_ticked():
    items = pt.Checklist(id="list", name="List", items=("itema", "itemb"))
    done = when("donerule", Happens(event="all_seen", of=("list",)), SHOW("done"))
    learner = Learner(course(slide("slidea", text("itema"), text("itemb"), text("done"),
                                   patterns=(items,), rules=(entered(HIDE("done")), done))))
    assert not learner.clicks("itema").sees("done")
    assert learner.clicks("itemb").sees("done")


def test_17_the_last_place_found_opens_the_next_slide():
    places = pt.SpotPlaces(id="places", name="Places", places=("spota", "spotb"))
    done = when("donerule", Happens(event="all_seen", of=("places",)), r.Wait(seconds=1), TO_B)
    learner = Learner(course(slide("slidea", button("spota"), button("spotb"), patterns=(places,),
                                   rules=(done,)), slide("slideb")))
    learner.clicks("spota", "spotb")
    assert (learner.slide, learner.waits(1_500).slide) == ("slidea", "slideb")


def test_18_a_tool_is_hung_on_its_hook_and_only_there():
    thing = Shape(id="sawa", name="Saw", drag=Drag(targets=("hook", "rack")), rules=(
        when("hungrule", r.Dropped(on="hook"), SHOW("good")),))
    learner = Learner(course(slide("slidea", thing, text("hook"), text("rack"), text("good"),
                                   rules=(entered(HIDE("good")),))))
    assert not learner.does("dropped", target="sawa", on="rack", x=0, y=0).sees("good")
    assert learner.does("dropped", target="sawa", on="hook", x=0, y=0).sees("good")


def test_19_what_is_dropped_elsewhere_goes_back_and_says_so():
    thing = Shape(id="sawa", name="Saw", drag=Drag(targets=("hook",)), rules=(
        when("missrule", Happens(event="dropped_elsewhere"), SHOW("missed")),))
    learner = Learner(course(slide("slidea", thing, text("hook"), text("missed"),
                                   rules=(entered(HIDE("missed")),))))
    learner.does("dropped", target="sawa", on=None, x=50, y=50)
    assert learner.sees("missed") and "sawa" not in learner.state.offsets


def test_20_lines_appear_with_what_is_said():
    cues = tuple(Cue(id=f"cue{n}", what=f"line{n}", at=at) for n, at in (("a", 1_000),
                                                                         ("b", 3_000)))
    learner = Learner(course(slide("slidea", text("linea"), text("lineb"),
                                   timing=Timing(length=4_000, cues=cues))))
    seen = [[learner.sees("linea"), learner.sees("lineb")]]
    seen += [[learner.waits(2_000).sees("linea"), learner.sees("lineb")] for _ in range(2)]
    assert seen == [[False, False], [True, False], [True, True]]


def test_21_a_walker_moves_along_the_ridge_at_a_click():
    move = Move(id="walk", name="Walk", path=(Offset(x=300, y=-80),), duration=500)
    walker = text("walker").model_copy(update={"moves": (move,)})
    learner = Learner(course(slide("slidea", walker, button(
        "push", r.MoveAlong(what="walker", move="walk")))))
    assert learner.clicks("push").state.moves["walker"][0] == "walk"
    assert learner.waits(600).state.offsets["walker"] == (300, -80)


def test_22_after_ten_idle_seconds_a_hint_comes():
    hint = when("hintrule", r.Timer(after=10), SHOW("hint"))
    learner = Learner(course(slide("slidea", text("hint"), rules=(entered(HIDE("hint")), hint))))
    assert [learner.waits(6_000).sees("hint") for _ in range(2)] == [False, True]


def test_23_a_key_does_the_same_as_the_button():
    learner = Learner(course(slide("slidea", rules=(when("keyrule", r.KeyPressed(key="n"), TO_B),)),
                             slide("slideb")))
    assert learner.does("key", key="n").slide == "slideb"


def test_24_dice_decide():
    learner = Learner(course(slide("slidea", button(
        "push", r.Pick(variable="scorevar", low=1, high=6)))), seed=7)
    thrown = {learner.clicks("push").state.variables["scorevar"] for _ in range(60)}
    assert thrown == {1, 2, 3, 4, 5, 6}


def test_25_three_tries_then_the_answer_is_shown():
    learner = Learner(course(slide("slidea", button(
        "push", ADD, r.Wait(seconds=0.1)), text("answer"), rules=(
            entered(HIDE("answer")),
            when("third", Happens(event="variable_changed", of=("scorevar",)), SHOW("answer"),
                 condition=at_least(3))))))
    assert [learner.clicks("push").sees("answer") for _ in range(3)] == [False, False, True]


def test_26_start_over_brings_all_back_counters_too():
    learner = Learner(course(slide("slidea", button("push", ADD, HIDE("hint")), text("hint"),
                                   button("again", r.StartOver(what="slide")))))
    learner.clicks("push", "push").clicks("again")
    assert learner.sees("hint") and learner.state.variables["scorevar"] == 0
    assert "push" not in learner.state.clicked


def test_27_one_sentence_of_a_section_counts_on_all_its_slides():
    section = Section(id="partb", title="B", before="slideb", rules=(
        when("seenrule", Happens(event="slide_entered"), ADD),))
    learner = Learner(course(slide("slidea"), slide("slideb"), slide("slidec"),
                             sections=(section,)))
    assert learner.does("next").does("next").state.variables["scorevar"] == 2


def test_28_the_course_is_marked_passed_by_a_sentence():
    learner = Learner(course(slide("slidea", button("push", r.Mark(status="passed"),
                                                    condition=at_least(0)))))
    assert learner.clicks("push").state.success == "passed"


def test_29_a_look_of_ones_own_is_given_and_taken_back():
    lamp = text("lamp")
    learner = Learner(course(slide("slidea", lamp, button(
        "push", r.GiveLook(what="lamp", look="glowing")), button(
        "stop", r.GiveLook(what="lamp", look=None)))))
    assert learner.clicks("push").state.looks == {"lamp": "glowing"}
    assert learner.clicks("stop").state.looks == {}


def test_30_the_menu_leads_only_as_far_as_was_seen_but_for_open_gates():
    shut = Gate(wants=(ConditionHolds(condition=at_least(1)),))
    learner = Learner(course(
        slide("slidea", button("push", ADD), gate=shut), slide("slideb"), slide("slidec"),
        navigation=Navigation(order="in_order"),
        variables=(NumberVariable(id="scorevar", name="Score"),)))
    assert learner.does("slide", target="slideb").slide == "slidea"
    assert learner.clicks("push").does("slide", target="slideb").slide == "slideb"
    assert learner.does("slide", target="slidea").does("slide", target="slidec").slide == "slidec"


