"""Writes runs in which quizzes are taken, finished and taken again (`web/tests/parity.test.ts`)."""

import random
from collections import Counter
from itertools import compress

from zigzag_core.course import Course, Input, Rule
from zigzag_core.course.posts import USUAL_FIELDS, Post, PostField
from zigzag_core.course.questions.settings import SETTINGS, QuestionDefaults
from zigzag_core.course.quizzes import Band
from zigzag_core.course.rules.rule import Calculate, GoTo, Happens, ToSlide
from zigzag_core.course.rules.timing import Timing
from zigzag_core.course.rules.variables import NumberVariable
from zigzag_core.engine import engine, wall
from zigzag_core.engine.index import Index

from tests.core.quiz_course import following, keys_course
from tests.core.samples import program_of
from tests.core.test_quiz_details import ASKED, detailed
from tests.core.test_quiz_taking import taken_course
from tests.parity.seeds import are_fresh, seeds
from tests.parity.traces import trace, write

RUNS, STEPS = 140, 64
OVER = ("quiz_passed", "quiz_failed", "quiz_finished")
NOW = 1_764_500_000
"""A time (s since 1970) at which runs begin."""
HAPPENS = ("finished", "again", "kept", "passed", "flagged", "over", "sent", "asked", "told")


def _settings(draw: random.Random) -> dict:
    return {
        "again": draw.choice(["new", "unseen", "same", "wrong", "wrong"]),
        "judged": draw.choice(["each", "each", "end"]),
        "attempts": draw.choice([None, 1, 2, 3]),
        "counts": draw.choice(["best", "last", "first", "mean"]),
        "pass_mark": draw.choice([None, 0, 50, 75, 100]),
        "time_limit": draw.choice([None, 10, 60]), "extendable": draw.random() < 0.5,
        "bands": (Band(id="bandlow", name="Low", least=0),
                  Band(id="setlow", name="All low", of="setall", least=0),
                  Band(id="bandhigh", name="High", least=draw.choice([0.5, 2, 25, 50, 99.5]))),
        "banded": draw.choice(["percent", "percent", "points", "right"]),
        "way": draw.choice(["course", "free", "onward"]), "later": draw.random() < 0.7,
        "overview": draw.random() < 0.5,
        "review": draw.choice(["always", "passed", "last", "never"]),
        "weight": draw.choice([0, 1, 2.5]), "away": draw.random() < 0.5,
        "wait": draw.choice([None, None, 1, 5]),
        "post": draw.choice([None, Post(fields=(
            *USUAL_FIELDS, PostField(name="Hut", of="nowhere"),
            PostField(name="Seen", of="slides_seen"), PostField(name="Band", of="quiz_band"),
            PostField(name="Set", of="setall"), PostField(name="Fire", of="setfire"),
            PostField(name="Night", of="tag:night"), PostField(name="None", of="tag:none")))]),
        "review_sent": draw.random() < 0.5,
        "defaults": draw.choice([None, QuestionDefaults(unanswered=0.5), QuestionDefaults(
            unanswered=2, attempts=2, penalty=1, floor=-1, required=True)]),
    }


def _told(course: Course, draw: random.Random) -> Course:
    """The course with rules for when its quiz is over: one counts, one leads to the end."""
    count = Rule(id="overcount", when=Happens(event=draw.choice(OVER)), do=(
        Calculate(action="add", variable="ends", value=1),))
    on = Rule(id="overon", when=Happens(event=draw.choice(OVER)), do=(
        GoTo(go=ToSlide(slide=course.slides[-1])),), off=draw.random() < 0.5)
    any_quiz = count.model_copy(update={"id": "overany"})
    return course.model_copy(update={
        "variables": (*course.variables, NumberVariable(id="ends", name="Ends")),
        "sections": tuple(section.model_copy(update={"rules": (count, on)})
                          for section in course.sections),
        "rules": (any_quiz,) if draw.random() < 0.5 else ()})


def _moves(index: Index, state: engine.State, draw: random.Random) -> list[dict]:
    """What a learner does next: answer, go on, begin again, or let time pass."""
    question = next((q for q in index.program.questions if q.slide == state.slide), None)
    elements = index.slides[state.slide].elements
    kind = draw.random()
    fields = [e.draw.id for e in elements if isinstance(e.draw, Input)]
    if fields and question is None and kind < 0.8:
        return [{"event": "entered", "target": draw.choice(fields), "value": draw.choice(
            ["Bo", "bo@huts.example", "bo@", "Winter", "2030-01-31", True, 7, "", " "])}]
    if question is not None and kind < 0.5:
        right = [p for p in question.parts if p.right]
        part = draw.choice(right if draw.random() < 0.7 else question.parts)
        submit = next((e.draw.id for e in elements
                       if e.question == question.id and e.control == "button"), "")
        choice = next(e.draw.id for e in elements if e.part == part.id)
        return [{"event": "clicked", "target": choice},
                *([{"event": "clicked", "target": submit}] if draw.random() < 0.8 else []),
                *({"event": "close", "target": overlay.id}
                  for overlay in index.slides[state.slide].overlays)]
    names = [e.draw.id for e in elements if e.draw.id in ("again", "over")]
    if names and kind < 0.6:
        return [{"event": "clicked", "target": draw.choice(names)}]
    return [draw.choice([
        {"event": "next"}, {"event": "next"}, {"event": "next"}, {"event": "previous"},
        {"event": "tick", "ms": draw.randint(1, 9_000)},
        {"event": "slide", "target": draw.choice(index.order)},
        {"event": "more_time", "factor": draw.choice([0, 1, 2])},
        {"event": "flagged", "target": draw.choice(index.order), "on": draw.random() < 0.7},
        {"event": "postpone"}, {"event": "finish"},
        {"event": "sent", "quiz": draw.choice(index.program.quizzes).id,
         "attempt": draw.choice([1, 1, 2])},
        {"event": "resume", "now": wall.now(state) + draw.choice([-50, 5, 90, 400]), "zone": 60},
    ])]


def _happened(state: engine.State) -> set[str]:
    taking = list(state.taking.values())
    return set(compress(HAPPENS, (
        any(t.finished for t in taking), any(t.earlier.count for t in taking),
        any(d.kept for d in state.draws), state.success == "passed", state.flagged,
        any(t.over for t in taking), any(t.sent for t in taking),
        any(value in ("Bo", "bo@huts.example") for value in state.variables.values()),
        state.variables.get("ends", 0) > 0)))


def test_taking_quizzes_is_traced():
    found, seen = [], Counter()
    for base in seeds():
        for number in range(RUNS):
            draw = random.Random(base * 1_000 + number)
            made = _settings(draw)
            document = following(
                keys_course(**made) if number % 4 == 0
                else detailed(ASKED[:2], **made)[0] if number % 8 == 1
                else taken_course(**made), *SETTINGS)
            slides = tuple(slide.model_copy(update={"timing": Timing(length=draw.choice(
                [0, 2_000, 10_000, 60_000]))}) for slide in document.slides)
            course = document.course.model_copy(update={
                "scoring": draw.choice(["points", "weights", "best"])})
            course = _told(course, draw)
            program = program_of(document.model_copy(update={"slides": slides, "course": course}))
            index, seed = Index(program), draw.getrandbits(32)
            state, events = engine.start(index, seed), []
            todo, here = [{"event": "start", "now": draw.choice([0, NOW]), "zone": -300}], set()
            while todo:
                event = todo.pop(0)
                state, _ = engine.step(index, state, event)
                events.append(event)
                here |= _happened(state)
                if not todo and len(events) < STEPS:
                    todo = _moves(index, state, draw)
            seen.update(here)
            found.append(trace(program, seed, events))
    assert are_fresh() or min(seen[name] for name in HAPPENS) >= 5, seen
    write("taking", found)
