"""Saving what was drawn of quizzes. The twin is `web/player/tracking/draws.ts`."""

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from itertools import pairwise

from zigzag_core.engine import wall
from zigzag_core.engine.index import Index
from zigzag_core.engine.state import NOT_BEGUN, Draw, Earlier, State, Taking
from zigzag_core.engine.values import number
from zigzag_core.errors import Damaged

from .coder import Reader, Writer
from .remembered import Names


@dataclass(frozen=True)
class SavedQuizzes:
    """What was saved of quizzes: the draws, how far attempts are, flags, and when (s since 1970).
    """

    draws: tuple[Draw, ...] = ()
    taking: dict[str, Taking] = field(default_factory=dict)
    flagged: frozenset[str] = frozenset()
    saved: int = 0


def write_draws(out: Writer, state: State, slides: Names) -> None:
    """Write the draws of a run; a quiz is known by the slides that were drawn of it."""
    out.number(len(state.draws), "draws")
    for draw in state.draws:
        out.number(draw.attempt, "attempt")
        _write_order(out, slides, [slides.numbers[name] for name in draw.slides
                                   if name in slides.numbers])
        out.members(slides.known(draw.seen), "seen before")
        out.members(slides.known(draw.kept), "kept")
        taking = state.taking.get(draw.quiz, NOT_BEGUN)
        _write_taking(out, taking)
        out.number(taking.over, "over")
    out.members(slides.known(state.flagged), "flagged")
    out.number(wall.now(state) or state.saved, "saved")


def read_draws(
    source: Reader, index: Index, slides: Names, known: int, taking: bool, times: bool
) -> SavedQuizzes:
    """Return what was written of quizzes, without slides that are gone or in no quiz any more.

    So many slides were `known` when they were written. Older progress does not say how far the
    attempts are (`taking`), or when they were over, and what has a flag (`times`).
    """
    quiz_of = {slide: quiz.id for quiz in index.program.quizzes for slide in quiz.slides}
    found: dict[str, Draw] = {}
    takings: dict[str, Taking] = {}
    for _ in range(source.count("draws")):
        attempt = source.number("attempt")
        drawn = slides.named(_read_order(source, known))
        seen = slides.named(source.members("seen before"))
        kept = slides.named(source.members("kept")) if taking else []
        how_far = _read_taking(source) if taking else NOT_BEGUN
        if times:
            how_far = replace(how_far, over=source.number("over"))
        quiz = next((quiz_of[slide] for slide in drawn if slide in quiz_of), None)
        if quiz is not None and quiz not in found:
            found[quiz] = Draw(
                quiz, tuple(slide for slide in drawn if quiz_of.get(slide) == quiz), attempt,
                tuple(slide for slide in seen if quiz_of.get(slide) == quiz),
                tuple(slide for slide in kept if quiz_of.get(slide) == quiz))
            if how_far != NOT_BEGUN:
                takings[quiz] = how_far
    flagged = slides.named(source.members("flagged")) if times else []
    saved = source.number("saved") if times else 0
    return SavedQuizzes(
        draws=tuple(draw for quiz in index.program.quizzes if (draw := found.get(quiz.id))),
        taking=takings, flagged=frozenset(slide for slide in flagged if slide in quiz_of),
        saved=saved)


def _write_taking(out: Writer, taking: Taking) -> None:
    earlier = taking.earlier
    out.number(int(taking.asked) | int(taking.finished) << 1 | int(taking.sent) << 2, "taking")
    out.number(taking.used, "used in quiz")
    out.number(earlier.count, "attempts before")
    if earlier.count:
        for share in (earlier.first, earlier.best, earlier.last, earlier.total):
            out.number(int(share * 1e6 + 0.5), "results before")


def _read_taking(source: Reader) -> Taking:
    flags, used = source.number("taking"), source.number("used in quiz")
    if flags > 7:
        raise Damaged("the saved progress has a quiz in a state that does not exist")
    earlier, count = Earlier(), source.number("attempts before")
    if count:
        first, best, last, total = (
            number(source.number("results before") / 1e6) for _ in range(4))
        earlier = Earlier(count, first, best, last, total)
    return Taking(used, bool(flags & 1), bool(flags & 2), sent=bool(flags & 4), earlier=earlier)


def _write_order(out: Writer, slides: Names, numbers: Sequence[int]) -> None:
    """Write numbers that are all different: rising ones as a set, others evenly."""
    rising = all(one < other for one, other in pairwise(numbers))
    out.plain(int(rising), 1)
    if rising:
        out.members(numbers, "drawn")
        return
    out.number(len(numbers), "drawn")
    for one in numbers:
        out.plain(one, _bits(len(slides.names)))


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
