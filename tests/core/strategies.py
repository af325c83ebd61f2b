"""Hypothesis strategies: programs that use every primitive, and events to run them with."""

import random

from hypothesis import strategies as st
from zigzag_core.course import (
    Background,
    Group,
    Input,
    Nowhere,
    NumberVariable,
    SlideSize,
    Style,
    Text,
    TextVariable,
    ToNext,
    ToSlide,
    YesNoVariable,
    rich,
)
from zigzag_core.course.document import Completion
from zigzag_core.logic import engine
from zigzag_core.program import (
    Announce,
    Choose,
    CloseOverlay,
    Go,
    Grader,
    Hide,
    OpenOverlay,
    Overlay,
    Program,
    ProgramElement,
    ProgramRule,
    ProgramSlide,
    Reset,
    SetLook,
    SetVariable,
    Show,
    Submit,
)
from zigzag_core.program.expression import ARITY

SLIDES = ["slidea", "slideb", "slidec"]
ELEMENTS = [f"{slide}e{n}" for slide in SLIDES for n in range(3)]
ELEMENTS += [f"{slide}{part}" for slide in SLIDES for part in "gnt"]
OVERLAYS = [f"{slide}o" for slide in SLIDES]
INNER = [f"{slide}i" for slide in SLIDES]
QUESTIONS = [f"{slide}q" for slide in SLIDES]
CHOICES = {question: [f"{question}{n}" for n in range(4)] for question in QUESTIONS}
VARIABLES = ["count", "words", "flag"]
EVENTS = ["clicked", "entered", "slide_entered", "slide_left", "overlay_opened", "overlay_closed",
          "variable_changed", "answered_right", "answered_wrong", "answered_last", "answered"]
LIVE = ["points", "max_points", "score", "slides_seen", "slides", "slide_number", "nothing"]

numbers = st.one_of(
    st.integers(-1_000, 1_000), st.floats(-1e10, 1e10), st.floats(-10, 10),
    st.sampled_from([0, 0.1, 0.2, 0.3, 1e-7, 1e9, -1e9, 2.5, -2.5]),
)
words = st.text(st.characters(codec="utf-8", exclude_categories=["Cs"]), max_size=12)
texts = st.one_of(words, st.sampled_from(["12", " -3,5 ", "1.0000001", "x" * 249 + "äöü"]))

leaves = st.one_of(
    numbers, texts, st.booleans(),
    st.sampled_from([*VARIABLES, "gone"]).map(lambda name: ["variable", name]),
    st.sampled_from(LIVE).map(lambda name: ["live", name]),
    st.sampled_from(SLIDES).map(lambda name: ["seen", name]),
    st.sampled_from(ELEMENTS).map(lambda name: ["clicked", name]),
    st.tuples(
        st.sampled_from(["chosen", "locked", "attempts", "attempts_left", "right", "earned"]),
        st.sampled_from(QUESTIONS),
    ).map(list),
)


@st.composite
def _node(draw, children):
    operator = draw(st.sampled_from(sorted(ARITY)))
    least, most = ARITY[operator]
    arguments = draw(st.lists(children, min_size=least, max_size=min(most, least + 2)))
    return [operator, *arguments]


expressions = st.recursive(leaves, _node, max_leaves=8)

mostly_true = st.integers(0, 5).flatmap(lambda n: expressions if n == 0 else st.just(True))

actions = st.one_of(
    st.sampled_from(["next", "previous", "next", "previous", "leave"]).map(lambda to: Go(to=to)),
    st.sampled_from(SLIDES).map(lambda slide: Go(to="slide", slide=slide)),
    st.sampled_from(ELEMENTS).map(lambda element: Show(element=element)),
    st.sampled_from(ELEMENTS).map(lambda element: Hide(element=element)),
    st.tuples(st.sampled_from(ELEMENTS), st.sampled_from([None, "visited", "selected", "hover"]))
    .map(lambda pair: SetLook(element=pair[0], look=pair[1])),
    st.tuples(st.sampled_from(VARIABLES), expressions)
    .map(lambda pair: SetVariable(variable=pair[0], value=pair[1])),
    st.sampled_from(OVERLAYS).map(lambda overlay: OpenOverlay(overlay=overlay)),
    st.sampled_from(OVERLAYS).map(lambda overlay: CloseOverlay(overlay=overlay)),
    st.sampled_from(QUESTIONS).flatmap(
        lambda q: st.sampled_from(CHOICES[q]).map(lambda c: Choose(question=q, choice=c))),
    st.sampled_from(QUESTIONS).map(lambda question: Submit(question=question)),
    st.sampled_from(QUESTIONS).map(lambda question: Reset(question=question)),
    words.map(lambda text: Announce(text=text)),
)


@st.composite
def rules(draw, on=None, target=None):
    event = on or draw(st.sampled_from(EVENTS))
    targets = ELEMENTS + SLIDES + OVERLAYS + QUESTIONS + VARIABLES + INNER
    return ProgramRule(
        id=f"r{draw(st.integers(0, 10**6))}", on=event,
        target=target or draw(st.none() | st.sampled_from(targets)), block=draw(st.booleans()),
        condition=draw(st.just(True) | expressions),
        then=tuple(draw(st.lists(actions, max_size=3))),
        otherwise=tuple(draw(st.lists(actions, max_size=2))),
    )


def _inputs(draw, slide):
    """A group that holds a button, and an input bound to some variable or to none."""
    common = {"name": "x", "style": Style()}
    field = Input(
        id=f"{slide}n", input=draw(st.sampled_from(["text", "number", "choice", "checkbox",
                                                    "slider"])),
        variable=draw(st.sampled_from(["count", "words", "flag", "gone", None])),
        options=("north", "south"), low=draw(st.integers(-9, 0)), high=draw(st.integers(0, 9)),
        group=draw(st.sampled_from([f"{slide}g", None])), **common,
    )
    return (
        ProgramElement(draw=Group(id=f"{slide}g", **common), visible=draw(mostly_true)),
        ProgramElement(draw=field, control="input", enabled=draw(mostly_true),
                       rules=tuple(draw(st.lists(rules("entered", f"{slide}n"), max_size=1)))),
        ProgramElement(draw=Text(id=f"{slide}t", group=f"{slide}g", **common), control="button"),
    )


def _element(draw, name, control="none", question=None, choice=None, own=()):
    return ProgramElement(
        draw=Text(id=name, name=name, text=rich(name), style=Style()), control=control,
        question=question, choice=choice,
        visible=draw(mostly_true), enabled=draw(mostly_true),
        rules=(*own, *draw(st.lists(rules(on="clicked", target=name), max_size=2))),
    )


@st.composite
def programs(draw):
    slides, graders = [], []
    for slide in SLIDES[: draw(st.integers(1, 3))]:
        question = f"{slide}q"
        choices = CHOICES[question][: draw(st.integers(2, 4))]
        graders.append(Grader(
            id=question, slide=slide, name=question, record=f"record_{question}", prompt="?",
            purpose=draw(st.sampled_from(["scored", "practice", "survey"])),
            choices=tuple(choices), texts=tuple(choices),
            right=tuple(draw(st.lists(st.sampled_from(choices), max_size=1))),
            points=draw(st.sampled_from([0, 1, 2.5, 10])),
            attempts=draw(st.sampled_from([None, 1, 2])), shuffle=draw(st.booleans()),
        ))
        own = [
            ProgramRule(id="pick", on="clicked", target=f"{slide}e0", block=True,
                        then=(Choose(question=question, choice=choices[0]),)),
            ProgramRule(id="send", on="clicked", target=f"{slide}e1", block=True,
                        then=(Submit(question=question),)),
        ]
        slides.append(ProgramSlide(
            id=slide, title=slide, background=Background(),
            elements=(
                _element(draw, f"{slide}e0", "choice", question, choices[0], own[:1]),
                _element(draw, f"{slide}e1", "button", question, None, own[1:]),
                _element(draw, f"{slide}e2"),
                *_inputs(draw, slide),
            ),
            onward=draw(st.sampled_from([
                ToNext(), ToNext(), Nowhere(), ToSlide(slide="slidea"), ToSlide(slide="gone"),
            ])),
            overlays=(Overlay(
                id=f"{slide}o", title="Panel", blocks=draw(st.booleans()),
                elements=(_element(draw, f"{slide}i", "button"),),
                rules=tuple(draw(st.lists(rules(), max_size=1))),
            ),),
            rules=tuple(draw(st.lists(rules(), max_size=2))),
        ))
    ids = [slide.id for slide in slides]
    endless = ProgramRule(id="endless", on="variable_changed", target="flag",
                          then=(SetVariable(variable="flag", value=["not", ["variable", "flag"]]),))
    course_rules = draw(st.lists(rules(), max_size=2))
    if draw(st.integers(0, 4)) == 0:
        course_rules += [endless, ProgramRule(id="flip", on="slide_entered", then=endless.then)]
    share = draw(st.sampled_from([None, 0.5, 1.0]))
    return Program(
        course="course", title="Random", language="en", size=SlideSize(), slides=tuple(slides),
        variables=(
            NumberVariable(id="count", name="count", default=draw(st.integers(-5, 5)), min=-20,
                           max=20),
            TextVariable(id="words", name="words", default=draw(words)),
            YesNoVariable(id="flag", name="flag", default=draw(st.booleans())),
        ),
        questions=tuple(graders), rules=tuple(course_rules),
        completion=Completion(slides_share=share, passing=share is None or draw(st.booleans())),
        pass_mark=draw(st.sampled_from([0, 50, 80, 100])),
        remembered={
            "slides": tuple(ids), "questions": tuple(g.id for g in graders),
            "choices": tuple(c for g in graders for c in g.choices),
            "variables": tuple(VARIABLES),
            "elements": tuple(n for n in ELEMENTS + INNER if n[:6] in ids),
        },
    )


events = st.one_of(
    st.sampled_from(["slideae0", "slideae1", "slideai", "slidebe0", "slidebe1"])
    .map(lambda name: {"event": "clicked", "target": name}),
    st.sampled_from(ELEMENTS + INNER).map(lambda name: {"event": "clicked", "target": name}),
    st.tuples(st.sampled_from(["slidean", "slidebn", "slideae0"]), numbers | texts | st.booleans()
              | st.sampled_from(["north", "south"]))
    .map(lambda pair: {"event": "entered", "target": pair[0], "value": pair[1]}),
    st.sampled_from(["next", "previous"]).map(lambda kind: {"event": kind}),
    st.sampled_from(SLIDES).map(lambda name: {"event": "slide", "target": name}),
    st.sampled_from(OVERLAYS).map(lambda name: {"event": "close", "target": name}),
    st.integers(-5, 10**9).map(lambda ms: {"event": "tick", "ms": ms}),
)
runs = st.tuples(st.lists(events, max_size=25), st.booleans()).map(
    lambda run: [{"event": "start"}, *run[0], *([{"event": "leave"}] if run[1] else [])]
)


def sensible_run(index, seed: int, count: int):
    """Events as a learner makes them: mostly clicks on what the current slide offers."""
    rng = random.Random(seed)
    slides = {slide.id: slide for slide in index.program.slides}
    found = [{"event": "start"}]
    state, _ = engine.step(index, engine.start(index, seed), found[0])
    for _ in range(count):
        slide = slides[state.slide]
        open_now = [o for o in slide.overlays if o.id in state.overlays]
        offered = (open_now[-1] if open_now else slide).elements
        kind = rng.random()
        if kind < 0.7:
            event = {"event": "clicked", "target": rng.choice(offered).draw.id}
        elif kind < 0.85:
            event = {"event": "next"}
        elif kind < 0.9:
            event = {"event": "slide", "target": rng.choice(list(slides))}
        else:
            event = {"event": "tick", "ms": rng.randrange(20_000)}
        after, _ = engine.step(index, state, event)
        if not after.ended:
            found.append(event)
            state = after
    return found
