"""Saving what was drawn of quizzes. The twin is `web/player/tracking/draws.ts`."""

from collections.abc import Sequence
from itertools import pairwise

from zigzag_core.engine.index import Index
from zigzag_core.engine.state import Draw, State
from zigzag_core.errors import Damaged

from .coder import Reader, Writer
from .remembered import Names


def write_draws(out: Writer, state: State, slides: Names) -> None:
    """Write the draws of a run; a quiz is known by the slides that were drawn of it."""
    out.number(len(state.draws), "draws")
    for draw in state.draws:
        out.number(draw.attempt, "attempt")
        _write_order(out, slides, [slides.numbers[name] for name in draw.slides
                                   if name in slides.numbers])
        out.members(slides.known(draw.seen), "seen before")


def read_draws(source: Reader, index: Index, slides: Names, known: int) -> tuple[Draw, ...]:
    """Return the draws that were written, without slides that are gone or in no quiz any more.

    So many slides were `known` when they were written.
    """
    quiz_of = {slide: quiz.id for quiz in index.program.quizzes for slide in quiz.slides}
    found: dict[str, Draw] = {}
    for _ in range(source.count("draws")):
        attempt = source.number("attempt")
        drawn = slides.named(_read_order(source, known))
        seen = slides.named(source.members("seen before"))
        quiz = next((quiz_of[slide] for slide in drawn if slide in quiz_of), None)
        if quiz is not None and quiz not in found:
            found[quiz] = Draw(
                quiz, tuple(slide for slide in drawn if quiz_of.get(slide) == quiz), attempt,
                tuple(slide for slide in seen if quiz_of.get(slide) == quiz))
    return tuple(draw for quiz in index.program.quizzes if (draw := found.get(quiz.id)))


def _write_order(out: Writer, slides: Names, numbers: Sequence[int]) -> None:
    """Write numbers that are all different: rising ones as a set, others evenly."""
    rising = all(one < other for one, other in pairwise(numbers))
    out.plain(int(rising), 1)
    if rising:
        out.members(numbers, "drawn")
        return
    out.number(len(numbers), "drawn")
    for number in numbers:
        out.plain(number, _bits(len(slides.names)))


def _read_order(source: Reader, known: int) -> list[int]:
    if source.plain(1):
        return source.members("drawn")
    numbers = [source.plain(_bits(known)) for _ in range(source.count("drawn"))]
    if len(set(numbers)) < len(numbers):
        raise Damaged("the saved progress has a slide twice in a quiz")
    return numbers


def _bits(count: int) -> int:
    """So many bits tell each of `count` things from the others."""
    return max(count - 1, 0).bit_length()
