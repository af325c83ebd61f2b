"""Writes runs of dialogues: replies, loops, ends, starting again (`web/tests/parity.test.ts`)."""

import random

from zigzag_core.compiler.compile import by_digest, compile_course
from zigzag_core.course.document import Completion
from zigzag_core.engine import engine
from zigzag_core.engine.index import Index
from zigzag_core.program import Program

from tests.core.test_dialogue_conditions import BANDS, LEADS
from tests.core.test_dialogue_playing import FORKED, course_of
from tests.core.test_dialogue_script import LATE_GUEST
from tests.parity.seeds import are_fresh, seeds
from tests.parity.traces import trace, write

RUNS, STEPS = 16, 40
SCRIPTS = (FORKED, LATE_GUEST.replace("if Trust", "if trust"), BANDS, LEADS)


def _program(script: str, draw: random.Random) -> Program:
    document = course_of(
        script, again=draw.random() < 0.8, back=draw.random() < 0.5,
        advice=draw.choice(["at_once", "at_end"]),
        random_order=draw.random() < 0.5, purpose=draw.choice(["scored", "scored", "practice"]))
    course = document.course.model_copy(update={
        "completion": Completion(slides_share=1, passing=True), "pass_mark": 60})
    return compile_course(document.model_copy(update={"course": course}), by_digest)


def _talks(program: Program, seed: int) -> list[dict]:
    """Events of somebody who says what comes into their mind."""
    draw, index = random.Random(seed), Index(program)
    now = engine.start(index, seed)
    events = [{"event": "start"}]
    now, _ = engine.step(index, now, events[0])
    [dialogue] = program.slides[0].dialogues
    for _ in range(STEPS):
        there = [name for name in (*dialogue.buttons, dialogue.again, dialogue.back)
                 if name and engine.is_visible(index, now, name)]
        event = {"event": "clicked", "target": draw.choice(there)} if there else {
            "event": "tick", "ms": 100}
        now, _ = engine.step(index, now, event)
        events.append(event)
    return events


def test_dialogues_are_traced():
    found = []
    for first in seeds():
        for n in range(RUNS):
            draw = random.Random(first + n)
            program = _program(SCRIPTS[n % len(SCRIPTS)], draw)
            found.append(trace(program, first + n, _talks(program, first + n)))
    reached = {dict(map(tuple, step["calls"]))["cmi.core.lesson_status"]
               for run in found for step in run["steps"]}
    assert are_fresh() or {"passed", "failed"} <= reached
    scores = {dict(map(tuple, step["calls"])).get("cmi.core.score.raw")
              for run in found for step in run["steps"]}
    assert are_fresh() or {"100", "50"} <= scores
    write("dialogues", found)
