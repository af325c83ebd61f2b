"""Taking a quiz: attempts, time, what it came to, and what a further attempt asks."""

import pytest
from zigzag_core.course import plain, rich
from zigzag_core.course.document import Section
from zigzag_core.course.questions.settings import QuestionDefaults
from zigzag_core.course.quizzes import Band, QuestionSet, Quiz
from zigzag_core.course.rules.rule import StartOver
from zigzag_core.course.rules.timing import Timing
from zigzag_core.editing.quizzes.certificate import with_certificate
from zigzag_core.editing.quizzes.outcome import with_outcome, with_panels
from zigzag_core.engine import engine
from zigzag_core.engine.expression import evaluate, is_visible
from zigzag_core.engine.expression import live as engine_live
from zigzag_core.engine.results import points, score
from zigzag_core.tracking.progress import pack, unpack
from zigzag_core.verification.findings.document import findings

from .making import Learner, button
from .quiz_course import following
from .samples import fresh_ids, quiz_course, with_slides

QUESTIONS = 4


def taken_course(**settings):
    """An opening slide, a quiz of four questions with its outcome, and a slide after it."""
    document = quiz_course(QUESTIONS + 2, seed=8)
    slides = list(document.slides)
    again = button("again", StartOver(what="quiz"), label="Again")
    over = button("over", StartOver(what="course"), label="From the start").model_copy(
        update={"x": 400.0, "y": 400.0})
    outcome = slides[-2].model_copy(update={
        "title": "Your result", "questions": (), "elements": (again, over), "rules": ()})
    after = slides[-1].model_copy(update={
        "title": "After", "questions": (), "elements": (), "rules": ()})
    slides[-2:] = [outcome, after]
    quiz = Quiz(**{
        "sets": (QuestionSet(id="setall", name="All", slides=tuple(
            slide.id for slide in slides[1:-2]), shuffled=False),),
        "again": "same", "outcomes": (outcome.id,), **settings})
    document = with_slides(document, slides)
    sections = (Section(id="secquiz", title="Keys", before=slides[1].id, quiz=quiz),
                Section(id="secafter", title="After", before=after.id))
    return document.model_copy(update={
        "course": document.course.model_copy(update={"sections": sections})})


class Taker(Learner):
    """Somebody who takes the quiz and answers some of its questions right."""

    def answers(self, *right, submit=True):
        """On this and the next slides choose the right answer or a wrong one, twice."""
        for correct in right:
            question = next(q for q in self.index.program.questions if q.slide == self.slide)
            part = next(p.id for p in question.parts if bool(p.right) == correct)
            button_ = next((e.draw.id for e in self.index.slides[self.slide].elements
                            if e.question == question.id and e.control == "button"), "")
            choice = next(e.draw.id for e in self.index.slides[self.slide].elements
                          if e.part == part)
            for _ in range((1 if correct else 2) if submit else 1):
                self.clicks(choice)
                if submit:
                    self.clicks(button_)
                for overlay in self.state.overlays:
                    self.does("close", target=overlay)
                if not correct and submit:
                    other = next(p.id for p in question.parts if not p.right and p.id != part)
                    choice = next(e.draw.id for e in self.index.slides[self.slide].elements
                                  if e.part == other)
            self.does("next")
        return self

    def quiz(self, name):
        return engine_live(self.index, self.state, f"quiz_{name}")

    @property
    def title(self):
        return self.index.slides[self.slide].title


def test_the_outcome_tells_what_the_quiz_came_to_and_ends_it():
    learner = Taker(taken_course(pass_mark=60)).does("next").answers(True, True, False, True)
    assert learner.title == "Your result"
    assert [learner.quiz(name) for name in (
        "points", "max_points", "score", "right", "questions", "answered", "attempt",
        "pass_mark", "result")] == [3, 4, 75, 3, 4, 4, 1, 60, "passed"]
    assert all(answer.locked for answer in learner.state.answers.values())
    learner.does("next")
    assert learner.title == "After" and learner.quiz("score") == 75


def test_a_quiz_that_was_left_whole_is_taken_whole():
    learner = Taker(taken_course(take=0))
    assert learner.quiz("questions") == 0
    away = learner.index.order[2]
    state, _ = engine.step(
        learner.index, engine.start(learner.index, 1), {"event": "start", "target": away})
    learner.state = state
    assert (learner.slide, learner.quiz("questions"), learner.quiz("max_points")) == (away, 4, 4)
    learner.answers(True, True, True)
    assert learner.title != "Your result"
    learner.does("next")
    assert learner.title == "Your result" and learner.quiz("score") == 75
    assert all(answer.locked for answer in learner.state.answers.values())


def test_finishing_with_open_questions_asks_once():
    learner = Taker(taken_course()).does("next").answers(True, True)
    learner.answers(False, submit=False).does("next")
    # Nothing was submitted on one slide, nothing chosen on the last.
    assert learner.effects == [{
        "effect": "closed", "slide": learner.slide,
        "message": "Questions without an answer: 1. Go on once more to finish the quiz."}]
    learner.does("next")
    assert learner.title == "Your result"
    # What was chosen is judged, and all of it is locked.
    assert (learner.quiz("answered"), learner.quiz("right")) == (3, 2)
    last = learner.index.program.questions[3]
    assert learner.state.answers[last.id].locked
    assert not learner.state.answers[last.id].attempts
    learner.does("previous")
    before = learner.state.answers
    learner.clicks(*(e.draw.id for e in learner.index.slides[learner.slide].elements))
    assert learner.state.answers == before


def test_what_was_never_answered_can_cost_points_when_the_quiz_is_finished():
    costs = QuestionDefaults(unanswered=0.5)
    learner = Taker(following(taken_course(defaults=costs), "unanswered"))
    learner.does("next").answers(True, True, True)
    assert learner.quiz("points") == 3
    learner.does("next").does("next")
    assert learner.title == "Your result"
    assert (learner.quiz("points"), learner.quiz("score")) == (2.5, 62.5)
    assert points(learner.index, learner.state) == 2.5
    # It is kept over leaving; a further attempt begins with nothing.
    back = unpack(learner.index, pack(learner.index, learner.state))
    assert points(learner.index, back) == 2.5
    learner.clicks(next(e.draw.id for e in learner.index.slides[learner.slide].elements
                        if e.draw.id == "again"))
    assert learner.quiz("points") == 0


def test_a_pass_mark_of_the_quiz_has_to_be_reached_to_pass_the_course():
    strict = Taker(taken_course(pass_mark=90)).does("next").answers(True, True, True, False)
    assert score(strict.index, strict.state) == 75
    assert (strict.state.success, strict.quiz("result")) == ("failed", "failed")
    loose = Taker(taken_course(pass_mark=70)).does("next").answers(True, True, True, False)
    assert loose.quiz("result") == "passed"
    assert evaluate(loose.index, loose.state, ["quiz_passed", "secquiz"]) is True


@pytest.mark.parametrize(("counts", "course"), [
    ("best", 3), ("last", 1), ("first", 3), ("mean", 2)])
def test_the_result_that_counts_is_the_course_s(counts, course):
    learner = Taker(taken_course(counts=counts)).does("next").answers(True, True, True, False)
    learner.clicks("again")
    assert learner.quiz("attempt") == 2 and learner.quiz("points") == 0
    # An attempt that is under way does not count yet.
    assert points(learner.index, learner.state) == 3
    learner.answers(True, False, False, False)
    assert learner.title == "Your result" and learner.quiz("points") == 1
    assert learner.quiz("best") == 75
    assert points(learner.index, learner.state) == course


def test_when_no_attempt_is_left_nothing_begins_again():
    learner = Taker(taken_course(attempts=2)).does("next").answers(*[False] * 4)
    assert learner.quiz("attempts_left") == 1
    learner.clicks("again").answers(*[True] * 4)
    assert learner.quiz("attempts_left") == 0
    before = learner.state
    learner.clicks("again")
    assert learner.effects == [{"effect": "closed", "slide": learner.slide,
                                "message": "No attempt at this quiz is left."}]
    assert (learner.state.answers, learner.slide) == (before.answers, before.slide)
    # Beginning the course again leaves the quiz as it is, and does not open it.
    learner.clicks("over")
    assert learner.title == "Welcome" and learner.state.answers == before.answers
    # However often: that its slides were seen is forgotten by then.
    learner.does("slide", target=learner.index.program.quizzes[0].outcomes[0]).clicks("over")
    assert learner.state.answers == before.answers
    learner.does("next")
    learner.clicks(*(e.draw.id for e in learner.index.slides[learner.slide].elements))
    assert learner.state.answers == before.answers


def test_beginning_again_before_the_quiz_costs_no_attempt():
    document = taken_course(attempts=1)
    learner = Taker(document)
    learner.does("slide", target=document.slides[-2].id)
    assert learner.title == "Your result" and not learner.state.taking
    learner.clicks("over").does("next").answers(True, True, True, True)
    assert (learner.quiz("attempt"), learner.quiz("score")) == (1, 100)


def test_only_what_was_wrong_comes_again_and_what_was_right_counts():
    learner = Taker(taken_course(again="wrong")).does("next").answers(True, False, True, False)
    wrong = tuple(q.slide for q in learner.index.program.questions[1:4:2])
    assert learner.quiz("points") == 2
    learner.clicks("again")
    assert learner.slide == wrong[0] and learner.quiz("points") == 2
    assert learner.quiz("max_points") == 4 and learner.quiz("questions") == 4
    assert engine_live(learner.index, learner.state, "question_count") == 2
    back = unpack(learner.index, pack(learner.index, learner.state))
    assert back.draws == learner.state.draws and back.taking == learner.state.taking
    learner.answers(True, True)
    assert learner.title == "Your result"
    assert (learner.quiz("points"), learner.quiz("score")) == (4, 100)
    # Where nothing was wrong, a further attempt has all of it.
    learner.clicks("again")
    assert learner.quiz("points") == 0
    assert engine_live(learner.index, learner.state, "question_count") == 4


def test_when_the_time_is_up_the_quiz_is_over():
    learner = Taker(taken_course(time_limit=60)).waits(100_000).does("next")
    learner.waits(30_000).answers(True).answers(True, submit=False)
    learner.waits(29_999)
    assert learner.title != "Your result" and learner.quiz("seconds") == 59
    learner.waits(1)
    assert learner.title == "Your result"
    assert {"effect": "announce", "text": "The time for this quiz is up."} in learner.effects
    assert learner.quiz("right") == 2 and learner.quiz("seconds") == 60
    learner.waits(10_000)
    assert learner.quiz("seconds") == 60
    learner.clicks("again")
    assert learner.quiz("seconds") == 0


def test_the_time_is_up_on_a_slide_with_a_timing_of_its_own():
    document = taken_course(time_limit=60)
    slides = tuple(slide.model_copy(update={"timing": Timing(length=60_000)})
                   for slide in document.slides)
    learner = Taker(document.model_copy(update={"slides": slides})).does("next")
    learner.waits(59_999)
    assert learner.title == "Question 1"
    learner.waits(5_000)
    # The clock of the outcome slide has run since then.
    assert learner.title == "Your result"
    assert learner.state.clocks[learner.slide].at == 4_999


def test_answers_are_judged_at_the_end_and_can_be_changed_until_then():
    document = taken_course(judged="end")
    required = [slide.model_copy(update={"questions": tuple(
        question.model_copy(update={"required": True}) for question in slide.questions)})
        for slide in document.slides]
    learner = Taker(document.model_copy(update={"slides": tuple(required)})).does("next")
    assert not [e for e in learner.index.slides[learner.slide].elements if e.control == "button"]
    # An answer is asked for before the slide is left.
    learner.does("next")
    assert learner.title == "Question 1"
    learner.answers(False, True, False, True, submit=False)
    assert learner.title == "Your result" and learner.quiz("points") == 2
    answers = learner.state.answers.values()
    assert all(answer.locked and answer.attempts == 1 for answer in answers)
    learner.clicks("again")
    learner.answers(False, submit=False).does("previous")
    assert learner.quiz("answered") == 1 and learner.quiz("points") == 0
    assert not learner.state.overlays
    learner.answers(True, True, True, True, submit=False)
    assert learner.quiz("points") == 4


def test_more_time_is_for_the_whole_quiz_too():
    for extendable, title in ((True, "Question 1"), (False, "Your result")):
        learner = Taker(taken_course(time_limit=60, extendable=extendable))
        learner.does("more_time", factor=2).does("next").waits(61_000)
        assert learner.title == title
        learner.does("more_time", factor=0).waits(1_000_000)
        assert learner.title == title


def test_time_attempts_and_results_are_kept_over_leaving():
    learner = Taker(taken_course(time_limit=60, counts="mean")).does("next")
    learner.answers(True, True, True, False).clicks("again").waits(40_000)
    state = unpack(learner.index, pack(learner.index, learner.state))
    assert state.taking == learner.state.taking and state.taking["secquiz"].used == 40_000
    learner.state = state
    learner.waits(20_000)
    assert learner.title == "Your result"
    assert points(learner.index, learner.state) == 1.5


def codes(document):
    return {finding.code for finding in findings(document)}


def test_what_is_odd_about_taking_it_is_found():
    assert not codes(taken_course(time_limit=60)) & {"time_too_short", "outcome_too_early"}
    assert "time_too_short" in codes(taken_course(time_limit=10))
    assert "never_judged" not in codes(taken_course(judged="end"))
    assert "never_judged" in codes(taken_course(judged="end", outcomes=()))
    document = taken_course()
    section = document.course.sections[0]
    order = document.course.slides
    outcome = section.quiz.outcomes[0]
    moved = document.course.model_copy(update={
        "slides": (order[0], outcome, *(slide for slide in order[1:] if slide != outcome)),
        "sections": (section.model_copy(update={"before": outcome}),
                     *document.course.sections[1:])})
    by_id = {slide.id: slide for slide in document.slides}
    assert "outcome_too_early" in codes(document.model_copy(update={
        "course": moved, "slides": tuple(by_id[name] for name in moved.slides)}))


def test_an_outcome_slide_is_made_in_one_step():
    document = taken_course(pass_mark=50)
    course = document.course
    empty = course.sections[0].model_copy(update={"quiz": course.sections[0].quiz.model_copy(
        update={"outcomes": ()})})
    course, slide = with_outcome(course.model_copy(update={
        "sections": (empty, *course.sections[1:])}), "secquiz", fresh_ids(3))
    quiz = course.sections[0].quiz
    assert quiz.outcomes == (slide.id,) and [band.least for band in quiz.bands] == [0, 50]
    # At the end of its section, before what follows.
    assert course.slides.index(slide.id) == len(course.slides) - 2
    at = course.slides.index(slide.id)
    document = document.model_copy(update={
        "course": course, "slides": (*document.slides[:at], slide, *document.slides[at:])})
    learner = Taker(document).does("next").answers(True, False, False, False)
    learner.does("next")
    assert learner.title == "Your result"
    shown = {e.draw.name for e in learner.index.slides[learner.slide].elements
             if learner.sees(e.draw.id)}
    assert shown == {"Title", "Score", "Result in words", "Not yet", "Try again", "Print"}
    again = next(e.draw.id for e in learner.index.slides[learner.slide].elements
                 if e.draw.name == "Try again")
    learner.clicks(again).answers(True, True, False, True).does("next")
    shown = {e.draw.name for e in learner.index.slides[learner.slide].elements
             if learner.sees(e.draw.id)}
    assert shown == {"Title", "Score", "Result in words", "Passed", "Print"}


def test_panels_for_bands_are_made_in_one_step_like_the_first():
    document = taken_course()
    course, slide = with_outcome(document.course, "secquiz", fresh_ids(3))
    first = next(e for e in slide.elements if e.name == "Not yet")
    designed = first.model_copy(update={"y": 500.0, "w": 333.0, "text": rich("Words of its own")})
    slide = slide.model_copy(update={"elements": tuple(
        designed if e is first else e for e in slide.elements)})
    quiz = course.sections[0].quiz
    more = tuple(Band(id=f"band{n}", name=f"{n} right", least=n) for n in (85, 90, 95))
    course = course.model_copy(update={"sections": (course.sections[0].model_copy(update={
        "quiz": quiz.model_copy(update={"bands": (*quiz.bands, *more)})}), *course.sections[1:])})
    changed, made = with_panels(course, "secquiz", slide, fresh_ids(4))
    panels = [e for e in changed.elements if e.id in made]
    assert [(e.name, e.y, e.w, plain(e.text)) for e in panels] == [
        (f"{n} right", 500.0, 333.0, f"{n} right") for n in (85, 90, 95)]
    assert [e.shown for e in panels] == [["in_band", f"band{n}"] for n in (85, 90, 95)]
    assert with_panels(course, "secquiz", changed, fresh_ids(5)) == (changed, ())
    bare = slide.model_copy(update={"elements": ()})
    assert len(with_panels(course, "secquiz", bare, fresh_ids(6))[1]) == 5


def test_bands_tell_results_apart():
    bands = tuple(Band(id=f"band{least}", name=f"From {least}", least=least)
                  for least in (0, 50, 100))
    for right, band in ((0, 0), (1, 0), (2, 50), (3, 50), (4, 100)):
        learner = Taker(taken_course(bands=bands)).does("next")
        learner.answers(*[True] * right, *[False] * (QUESTIONS - right))
        assert learner.quiz("band") == f"From {band}"
        assert [evaluate(learner.index, learner.state, ["in_band", b.id]) for b in bands] == [
            b.least == band for b in bands]
        assert evaluate(learner.index, learner.state, ["set_score", "setall"]) == 25 * right
        assert evaluate(learner.index, learner.state, ["set_right", "setall"]) == right


def test_a_certificate_is_for_those_who_have_passed_and_stops_nobody():
    document = taken_course(pass_mark=50)
    outcome = next(s for s in document.slides if s.title == "Your result")
    course, made, (told,) = with_certificate(
        document.course, "secquiz", (outcome,), fresh_ids(40))
    by_id = {slide.id: slide for slide in (*document.slides, told, made)}
    whole = document.model_copy(update={
        "course": course, "slides": tuple(by_id[name] for name in course.slides)})
    assert findings(whole) == []
    for right, shown in ((True, True), (False, False)):
        learner = Taker(whole).does("next").answers(right, right, right, right)
        assert learner.title == "Your result"
        button_ = told.elements[-1].id
        assert is_visible(learner.index, learner.state, button_) == shown
        learner.does("next")
        assert learner.title == "Certificate"
        seen = {e.name for e in made.elements
                if is_visible(learner.index, learner.state, e.id)}
        assert ("Name" in seen, "Not yet" in seen) == (shown, not shown)
        learner.does("next")
        assert learner.title == "After"


def test_sets_have_bands_and_scores_of_their_own():
    document = taken_course(sets=(), bands=(
        Band(id="bandlow", name="Low", least=0), Band(id="bandhigh", name="High", least=75),
        Band(id="firelow", name="Fire low", of="setfire", least=0),
        Band(id="firehigh", name="Fire high", of="setfire", least=100)))
    asking = [slide.id for slide in document.slides if slide.questions]
    section = document.course.sections[0]
    quiz = section.quiz.model_copy(update={"sets": (
        QuestionSet(id="setfire", name="Fire", slides=tuple(asking[:2]), shuffled=False),
        QuestionSet(id="setdoor", name="Door", slides=tuple(asking[2:]), shuffled=False))})
    document = document.model_copy(update={
        "course": document.course.model_copy(update={"sections": (
            section.model_copy(update={"quiz": quiz}), *document.course.sections[1:])}),
        "slides": tuple(slide.model_copy(update={
            "tags": ("keys",) if slide.id in asking[1:3] else ()}) for slide in document.slides)})
    learner = Taker(document).does("next").answers(True, True, False, False)

    def live(name):
        return engine_live(learner.index, learner.state, name)

    assert learner.title == "Your result" and learner.quiz("score") == 50
    assert (live("setfire"), live("setdoor"), live("tag:keys"), live("tag:none")) == (100, 0, 50, 0)
    assert learner.quiz("band") == "Low"
    assert [evaluate(learner.index, learner.state, ["in_band", band.id])
            for band in quiz.bands] == [True, False, False, True]
    with pytest.raises(ValueError, match="begin at different results"):
        Quiz(bands=(Band(id="one1", name="1", of="setfire", least=5),
                    Band(id="two2", name="2", of="setfire", least=5)))
