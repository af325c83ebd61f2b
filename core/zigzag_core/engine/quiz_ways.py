"""How a learner moves in a quiz: its way, flags, review. The twin is `quizWays.ts`."""

from zigzag_core.program.quiz import ProgramQuiz

from .index import Index
from .quiz_results import attempt, passed, taking_of, unanswered
from .run import Run
from .state import State


def taken_slides(index: Index, state: State, quiz: ProgramQuiz) -> tuple[str, ...]:
    """Return the slides of an attempt in order, but for those that open and close the quiz."""
    beside = {*quiz.opening, *quiz.closing}
    order = index.ordered(state.draws)
    return tuple(slide for slide in order.of_quiz(quiz.id) if slide not in beside)


def under_way(index: Index, state: State) -> ProgramQuiz | None:
    """Return the quiz among whose questions the learner is, if the attempt is not finished."""
    quiz = index.quiz_of.get(state.slide or "")
    if quiz is None or taking_of(state, quiz).finished \
            or state.slide in (*quiz.opening, *quiz.closing):
        return None
    return quiz


def may_review(index: Index, state: State, quiz: ProgramQuiz) -> bool:
    """Return whether the questions of a finished attempt can be looked at again."""
    if quiz.review_sent and not taking_of(state, quiz).sent:
        return False
    match quiz.review:
        case "passed":
            return passed(index, state, quiz)
        case "last":
            return quiz.attempts is not None and attempt(state, quiz) >= quiz.attempts
    return quiz.review == "always"


def admitted(index: Index, state: State, slide: str) -> str:
    """Return where a way to `slide` leads: there, or to what a quiz lets be seen in its place.

    In place of the questions of a finished attempt that is the outcome; where learners only go
    onward, it is the last question that they came to.
    """
    quiz = index.quiz_of.get(slide)
    if quiz is None or (quiz.review == "always" and not quiz.review_sent and quiz.way != "onward"):
        return slide
    slides = taken_slides(index, state, quiz)
    if slide not in slides:
        return slide
    if taking_of(state, quiz).finished:
        if may_review(index, state, quiz):
            return slide
        return outcome_of(index, state, quiz) or slide
    if quiz.way == "onward":
        seen = [place for place, name in enumerate(slides) if name in state.visited]
        if seen and slides.index(slide) < seen[-1]:
            return slides[seen[-1]]
    return slide


def outcome_of(index: Index, state: State, quiz: ProgramQuiz) -> str | None:
    """Return the outcome slide that this learner comes to."""
    there = index.ordered(state.draws).position
    return next((slide for slide in quiz.outcomes if slide in there), None)


def may_choose(index: Index, state: State, slide: str) -> bool:
    """Return whether a quiz that is under way lets its learner go to any question, so to `slide`.
    """
    quiz = under_way(index, state)
    return quiz is not None and quiz.way == "free" and slide in taken_slides(index, state, quiz)


def next_open(index: Index, state: State) -> str | None:
    """Return the next question without an answer after the present one, from the end to the first.

    None where *later* means nothing: all else is answered, learners go in a fixed order, or may not
    leave a question.
    """
    quiz = under_way(index, state)
    if quiz is None or quiz.way != "free" or not quiz.later or state.slide is None:
        return None
    slides = taken_slides(index, state, quiz)
    place = slides.index(state.slide) if state.slide in slides else 0
    left = {question.slide for question in unanswered(index, state, quiz)}
    after = (*slides[place + 1:], *slides[:place])
    return next((slide for slide in after if slide in left), None)


def exit_of(index: Index, state: State) -> str | None:
    """Return the outcome by which a learner can finish from the overview."""
    quiz = under_way(index, state)
    return outcome_of(index, state, quiz) if quiz is not None and quiz.overview else None


def flag(run: Run, slide: str, on: bool) -> None:
    """Give a question of the quiz that is under way the learner's flag, or take it away."""
    quiz = under_way(run.index, run.state)
    if quiz is None or not quiz.overview or slide not in taken_slides(run.index, run.state, quiz):
        return
    flagged = run.state.flagged
    run.update(flagged=flagged | {slide} if on else flagged - {slide})
