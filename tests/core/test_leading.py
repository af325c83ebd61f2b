"""Timing that follows a narration, a video or a sound: cues are where it is."""

from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st
from zigzag_core.course import Audio, Cue, Happens, MediaFile, Overlay, Rule, Timing
from zigzag_core.course.rules import rule as r
from zigzag_core.editing.removing import without
from zigzag_core.tracking.progress import pack, unpack
from zigzag_core.verification.findings.runs import try_out

from .making import SCORE, SHOW, Learner, button, course, slide, text

LONG = 5_000
VOICE = MediaFile(id="voicefile", name="voice", type="audio/mpeg", sha256="0" * 64, size=1,
                  duration=LONG)
SAYS = Audio(id="says", name="says", media="voicefile", start="auto", narration=True,
             words="Light it from the top.")
COUNT = r.Calculate(action="add", variable="scorevar", value=1)


def told(*rules, says=SAYS, media=(VOICE,), **timing):
    cues = (Cue(id="cueone", does="appear", what="lamp", at=1_000, until=3_000, effect="none"),
            Cue(id="cuetwo", does="moment", at=2_000))
    counted = Rule(id="counted", when=r.CueReached(cue="cuetwo"), do=(COUNT,))
    return course(slide(
        "slidea", says, text("lamp"), text("endtext"),
        button("stop", r.RunTiming(action="stop_timing")),
        button("again", r.RunTiming(action="restart_timing")),
        timing=Timing(follows="says", cues=cues, **timing), rules=(counted, *rules)), media=media)


def plays(learner, since, until):
    return learner.does("played", target="says", since=since, until=until)


def count(learner):
    return learner.state.variables["scorevar"]


def test_cues_go_by_what_is_heard_and_not_by_the_clock():
    learner = Learner(told()).waits(60_000)
    assert not learner.sees("lamp")
    assert plays(learner, 0, 900).sees("lamp") is False
    assert plays(learner, 900, 1_400).sees("lamp")
    # It stands still while the sound does.
    assert learner.waits(60_000).sees("lamp") and count(learner) == 0
    assert count(plays(learner, 1_400, 2_600)) == 1
    assert not plays(learner, 2_600, 3_100).sees("lamp")


def test_what_is_gone_back_in_is_shown_again_and_what_is_jumped_over_is_not_lost():
    learner = plays(Learner(told()), 0, 300)
    assert plays(learner, 4_000, 4_200).sees("lamp") is False and count(learner) == 1
    assert plays(learner, 1_500, 1_700).sees("lamp") and count(learner) == 1
    assert count(plays(learner, 1_700, 2_000)) == 2


def test_the_timing_is_as_long_as_what_leads_it_and_ends_with_it():
    over = Rule(id="over", when=Happens(event="timing_ended"), do=(SHOW("endtext"),))
    learner = Learner(told(over))
    learner.does("started", target="says")
    for since in range(0, LONG, 250):
        plays(learner, since, since + 250)
    assert learner.state.clocks["slidea"].at == LONG and learner.sees("endtext")
    longer = Learner(told(over, length=8_000))
    plays(longer, 0, LONG).does("media", target="says", what="ended")
    assert longer.state.clocks["slidea"].runs
    assert longer.waits(2_999).state.clocks["slidea"].at == 7_999
    assert not longer.waits(1).state.clocks["slidea"].runs


def test_a_sound_that_cannot_be_played_lets_time_go_on():
    learner = Learner(told()).does("media", target="says", what="failed")
    assert learner.waits(1_200).sees("lamp") and count(learner.waits(1_000)) == 1
    # It comes after all: its place counts.
    learner.does("media", target="says", what="started")
    plays(learner, 100, 200)
    assert not learner.sees("lamp") and not learner.waits(5_000).sees("lamp")


@pytest.mark.parametrize("says,media", [
    (SAYS.model_copy(update={"media": None}), ()), (SAYS, ())])
def test_without_a_voice_it_goes_by_the_clock(says, media):
    learner = Learner(told(says=says, media=media))
    assert learner.waits(1_200).sees("lamp")


def test_rules_stop_and_begin_anew_what_leads():
    learner = plays(Learner(told()), 0, 1_500)
    learner.clicks("stop")
    assert [(e["effect"], e["run"]) for e in learner.effects] == [("media", "pause")]
    learner.clicks("again")
    assert [(e["run"], e["at"]) for e in learner.effects] == [("seek", 0), ("play", 0)]


def test_the_timing_of_an_overlay_follows_a_sound_on_it():
    voice = SAYS.model_copy(update={"overlay": "panel"})
    lamp = text("lamp", overlay="panel")
    cue = Cue(id="cueone", does="appear", what="lamp", at=1_000, effect="none")
    learner = Learner(course(slide(
        "slidea", voice, lamp, button("open", SHOW("panel")),
        overlays=(Overlay(id="panel", name="panel", timing=Timing(follows="says", cues=(cue,))),),
    ), media=(VOICE,)))
    learner.clicks("open")
    assert not learner.sees("lamp") and plays(learner, 0, 1_000).sees("lamp")


def test_who_comes_back_goes_on_where_the_sound_was():
    learner = plays(Learner(told()), 0, 1_500)
    text = pack(learner.index, learner.state)
    learner.state = unpack(learner.index, text)
    learner.does("resume")
    assert learner.state.clocks["slidea"].at == 1_500 and learner.sees("lamp")
    assert learner.state.positions == {"says": 1_500}
    assert count(plays(learner, 1_500, 2_100)) == 1


def test_a_sound_that_is_taken_away_leads_no_longer():
    [before] = told().slides
    after = without(before, ("says",))
    assert after.timing.follows is None and len(after.timing.cues) == 2


def test_what_only_a_cue_shows_is_met_when_the_course_is_tried_out():
    never = Rule(id="neverrule", when=r.MediaReached(of=("says",), at=999), do=(SHOW("endtext"),))
    codes = [(one.code, one.element) for one in try_out(told(never)).findings]
    # The cue shows the lamp and the rule that waits for a cue runs; a moment behind the end is not.
    assert codes == [("rule_never_runs", None)]


@given(st.lists(st.integers(1, LONG), min_size=1, max_size=12))
def test_however_it_is_cut_into_reports_each_moment_comes_once(cuts):
    learner = Learner(told())
    moments = [0, *sorted({*cuts, LONG})]
    for since, until in pairwise(moments):
        plays(learner, since, until)
    assert count(learner) == 1 and learner.state.clocks["slidea"].at == LONG
    assert SCORE.id in learner.state.variables
