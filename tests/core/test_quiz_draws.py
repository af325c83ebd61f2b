"""Draws of a quiz: each permitted sequence once, none other, each as likely."""

from itertools import combinations, permutations, product

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from zigzag_core.course.walkthroughs import Expected, Walkthrough
from zigzag_core.engine import engine
from zigzag_core.program.quiz import DrawnSet, DrawnUnit, ProgramQuiz
from zigzag_core.quiz.drawing import Draws, below, drawn, permuted
from zigzag_core.quiz.selecting import combination
from zigzag_core.verification.walkthroughs import replay

from .making import Learner
from .quiz_course import keys_course
from .quiz_strategies import large_quiz, quizzes

MOST = 3_000
"""So many quizzes are written out one by one."""


def _selections(one: DrawnSet) -> list[tuple[DrawnUnit, ...]]:
    """By brute force: all subsets that keep to what the set asks, or all of it where none does."""
    found = []
    for size in range(len(one.units) + 1):
        for some in combinations(one.units, size):
            asked = sum(unit.questions for unit in some)
            whole = all(unit in some for unit in one.units if not unit.questions)
            within = all(
                limit.least <= sum(unit.counts[place] for unit in some)
                and (limit.most is None
                     or sum(unit.counts[place] for unit in some) <= limit.most)
                for place, limit in enumerate(one.limits))
            enough = len(some) == len(one.units) if one.take is None else asked == one.take
            if whole and within and enough:
                found.append(some)
    return found or [one.units]


def _orders(units: tuple[DrawnUnit, ...], shuffled: bool) -> list[tuple[DrawnUnit, ...]]:
    first = tuple(unit for unit in units if unit.pin == "first")
    free = tuple(unit for unit in units if unit.pin == "none")
    last = tuple(unit for unit in units if unit.pin == "last")
    return [(*first, *some, *last) for some in (permutations(free) if shuffled else [free])]


def _all(quiz: ProgramQuiz) -> list[tuple[str, ...]]:
    """By brute force: every sequence of slides that a learner can get."""
    take = len(quiz.sets) if quiz.take is None else min(quiz.take, len(quiz.sets))
    found = []
    for some in combinations(quiz.sets, take):
        for each in product(*(_selections(one) for one in some)):
            if quiz.order == "mixed":
                found += _orders(tuple(unit for units in each for unit in units), True)
                continue
            for ordered in product(*(_orders(units, one.shuffled)
                                     for units, one in zip(each, some, strict=True))):
                among = permutations(ordered) if quiz.order == "shuffled" else [ordered]
                found += [tuple(unit for units in way for unit in units) for way in among]
    return [("hello", *(slide for unit in way for slide in unit.slides), "result")
            for way in found]


@settings(max_examples=300, deadline=None)
@given(quizzes())
def test_every_quiz_has_one_number_and_every_number_its_quiz(quiz):
    draws = Draws(quiz)
    if draws.count <= MOST:
        assert sorted(draws.slides(rank) for rank in range(draws.count)) == sorted(_all(quiz))


@settings(max_examples=200, deadline=None)
@given(quizzes(), st.integers(0, 2**32 - 1), st.integers(1, 5))
def test_a_seed_gives_one_of_them_and_always_the_same(quiz, seed, attempt):
    given_ = drawn(quiz, seed, attempt)
    assert given_ == drawn(quiz, seed, attempt)
    if Draws(quiz).count <= MOST:
        assert given_ in _all(quiz)


@settings(max_examples=200, deadline=None)
@given(quizzes(), st.integers(0, 2**32 - 1))
def test_a_further_attempt_avoids_what_was_seen_as_far_as_it_can(quiz, seed):
    if quiz.take is not None:
        quiz = quiz.model_copy(update={"take": None})
    seen = set(drawn(quiz, seed))
    again = drawn(quiz, seed, 2, seen)
    every = _all(quiz) if Draws(quiz).count <= MOST else []

    def seen_of(slides):
        units = [unit for one in quiz.sets for unit in one.units if set(unit.slides) <= set(slides)]
        return sum(unit.questions for unit in units if seen & set(unit.slides))

    if every:
        assert again in every
        assert seen_of(again) == min(map(seen_of, every))


def test_combinations_and_orders_are_all_there_once():
    assert [combination(5, 3, rank) for rank in range(10)] == list(combinations(range(5), 3))
    assert ["".join(permuted("abcd", rank)) for rank in range(24)] == [
        "".join(way) for way in permutations("abcd")]


@pytest.mark.parametrize("count", [1, 2, 3, 7, 2**32, 2**32 + 1, 10**40])
def test_a_number_below_stays_below_and_reaches_both_halves(count):
    found = [below(count, seed) for seed in range(200)]
    assert all(0 <= number < count for number in found)
    assert count == 1 or (min(found) < count / 2 <= max(found) + count % 2)


def test_draws_of_many_seeds_are_spread_evenly():
    """Chi-square over 120 quizzes, 24,000 seeds: below the 0.9999 quantile for 119 degrees."""
    units = tuple(DrawnUnit(slides=(f"s{place}",)) for place in range(6))
    quiz = ProgramQuiz(id="even", slides=(), sets=(
        DrawnSet(id="one", units=units, take=3),))
    draws = Draws(quiz)
    assert draws.count == 120
    counts = dict.fromkeys((draws.slides(rank) for rank in range(120)), 0)
    for seed in range(24_000):
        counts[drawn(quiz, seed)] += 1
    assert sum((count - 200) ** 2 / 200 for count in counts.values()) < 184.9


def test_two_hundred_questions_in_twenty_sets_are_counted():
    _, quiz = large_quiz()
    for order in ("kept", "shuffled", "mixed"):
        draws = Draws(quiz.model_copy(update={"order": order}))
        assert len(set(draws.slides(draws.count - 1))) == 100
    with pytest.raises(IndexError):
        draws.slides(10**400)


def test_a_recorded_path_names_its_learner_and_says_where_the_draw_has_changed():
    document = keys_course()
    learner = Learner(document)
    learner.state = engine.start(learner.index, 7)
    events, expected = [], []
    for event in [{"event": "start"}, *({"event": "next"} for _ in range(10))]:
        learner.state, _ = engine.step(learner.index, learner.state, event)
        events.append(event)
        expected.append(Expected(after=len(events) - 1, what="slide", of=learner.state.slide))
    walk = Walkthrough(id="walkkeys", name="Keys", seed=7, events=tuple(events),
                       expected=tuple(expected))

    def told(quiz_of):
        [section] = document.course.sections
        course = document.course.model_copy(update={
            "walkthroughs": (walk,), "sections": (section.model_copy(update={
                "quiz": quiz_of(section.quiz)}),)})
        return replay(document.model_copy(update={"course": course}))

    assert told(lambda quiz: quiz) == []
    [gone] = told(lambda quiz: quiz.model_copy(update={"sets": tuple(
        one.model_copy(update={"take": 1, "balances": ()}) for one in quiz.sets)}))
    assert "is not drawn any more for learner 7" in gone.words
    assert gone.slide in {entry.of for entry in expected}
