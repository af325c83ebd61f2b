"""Writes the traces that the TypeScript engine must reproduce (`web/tests/parity.test.ts`)."""

import json
from collections import Counter

import pytest
from hypothesis import HealthCheck, Phase, given, seed, settings
from hypothesis import strategies as st
from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course import Background, Course, Slide, SlideSize, Style, Text, rich
from zigzag_core.course.document import Completion
from zigzag_core.course.layouts.resolve import Sources, resolved
from zigzag_core.course.layouts.shipped import SHIPPED_LAYOUTS
from zigzag_core.course.questions.descriptors import QUESTION_KINDS
from zigzag_core.course.questions.following import with_defaults
from zigzag_core.course.questions.settings import QuestionDefaults
from zigzag_core.course.style.usual_styles import USUAL_STYLES
from zigzag_core.editing.adding import add
from zigzag_core.editing.layouts.following import slide_from, with_layout
from zigzag_core.engine.index import Index
from zigzag_core.program import (
    Announce,
    OpenLink,
    PlayMedia,
    PlaySound,
    Print,
    Program,
    ProgramElement,
    ProgramGate,
    ProgramRule,
    ProgramSlide,
)
from zigzag_demo.generate import generated_course

from tests.core.question_runs import answers, quizzes
from tests.core.question_strategies import FORMS
from tests.core.samples import chasing_program, fresh_ids
from tests.core.strategies import any_run, programs, runs, sensible_run
from tests.demo_courses import hut_warden_basics, hut_warden_day
from tests.parity.engines import KEPT, Differ, engines, try_runs
from tests.parity.hostile import hostile, renamed
from tests.parity.seeds import seeds
from tests.parity.traces import trace, write

RANDOM_PROGRAMS = 90
RANDOM_QUIZZES = 140
LEARNERS = 4


def test_random_programs_are_traced():
    found = []

    @settings(
        max_examples=RANDOM_PROGRAMS, database=None, deadline=None, phases=[Phase.generate],
        suppress_health_check=list(HealthCheck),
    )
    @given(runs, st.integers(0, 2**32 - 1), programs())
    def collect(events, seed_, program):
        found.append(trace(program, seed_, [*events, *any_run(seed_, 25)[1:]]))
        ids = hostile(seed_)
        odd = Program.model_validate(renamed(program.model_dump(mode="json"), ids))
        found.append(trace(odd, seed_ ^ 1, renamed(any_run(seed_ ^ 1, 40), ids)))

    for one in seeds():
        seed(one)(collect)()
    assert len(found) >= 2 * RANDOM_PROGRAMS
    # What chance brings only now and then is brought in for certain.
    rare = chasing_program()
    outside = ProgramRule(id="outside", on="slide_entered", then=(
        OpenLink(address="https://a.example"), PlaySound(media="sound"),
        PlayMedia(element="video", run="play"), Announce(text="Here."), Print(),
    ))
    shut = ProgramGate(condition=False, message="Not yet.")
    rare = rare.model_copy(update={
        "rules": (*rare.rules, outside),
        "slides": tuple(s.model_copy(update={"gate": shut}) for s in rare.slides),
    })
    found.append(trace(rare, 1, [{"event": "start"}, {"event": "next"}]))
    effects = {e["effect"] for t in found for s in t["steps"] for e in s["effects"]}
    assert effects == {
        "moved", "answered", "status", "announce", "leave", "loop", "closed", "media", "sound",
        "link", "print",
    }
    write("random", found)


def test_random_quizzes_are_traced():
    found = []

    @settings(
        max_examples=RANDOM_QUIZZES, database=None, deadline=None, phases=[Phase.generate],
        suppress_health_check=list(HealthCheck),
    )
    @given(quizzes(), st.integers(0, 2**32 - 1))
    def collect(program, seed_):
        for n in range(LEARNERS):
            found.append(trace(program, seed_ ^ n, answers(program, seed_ ^ n)))

    for one in seeds():
        seed(one)(collect)()
    judged = Counter()
    for run in found:
        forms = {g["id"]: g["form"] for g in run["program"]["questions"]}
        for step in run["steps"]:
            for effect in step["effects"]:
                if effect["effect"] == "answered":
                    judged[forms[effect["question"]], effect["result"]] += 1
    right = {form for form, result in judged if result == "right"}
    not_right = {form for form, result in judged if result in ("wrong", "partly")}
    assert right == not_right == set(FORMS) - {"free", "scale"}, judged
    assert judged.total() > 2 * RANDOM_QUIZZES, judged
    write("quizzes", found)


def test_demo_course_is_traced():
    document, _ = hut_warden_basics()
    program = compile_course(document, by_digest)
    index = Index(program)
    traces = [trace(program, seed_, sensible_run(index, seed_, 200)) for seed_ in range(6)]
    assert any(e["effect"] == "answered" for t in traces for s in t["steps"] for e in s["effects"])
    write("demo", traces)
    day = compile_course(hut_warden_day(), by_digest)
    write("day", [trace(day, 1, sensible_run(Index(day), 1, 200))])


def test_generated_course_is_traced():
    document, _ = generated_course(slides=30, questions=12, seed=3)
    program = compile_course(document, by_digest)
    write("generated", [trace(program, 42, sensible_run(Index(program), 42, 150))])


def test_kept_runs_are_traced():
    kept = [json.loads(path.read_text()) for path in sorted(KEPT.glob("*.json"))]
    write("kept", [
        trace(Program.model_validate(run["program"]), run["seed"], run["events"]) for run in kept])


def test_a_difference_between_the_engines_is_found_and_made_small(tmp_path, monkeypatch):
    """The search of `make fuzz`: with an engine that forgets what was clicked."""
    def wrong(*run):
        found = trace(*run)
        for step in found["steps"]:
            step["state"]["clicked"] = []
        return found

    def one_slide():
        """A program that has little to be made smaller: the events are."""
        button = ProgramElement(control="button", draw=Text(
            id="slideae0", name="Button", text=rich("Button"), style=Style()))
        slide = ProgramSlide(id="slidea", title="A", background=Background(), elements=(button,))
        return st.just(Program(
            course="course", title="Small", language="en", size=SlideSize(), slides=(slide,),
            completion=Completion(), pass_mark=50, remembered={"elements": ("slideae0",)}))

    with engines(tmp_path) as both:
        try_runs(both, 1, 3)
        monkeypatch.setattr("tests.parity.engines.programs", one_slide)
        monkeypatch.setattr("tests.parity.engines.trace", wrong)
        with pytest.raises(Differ, match="event 1, clicked: TypeScript"):
            try_runs(both, 7, 30)
        assert [event["event"] for event in both.last["events"]] == ["start", "clicked"]


def test_slides_that_follow_layouts_and_styles_are_traced():
    """What `web/tests/resolve.test.ts` must come to as well."""
    cases = []
    fresh = fresh_ids(12)
    course = Course(id="course", title="C", styles=USUAL_STYLES)
    for layout in SHIPPED_LAYOUTS:
        course, _ = with_layout(course, layout.id)
    for n, layout in enumerate(course.layouts):
        slide = slide_from(layout, course, layout.name, fresh)
        changed = tuple(
            e.model_copy(update={"own": ("box", "size", "looks")[: (n + k) % 4], "x": 7.5,
                                 "style": e.style.model_copy(update={"size": 19, "bold": True})})
            for k, e in enumerate(slide.elements)
        )
        slide = slide.model_copy(update={
            "elements": changed, "background": Background(colour="accent") if n % 3 else None,
        })
        cases.append((slide, resolved(slide, Sources(course))))
    write("resolved", [{
        "course": course.model_dump(mode="json"),
        "slides": [[a.model_dump(mode="json"), b.model_dump(mode="json")] for a, b in cases],
    }])
    assert any(before.elements != after.elements for before, after in cases)


def test_questions_that_follow_the_defaults_of_their_quiz_are_traced():
    """What `web/tests/defaults.test.ts` must come to as well."""
    defaults = QuestionDefaults(
        points=3, penalty=1, floor=-1, unanswered=2, attempts=None, attempt_loss=0.5,
        time_limit=90, extendable=False, partial="right_minus_wrong", required=True,
        right=rich("Well seen."), place="over", tells=True, submit_label="Check")
    fresh, cases = fresh_ids(14), []
    for kind in QUESTION_KINDS:
        made, _, _ = add(Slide(id=fresh(), title=kind), kind, fresh, SlideSize())
        for step in (1, 2, 3):
            [question] = made.questions
            own = made.model_copy(update={"questions": (
                question.model_copy(update={"follows": question.follows[::step]}),)})
            cases.append((own, with_defaults(own, defaults)))
    write("defaults", [{
        "defaults": defaults.model_dump(mode="json"),
        "slides": [[a.model_dump(mode="json"), b.model_dump(mode="json")] for a, b in cases],
    }])
    assert all(before.questions != after.questions for before, after in cases)
