"""Drawing, timing and finishing quizzes. The twin is `web/player/engine/quizzes.ts`."""

from collections.abc import Collection
from dataclasses import replace

from zigzag_core.program.limits import LIMITS
from zigzag_core.program.quiz import ProgramQuiz
from zigzag_core.quiz.drawing import drawn

from . import questions, quiz_results, wall
from .index import Index
from .quiz_results import attempt as attempt_at
from .quiz_results import graders_of, minutes_to_wait, share, taking_of, unanswered, with_one
from .run import Run
from .state import Answer, Draw, State, Taking

_NONE = Answer()


def first_draws(index: Index, seed: int) -> tuple[Draw, ...]:
    """Return what a learner gets of each quiz at the first attempt."""
    return tuple(Draw(quiz.id, drawn(quiz, seed)) for quiz in index.program.quizzes)


def draws_to_resume(
    index: Index, first: tuple[Draw, ...], saved: tuple[Draw, ...], visited: Collection[str]
) -> tuple[Draw, ...]:
    """Return the draws of a run that goes on: those `saved`.

    Of a quiz that came later, and that nobody has begun, the `first` is added.
    """
    known = {draw.quiz for draw in saved} | {
        quiz.id for quiz in index.program.quizzes
        if any(slide in visited for slide in quiz.slides)}
    return saved + tuple(draw for draw in first if draw.quiz not in known)


def leave_whole(run: Run, slide: str) -> None:
    """Let a quiz that `slide` was not drawn for be as the course has it: somebody wants to see it.

    Whoever wants to see the first slide of a quiz wants to see the quiz: that stays as drawn.
    """
    if slide in run.index.ordered(run.state.draws).position:
        return
    quiz = next((q for q in run.index.program.quizzes if slide in q.slides[1:]), None)
    if quiz is not None:
        run.update(draws=tuple(draw for draw in run.state.draws if draw.quiz != quiz.id))


def draw_again(run: Run, name: str) -> bool:
    """Begin the next attempt at a quiz, drawn anew; return whether there is one left.

    One that nobody has begun stays as it is.
    """
    quiz = run.index.quizzes.get(name)
    if quiz is None or not _is_begun(run.state, quiz):
        return True
    before = next((draw for draw in run.state.draws if draw.quiz == name), Draw(name, ()))
    if before.attempt >= (quiz.attempts or LIMITS.most_attempts):
        return _refuse(run, quiz, run.index.say("no_attempts_left"))
    minutes = minutes_to_wait(run.state, quiz)
    if minutes:
        return _refuse(run, quiz, run.index.say("wait_for_attempt", count=minutes))
    earlier = with_one(taking_of(run.state, quiz).earlier, share(run.index, run.state, quiz))
    after = _next_draw(quiz, before, run)
    others = {draw.quiz: draw for draw in run.state.draws}
    run.update(draws=tuple({**others, name: after}.values()),
               flagged=run.state.flagged - set(quiz.slides))
    _put(run, quiz, Taking(earlier=earlier))
    return True


def kept_answers(run: Run) -> set[str]:
    """Return the questions that beginning again leaves as they are.

    Those that were right where only the rest comes again, and those of quizzes that cannot be
    begun again now.
    """
    kept = {slide for draw in run.state.draws for slide in draw.kept}
    for name in run.refused:
        kept.update(run.index.quizzes[name].slides)
    return {q.id for q in run.index.program.questions if q.slide in kept} if kept else set()


def holds_back(run: Run, slide: str) -> bool:
    """Return whether the learner has to confirm first that the quiz which `slide` ends is over.

    Says so, once, where questions are without an answer.
    """
    quiz = _ended_by(run, slide)
    if quiz is None:
        return False
    taking = taking_of(run.state, quiz)
    left = len(unanswered(run.index, run.state, quiz))
    if taking.asked or not left:
        return False
    _put(run, quiz, replace(taking, asked=True))
    run.effects.append({
        "effect": "closed", "slide": run.state.slide or "",
        "message": run.index.say("finish_with_open", count=left)})
    return True


def finish_at(run: Run, slide: str) -> None:
    """Finish the quiz whose outcome `slide` shows, if it is not finished."""
    quiz = _ended_by(run, slide)
    if quiz is not None:
        finish(run, quiz)


def finish(run: Run, quiz: ProgramQuiz) -> None:
    """Judge what was answered, lock all, and let the attempt be over."""
    graders = graders_of(run.index, run.state, quiz)
    questions.conclude(run, [grader.id for grader in graders])
    over = wall.now(run.state)
    _put(run, quiz, replace(taking_of(run.state, quiz), finished=True, over=over))
    reached = quiz_results.reached(run.index, run.state, quiz)
    if reached is not None:
        run.raised("quiz_passed" if reached else "quiz_failed", quiz.id)
    run.raised("quiz_finished", quiz.id)


def arrived(run: Run, name: str, attempt: int) -> None:
    """The report of the present attempt has arrived; that of an earlier one is no news."""
    quiz = run.index.quizzes.get(name)
    if quiz is None or attempt != attempt_at(run.state, quiz):
        return
    taking = taking_of(run.state, quiz)
    if taking.finished and not taking.sent:
        _put(run, quiz, replace(taking, sent=True))


def in_time(index: Index, state: State) -> ProgramQuiz | None:
    """Return the quiz whose time is running: from its first drawn slide until it is finished.

    That is the one that the learner is in, else one whose time goes on without its learner.
    """
    quiz = index.quiz_of.get(state.slide or "")
    if quiz is not None and not state.paused and not taking_of(state, quiz).finished \
            and state.slide not in (*quiz.opening, *quiz.outcomes):
        return quiz
    return next((one for one in index.away if _goes_on(state, one)), None)


def time_left(state: State, quiz: ProgramQuiz) -> int | None:
    """Return the ms that are left for the attempt; None where there is no limit."""
    if quiz.time_limit is None or (quiz.extendable and not state.more_time):
        return None
    limit = int(quiz.time_limit * 1_000 * (state.more_time if quiz.extendable else 1))
    return max(limit - taking_of(state, quiz).used, 0)


def use_time(run: Run, ms: int) -> None:
    """Let `ms` pass for the quiz that is being taken."""
    quiz = in_time(run.index, run.state) if ms else None
    if quiz is not None:
        taking = taking_of(run.state, quiz)
        _put(run, quiz, replace(taking, used=taking.used + ms))


def come_back(run: Run, seconds: float, zone: float) -> None:
    """Set the clock on the wall; time that goes on without the learner has gone on since then."""
    before = wall.now(run.state) or run.state.saved
    epoch, there = wall.set_to(run.state, seconds, zone)
    run.update(epoch=epoch, zone=there, saved=0)
    passed = wall.now(run.state) - before
    for quiz in run.index.away if before and passed > 0 else ():
        if _goes_on(run.state, quiz):
            taking = taking_of(run.state, quiz)
            used = min(taking.used + passed * 1_000, LIMITS.longest_used)
            _put(run, quiz, replace(taking, used=used))


def _goes_on(state: State, quiz: ProgramQuiz) -> bool:
    """Whether the time of an attempt runs without its learner."""
    return quiz.away and _is_begun(state, quiz) and not taking_of(state, quiz).finished


def _refuse(run: Run, quiz: ProgramQuiz, why: str) -> bool:
    run.refused |= {quiz.id}
    run.effects.append({"effect": "closed", "slide": run.state.slide or "", "message": why})
    return False


def _ended_by(run: Run, slide: str) -> ProgramQuiz | None:
    """The quiz that is finished by coming to `slide`."""
    quiz = run.index.quiz_of.get(slide)
    if quiz is None or slide not in quiz.outcomes or not _is_begun(run.state, quiz) \
            or taking_of(run.state, quiz).finished:
        return None
    return quiz


def _is_begun(state: State, quiz: ProgramQuiz) -> bool:
    """Whether the attempt had time, is over, or the learner was on a slide of it.

    What opens it and the outcomes do not count. That slides were seen may have been forgotten.
    """
    taking = taking_of(state, quiz)
    if taking.used or taking.finished:
        return True
    beside = {*quiz.opening, *quiz.outcomes}
    return any(slide in state.visited and slide not in beside for slide in quiz.slides)


def _next_draw(quiz: ProgramQuiz, before: Draw, run: Run) -> Draw:
    attempt = before.attempt + 1
    match quiz.again:
        case "same":
            return Draw(quiz.id, before.slides, attempt)
        case "unseen":
            seen = dict.fromkeys((*before.seen, *(
                slide for slide in before.slides if slide in run.state.visited)))
            return Draw(quiz.id, drawn(quiz, run.state.seed, attempt, seen), attempt, tuple(seen))
        case "wrong":
            right = _right_slides(quiz, before, run)
            left = tuple(slide for slide in before.slides if slide not in right)
            if any(slide in left for slide in run.index.asking):
                kept = tuple(
                    slide for slide in quiz.slides if slide in right or slide in before.kept)
                return Draw(quiz.id, left, attempt, kept=kept)
    return Draw(quiz.id, drawn(quiz, run.state.seed, attempt), attempt)


def _right_slides(quiz: ProgramQuiz, before: Draw, run: Run) -> set[str]:
    """The drawn slides that need not come again: all that they ask is right, or has no right.

    What has no question stays as long as something else that comes with it does.
    """
    asking: dict[str, bool] = {}
    for grader in graders_of(run.index, run.state, quiz):
        done = run.state.answers.get(grader.id, _NONE).result in ("right", "neutral")
        asking[grader.slide] = asking.get(grader.slide, True) and done
    right = {slide for slide in before.slides if asking.get(slide, False)}
    for unit in (unit for one in quiz.sets for unit in one.units):
        if all(slide in right or slide not in asking for slide in unit.slides) \
                and any(slide in right for slide in unit.slides):
            right.update(unit.slides)
    return right & set(before.slides)


def _put(run: Run, quiz: ProgramQuiz, taking: Taking) -> None:
    run.update(taking={**run.state.taking, quiz.id: taking})
