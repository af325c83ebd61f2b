"""Choosing and submitting answers."""

from dataclasses import replace

from zigzag_core.assess.grade import judge

from .run import Run
from .state import Answer


def choose(run: Run, question: str, choice: str) -> None:
    """Choose one answer of a question that is still open."""
    grader = run.index.questions.get(question)
    answer = _answer(run, question)
    if grader is not None and not answer.locked and choice in grader.choices:
        _put(run, question, replace(answer, chosen=(choice,)))


def submit(run: Run, question: str) -> None:
    """Judge what was chosen; tell the outside, and raise what it came to."""
    grader = run.index.questions.get(question)
    answer = _answer(run, question)
    if grader is None or answer.locked or not answer.chosen:
        return
    verdict = judge(grader, answer.chosen)
    attempts = answer.attempts + 1
    used_up = grader.attempts is not None and attempts >= grader.attempts
    locked = verdict.result != "wrong" or used_up
    _put(run, question, replace(
        answer, attempts=attempts, result=verdict.result, points=verdict.points,
        locked=locked, since=run.state.time,
    ))
    run.effects.append({
        "effect": "answered", "question": question, "attempt": attempts,
        "chosen": list(answer.chosen), "result": verdict.result, "points": verdict.points,
        "latency": run.state.time - max(answer.since, run.state.entered),
    })
    event = {"right": "answered_right", "neutral": "answered"}.get(
        verdict.result, "answered_last" if locked else "answered_wrong"
    )
    run.raised(event, question)


def _answer(run: Run, question: str) -> Answer:
    return run.state.answers.get(question) or Answer()


def _put(run: Run, question: str, answer: Answer) -> None:
    run.update(answers={**run.state.answers, question: answer})
