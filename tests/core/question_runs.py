"""Runs in which learners do little else than answer: every form, mostly to an end."""

import random

from hypothesis import strategies as st
from zigzag_core.course import Background, SlideSize, Style, Text, rich
from zigzag_core.course.document import Completion
from zigzag_core.grading.grade import is_judged
from zigzag_core.grading.solutions import answering, right_response, wrong_response
from zigzag_core.program import (
    Choose,
    Grader,
    Program,
    ProgramElement,
    ProgramRule,
    ProgramSlide,
    Submit,
)

from .question_strategies import VALUES, graders

SLIDES = ["slidea", "slideb"]


@st.composite
def quizzes(draw):
    """A program of two slides with a question each, and nothing that gets in the way."""
    asked = []
    for slide in SLIDES:
        names = [f"{slide}q{n}" for n in range(4)]
        asked.append(draw(graders(slide, f"{slide}q", names)))
    return Program(
        course="course", title="Quiz", language="en", size=SlideSize(),
        slides=tuple(_slide(grader) for grader in asked), questions=tuple(asked),
        completion=Completion(passing=True), pass_mark=draw(st.sampled_from([0, 50, 100])),
        remembered={
            "slides": tuple(SLIDES), "questions": tuple(g.id for g in asked),
            "choices": tuple(name for g in asked for name in (
                *(part.id for part in g.parts), *(target.id for target in g.targets), g.id)),
            "variables": (), "elements": (),
        },
    )


def _slide(grader: Grader) -> ProgramSlide:
    choices = [
        _button(f"{part.id}b", Choose(question=grader.id, part=part.id))
        for part in grader.parts if grader.form == "choose"
    ]
    return ProgramSlide(
        id=grader.slide, title=grader.slide, background=Background(),
        elements=(*choices, _button(f"{grader.id}send", Submit(question=grader.id))),
    )


def _button(name: str, action) -> ProgramElement:
    rule = ProgramRule(id=f"{name}r", on="clicked", target=name, block=True, then=(action,))
    return ProgramElement(draw=Text(id=name, name=name, text=rich(name), style=Style()),
                          control="button", rules=(rule,))


def answers(program: Program, seed: int):
    """Events of one learner: each question answered some times, right, wrong or anyhow."""
    rng = random.Random(seed)
    found = [{"event": "start"}]
    for grader in program.questions:
        found.append({"event": "slide", "target": grader.slide})
        for _ in range(rng.randint(1, 4)):
            found += _one_answer(grader, rng)
            found.append({"event": "tick", "ms": rng.choice([0, 400, 2_000, 70_000])})
            found.append({"event": "clicked", "target": f"{grader.id}send"})
    return [*found, {"event": "leave"}]


def _one_answer(grader: Grader, rng: random.Random):
    whole = right_response(grader) if is_judged(grader) else ()
    given = rng.choice([whole, whole[:1], wrong_response(grader), anyhow(grader, rng)])
    if grader.form == "choose":
        return [{"event": "clicked", "target": f"{part}b"} for part, _ in given]
    return list(answering(grader, given))


def anyhow(grader: Grader, rng: random.Random):
    """A response of any kind: parts with any targets, words or places, some of them twice."""
    parts = [part.id for part in grader.parts]
    if grader.form in ("choose", "order"):
        return tuple((part, "") for part in rng.sample(parts, rng.randint(1, len(parts))))
    places = [target.id for target in grader.targets]
    if grader.form == "spots":
        places, parts = [f"{rng.randrange(90)},{rng.randrange(90)}" for _ in parts], [
            *parts, grader.id]
    values = places or [value for value in VALUES if value]
    return tuple((rng.choice(parts), rng.choice(values)) for _ in range(rng.randint(1, 5)))
