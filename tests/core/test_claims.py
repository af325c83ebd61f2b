"""What trying a course out claims never to happen never happens, whatever a learner does."""

import os
import random

import pytest
from zigzag_core.course import Gate, Happens, Input, Navigation, NumberVariable, Overlay, Rule
from zigzag_core.course.rules import rule as r
from zigzag_core.course.rules.gates import ConditionHolds
from zigzag_core.engine import engine
from zigzag_core.verification.exploration.exploring import explore

from .making import DISABLE, ENABLE, HIDE, SCORE, SHOW, button, course, slide, text
from .samples import index_of

SLIDES = ("slidea", "slideb")
PLAIN = "slidec"
VARIABLES = (SCORE, NumberVariable(id="number1", name="Number"))
TRIES = int(os.environ.get("ZIGZAG_TRIES", "150"))


def random_condition(rng, deep=True):
    name = rng.choice(SLIDES)
    kind = rng.randrange(8 if deep else 6)
    if kind < 3:
        operator = rng.choice(["=", "!=", "<", ">="])
        return [operator, ["variable", rng.choice(("scorevar", "number1"))], rng.randrange(3)]
    if kind == 3:
        return ["seen", name]
    if kind == 4:
        return ["clicked", f"{name}0"]
    if kind == 5:
        return [">=", ["seconds_on", name], rng.choice((3, 200))]
    return [rng.choice(("and", "or")), random_condition(rng, False), random_condition(rng, False)]


def random_action(rng, here):
    variable = rng.choice(("scorevar", "number1"))
    return rng.choice((
        SHOW(f"{here}text"), HIDE(f"{here}text"), ENABLE(f"{here}1"),
        DISABLE(f"{here}1"), DISABLE(f"{here}slider"), SHOW(f"{here}over"), r.Wait(seconds=2),
        r.Calculate(variable=variable, value=rng.randrange(3)),
        r.Calculate(action="add", variable=variable, value=1),
        r.GoTo(go=r.ToSlide(slide=rng.choice(SLIDES))),
    ))


def plain_slide(rng, here):
    """A slide that stands alone and hands on nothing, and perhaps only leads elsewhere."""
    goes = Rule(id=f"{here}goes", when=Happens(event="slide_entered"),
                do=(r.GoTo(go=r.ToSlide(slide=rng.choice(SLIDES))),))
    return slide(here, button(f"{here}0", SHOW(f"{here}text")), text(f"{here}text"),
                 rules=rng.choice(((), (), (goes,))))


def random_slide(rng, here):
    def actions():
        return [random_action(rng, here) for _ in range(rng.choice((1, 1, 2)))]

    buttons = [button(f"{here}{n}", *actions(), condition=rng.choice((True, random_condition(rng))))
               for n in (0, 1)]
    field = Input(id=f"{here}slider", name="Slider", input="slider", variable="number1", high=2)
    follows = Rule(id=f"{here}follow", when=Happens(event="variable_changed", of=("scorevar",)),
                   condition=random_condition(rng), do=tuple(actions()))
    enters = Rule(id=f"{here}enter", when=Happens(event="slide_entered"),
                  condition=random_condition(rng), do=tuple(actions()))
    gate = Gate(wants=(ConditionHolds(condition=random_condition(rng)),))
    return slide(here, *buttons, text(f"{here}text"), *rng.choice(((), (field,))),
                 overlays=(Overlay(id=f"{here}over", name="Overlay"),),
                 rules=(follows, *rng.choice(((), (enters,)))), gate=rng.choice((gate, None)))


def random_event(rng, state, around):
    """Something that a learner does, with the ways that are offered `around` the slide."""
    here = state.slide
    ways = [{"event": "next"}]
    if around.previous:
        ways.append({"event": "previous"})
    if around.menu:
        ways.append({"event": "slide", "target": rng.choice((*SLIDES, PLAIN))})
    if state.overlays and rng.random() < 0.4:
        return {"event": "close", "target": state.overlays[-1]}
    return rng.choice((
        *ways,
        {"event": "clicked", "target": f"{here}0"}, {"event": "clicked", "target": f"{here}1"},
        {"event": "entered", "target": f"{here}slider", "value": rng.randrange(3)},
        {"event": "tick", "ms": rng.choice((500, 3_000, 250_000))},
    ))


def check_run(index, explored, rng):
    """One learner's way at random: on slides that were tried in full nothing new happens."""
    state, events = engine.start(index, 1), [{"event": "start"}]
    for _ in range(80):
        log = []
        state, _ = engine.step(index, state, events[-1], log)
        for entry in log:
            home = explored.slides[index.rules[entry["rule"]].slide]
            if home.whole:
                assert entry["rule"] in home.ran, events
                assert not entry["held"] or entry["rule"] in home.held, (entry, events)
        here = explored.slides[state.slide]
        if here.whole:
            assert set(state.overlays) <= here.opened, events
            assert here.passable or not engine.gate_is_open(index, state, state.slide), events
            assert here.shown >= {
                name for name in index.on_slide[state.slide]
                if engine.is_visible(index, state, name)}, events
        events.append(random_event(rng, state, index.program.navigation))


@pytest.mark.parametrize("part", range(3))
def test_nothing_happens_that_was_claimed_never_to_happen(part):
    whole = 0
    for seed in range(part, TRIES, 3):
        rng = random.Random(seed)
        slides = [random_slide(rng, name) for name in SLIDES]
        if seed % 2:
            slides.insert(rng.randrange(3), plain_slide(rng, PLAIN))
        around = Navigation(menu=rng.random() < 0.5, previous=rng.random() < 0.5)
        document = course(*slides, variables=VARIABLES, navigation=around)
        index = index_of(document)
        explored = explore(index)
        whole += all(explored.slides[name].whole for name in SLIDES)
        for _ in range(5):
            check_run(index, explored, rng)
    # Most of these courses are small enough to be tried in full: else this test says nothing.
    assert whole > TRIES / 6
