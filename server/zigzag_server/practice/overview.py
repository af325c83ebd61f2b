"""A course for its trainer: which learner has seen which slides, and answered what, and how.

What was seen is read from the progress that the course has saved with the LMS; only packages that
were made here say that.
"""

from functools import lru_cache
from typing import Any

from django.core.files.storage import default_storage
from zigzag_core.engine.index import Index
from zigzag_core.errors import Refusal
from zigzag_core.packaging.published import program_in
from zigzag_core.tracking.progress import unpack

from . import answers, sessions5
from .learners import LEARNERS
from .models import Attempt, Package

MOST_BYTES = 24_000_000
"""So large may the program of a package be here: that of some 1,500 slides."""

_UNREAD = (Refusal, KeyError, IndexError, ValueError)
"""What a program or progress can raise that somebody else has made up."""


def overview_of(package: Package) -> dict[str, Any]:
    """Return the slides and questions of a package, and how each learner stands with them.

    It is the last attempt of each that is looked at. Slides are in the course's order; there are
    none where the package does not say.
    """
    index = _index_of(package.folder)
    learners, questions = [], dict[str, str]()
    for attempt in _latest(package):
        given = _answers(package, attempt)
        questions |= {name: one["question"] for name, one in given.items()}
        learners.append({
            "key": attempt.learner, "name": LEARNERS[attempt.learner].friendly,
            "status": attempt.status, "score": attempt.score, "changed": attempt.changed,
            **_place(index, attempt), "answers": [
                {"question": name, "result": one["result"], "attempts": one["attempts"]}
                for name, one in given.items()]})
    slides = index.program.slides if index else ()
    return {
        "slides": [{"id": slide.id, "title": slide.title} for slide in slides],
        "questions": [{"id": name, "words": words} for name, words in questions.items()],
        "learners": learners,
    }


def _latest(package: Package) -> list[Attempt]:
    """The last attempt of each learner at the first part of a package."""
    found = Attempt.objects.filter(sco__package=package, sco__number=1).select_related(
        "sco__package").prefetch_related("launches__marks").order_by("number")
    last = {attempt.learner: attempt for attempt in found}
    return [last[key] for key in LEARNERS if key in last]


def _answers(package: Package, attempt: Attempt) -> dict[str, dict[str, Any]]:
    """The last answer to each question, by its id in records, with how often it was answered."""
    found: dict[str, dict[str, Any]] = {}
    for one in answers.answers_of(package, attempt):
        before = found.get(one["id"], {"attempts": 0})
        mark = one["mark"]
        result = one["result"] if mark is None else (
            "correct" if mark.points >= one["out_of"] else "wrong" if not mark.points else "partly")
        found[one["id"]] = {
            "question": one["question"], "result": result, "attempts": before["attempts"] + 1}
    return found


def _place(index: Index | None, attempt: Attempt) -> dict[str, Any]:
    """Where a learner is, and which slides were seen, by their numbers from 0."""
    progress = attempt.core.get("suspend_data") or sessions5.progress_of(attempt)
    if index is None or not progress:
        return {"place": None, "seen": []}
    try:
        state = unpack(index, progress)
    except _UNREAD:
        return {"place": None, "seen": []}
    place = index.position.get(state.slide or "")
    return {"place": place, "seen": sorted(
        index.position[slide] for slide in state.visited if slide in index.position)}


@lru_cache(maxsize=4)
def _index_of(folder: str) -> Index | None:
    """The program of a package, which stays as it was put in."""
    def read(path: str) -> bytes:
        with default_storage.open(f"{folder}/{path}") as file:
            data: bytes = file.read(MOST_BYTES)
            return data

    try:
        return Index(program_in(read, MOST_BYTES))
    except _UNREAD:
        return None

