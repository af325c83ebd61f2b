"""Time: clocks of slides and overlays, their cues, timers and waits."""

from dataclasses import replace

from zigzag_core.program.limits import LIMITS

from . import questions, quiz_ways, quizzes
from .following import follow_up, go_on
from .moving import enter, reach, set_clock
from .run import Run
from .state import Time, Waiting


def advance(run: Run, ms: int) -> None:
    """Let `ms` pass, stopping at every cue, timer and wait on the way."""
    goal = run.state.time + ms
    for _ in range(LIMITS.moments):
        owners = _running(run)
        if not owners and not run.state.waiting and not questions.timed(run) \
                and quizzes.in_time(run.index, run.state) is None:
            break
        passed = _until_next(run, owners, goal - run.state.time)
        if passed is None:
            break
        _pass(run, owners, passed)
        questions.expire(run)
        _fire(run, owners if passed else [])
        _expire_quiz(run)
        follow_up(run)
        if run.state.ended or not run.state.slide:
            break
    else:
        run.update(waiting=tuple(
            replace(wait, due=max(wait.due, goal + 1)) for wait in run.state.waiting
        ))
    if run.state.time < goal:
        left = goal - run.state.time
        _pass(run, _running(run), left)


def _running(run: Run) -> list[str]:
    """What has a clock that runs: the slide, then overlays in the order in which they opened."""
    owners = (run.state.slide, *run.state.overlays)
    return [owner for owner in owners if owner is not None and _runs(run, owner)]


def _runs(run: Run, owner: str) -> bool:
    state = run.state
    time = state.clocks.get(owner)
    if state.paused or time is None or not time.runs or owner not in run.index.clocks:
        return False
    if owner != state.slide:
        return owner in state.overlays
    return not any(run.index.overlays[overlay].pauses for overlay in state.overlays)


def _until_next(run: Run, owners: list[str], left: int) -> int | None:
    """The ms to the next moment that something is to happen, if it is within `left`."""
    found = left + 1
    for owner in owners:
        moment = _moment(run, owner)
        if moment is not None:
            way = moment - run.state.clocks[owner].at
            # Rounded up: there, not just before it.
            found = min(found, -(-way * 100 // run.state.speed))
    for wait in run.state.waiting:
        found = min(found, max(wait.due - run.state.time, 0))
    for grader in questions.timed(run):
        found = min(found, questions.time_left(grader, run.state))
    quiz = quizzes.in_time(run.index, run.state)
    of_quiz = quizzes.time_left(run.state, quiz) if quiz else None
    if of_quiz is not None:
        found = min(found, of_quiz)
    return found if found <= left else None


def _moment(run: Run, owner: str) -> int | None:
    """Where (ms) the clock of `owner` is to stop next: at a cue, or its end."""
    clock, at = run.index.clocks[owner], run.state.clocks[owner].at
    moments = [cue.at for cue in clock.cues if cue.at > at]
    if clock.length > at:
        moments.append(clock.length)
    return min(moments, default=None)


def _pass(run: Run, owners: list[str], ms: int) -> None:
    clocks = dict(run.state.clocks)
    for owner in owners:
        time, moment = clocks[owner], _moment(run, owner)
        at = time.at + ms * run.state.speed // 100
        clocks[owner] = replace(time, at=at if moment is None else min(at, moment))
    questions.use_time(run, ms)
    quizzes.use_time(run, ms)
    run.update(time=run.state.time + ms, clocks=clocks)


def _fire(run: Run, owners: list[str]) -> None:
    """Run what is due now: cues and ends of clocks that have just got there, then waits."""
    for owner in owners:
        clock, at = run.index.clocks[owner], run.state.clocks[owner].at
        for cue in clock.cues:
            if cue.at == at:
                reach(run, owner, cue)
        if at == clock.length and clock.length:
            run.raised("timing_ended", owner)
            if clock.repeats:
                set_clock(run, owner, Time())
            else:
                set_clock(run, owner, Time(at=at, runs=False))
    due = [wait for wait in run.state.waiting if wait.due <= run.state.time]
    if due:
        run.update(waiting=tuple(w for w in run.state.waiting if w.due > run.state.time))
        for wait in sorted(due, key=lambda wait: wait.due):
            _resume(run, wait)


def _expire_quiz(run: Run) -> None:
    """Where the time of a quiz is up, it is finished, and the learner comes to its outcome."""
    quiz = quizzes.in_time(run.index, run.state)
    if quiz is None or quizzes.time_left(run.state, quiz) != 0:
        return
    quizzes.finish(run, quiz)
    run.effects.append({"effect": "announce", "text": run.index.say("quiz_time_up")})
    outcome = quiz_ways.outcome_of(run.index, run.state, quiz)
    if outcome is not None:
        enter(run, outcome)


def _resume(run: Run, wait: Waiting) -> None:
    bound = run.index.rules.get(wait.rule)
    if bound is None:
        return
    if wait.branch != "timer":
        go_on(run, bound, wait.branch, wait.index)
        return
    run.raised("timer", wait.owner, wait.rule)
    if bound.rule.again:
        again = replace(wait, due=run.state.time + max(bound.rule.after, 100))
        run.update(waiting=(*run.state.waiting, again))
