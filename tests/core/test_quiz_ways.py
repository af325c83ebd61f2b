"""Moving about in a quiz: any order, only onward, flags, review, and time on the wall."""

from dataclasses import replace

import pytest
from zigzag_core.course import plain
from zigzag_core.course.quizzes import Band, Quiz
from zigzag_core.engine.moving import may_go, slide_before
from zigzag_core.engine.quiz_ways import next_open
from zigzag_core.tracking.fullest import fullest
from zigzag_core.tracking.progress import pack, unpack
from zigzag_core.tracking.shortened import shortened
from zigzag_core.verification.findings.document import findings

from .samples import with_slides
from .test_quiz_taking import Taker, taken_course

NOON = 1_764_504_000
"""30 November 2025, 12:00 UTC, in s since 1970."""


def taker(**settings):
    """Somebody who is at the first question, at noon, in a course whose menu opens what was seen.
    """
    document = taken_course(**settings)
    course = document.course.model_copy(update={
        "navigation": document.course.navigation.model_copy(update={"order": "seen"})})
    learner = Taker(document.model_copy(update={"course": course}))
    return learner.does("resume", now=NOON).does("next")


def leave_and_return(learner, after):
    """Save the progress, and go on with it so many seconds later."""
    later = Taker(taken_course())
    later.index = learner.index
    later.state = unpack(learner.index, pack(learner.index, learner.state))
    return later.does("resume", now=NOON + learner.state.time // 1_000 + after)


def questions(learner):
    return [q.slide for q in learner.index.program.questions]


def test_questions_are_postponed_and_come_back_in_any_order():
    learner = taker(way="free")
    first, second, third, fourth = questions(learner)
    assert next_open(learner.index, learner.state) == second
    learner.does("postpone")
    assert learner.slide == second
    learner.answers(True)
    assert learner.slide == third
    learner.does("slide", target=first)
    assert learner.slide == first
    learner.does("slide", target=fourth)
    learner.answers(True, submit=False).does("slide", target=fourth)
    # The last one has an answer: what is left comes from the beginning.
    assert learner.slide == fourth
    learner.does("postpone")
    assert learner.slide == first
    learner.answers(True)
    learner.does("slide", target=third).answers(True).does("slide", target=third)
    assert next_open(learner.index, learner.state) is None
    learner.does("postpone")
    assert learner.slide == third


def test_where_the_order_is_fixed_nothing_is_postponed_or_jumped_to():
    learner = taker()
    first, _, third, _ = questions(learner)
    learner.does("postpone")
    assert learner.slide == first
    learner.does("slide", target=third)
    assert learner.slide == first and not may_go(learner.index, learner.state, third)


def test_an_author_can_let_nobody_leave_a_question_for_later():
    learner = taker(way="free", later=False)
    first = learner.slide
    learner.does("postpone")
    assert learner.slide == first


def test_only_onward_leads_to_no_question_again():
    learner = taker(way="onward")
    first, second, *_ = questions(learner)
    opening = learner.index.order[0]
    learner.does("next")
    assert learner.slide == second and slide_before(learner.index, learner.state) is None
    learner.does("previous")
    assert learner.slide == second
    assert not may_go(learner.index, learner.state, first)
    learner.does("slide", target=first)
    assert learner.slide == second
    learner.does("slide", target=opening)
    assert learner.slide == opening
    # From the opening the way leads to where the learner was, not to what was seen.
    learner.does("next")
    assert learner.slide == second


def test_the_overview_keeps_flags_and_finishes():
    learner = taker(overview=True)
    first, second, *_ = questions(learner)
    learner.does("flagged", target=first, on=True).does("flagged", target=second, on=True)
    learner.does("flagged", target=second, on=False)
    learner.does("flagged", target=learner.index.order[-1], on=True)
    assert learner.state.flagged == {first}
    assert unpack(learner.index, pack(learner.index, learner.state)).flagged == {first}
    learner.does("finish")
    assert learner.slide == first and "Questions without an answer: 4" in str(learner.effects)
    learner.does("finish")
    assert learner.title == "Your result"
    learner.clicks("again")
    assert not learner.state.flagged and learner.quiz("attempt") == 2


def test_flags_are_in_the_longest_progress_and_are_left_out_before_what_counts():
    index = taker(overview=True, time_limit=600, away=True).index
    state = fullest(index)
    assert state.flagged and state.saved
    assert len(pack(index, state)) > len(pack(index, replace(state, flagged=frozenset(), saved=0)))
    short = unpack(index, pack(index, shortened(index, state, 1)))
    assert not short.flagged and short.taking == state.taking and short.saved == state.saved


def test_without_an_overview_nothing_is_flagged_or_finished_from_a_question():
    learner = taker()
    here = learner.slide
    learner.does("flagged", target=here, on=True).does("finish").does("finish")
    assert not learner.state.flagged and learner.slide == here


@pytest.mark.parametrize(("review", "right", "opens"), [
    ("always", False, True), ("never", True, False), ("passed", True, True),
    ("passed", False, False), ("last", False, False)])
def test_a_finished_attempt_is_looked_at_again_as_the_author_says(review, right, opens):
    learner = taker(review=review, attempts=2, pass_mark=60)
    first, *_, last = questions(learner)
    opening = learner.index.order[0]
    learner.answers(right, right, right, right)
    assert learner.title == "Your result"
    assert may_go(learner.index, learner.state, first) is opens
    assert slide_before(learner.index, learner.state) == (last if opens else opening)
    learner.does("slide", target=opening).does("next")
    assert learner.slide == first if opens else learner.title == "Your result"
    # The next attempt is open in any case.
    learner.does("slide", target=learner.index.order[-2]).clicks("again")
    learner.does("slide", target=first)
    assert learner.slide == first
    learner.answers(right, right, right, right)
    assert may_go(learner.index, learner.state, first) is (opens or review == "last")


def test_going_back_past_closed_questions_forgets_them():
    learner = taker(review="never").answers(True, True, True, True)
    opening = learner.index.order[0]
    learner.does("previous")
    assert learner.slide == opening and learner.state.path == ()


def test_time_goes_on_while_the_learner_is_away_where_the_author_says_so():
    for away, used in ((True, 90_000), (False, 30_000)):
        learner = taker(time_limit=120, away=away).waits(30_000)
        assert leave_and_return(learner, 60).state.taking["secquiz"].used == used


def test_time_that_was_up_while_away_ends_the_quiz_on_coming_back():
    learner = taker(time_limit=120, away=True).answers(True, submit=False)
    later = leave_and_return(learner, 3_600)
    later.waits(1)
    assert later.title == "Your result" and later.quiz("right") == 1


def test_time_goes_on_on_other_slides_too():
    learner = taker(time_limit=120, away=True)
    learner.does("slide", target=learner.index.order[0]).waits(119_000)
    assert learner.title != "Your result"
    learner.waits(2_000)
    assert learner.title == "Your result"


def test_a_clock_that_was_set_back_takes_no_time():
    learner = taker(time_limit=120, away=True).waits(10_000)
    learner.does("resume", now=NOON - 86_400)
    assert learner.state.taking["secquiz"].used == 10_000
    for nonsense in (float("nan"), -1e9, 1e300, "noon", True):
        learner.does("resume", now=nonsense, zone=nonsense)
        assert learner.state.taking["secquiz"].used == 10_000
        assert (learner.state.epoch, learner.state.zone) == (0, 0)


def test_the_next_attempt_opens_after_the_wait_also_over_leaving():
    learner = taker(wait=30).answers(True, False, True, True)
    assert learner.title == "Your result" and learner.quiz("wait") == 30
    learner.clicks("again")
    assert learner.title == "Your result"
    assert learner.effects[0]["message"] == "The next attempt opens in 30 min."
    assert learner.quiz("right") == 3
    soon = leave_and_return(learner, 29 * 60 + 1)
    assert soon.quiz("wait") == 1
    soon.clicks("again")
    assert soon.quiz("attempt") == 1
    late = leave_and_return(soon, 31 * 60)
    late.clicks("again")
    assert (late.quiz("attempt"), late.quiz("right")) == (2, 0)


def test_the_day_of_a_result_is_that_of_the_learner_s_place():
    learner = taker().does("resume", now=NOON, zone=13 * 60).answers(True, True, True, True)
    assert learner.quiz("day") == "2025-12-01"
    assert leave_and_return(learner, 5 * 86_400).quiz("day") == "2025-11-30"


@pytest.mark.parametrize(("banded", "least"), [("points", 3), ("right", 3), ("percent", 75)])
def test_bands_are_ranges_of_per_cent_points_or_right_answers(banded, least):
    bands = (Band(id="bandlow", name="Low"), Band(id="bandhigh", name="High", least=least))
    learner = taker(banded=banded, bands=bands).answers(True, False, True)
    assert learner.quiz("band") == "Low"
    learner.answers(True)
    assert learner.quiz("band") == "High"


def test_a_band_of_per_cent_goes_no_higher_than_a_hundred():
    with pytest.raises(ValueError, match="more than 100 per cent"):
        Quiz(bands=(Band(id="bandhigh", name="High", least=101),))
    Quiz(bands=(Band(id="bandhigh", name="High", least=101),), banded="points")


def codes(document):
    return {finding.code for finding in findings(document)}


def test_settings_of_a_finished_attempt_without_an_end_are_found():
    assert "never_finished" not in codes(taken_course(review="never", wait=5))
    assert "never_finished" in codes(taken_course(review="never", outcomes=()))
    assert "never_finished" in codes(taken_course(wait=5, outcomes=()))
    assert "never_finished" not in codes(taken_course(outcomes=()))


@pytest.mark.parametrize(("banded", "most"), [("points", 4), ("right", 4)])
def test_a_band_that_nobody_reaches_is_found(banded, most):
    for least, found in ((most, False), (most + 0.5, True)):
        bands = (Band(id="bandlow", name="Low"), Band(id="bandhigh", name="High", least=least))
        assert ("band_out_of_reach" in codes(taken_course(banded=banded, bands=bands))) is found


def test_a_band_between_two_results_is_found():
    def found(*least, **settings):
        bands = tuple(Band(id=f"band{n}x", name=f"B{n}", least=one) for n, one in enumerate(least))
        return "band_out_of_reach" in codes(taken_course(bands=bands, **settings))

    # Four questions: 0, 25, 50, 75 and 100 per cent; of three 0, 33.33, 66.67 and 100.
    assert not found(0, 25, 60) and not found(0, 75, 100)
    assert found(0, 30, 40) and found(0, 76, 90) and found(1, 20)
    sets = taken_course().course.sections[0].quiz.sets
    three = (sets[0].model_copy(update={"take": 3}),)
    assert not found(0, 30, 40, sets=three) and found(0, 40, 60, sets=three)


def test_right_answers_that_are_seen_while_attempts_are_left_are_found():
    def shows(**settings):
        document = taken_course(**settings)
        slides = [slide.model_copy(update={"questions": tuple(
            question.model_copy(update={"show_right": True}) for question in slide.questions)})
            for slide in document.slides]
        return "gives_answers_away" in codes(with_slides(document, slides))

    assert shows(attempts=2)
    assert not shows(attempts=2, review="last") and not shows(attempts=1) and not shows()
    assert "gives_answers_away" not in codes(taken_course(attempts=2))


def test_a_review_that_shows_feedback_has_it_though_answers_were_judged_at_the_end():
    learner = taker(judged="end", shows=("answer", "feedback"))
    [first, *_] = learner.index.program.questions
    said = {(one.result, plain(one.words)) for one in first.said}
    assert {result for result, _ in said} == {"right", "wrong"}
    [document_question] = taken_course().slides[1].questions
    assert ("right", plain(document_question.feedback.right)) in said
    assert not taker(judged="end").index.program.questions[0].said
