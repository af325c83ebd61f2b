"""Planted faults: each is found where it is, and a sound course gives no alarm."""

import pytest
from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import (
    Area,
    Caption,
    Cue,
    Drag,
    Gate,
    Happens,
    Input,
    MediaFile,
    NumberVariable,
    Overlay,
    Rule,
    Shape,
    TextVariable,
    Timing,
    Video,
    rich,
)
from zigzag_core.course.rules import patterns as pt
from zigzag_core.course.rules import rule as r
from zigzag_core.course.rules.gates import ConditionHolds, MediaWatched, TimeSpent
from zigzag_core.course.rules.rule import KeyPressed
from zigzag_core.engine.index import Index
from zigzag_core.verification.exploration.exploring import explore
from zigzag_core.verification.findings.document import findings
from zigzag_core.verification.findings.runs import try_out
from zigzag_demo.tool_library import tool_library

from tests.demo_courses import hut_warden_basics

from .making import HIDE, SCORE, SHOW, TOGGLE, button, course, slide, text
from .samples import index_of
from .test_quiz_taking import taken_course

ADD = r.Calculate(action="add", variable="scorevar", value=1)
AT_LEAST_5 = [">=", ["variable", "scorevar"], 5]
VIDEO = MediaFile(id="videofile", name="Video", type="video/mp4", sha256="0" * 64, size=1,
                 duration=20_000,
                 captions=(Caption(since=0, until=2_000, text="The stove is cold."),))


def score(value):
    return ["=", ["variable", "scorevar"], value]


def found(document):
    return {(f.code, f.slide, f.element) for f in (
        *findings(document), *try_out(document).findings)}


def rule(name, when, *actions, **more):
    return Rule(id=name, when=when, do=actions, **more)


def area(name, x=0, y=0, w=100, h=100, z=1, **more):
    return Area(id=name, name=name, alt=name, x=x, y=y, w=w, h=h, z=z, **more)


FAULTS = {
    "a condition that no way can fulfil": (
        ("rule_never_runs", "slidea", "tell"), course(
            slide("slidea", button("more", r.Calculate(variable="scorevar", value=3)),
                  button("tell", SHOW("good"), condition=AT_LEAST_5), text("good")))),
    "a click on something that is never shown": (
        ("rule_never_runs", "slidea", "hidden"), course(
            slide("slidea", button("hidden", ADD), button("other", ADD),
                  rules=(rule("hideit", Happens(event="slide_entered"), HIDE("hidden")),)))),
    "something that is hidden for good": (
        ("never_shown", "slidea", "hidden"), course(
            slide("slidea", text("hidden"), rules=(
                rule("hideit", Happens(event="slide_entered"), HIDE("hidden")),)))),
    "a sentence that sets itself off": (
        ("rule_loop", "slidea", None), course(
            slide("slidea", button("more", ADD), rules=(
                rule("again", Happens(event="variable_changed", of=("scorevar",)), ADD),)))),
    "two sentences that chase each other": (
        ("rule_loop", "slidea", None), course(
            slide("slidea", button("more", ADD), rules=(
                rule("upwards", Happens(event="variable_changed", of=("scorevar",)),
                     r.Calculate(variable="scorevar", value=1), condition=score(0),
                     otherwise=(r.Calculate(variable="scorevar", value=0),)),)))),
    "two sentences that undo each other": (
        ("rules_opposed", "slidea", None), course(
            slide("slidea", button("more", SHOW("good")), text("good"), rules=(
                rule("hideit", Happens(event="clicked", of=("more",)), HIDE("good")),)))),
    "an overlay that only something unreachable opens": (
        ("overlay_never_opens", "slidea", None), course(
            slide("slidea", button("more", ADD),
                  button("tell", SHOW("panel"), condition=AT_LEAST_5, otherwise=(
                      r.Calculate(variable="scorevar", value=0),)),
                  overlays=(Overlay(id="panel", name="panel"),), rules=(
                      rule("capit", Happens(event="variable_changed", of=("scorevar",)),
                           r.Calculate(variable="scorevar", value=2),
                           condition=[">", ["variable", "scorevar"], 2]),)))),
    "an overlay whose condition never holds": (
        ("overlay_never_opens", "slidea", None), course(
            slide("slidea", button("more", r.Calculate(variable="scorevar", value=3)),
                  overlays=(Overlay(id="panel", name="panel", shown=AT_LEAST_5),)))),
    "a gate that waits for what cannot be": (
        ("gate_never_opens", "slidea", None), course(
            slide("slidea", button("more", r.Calculate(variable="scorevar", value=3)),
                  gate=Gate(wants=(ConditionHolds(condition=AT_LEAST_5),))),
            slide("slideb"))),
    "a gate on a set with something hidden in it": (
        ("gate_never_opens", "slidea", None), course(
            slide("slidea", button("onea"), button("twoa"), rules=(
                rule("hideit", Happens(event="slide_entered"), HIDE("twoa")),),
                patterns=(pt.SpotPlaces(id="places", name="Places", places=("onea", "twoa")),),
                gate=Gate(wants=(ConditionHolds(condition=["all_seen", "places"]),))),
            slide("slideb"))),
    "forks of which none holds and no way besides": (
        ("no_way_out", "slidea", None), course(
            slide("slidea", button("back", r.GoTo(go=r.ToSlide(slide="slideb")),
                                   condition=AT_LEAST_5), button("more", ADD),
                  rules=(rule("capit", Happens(event="variable_changed", of=("scorevar",)),
                              r.Calculate(variable="scorevar", value=0)),),
                  onward=r.ToSlide(slide="slidea")),
            slide("slideb"))),
    "a variable that nothing reads": (
        ("variable_never_read", None, None), course(slide("slidea", button("more", ADD)))),
    "a variable that nothing sets": (
        ("variable_never_set", None, None), course(
            slide("slidea", button("tell", SHOW("good"), condition=score(0)), text("good")))),
    "a variable that is used nowhere": (
        ("variable_unused", None, None), course(slide("slidea", text("good")))),
    "a counter that outlasts a start over": (
        ("counter_kept", "slidea", "again"), course(
            slide("slidea", button("more", ADD), button("tell", SHOW("good"), condition=score(1)),
                  text("good"),
                  button("again", r.StartOver(what="slide", keep=("variables",)))))),
    "a target under something else": (
        ("target_covered", "slidea", "rack"), course(
            slide("slidea", Shape(id="boot", name="boot", x=500, w=80, h=80, z=5,
                                  drag=Drag(targets=("rack",))),
                  area("rack", z=1), area("shelf", z=2, w=90)), variables=())),
    "an area over a video's controls": (
        ("controls_covered", "slidea", "shelf"), course(
            slide("slidea", Video(id="video", name="video", media="videofile", alt="A video", w=400,
                                  h=300), area("shelf", y=250, w=400, h=50)),
            variables=(), media=(VIDEO,))),
    "a video that some cannot hear": (
        ("no_captions", "slidea", "video"), course(
            slide("slidea", Video(id="video", name="video", media="videofile", alt="A video")),
            variables=(), media=(VIDEO.model_copy(update={"captions": ()}),))),
    "words that are gone before they can be read": (
        ("too_short_to_read", "slidea", "good"), course(
            slide("slidea", text("good").model_copy(update={
                "text": rich("Close the damper before you open the door of the stove.")}),
                timing=Timing(length=5_000, cues=(
                    Cue(id="cuea", what="good", at=500, until=1_500),))), variables=())),
    "a key that no rule gets while an overlay blocks it for good": (
        ("rule_never_runs", "slidea", None), course(
            slide("slidea", text("good"), overlays=(Overlay(
                id="panel", name="panel", on_escape=False),),
                rules=(rule("open", Happens(event="slide_entered"), SHOW("panel")),
                       rule("keya", KeyPressed(key="a"), SHOW("good")))), variables=())),
    "an input that never gives what is asked for": (
        ("rule_never_runs", "slidea", "tell"), course(
            slide("slidea", Input(id="field", name="field", input="number", variable="scorevar",
                                  low=0, high=4),
                  button("tell", SHOW("good"), condition=AT_LEAST_5), text("good")))),
    "a timer on an overlay that never opens": (
        ("overlay_never_opens", "slidea", None), course(
            slide("slidea", text("good"), overlays=(Overlay(id="panel", name="panel", rules=(
                rule("soon", r.Timer(after=2), SHOW("good")),)),)), variables=())),
    "a sentence that does nothing": (
        ("rule_does_nothing", "slidea", None), course(
            slide("slidea", rules=(Rule(id="empty"),)), variables=())),
    "a destination that is gone": (
        ("lost_reference", "slidea", "more"), course(
            slide("slidea", button("more", r.GoTo(go=r.ToSlide(slide="gone")))), variables=())),
}


@pytest.mark.parametrize("fault", FAULTS)
def test_a_planted_fault_is_found_in_its_place(fault):
    expected, document = FAULTS[fault]
    assert expected in found(document)


@pytest.mark.parametrize("fault", FAULTS)
def test_no_two_lines_are_alike(fault):
    _, document = FAULTS[fault]
    said = [f.message for f in (*findings(document), *try_out(document).findings)]
    assert len(said) == len(set(said))


def test_lines_tell_which_sentence_they_mean_and_what_follows_stands_below():
    document = course(slide(
        "slidea", button("hidden", ADD).model_copy(update={"rules": (
            rule("first", Happens(event="clicked"), ADD),
            rule("second", Happens(event="double_clicked"), ADD))}), button("other", ADD),
        rules=(rule("hideit", Happens(event="slide_entered"), HIDE("hidden")),)))
    said = [f.message for f in try_out(document).findings]
    assert said == [
        "Nothing that can happen shows “hidden”.",
        "Rule 1 of “hidden” can never run: what it waits for never happens.",
        "Rule 2 of “hidden” can never run: what it waits for never happens.",
    ]


SOUND = {
    "both demo courses": (hut_warden_basics()[0], tool_library()[0]),
    "cards, counters, a gate and time": (course(
        slide("slidea", button("onea", ADD, TOGGLE("good")), button("twoa", ADD), text("good"),
              Input(id="field", name="field", input="number", variable="number1", low=0, high=9),
              button("tell", SHOW("panel"), condition=["and", AT_LEAST_5,
                                                       ["=", ["variable", "number1"], 7]]),
              text("told", overlay="panel"), overlays=(Overlay(id="panel", name="panel"),),
              patterns=(pt.SpotPlaces(id="places", name="Places", places=("onea", "twoa")),),
              gate=Gate(wants=(ConditionHolds(condition=["all_seen", "places"]),
                               TimeSpent(seconds=20)))),
        slide("slideb", Video(id="video", name="video", media="videofile", alt="A video"),
              text("late"), timing=Timing(length=9_000, cues=(
                  Cue(id="cuea", what="late", at=4_000),)),
              gate=Gate(wants=(MediaWatched(media="video", share=0.9),))),
        slide("slidec"),
        variables=(SCORE, NumberVariable(id="number1", name="Number")), media=(VIDEO,)),),
}


NUMBER = NumberVariable(id="number1", name="Number")
TWO = NumberVariable(id="number2", name="Other number")


def slider(name, variable, high=10):
    return Input(id=name, name=name, input="slider", variable=variable, low=0, high=high)


def waiting_for(condition, *elements, **more):
    """A slide whose gate waits for `condition`."""
    return slide("slidea", *elements, gate=Gate(wants=(ConditionHolds(condition=condition),)),
                 **more)


LONG_VIDEO = VIDEO.model_copy(update={"duration": 1_500_000})
SOUND |= {
    "an item taken on one slide and asked for on a later one": (course(
        slide("slidea"), slide("slideb", button("take", r.Calculate(variable="scorevar", value=1))),
        slide("slidec"), waiting_for(score(1)).model_copy(update={"id": "slided"}),
        slide("slidee")),),
    "a key that lies on the next slide, with the way back": (course(
        slide("slidea", button("look", SHOW("good"), condition=score(1)), text("good")),
        slide("slideb", button("take", ADD))),),
    "two sliders that come to one sum": (course(
        waiting_for(["=", ["+", ["variable", "number1"], ["variable", "number2"]], 17],
                    slider("onea", "number1"), slider("twoa", "number2")),
        slide("slideb"), variables=(NUMBER, TWO)),),
    "a slider between two close values": (course(
        waiting_for(["and", [">", ["variable", "number1"], 40], ["<", ["variable", "number1"], 42]],
                    slider("onea", "number1", high=100)),
        slide("slideb"), variables=(NUMBER,)),),
    "the last of many options": (course(
        waiting_for(["=", ["variable", "choice1"], "option 29"], Input(
            id="list", name="list", input="choice", variable="choice1",
            options=tuple(f"option {n}" for n in range(30)))),
        slide("slideb"), variables=(TextVariable(id="choice1", name="Choice"),)),),
    "a video of 25 minutes": (course(
        slide("slidea", Video(id="video", name="video", media="videofile", alt="A video"),
              gate=Gate(wants=(MediaWatched(media="video", share=1),))),
        slide("slideb"), variables=(), media=(LONG_VIDEO,)),),
    "seven minutes on a slide": (course(
        slide("slidea", gate=Gate(wants=(TimeSpent(seconds=420),))), slide("slideb"),
        variables=()),),
    "an overlay that opens by a condition": (course(
        slide("slidea", button("more", SHOW("good")), text("good", overlay="panel"), overlays=(
            Overlay(id="panel", name="panel", shown=["clicked", "more"]),)), variables=()),),
    "a quiz that ends on an outcome slide": (taken_course(),),
    "shown, and hidden after a wait": (course(
        slide("slidea", button("tell", SHOW("good"), r.Wait(seconds=2), HIDE("good")),
              text("good")), variables=()),),
}


@pytest.mark.parametrize("sound", SOUND)
def test_sound_courses_give_no_alarm(sound):
    for document in SOUND[sound]:
        assert found(document) == set()


def test_how_far_it_got_is_said_and_nothing_claimed_beyond():
    many = [button(f"step{n:02}", r.Calculate(action="add", variable="scorevar", value=2**n))
            for n in range(12)]
    document = course(slide("slidea", *many, button(
        "tell", SHOW("good"), condition=score(4095 * 1000)), text("good")))
    tried = try_out(document)
    assert not tried.whole
    assert "On 1 slide there is more than could be tried" in tried.statement
    assert [f.code for f in tried.findings] == []


def test_a_claim_that_rests_on_a_slide_that_was_left_open_is_not_made():
    """The gate waits for what only the other slide gives, in more ways than can be tried."""
    many = [button(f"step{n:02}", r.Calculate(action="add", variable="scorevar", value=2**n))
            for n in range(14)]
    asked = waiting_for(score(2**14 + 7)).model_copy(update={"id": "slideb"})
    tried = try_out(course(slide("slidea", *many), asked, slide("slidec")))
    assert not tried.whole
    assert "On 2 slides there is more" in tried.statement
    assert [f.code for f in tried.findings] == []


def test_a_sentence_that_waits_and_sets_itself_off_again_is_tried_in_no_time():
    again = rule("again", Happens(event="variable_changed", of=("scorevar",)),
                 r.Wait(seconds=0.1), ADD)
    document = course(slide("slidea", button("more", ADD), text("good"), rules=(again,)))
    assert explore(index_of(document)).steps < 15_000
    assert not [f for f in try_out(document).findings if f.code == "rule_loop"]


def test_exploring_is_the_same_each_time_and_bounded():
    index = Index(compile_course(hut_warden_basics()[0], by_digest))
    first, second = explore(index), explore(index)
    assert first == second
    assert first.steps < 15_000


def test_a_video_without_sound_needs_no_captions():
    quiet = VIDEO.model_copy(update={"captions": (), "soundless": True})
    shown = Video(id="video", name="video", media="videofile", alt="A video")
    assert "no_captions" not in {found.code for found in findings(course(
        slide("slidea", shown), variables=(), media=(quiet,)))}
