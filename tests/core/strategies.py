"""Hypothesis strategies: programs that use every primitive, and events to run them with."""

import random

from hypothesis import strategies as st
from zigzag_core.course import (
    Audio,
    Background,
    Drag,
    Group,
    Input,
    Move,
    Navigation,
    Nowhere,
    NumberVariable,
    Offset,
    Piece,
    SlideSize,
    Style,
    Text,
    TextVariable,
    ToNext,
    ToSlide,
    Video,
    YesNoVariable,
    rich,
)
from zigzag_core.course.document import Completion
from zigzag_core.course.rules.expression import ARITY
from zigzag_core.engine import engine
from zigzag_core.engine.quiz_results import OF_QUIZ
from zigzag_core.program import (
    Announce,
    Choose,
    Clear,
    Clock,
    ClockCue,
    CloseOverlay,
    Disable,
    DrawAgain,
    Enable,
    Enter,
    Fork,
    Go,
    Hide,
    Mark,
    MoveElement,
    OpenLink,
    OpenOverlay,
    PickNumber,
    PlayMedia,
    PlaySound,
    Print,
    Program,
    ProgramElement,
    ProgramGate,
    ProgramMedia,
    ProgramOverlay,
    ProgramRule,
    ProgramSlide,
    Reset,
    RunClock,
    SeenSet,
    SetLook,
    SetVariable,
    Show,
    Span,
    Submit,
    Toggle,
    Wait,
)
from zigzag_core.program.quiz import DrawnSet, DrawnUnit, ProgramBand, ProgramQuiz
from zigzag_core.words import LANGUAGES, not_english, player_words

from .question_strategies import VALUES as GIVEN
from .question_strategies import graders as random_grader

SLIDES = ["slidea", "slideb", "slidec"]
PIECES = [
    (), (Piece(since=2_000, until=3_000),),
    (Piece(since=100, until=400), Piece(since=400, until=401), Piece(since=700, until=5_000))]
"""Of a second: all of it, a piece that lies behind it, pieces of which the last goes beyond it."""
ELEMENTS = [f"{slide}e{n}" for slide in SLIDES for n in range(3)]
ELEMENTS += [f"{slide}{part}" for slide in SLIDES for part in "gntv"]
QUIZZES = ["quiza", "gone"]
OVERLAYS = [f"{slide}o" for slide in SLIDES]
INNER = [f"{slide}i" for slide in SLIDES]
QUESTIONS = [f"{slide}q" for slide in SLIDES]
CHOICES = {question: [f"{question}{n}" for n in range(4)] for question in QUESTIONS}
VARIABLES = ["count", "words", "flag"]
EVENTS = ["clicked", "entered", "slide_entered", "slide_left", "overlay_opened", "overlay_closed",
          "variable_changed", "answered_right", "answered_partly", "answered_wrong",
          "answered_last", "answered", "time_up", "judged", "answered_nothing",
          "quiz_passed", "quiz_failed", "quiz_finished",
          "double_clicked", "pointed_at", "pointed_away", "dropped", "dropped_elsewhere",
          "timing_ended", "media_started", "media_ended", "all_seen", "key_pressed"]
SETS = [f"{slide}s" for slide in SLIDES]
SOURCES = {slide: st.sampled_from([slide, f"{slide}o"]) for slide in SLIDES}
LIVE = ["points", "max_points", "score", "slides_seen", "slides", "slide_number", "nothing",
        "slide_title", "minutes", "seconds", "learner_name", "result", "answered", "questions",
        "question_number", "question_count", *sorted(OF_QUIZ)]

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
    st.tuples(st.sampled_from(sorted(OF_QUIZ)), st.sampled_from(QUIZZES)).map(list),
    st.tuples(st.sampled_from(["set_score", "set_right"]), st.sampled_from(["setone", "gone"]))
    .map(list),
    st.sampled_from(["bandlow", "bandhigh", "gone"]).map(lambda name: ["in_band", name]),
    st.sampled_from(ELEMENTS).map(lambda name: ["clicked", name]),
    st.tuples(st.sampled_from(["shown", "watched", "dropped"]), st.sampled_from(ELEMENTS))
    .map(list),
    st.sampled_from(OVERLAYS).map(lambda name: ["open", name]),
    st.tuples(st.sampled_from(["all_seen", "seen_of", "left_of"]), st.sampled_from(SETS)).map(list),
    st.tuples(st.sampled_from(["seconds_on", "gate"]), st.sampled_from(SLIDES)).map(list),
    st.tuples(
        st.sampled_from(["chosen", "locked", "attempts", "attempts_left", "right", "earned", "row",
                         "outcome", "told"]),
        st.sampled_from(QUESTIONS),
    ).map(list),
    st.sampled_from(QUESTIONS).flatmap(
        lambda q: st.sampled_from(CHOICES[q]).map(lambda part: ["given", q, part])),
)


@st.composite
def _node(draw, children):
    operator = draw(st.sampled_from(sorted(ARITY)))
    least, most = ARITY[operator]
    arguments = draw(st.lists(children, min_size=least, max_size=min(most, least + 2)))
    return [operator, *arguments]


expressions = st.recursive(leaves, _node, max_leaves=8)

# To Python 0 and 1 are no and yes: where these are the default, a program leaves them out.
conditions = expressions.map(
    lambda node: ["+", node, 0] if type(node) in (int, float) else node)

mostly_true = st.integers(0, 5).flatmap(lambda n: conditions if n == 0 else st.just(True))

actions = st.one_of(
    st.sampled_from(["next", "previous", "next", "previous", "leave"]).map(lambda to: Go(to=to)),
    st.builds(Go, to=st.just("slide"), slide=st.sampled_from(SLIDES), back=st.booleans()),
    st.sampled_from(ELEMENTS).map(lambda element: Show(element=element)),
    st.sampled_from(ELEMENTS).map(lambda element: Hide(element=element)),
    st.sampled_from(ELEMENTS).map(lambda element: Enable(element=element)),
    st.sampled_from(ELEMENTS).map(lambda element: Disable(element=element)),
    st.sampled_from(ELEMENTS + OVERLAYS).map(lambda element: Toggle(element=element)),
    st.sampled_from(SLIDES).map(lambda slide: Enter(slide=slide)),
    st.builds(DrawAgain, quiz=st.sampled_from(QUIZZES), stops=st.booleans()),
    st.sampled_from(ELEMENTS).map(lambda element: MoveElement(element=element, move="drift")),
    st.tuples(st.sampled_from(SLIDES + OVERLAYS), st.sampled_from(["start", "stop", "restart"]))
    .map(lambda pair: RunClock(of=pair[0], run=pair[1])),
    st.tuples(st.sampled_from(VARIABLES), st.integers(-9, 9), st.integers(-9, 9),
              st.lists(words, max_size=2))
    .map(lambda t: PickNumber(variable=t[0], low=t[1], high=t[2], texts=tuple(t[3]))),
    st.tuples(st.lists(st.sampled_from(SLIDES), max_size=2), st.lists(st.sampled_from(VARIABLES)))
    .map(lambda t: Clear(slides=tuple(t[0]), variables=tuple(t[1]), elements=(ELEMENTS[0],),
                         questions=tuple(f"{slide}q" for slide in t[0]))),
    st.sampled_from(["completed", "passed", "failed"]).map(lambda status: Mark(status=status)),
    st.integers(1, 4_000).map(lambda ms: Wait(ms=ms)),
    st.sampled_from([
        PlayMedia(element="slideav", run="seek", at=400), PlaySound(media="soundfile"),
    ]),
    st.just(OpenLink(address="https://example.org")), st.just(Print()),
    st.tuples(st.sampled_from(ELEMENTS), st.sampled_from([None, "visited", "selected", "ownlook"]))
    .map(lambda pair: SetLook(element=pair[0], look=pair[1])),
    st.tuples(st.sampled_from(VARIABLES), expressions)
    .map(lambda pair: SetVariable(variable=pair[0], value=pair[1])),
    st.sampled_from(OVERLAYS).map(lambda overlay: OpenOverlay(overlay=overlay)),
    st.sampled_from(OVERLAYS).map(lambda overlay: CloseOverlay(overlay=overlay)),
    st.sampled_from(QUESTIONS).flatmap(
        lambda q: st.sampled_from(CHOICES[q]).map(lambda c: Choose(question=q, part=c))),
    st.sampled_from(QUESTIONS).map(lambda question: Submit(question=question)),
    st.builds(Reset, question=st.sampled_from(QUESTIONS), answer_only=st.booleans()),
    words.map(lambda text: Announce(text=text)),
)


@st.composite
def rules(draw, on=None, target=None, **more):
    event = on or draw(st.sampled_from(EVENTS))
    targets = ELEMENTS + SLIDES + OVERLAYS + QUESTIONS + VARIABLES + INNER + SETS
    detail = {
        "dropped": st.sampled_from([None, "slideae0", "slideat"]),
        "key_pressed": st.sampled_from([None, "a", "Enter"]),
    }.get(event, st.none())
    more.setdefault("detail", draw(detail))
    # Ids are unique in a program; the numbers only have to differ, they decide nothing.
    return ProgramRule(
        id=f"r{draw(st.integers(0, 10**9))}x{draw(st.integers(0, 10**9))}", on=event,
        target=target or draw(st.none() | st.sampled_from(targets)), block=draw(st.booleans()),
        condition=draw(st.just(True) | conditions),
        then=tuple(draw(st.lists(actions, max_size=3))),
        otherwise=tuple(draw(st.lists(actions, max_size=2))), **more,
    )


def _timed(draw, owner):
    """A timer, a rule for a cue, and one for a moment of the video."""
    after = draw(st.integers(0, 5_000))
    timer = draw(rules("timer", owner, after=after, again=draw(st.booleans())))
    found = [timer.model_copy(update={"detail": timer.id})]
    found.append(draw(rules("cue_reached", owner, detail="one")))
    ms = draw(st.sampled_from([0, 500, 900]))
    found.append(draw(rules("media_reached", f"{owner[:6]}v", detail=str(ms), after=ms)))
    return draw(st.lists(st.sampled_from(found), max_size=3, unique_by=lambda rule: rule.id))


def _clock(draw, slide):
    moments = draw(st.lists(st.integers(0, 3_000), min_size=2, max_size=2))
    cues = [
        ClockCue(id="one", at=moments[0], uncovers=f"{slide}e2"),
        ClockCue(id="two", at=moments[1], element=f"{slide}e2", move="drift",
                 plays=draw(st.booleans())),
    ]
    length = max(*moments, draw(st.integers(1, 4_000)))
    return draw(st.none() | st.just(Clock(
        length=length, starts=draw(st.booleans()), repeats=draw(st.booleans()),
        follows=draw(st.sampled_from([None, None, f"{slide[:6]}v"])),
        cues=tuple(sorted(cues, key=lambda cue: cue.at)),
    )))


def _spans(draw):
    at, until = draw(st.integers(0, 2_000)), draw(st.none() | st.integers(0, 4_000))
    return draw(st.just(()) | st.just((Span(at=at, until=until),)))


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
    drag = Drag(
        targets=(f"{slide}e0", f"{slide}t"), x=40, y=draw(st.integers(-9, 9)),
        on_target=draw(st.sampled_from(["stay", "snap", "place", "return", "overlay"])),
        elsewhere=draw(st.sampled_from(["stay", "return"])), overlay=f"{slide}o",
    )
    video = draw(st.sampled_from([Video, Audio]))(
        id=f"{slide}v", media="videofile", pieces=draw(st.sampled_from(PIECES)), **common)
    if video.kind == "audio":
        video = video.model_copy(update={"narration": True})
    return (
        ProgramElement(draw=video),
        ProgramElement(draw=Group(id=f"{slide}g", **common), visible=draw(mostly_true)),
        ProgramElement(draw=field, control="input", enabled=draw(mostly_true),
                       rules=tuple(draw(st.lists(rules("entered", f"{slide}n"), max_size=1)))),
        ProgramElement(
            draw=Text(id=f"{slide}t", group=f"{slide}g", drag=drag, **common), control="button",
        ),
    )


def _element(draw, name, control="none", question=None, part=None, own=()):
    away = draw(st.integers(-9, 9))
    # Where it goes follows from how far: what is drawn besides takes long to be made small.
    drift = Move(id="drift", path=(Offset(x=10, y=5), Offset(x=away, y=0)),
                 times=draw(st.integers(0, 2)), goes=("path", "by", "to")[away % 3],
                 to=(None, name[:6] + "t", "gone")[away % 9 // 3])
    drag = draw(st.none() | st.just(Drag(targets=(name[:6] + "t",), elsewhere="stay")))
    return ProgramElement(
        draw=Text(id=name, name=name, text=rich(name), style=Style(), moves=(drift,), drag=drag),
        control=control, spans=() if question else _spans(draw),
        variable=draw(st.sampled_from([None, "count"])),
        question=question, part=part,
        visible=True if question else draw(mostly_true),
        enabled=True if question else draw(mostly_true),
        rules=(*own, *draw(st.lists(rules(on="clicked", target=name), max_size=2))),
    )


@st.composite
def _quizzes(draw, ids):
    """A quiz of some slides that follow each other; or none."""
    own = ids[draw(st.integers(0, 1)):]
    if not own or draw(st.booleans()):
        return ()
    opening, drawn = draw(st.sampled_from([((), own), (own[:1], own[1:])]))
    closing = drawn[1:] if draw(st.booleans()) else ()
    drawn = drawn[:1] if closing else drawn
    units = tuple(DrawnUnit(slides=(slide,), questions=draw(st.integers(0, 1))) for slide in drawn)
    take = draw(st.none() | st.integers(0, 2))
    return (ProgramQuiz(
        id="quiza", slides=tuple(own), opening=tuple(opening),
        sets=(DrawnSet(id="setone", units=units, take=take),), closing=tuple(closing),
        again=draw(st.sampled_from(["new", "unseen", "same", "wrong", "wrong"])),
        attempts=draw(st.none() | st.integers(1, 3)),
        counts=draw(st.sampled_from(["best", "last", "first", "mean"])),
        pass_mark=draw(st.none() | st.integers(0, 100)),
        time_limit=draw(st.none() | st.integers(1, 9)), extendable=draw(st.booleans()),
        outcomes=tuple(closing[-1:]) if draw(st.integers(0, 3)) else (),
        bands=(ProgramBand(id="bandlow", name="Low", least=0),
               ProgramBand(id="bandhigh", name="High", least=draw(st.integers(1, 99))))),)


@st.composite
def programs(draw):
    slides, graders = [], []
    for slide in SLIDES[: draw(st.integers(1, 3))]:
        question = f"{slide}q"
        graders.append(draw(random_grader(slide, question, CHOICES[question])))
        choices = [part.id for part in graders[-1].parts]
        own = [
            ProgramRule(id="pick", on="clicked", target=f"{slide}e0", block=True,
                        then=(Choose(question=question, part=choices[0]),)),
            ProgramRule(id="send", on="clicked", target=f"{slide}e1", block=True,
                        then=(Submit(question=question),)),
        ]
        slides.append(ProgramSlide(
            id=slide, title=slide, background=Background(),
            elements=(
                _element(draw, f"{slide}e0", "choice", question, choices[0], own[:1]),
                _element(draw, f"{slide}e1", "button", question, None, own[1:]),
                _element(draw, f"{slide}e2", draw(st.sampled_from(["none", "wiper", "check"]))),
                *_inputs(draw, slide),
            ),
            onward=draw(st.sampled_from([
                ToNext(), ToNext(), Nowhere(), ToSlide(slide="slidea"), ToSlide(slide="gone"),
            ])),
            overlays=(ProgramOverlay(
                id=f"{slide}o", title="Panel", blocks=draw(st.booleans()),
                pauses=draw(st.booleans()), closes_others=draw(st.booleans()),
                resets=draw(st.booleans()), on_escape=draw(st.booleans()),
                opens=draw(st.just(False) | conditions),
                clock=_clock(draw, slide),
                elements=(_element(draw, f"{slide}i", "button"),),
                rules=(*draw(st.lists(rules(), max_size=1)), *_timed(draw, f"{slide}o")),
            ),),
            clock=_clock(draw, slide),
            gate=draw(st.none() | st.builds(
                ProgramGate, condition=expressions, for_good=st.booleans(), message=words,
            )),
            forks=tuple(draw(st.lists(
                st.builds(Fork, condition=expressions, slide=st.sampled_from(SLIDES)), max_size=1,
            ))),
            rules=(*draw(st.lists(rules(), max_size=2)), *_timed(draw, slide)),
        ))
    ids = [slide.id for slide in slides]
    endless = ProgramRule(id="endless", on="variable_changed", target="flag",
                          then=(SetVariable(variable="flag", value=["not", ["variable", "flag"]]),))
    course_rules = draw(st.lists(rules(), max_size=2))
    if draw(st.integers(0, 4)) == 0:
        course_rules += [endless, ProgramRule(id="flip", on="slide_entered", then=endless.then)]
    share = draw(st.sampled_from([None, 0.5, 1.0]))
    language = draw(st.sampled_from(LANGUAGES))
    return Program(
        course="course", title="Random", language=language, size=SlideSize(), slides=tuple(slides),
        words=not_english(player_words(language, {})),
        variables=(
            NumberVariable(id="count", name="count", default=draw(st.integers(-5, 5)), min=-20,
                           max=20),
            TextVariable(id="words", name="words", default=draw(words)),
            YesNoVariable(id="flag", name="flag", default=draw(st.booleans())),
        ),
        questions=tuple(graders), quizzes=draw(_quizzes(ids)),
        rules=(*course_rules, *(r.model_copy(update={"target": "course"})
                                for r in _timed(draw, "course") if r.on == "timer")),
        sets=tuple(
            SeenSet(id=f"{slide}s", slide=slide, of=(f"{slide}e1", f"{slide}e2", f"{slide}t"))
            for slide in ids
        ),
        watched=draw(st.sampled_from([(), ("slideav",)])),
        media={"videofile": ProgramMedia(src="video.webm", type="video/webm", duration=1_000)},
        navigation=Navigation(order=draw(st.sampled_from(["free", "in_order", "seen"]))),
        completion=Completion(slides_share=share, passing=share is None or draw(st.booleans())),
        pass_mark=draw(st.sampled_from([0, 50, 80, 100])),
        remembered={
            "slides": tuple(ids), "questions": tuple(g.id for g in graders),
            "choices": tuple(
                name for g in graders for name in
                (*(part.id for part in g.parts), *(target.id for target in g.targets), g.id)
            ),
            "variables": tuple(VARIABLES),
            "elements": tuple(n for n in ELEMENTS + INNER if n[:6] in ids),
        },
    )


def _answered(question, part, value):
    """An answer in one of the parts, or in the question itself: a mark beside all places."""
    name = CHOICES[question][part] if part < 4 else question
    return {"event": "answered", "question": question, "part": name, "value": value}


clicks = st.one_of(
    st.sampled_from(["slideae0", "slideae1", "slideai", "slidebe0", "slidebe1"])
    .map(lambda name: {"event": "clicked", "target": name}),
    st.sampled_from(ELEMENTS + INNER).map(lambda name: {"event": "clicked", "target": name}),
)
others = st.one_of(
    st.tuples(st.sampled_from(["slidean", "slidebn", "slideae0"]), numbers | texts | st.booleans()
              | st.sampled_from(["north", "south"]))
    .map(lambda pair: {"event": "entered", "target": pair[0], "value": pair[1]}),
    st.sampled_from(["next", "previous"]).map(lambda kind: {"event": kind}),
    st.sampled_from(SLIDES).map(lambda name: {"event": "slide", "target": name}),
    st.sampled_from(OVERLAYS).map(lambda name: {"event": "close", "target": name}),
    st.integers(-5, 10**9).map(lambda ms: {"event": "tick", "ms": ms}),
    st.integers(0, 3_000).map(lambda ms: {"event": "tick", "ms": ms}),
    st.sampled_from(ELEMENTS).map(lambda name: {"event": "double_clicked", "target": name}),
    st.tuples(st.sampled_from(ELEMENTS), st.booleans())
    .map(lambda pair: {"event": "pointed", "target": pair[0], "away": pair[1]}),
    st.sampled_from(["a", "Enter"]).map(lambda key: {"event": "key", "key": key}),
    st.tuples(
        st.sampled_from(["slideat", "slideae1", "slideae2", "slidebt"]),
        st.sampled_from(["slideae0", "slideat", "slidebt", None]), numbers, numbers,
    ).map(lambda t: {"event": "dropped", "target": t[0], "on": t[1], "x": t[2], "y": t[3]}),
    st.sampled_from(["started", "paused", "ended", "failed"])
    .map(lambda what: {"event": "media", "target": "slideav", "what": what}),
    st.tuples(st.integers(-5, 1_200), st.integers(-5, 1_200))
    .map(lambda t: {"event": "played", "target": "slideav", "since": t[0], "until": t[1]}),
    st.just({"event": "resume"}),
    st.tuples(st.sampled_from(QUESTIONS), st.integers(0, 4), st.sampled_from(GIVEN))
    .map(lambda t: _answered(*t)),
    st.booleans().map(lambda on: {"event": "pause", "on": on}),
    st.tuples(st.sampled_from(VARIABLES), texts | numbers | st.booleans())
    .map(lambda t: {"event": "set", "target": t[0], "value": t[1]}),
)
events = st.one_of(clicks, clicks, others)
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


def any_run(seed: int, count: int):
    """Events of every kind, sensible or not, mostly clicks and the passing of time."""
    rng = random.Random(seed)
    parts = ["e1", "e0"]
    values = [0, 1, -3.5, 7, "north", "12", "", True, False]

    def one():
        name = rng.choice(ELEMENTS + INNER)
        kind = rng.choice([
            "clicked", "clicked", "clicked", "clicked", "answer", "answer", "give", "give",
            "tick", "tick", "next", "next", "previous", "slide", "close", "double_clicked",
            "pointed", "key", "entered", "dropped", "media", "played", "pause", "set", "resume",
            "more_time", "speed",
        ])
        match kind:
            case "answer":
                # Choosing and submitting in turns, on the first slide more often than on others.
                parts.reverse()
                return {"event": "clicked", "target": rng.choice([SLIDES[0], *SLIDES]) + parts[0]}
            case "give":
                question = rng.choice([QUESTIONS[0], *QUESTIONS])
                return _answered(question, rng.randrange(5), rng.choice(GIVEN))
            case "tick":
                return {"event": "tick", "ms": rng.choice([0, 40, 100, 700, 2_500, 90_000])}
            case "slide":
                return {"event": "slide", "target": rng.choice([*SLIDES, "gone"])}
            case "close":
                return {"event": "close", "target": rng.choice(OVERLAYS)}
            case "pointed":
                return {"event": "pointed", "target": name, "away": rng.random() < 0.5}
            case "key":
                return {"event": "key", "key": rng.choice(["a", "Enter", "b"])}
            case "entered":
                field = rng.choice(SLIDES) + rng.choice(["n", "e2"])
                return {"event": "entered", "target": field, "value": rng.choice(values)}
            case "dropped":
                item = rng.choice(SLIDES) + rng.choice(["t", "e0", "e1", "e2"])
                on = rng.choice([item[:6] + "t", item[:6] + "e0", None])
                return {"event": "dropped", "target": item, "on": on,
                        "x": rng.uniform(-300, 300), "y": rng.uniform(-300, 300)}
            case "media":
                return {"event": "media", "target": rng.choice(SLIDES) + "v",
                        "what": rng.choice(["started", "paused", "ended", "failed"])}
            case "played":
                since = rng.randrange(1_000)
                return {"event": "played", "target": rng.choice(SLIDES) + "v", "since": since,
                        "until": since + rng.randrange(-50, 400)}
            case "pause":
                return {"event": "pause", "on": rng.random() < 0.5}
            case "speed":
                return {"event": kind, "percent": rng.choice([75, 125, 133.3, 150, 200, 0, 9e9])}
            case "more_time":
                return {"event": kind, "factor": rng.choice([0, 1, 1.5, 2, -1, 40])}
            case "set":
                return {"event": "set", "target": rng.choice(VARIABLES),
                        "value": rng.choice(values)}
            case "next" | "previous" | "resume":
                return {"event": kind}
        return {"event": kind, "target": name}

    return [{"event": "start"}, *(one() for _ in range(count))]
