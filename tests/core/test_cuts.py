"""Pieces of a video: what counts as watched, what is refused, what is told."""

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError
from zigzag_core.course import Gate, Piece, Rule, Video
from zigzag_core.course.rules.gates import MediaWatched
from zigzag_core.course.rules.rule import MediaReached, ShowOrHide
from zigzag_core.engine.expression import watched_share
from zigzag_core.verification.findings.cuts import cut_findings

from .making import Learner, course, slide, text
from .test_thirty import VIDEO

PIECES = ((1_000, 3_000), (10_000, 11_000))


def _pieces(pairs=PIECES):
    return tuple(Piece(since=since, until=until) for since, until in pairs)


def _course(pieces, *rules):
    film = Video(id="video", name="Film", media="videofile", pieces=pieces, rules=rules)
    return course(slide("slidea", film, text("note"),
                        gate=Gate(wants=(MediaWatched(media="video", share=1),))),
                  slide("slideb"), media=(VIDEO,))


def test_a_gate_asks_for_the_pieces_and_nothing_else():
    learner = Learner(_course(_pieces()))
    learner.does("played", target="video", since=3_000, until=10_500).does("next")
    assert learner.slide == "slidea"
    learner.does("played", target="video", since=900, until=3_000)
    learner.does("played", target="video", since=10_400, until=11_000).does("next")
    assert learner.slide == "slideb"


@given(st.lists(st.tuples(st.integers(0, 60), st.integers(1, 20)), max_size=5),
       st.lists(st.tuples(st.integers(0, 60), st.integers(1, 30)), max_size=6))
def test_the_share_is_that_of_the_ms_counted_one_by_one(gaps, played):
    at, pairs = 0, []
    for gap, length in gaps:
        pairs.append((at + gap, at + gap + length))
        at = pairs[-1][1]
    learner = Learner(_course(_pieces(pairs)))
    for since, length in played:
        learner.does("played", target="video", since=since, until=since + length)
    kept = {ms for since, until in pairs for ms in range(since, until)} or range(VIDEO.duration)
    seen = {ms for since, length in played for ms in range(since, since + length)}
    assert watched_share(learner.index, learner.state, "video") == pytest.approx(
        len(seen.intersection(kept)) / len(kept), abs=1e-6)


@pytest.mark.parametrize("pairs", [
    ((5, 5),), ((5, 4),), ((0, 10), (9, 20)), ((10, 20), (0, 5)), ((-1, 5),), ((0, 400_000_000),),
    tuple((n, n + 1) for n in range(51))])
def test_pieces_are_in_order_apart_and_bounded(pairs):
    with pytest.raises(ValidationError):
        Video(id="video", name="Film", pieces=_pieces(pairs))


def test_what_waits_for_what_is_left_out_is_told():
    def told(pieces, at):
        rule = Rule(id="rule", when=MediaReached(at=at), do=(ShowOrHide(what="note"),))
        document = _course(pieces, rule)
        return [one.code for one in cut_findings(document.slides[0], {VIDEO.id: VIDEO})]

    assert told(_pieces(), 5) == ["moment_left_out"]
    assert told(_pieces(), 2) == told((), 5) == []
    assert told(_pieces(((VIDEO.duration + 1, VIDEO.duration + 9),)), 5) == [
        "moment_left_out", "cut_beyond"]
