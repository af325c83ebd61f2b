"""Proofs of draws: what they find where draws are right, and where they are not."""

from itertools import permutations
from math import exp

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from zigzag_core.program.quiz import DrawLimit, DrawnSet, DrawnUnit, ProgramQuiz
from zigzag_core.quiz import proving
from zigzag_core.quiz.drawing import Draws
from zigzag_core.quiz.proving import at_least, prove, violations

from .quiz_course import keys_course
from .quiz_strategies import quizzes
from .samples import program_of


def keys_quiz(**more):
    return program_of(keys_course(**more)).quizzes[0]


@settings(max_examples=150)
@given(quizzes(), st.integers(0, 2**32 - 1))
def test_no_draw_breaks_what_its_quiz_asks(quiz, seed):
    draws = Draws(quiz)
    possible = {one.drawn.id for one in draws.sets if not one.impossible}
    if draws.slides(0):
        assert list(violations(quiz, draws.by_seed(seed), possible)) == []


@pytest.mark.parametrize("order", ["kept", "shuffled", "mixed"])
def test_fair_draws_are_proved(order):
    proof = prove(keys_quiz(order=order), 2_000)
    assert (proof.violating, proof.broken, proof.even) == (0, (), True)
    assert len(proof.tests) == 6


UNITS = (DrawnUnit(slides=("aa",)), DrawnUnit(slides=("bb", "cc")), DrawnUnit(slides=("dd",)),
         DrawnUnit(slides=("ee",), counts=(1,)))
QUIZ = ProgramQuiz(
    id="quiz", slides=("open", "aa", "bb", "cc", "dd", "ee", "end"), opening=("open",),
    closing=("end",), sets=(
        DrawnSet(id="one", units=(UNITS[0].model_copy(update={"pin": "first"}), *UNITS[1:]),
                 take=3),))


@pytest.mark.parametrize(("drawn", "why"), [
    ("open aa dd ee end", None), ("open aa ee bb cc end", None),
    ("aa dd ee end", "opens or closes"), ("open aa dd dd end", "twice"),
    ("open aa dd end", "2 questions of “one” are drawn instead of 3"),
    ("open aa bb dd cc end", "come together come apart"),
    ("open aa cc bb dd end", "come together come apart"),
    ("open dd aa ee end", "does not stay first"), ("open aa dd xx end", "of no set")])
def test_what_a_draw_breaks_is_named(drawn, why):
    found = list(violations(QUIZ, drawn.split(), {"one"}))
    assert why in " ".join(found) if why else not found


def test_limits_order_and_number_of_sets_are_looked_at():
    two = (DrawnSet(id="one", units=UNITS[:1], shuffled=False),
           DrawnSet(id="two", units=UNITS[2:], take=1, limits=(DrawLimit(least=1),)))
    quiz = ProgramQuiz(id="quiz", slides=("aa", "dd", "ee"), sets=two, take=1)
    assert list(violations(quiz, ("ee",), {"one", "two"})) == []
    assert "balance" in " ".join(violations(quiz, ("dd",), {"one", "two"}))
    assert "too many sets" in " ".join(violations(quiz, ("aa", "ee"), {"one", "two"}))
    both = quiz.model_copy(update={"take": None})
    assert "as listed" in " ".join(violations(both, ("ee", "aa"), {"one", "two"}))
    whole = DrawnSet(id="one", units=UNITS[2:] + UNITS[:1], shuffled=False)
    apart = ProgramQuiz(id="quiz", slides=("aa", "dd", "ee"), sets=(whole,))
    assert "as in the course" in " ".join(violations(apart, ("aa", "dd", "ee"), {"one"}))


def test_a_shuffle_that_prefers_an_order_is_found(monkeypatch):
    units = tuple(DrawnUnit(slides=(name,)) for name in ("aa", "bb", "cc"))
    quiz = ProgramQuiz(id="quiz", slides=("aa", "bb", "cc"), sets=(
        DrawnSet(id="one", units=units),))
    assert prove(quiz, 2_000).even
    for unfair in (_Rotating, _Preferring, _Never):
        monkeypatch.setattr(proving, "Draws", unfair)
        assert not prove(quiz, 2_000).even


class _Rotating(Draws):
    """Each question comes first, second and third as often; but three of six orders never come."""

    def by_seed(self, seed, attempt=1):
        return [("aa", "bb", "cc"), ("bb", "cc", "aa"), ("cc", "aa", "bb")][seed % 3]


class _Preferring(Draws):
    """Some orders come more often than others."""

    def by_seed(self, seed, attempt=1):
        return list(permutations(("aa", "bb", "cc")))[min(seed % 7, 5)]


class _Never(Draws):
    """Nothing is shuffled."""

    def by_seed(self, seed, attempt=1):
        return ("aa", "bb", "cc")


def test_a_question_that_is_preferred_is_found(monkeypatch):
    units = tuple(DrawnUnit(slides=(name,)) for name in ("aa", "bb", "cc", "dd"))
    quiz = ProgramQuiz(id="quiz", slides=("aa", "bb", "cc", "dd"), sets=(
        DrawnSet(id="one", units=units, take=1),))
    assert prove(quiz, 2_000).even
    monkeypatch.setattr(Draws, "by_seed", lambda self, seed: ("abcd"[min(seed % 5, 3)] * 2,))
    assert not prove(quiz, 2_000).even


def test_the_chance_of_a_chi_square_is_near_the_exact_one():
    # With 2 degrees of freedom it is exp(-x/2).
    for statistic in (0.5, 2.0, 6.0, 13.8):
        assert at_least(statistic, 2) == pytest.approx(exp(-statistic / 2), abs=0.01)
    # Tables: the 5 % and 0.1 % points for 10 degrees of freedom.
    assert at_least(18.307, 10) == pytest.approx(0.05, abs=0.001)
    assert at_least(29.588, 10) == pytest.approx(0.001, abs=0.0002)
