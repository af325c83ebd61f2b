"""Writes what seeds give of quizzes, as the player must too (`web/tests/draws.test.ts`)."""

from hypothesis import HealthCheck, Phase, given, seed, settings
from hypothesis import strategies as st
from zigzag_core.program.quiz import DrawLimit, DrawnSet, DrawnUnit, ProgramQuiz
from zigzag_core.quiz.drawing import drawn

from tests.core.quiz_strategies import quizzes
from tests.parity.seeds import seeds
from tests.parity.traces import write


def large_quiz(order: str) -> ProgramQuiz:
    """200 questions in 20 sets, five of each to be taken, some of them hard."""
    return ProgramQuiz(id="large", slides=(), order=order, sets=tuple(
        DrawnSet(id=f"set{n}", take=5, limits=(DrawLimit(least=1, most=3),), units=tuple(
            DrawnUnit(slides=(f"s{n}q{one}",), counts=(one % 2,)) for one in range(10)))
        for n in range(20)))


def test_draws_are_traced():
    found = []

    def trace(quiz, seed_, attempt, seen):
        found.append({
            "quiz": quiz.model_dump(mode="json"), "seed": seed_, "attempt": attempt,
            "seen": sorted(seen), "slides": drawn(quiz, seed_, attempt, seen)})

    @settings(max_examples=300, database=None, deadline=None, phases=[Phase.generate],
              suppress_health_check=list(HealthCheck))
    @given(quizzes(), st.integers(0, 2**32 - 1), st.integers(1, 9), st.booleans())
    def collect(quiz, seed_, attempt, again):
        trace(quiz, seed_, attempt, drawn(quiz, seed_) if again else ())

    for one in seeds():
        seed(one)(collect)()
        for order in ("kept", "shuffled", "mixed"):
            trace(large_quiz(order), one, 1, ())
            trace(large_quiz(order), one, 2, drawn(large_quiz(order), one))
    write("draws", found)
    assert len({tuple(case["slides"]) for case in found}) > 80
