"""Checks of what is said to answers: words that are never said, rows that never apply."""

from collections.abc import Iterator

from zigzag_core.course import Slide, plain
from zigzag_core.course.questions import feedback as f
from zigzag_core.course.questions import question as q
from zigzag_core.course.questions.answer_row import MOST_PARTS
from zigzag_core.course.questions.descriptors import DESCRIPTORS, is_judged
from zigzag_core.grading.answer_table import coverage

from .finding import Problem

_NAMES: dict[f.Outcome, str] = {
    "right": "a right answer", "partly": "a partly right answer", "wrong": "a wrong answer",
    "last": "the last try", "time_up": "the end of the time", "nothing": "no answer",
    "answered": "an answer",
}


def never_said(question: q.Question, slide: Slide) -> Iterator[Problem]:
    """Yield the rows, words and overlays of `question` that no answer leads to."""
    for number in _never_taken(question):
        yield "warning", "row_never_applies", f"has a row {number} that never applies"
    written: list[f.Outcome] = [
        outcome for outcome in _NAMES
        if plain(getattr(question.feedback, outcome))
        or any(shown.after == outcome for shown in question.feedback.shows)
    ]
    for outcome in written:
        why = _why_never(question, outcome)
        if why:
            yield "warning", "never_said", f"has words for {_NAMES[outcome]}, but {why}"
    tries = 99 if question.attempts is None else question.attempts - 1
    for n, hint in enumerate(question.feedback.hints, 1):
        if plain(hint) and (n > tries or _why_never(question, "wrong")):
            yield "warning", "never_said", f"has a hint for try {n}, after which there is none left"
    known = {overlay.id for overlay in slide.overlays}
    for shown in question.feedback.shows:
        if shown.overlay is not None and shown.overlay not in known:
            yield "error", "lost_overlay", (
                f"opens an overlay for {_NAMES[shown.after]} that this slide does not have")


def _never_taken(question: q.Question) -> Iterator[int]:
    """The numbers of rows that are never taken; where parts are many, of those that ask for no
    less than one above."""
    parts = [p.id for p in getattr(question, "choices", getattr(question, "spots", ()))]
    if 0 < len(parts) <= MOST_PARTS:
        yield from coverage(parts, question.table).unreachable
        return
    for n, row in enumerate(question.table):
        if any(above.cells.items() <= row.cells.items() and above.at_least <= row.at_least
               for above in question.table[:n]):
            yield n + 1


def _why_never(question: q.Question, outcome: f.Outcome) -> str:
    unjudged = not is_judged(question)
    if outcome == "nothing":
        return "" if question.submit_is == "ready" else "cannot be submitted without one"
    if outcome == "answered":
        return "" if unjudged else "is judged"
    if outcome == "time_up":
        return "" if question.time_limit else "has no time limit"
    if unjudged:
        return "is not judged"
    if outcome == "last" and question.attempts is None:
        return "has tries without end"
    if outcome == "wrong" and question.attempts == 1:
        return "has one try only"
    if outcome == "partly" and not DESCRIPTORS[question.kind].partly:
        return "is right or wrong"
    return ""
