"""The numbers behind a quiz, against brute force and simulation."""

import random
from fractions import Fraction
from math import isclose, sqrt

import pytest
from hypothesis import given, settings
from zigzag_core.program import GraderPart
from zigzag_core.program.quiz import DrawnSet, DrawnUnit, ProgramQuiz
from zigzag_core.quiz.chances import asked, chances, shared
from zigzag_core.quiz.drawing import Draws, drawn
from zigzag_core.quiz.guessing import guess
from zigzag_core.quiz.numbers import many, quiz_numbers
from zigzag_core.quiz.odds import guesses_by_slide, passes, safe_mark, spread
from zigzag_core.quiz.reach import reachable

from .quiz_strategies import choice, large_quiz, quizzes, uncountable_quiz

MOST = 2_000


def all_of(quiz):
    draws = Draws(quiz)
    return [draws.slides(rank) for rank in range(draws.count)]


@settings(max_examples=150, deadline=None)
@given(quizzes())
def test_chances_and_what_is_shared_are_those_of_all_quizzes(quiz):
    draws = Draws(quiz)
    if draws.count > MOST:
        return
    every, likely = all_of(quiz), chances(draws)
    for one, row in zip(quiz.sets, likely, strict=True):
        for unit, chance in zip(one.units, row, strict=True):
            seen = sum(set(unit.slides) <= set(slides) for slides in every)
            assert chance == Fraction(seen, len(every))
    by_unit = [(unit.questions, chance) for one, row in zip(quiz.sets, likely, strict=True)
               for unit, chance in zip(one.units, row, strict=True)]
    assert asked(draws, likely) == sum(count * chance for count, chance in by_unit)
    assert shared(draws, likely) == sum(count * chance ** 2 for count, chance in by_unit)


@settings(max_examples=150, deadline=None)
@given(quizzes())
def test_the_points_that_can_be_reached_are_those_of_all_quizzes(quiz):
    draws = Draws(quiz)
    if draws.count > MOST:
        return
    names = sorted({slide for one in quiz.sets for unit in one.units for slide in unit.slides})
    points = {slide: float(place % 4) for place, slide in enumerate([*names, "hello"])}
    every = [sum(points.get(slide, 0) for slide in slides) for slides in all_of(quiz)]
    assert reachable(draws, points) == (min(every), max(every))


@settings(max_examples=60, deadline=None)
@given(quizzes())
def test_the_points_of_a_guesser_are_those_of_all_quizzes(quiz):
    draws = Draws(quiz)
    if draws.count > 300:
        return
    names = sorted({slide for one in quiz.sets for unit in one.units for slide in unit.slides})
    questions = [choice(slide, 2 + place % 3, points=1 + place % 2)
                 for place, slide in enumerate([*names, "hello"])]
    worth = guesses_by_slide(questions)
    found = spread(draws, worth)
    every, expected = all_of(quiz), {}
    for slides in every:
        way = {(0, 0): 1.0}
        for slide in slides:
            if slide in worth:
                way = {
                    (most + worth[slide].most, points + more): 0.0
                    for most, points in way for more in worth[slide].guessed} | _sum(
                        way, worth[slide])
        for key, chance in way.items():
            expected[key] = expected.get(key, 0) + chance / len(every)
    for mark in (1, 34, 50, 75, 100):
        want = sum(chance for (most, points), chance in expected.items()
                   if most and points * 100 >= mark * most)
        assert isclose(passes(found, mark), want, abs_tol=1e-9)


def _sum(way, worth):
    found = {}
    for (most, points), chance in way.items():
        for more, likely in worth.guessed.items():
            key = most + worth.most, points + more
            found[key] = found.get(key, 0.0) + chance * likely
    return found


@pytest.mark.parametrize(("question", "expected"), [
    (choice("a", 4), {100: 0.25, 0: 0.75}),
    (choice("a", 4, attempts=2), {100: 0.5, 0: 0.5}),
    (choice("a", 4, attempts=2, attempt_loss=0.5), {100: 0.25, 50: 0.25, 0: 0.5}),
    (choice("a", 2, attempts=9), {100: 1.0}),
    # Of the seven ways to tick some of three one is right.
    (choice("a", 3, right=2), {100: 1 / 7, 0: 6 / 7}),
    (choice("a", 2, penalty=1.0, floor=-1.0), {100: 0.5, -100: 0.5}),
    (choice("a", 4).model_copy(update={"purpose": "survey"}), {0: 1.0}),
])
def test_what_guessing_gives_is_counted(question, expected):
    found = guess(question)
    assert found.keys() == expected.keys()
    assert all(isclose(found[points], expected[points]) for points in expected)


def test_guesses_of_large_questions_are_drawn_and_near():
    """However many things are put in order at random, one of them is in its place on average."""
    parts = tuple(GraderPart(id=f"p{n}") for n in range(9))
    order = choice("a").model_copy(update={
        "form": "order", "parts": parts, "partial": "right_parts", "points": 9.0})
    found = guess(order)
    mean = sum(points * chance for points, chance in found.items()) / 100
    assert isclose(sum(found.values()), 1) and abs(mean - 1) < 0.2


def test_odds_agree_with_a_simulation():
    several = tuple(DrawnSet(id=f"set{n}", take=3, units=tuple(
        DrawnUnit(slides=(f"s{n}q{one}",)) for one in range(6))) for n in range(3))
    quiz = ProgramQuiz(id="quiz", slides=(), sets=several)
    questions = [choice(f"s{n}q{one}", 3, points=1 + one % 2) for n in range(3) for one in range(6)]
    worth = {question.slide: question.points for question in questions}
    found = spread(Draws(quiz), guesses_by_slide(questions))
    draws, rng, runs = Draws(quiz), random.Random(4), 20_000
    won = 0
    for _ in range(runs):
        slides = draws.slides(rng.randrange(draws.count))
        got = sum(worth[slide] for slide in slides if rng.random() < 1 / 3)
        won += got * 100 >= 50 * sum(worth[slide] for slide in slides)
    once = passes(found, 50)
    assert abs(won / runs - once) < 5 * sqrt(once * (1 - once) / runs)
    assert isclose(passes(found, 50, attempts=2), 1 - (1 - once) ** 2)
    mark = safe_mark(found)
    assert passes(found, mark) < 0.01 <= passes(found, mark - 1)


def test_the_numbers_of_a_quiz():
    units = tuple(DrawnUnit(slides=(f"q{n}",)) for n in range(12))
    quiz = ProgramQuiz(id="quiz", slides=(), sets=(DrawnSet(id="one", units=units, take=3),))
    found = quiz_numbers(quiz, [choice(f"q{n}") for n in range(12)], 60)
    assert (found.quizzes.figure, found.quizzes.power) == (1.32, 3)
    assert (found.asked, found.shared) == (3, 0.75)
    assert {(round(seen.mean), round(seen.give)) for seen in found.seen} == {(25, 4)}
    assert (found.lowest, found.highest, found.safe_mark) == (3, 3, None)
    assert isclose(found.passing, 10 / 64) and found.impossible == ()


@pytest.mark.parametrize("number", [1, 9, 10, 999_999, 10**15, 10**400 + 7])
def test_large_numbers_keep_their_size(number):
    found = many(number)
    assert 1 <= found.figure < 10 or number >= 10**15
    assert isclose(float(Fraction(number, 10**found.power)), found.figure)


def test_limits_that_are_too_many_to_count_take_all_and_give_no_odds():
    quiz = uncountable_quiz()
    found = quiz_numbers(quiz, [choice(unit.slides[0]) for unit in quiz.sets[0].units], 80)
    assert found.impossible == ("setone",)
    assert len(drawn(quiz, 3)) == sum(len(unit.slides) for unit in quiz.sets[0].units)
    # What is taken whole is counted again.
    assert found.passing is not None and found.asked == 300


def test_large_quizzes_are_worked_out():
    questions, quiz = large_quiz()
    found = quiz_numbers(quiz, questions, 80)
    assert (found.asked, found.lowest, found.highest) == (100, 120, 160)
    assert found.impossible == () and found.safe_mark == 45
