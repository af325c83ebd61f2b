"""Writes what seeds give of quizzes, as the player must too (`web/tests/draws.test.ts`)."""

from hypothesis import HealthCheck, Phase, given, seed, settings
from hypothesis import strategies as st
from zigzag_core.quiz.drawing import drawn

from tests.core.quiz_strategies import large_quiz, quizzes, uncountable_quiz
from tests.parity.seeds import seeds
from tests.parity.traces import write


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
            quiz = large_quiz()[1].model_copy(update={"order": order})
            trace(quiz, one, 1, ())
            trace(quiz, one, 2, drawn(quiz, one))
        trace(uncountable_quiz(), one, 1, ())
        trace(uncountable_quiz(), one, 2, drawn(uncountable_quiz(), one))
    write("draws", found)
    assert len({tuple(case["slides"]) for case in found}) > 80
