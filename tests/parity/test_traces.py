"""Writes the traces that the TypeScript engine must reproduce (`tests/web/parity.test.ts`)."""

from hypothesis import HealthCheck, Phase, given, seed, settings
from hypothesis import strategies as st
from zigzag_core.logic.index import Index
from zigzag_core.package.compile import compile_course
from zigzag_demo.generate import generated_course
from zigzag_demo.hut_warden import hut_warden_basics

from tests.core.strategies import programs, runs, sensible_run
from tests.parity.traces import trace, write

RANDOM_RUNS = 250


def test_random_programs_are_traced():
    found = []

    @seed(20)
    @settings(
        max_examples=RANDOM_RUNS, database=None, deadline=None, phases=[Phase.generate],
        suppress_health_check=list(HealthCheck),
    )
    @given(programs(), st.integers(0, 2**32 - 1), runs)
    def collect(program, seed_, events):
        found.append(trace(program, seed_, events))

    collect()
    assert len(found) >= RANDOM_RUNS
    effects = {e["effect"] for t in found for s in t["steps"] for e in s["effects"]}
    assert effects == {"moved", "answered", "status", "announce", "leave", "loop"}
    write("random", found)


def test_demo_course_is_traced():
    document, _ = hut_warden_basics()
    program = compile_course(document, lambda file: file.sha256)
    index = Index(program)
    traces = [trace(program, seed_, sensible_run(index, seed_, 200)) for seed_ in range(6)]
    assert any(e["effect"] == "answered" for t in traces for s in t["steps"] for e in s["effects"])
    write("demo", traces)


def test_generated_course_is_traced():
    document, _ = generated_course(slides=30, questions=12, seed=3)
    program = compile_course(document, lambda file: file.sha256)
    write("generated", [trace(program, 42, sensible_run(Index(program), 42, 150))])
