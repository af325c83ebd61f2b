"""Answering and submitting. The twin is `web/player/engine/questions.ts`."""

from collections.abc import Iterable
from dataclasses import replace

from zigzag_core.grading.grade import judge
from zigzag_core.grading.tally import Given, is_unjudged, wanted_in
from zigzag_core.program import Grader
from zigzag_core.program.limits import LIMITS
from zigzag_core.program.random import fnv1a, shuffled

from .at_hand import at_hand
from .run import Run
from .state import NOT_BEGUN, Answer, State
from .values import Value, clipped, number, to_text

_EVENTS = {"right": "answered_right", "neutral": "answered"}


def choose(run: Run, question: str, part: str) -> None:
    """Choose an answer of a question that is still open; of several, or no longer."""
    grader = run.index.questions.get(question)
    answer = _answer(run, question)
    if grader is None or grader.form != "choose" or answer.locked or _is_over(run, question):
        return
    if part not in {one.id for one in grader.parts}:
        return
    if grader.at_most == 1:
        _give(run, grader, ((part, ""),))
        return
    chosen = {one for one, _ in answer.given} ^ {part}
    if grader.at_most is None or len(chosen) <= grader.at_most:
        _give(run, grader, tuple((p.id, "") for p in grader.parts if p.id in chosen))


def answer(run: Run, question: str, part: str, value: Value) -> None:
    """Put `value` into a part: words, a target, a place in the order, or a mark ``x,y``.

    An empty value takes it away, ``-`` and a target only from there. What does not fit changes
    nothing.
    """
    grader = run.index.questions.get(question)
    if grader is None or _answer(run, question).locked or _is_over(run, question) \
            or not _within_reach(run, grader, part):
        return
    given = _answer(run, question).given
    text = to_text(value)
    most = grader.at_most if grader.form in ("free", "texts") else None
    text = clipped(text) if most is None else text[:most]
    match grader.form:
        case "texts" | "free" | "scale":
            put = _written(grader, given, part, text)
        case "pairs":
            put = _placed(grader, given, part, text)
        case "order":
            put = _moved(order_of(grader, run.state), part, text)
        case "spots":
            put = _marked(grader, given, part, text)
        case _:
            return
    if grader.returns == "at_once" and grader.form == "pairs" and text \
            and not belongs(grader, part, text):
        run.effects.append({"effect": "announce", "text": run.index.say("goes_back")})
        if grader.drops_count:
            found = _answer(run, question)
            _put(run, question, replace(found, slips=min(found.slips + 1, LIMITS.most_slips)))
    if put is not None and put != given:
        _give(run, grader, put)


def submit(run: Run, question: str) -> None:
    """Judge what was answered, if it is enough; tell the outside, and raise what it came to.

    An answer that was judged already is not judged again: it costs no attempt.
    """
    grader = run.index.questions.get(question)
    found = _answer(run, question)
    if grader is None or found.locked or _is_over(run, question):
        return
    if is_unjudged(grader, found.given, found.judged):
        _judge(run, grader, found, in_time=True)
    else:
        run.raised("answered_nothing", question)


def judge_on_leaving(run: Run) -> bool:
    """Judge what this slide judges when it is left; return whether there was anything."""
    judged = False
    for grader in run.index.on_leaving.get(run.state.slide or "", ()):
        found = _answer(run, grader.id)
        if not found.locked and is_unjudged(grader, found.given, found.judged):
            _judge(run, grader, found, in_time=True)
            judged = True
    return judged


def timed(run: Run) -> list[Grader]:
    """Return the questions of this slide whose time is running."""
    if run.state.paused:
        return []
    return [
        grader for grader in run.index.timed.get(run.state.slide or "", ())
        if (run.state.more_time or not grader.extendable) and not _answer(run, grader.id).locked
    ]


def time_left(grader: Grader, state: State) -> int:
    """Return the ms that are left for a question with a time limit."""
    found = state.answers.get(grader.id) or Answer()
    limit = int((grader.time_limit or 0) * 1_000 * (state.more_time if grader.extendable else 1))
    return max(limit - found.used, 0)


def use_time(run: Run, ms: int) -> None:
    """Let `ms` pass for the questions of this slide that have a time limit."""
    for grader in timed(run) if ms else ():
        found = _answer(run, grader.id)
        _put(run, grader.id, replace(found, used=found.used + ms))


def expire(run: Run) -> None:
    """Where the time is up, judge what there is, and lock it."""
    for grader in timed(run):
        if not time_left(grader, run.state):
            _judge(run, grader, _answer(run, grader.id), in_time=False)


def reset(run: Run, question: str, answer_only: bool = False) -> None:
    """Clear a question: answer, attempts, points, lock and the time it has had.

    With `answer_only` no more than what is answered but not judged for good.
    """
    if _is_over(run, question):
        return
    if not answer_only:
        run.update(answers={k: v for k, v in run.state.answers.items() if k != question})
    elif question in run.state.answers and not _answer(run, question).locked:
        _put(run, question, replace(_answer(run, question), given=(), slips=0))


def conclude(run: Run, questions: Iterable[str]) -> None:
    """Judge what was answered and not judged yet, and lock all of these questions.

    What has no answer costs what the question takes for that.
    """
    for question in questions:
        grader, found = run.index.questions[question], _answer(run, question)
        if found.locked:
            continue
        if is_unjudged(grader, found.given, found.judged):
            _judge(run, grader, found, in_time=False)
        elif found.attempts or grader.purpose != "scored":
            _put(run, question, replace(found, locked=True))
        else:
            _put(run, question, replace(found, locked=True, points=number(-grader.unanswered)))


def order_of(grader: Grader, state: State) -> tuple[str, ...]:
    """Return the order in which the parts of `grader` stand: as put, or as they are first seen.

    What is to be put in order never begins in the right one.
    """
    parts = tuple(part.id for part in grader.parts)
    found = state.answers.get(grader.id)
    if grader.form == "order" and found is not None and found.given:
        return tuple(part for part, _ in found.given)
    if not grader.shuffle and grader.form != "order":
        return parts
    seed = state.seed ^ fnv1a(grader.id)
    loose = [part for part in parts if part not in grader.pinned]
    mixed = iter(shuffled(tuple(loose), seed))
    order = tuple(part if part in grader.pinned else next(mixed) for part in parts)
    return (*order[1:], order[0]) if grader.form == "order" and order == parts else order


def _judge(run: Run, grader: Grader, found: Answer, in_time: bool) -> None:
    attempts = found.attempts + 1
    verdict = judge(grader, found.given, attempts, found.slips)
    points = number(verdict.points)
    used_up = grader.attempts is not None and attempts >= grader.attempts
    locked = verdict.result in ("right", "neutral") or used_up or not in_time
    kept, slips = found.given, found.slips
    if not locked and slips:
        # The next attempt begins anew: in this one every drop counted.
        kept, slips = (), 0
    elif not locked and grader.returns == "judged":
        kept = tuple(pair for pair in kept if belongs(grader, *pair))
    _put(run, grader.id, replace(
        found, given=kept, judged=kept, slips=slips, attempts=attempts, result=verdict.result,
        points=points, locked=locked, since=run.state.time, row=verdict.row,
        right=verdict.tally.right, wrong=verdict.tally.wrong,
    ))
    run.effects.append({
        "effect": "answered", "question": grader.id, "attempt": attempts,
        "given": list(found.given), "result": verdict.result,
        "points": points,
        "latency": run.state.time - max(found.since, run.state.entered),
    })
    run.raised("judged", grader.id)
    if not in_time:
        event = "time_up"
    else:
        open_event = "answered_partly" if verdict.result == "partly" else "answered_wrong"
        event = _EVENTS.get(verdict.result, "answered_last" if locked else open_event)
    run.raised(event, grader.id)


def _written(grader: Grader, given: Given, part: str, text: str) -> Given | None:
    if part not in {p.id for p in grader.parts}:
        return None
    written = {**dict(given), part: text}
    return tuple((p.id, written[p.id]) for p in grader.parts if written.get(p.id))


def _placed(grader: Grader, given: Given, part: str, target: str) -> Given | None:
    item = next((p for p in grader.parts if p.id == part), None)
    if item is None:
        return None
    others = tuple(pair for pair in given if pair[0] != part)
    if not target:
        return others
    if target.startswith("-"):
        return tuple(pair for pair in given if pair != (part, target[1:]))
    found = next((t for t in grader.targets if t.id == target), None)
    if found is None or (part, target) in given or (found.only and part not in found.only):
        return None
    if grader.returns == "at_once" and not belongs(grader, part, target):
        return given if item.endless else others
    kept = given if item.endless else others
    there = [pair for pair in kept if pair[1] == target]
    if found.takes is not None and len(there) >= found.takes:
        if found.takes > 1:
            return None
        # Where only one has its place, the one before goes back.
        kept = tuple(pair for pair in kept if pair[1] != target)
    return (*kept, (part, target))


def belongs(grader: Grader, part: str, target: str) -> bool:
    """Return whether `part` is right on `target`."""
    return any(p.id == part and target in p.right for p in grader.parts)


def _moved(order: tuple[str, ...], part: str, position: str) -> Given | None:
    if part not in order or not position.isascii() or not position.isdigit() or len(position) > 3:
        return None
    rest = [other for other in order if other != part]
    rest.insert(min(int(position), len(rest)), part)
    return tuple((other, "") for other in rest)


def _marked(grader: Grader, given: Given, part: str, where: str) -> Given | None:
    """Marks are made where there is none yet and more are allowed, and taken away by name.

    What was spent, or found at once, stays.
    """
    if where.startswith("-"):
        gone = where[1:]
        if grader.clicks_spent or (grader.found_at_once and part in wanted_in(grader)):
            return None
        return tuple(pair for pair in given if pair != (part, gone))
    if not where or (part != grader.id and any(pair[0] == part for pair in given)):
        return None
    most = LIMITS.most_marks if grader.at_most is None else grader.at_most
    known = part == grader.id or part in {p.id for p in grader.parts}
    return (*given, (part, where)) if known and len(given) < most else None


def _within_reach(run: Run, grader: Grader, part: str) -> bool:
    found = next((p for p in grader.parts if p.id == part), None)
    if found is None or found.element is None:
        return run.state.slide == grader.slide
    return any(at_hand(run, name, to_click=False) for name in (found.element, *found.also))


def _give(run: Run, grader: Grader, given: Given) -> None:
    _put(run, grader.id, replace(_answer(run, grader.id), given=given))
    if grader.at_once and _is_whole(grader, given):
        submit(run, grader.id)


def _is_whole(grader: Grader, given: Given) -> bool:
    """Whether there is nothing more to answer: what is judged at once is judged then."""
    wanted = wanted_in(grader)
    match grader.form:
        case "choose":
            return len(given) >= (grader.at_most or len(wanted))
        case "spots":
            if grader.found_at_once and wanted <= {part for part, _ in given}:
                return True
            return len(given) >= (grader.at_most or (
                LIMITS.most_marks if grader.found_at_once else len(wanted)))
        case "pairs":
            return len({part for part, _ in given}) >= len(wanted)
    return len(given) >= len(grader.parts)


def _is_over(run: Run, question: str) -> bool:
    """Whether the quiz that asks this is finished."""
    grader = run.index.questions.get(question)
    quiz = run.index.quiz_of.get(grader.slide) if grader else None
    return quiz is not None and run.state.taking.get(quiz.id, NOT_BEGUN).finished


def _answer(run: Run, question: str) -> Answer:
    return run.state.answers.get(question) or Answer()


def _put(run: Run, question: str, answer: Answer) -> None:
    run.update(answers={**run.state.answers, question: answer})
