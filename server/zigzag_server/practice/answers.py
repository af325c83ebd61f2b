"""The answers that learners have given in a package, and what trainers gave for them."""

from collections.abc import Iterable, Iterator
from dataclasses import asdict
from typing import Any

from django.db.models import F
from pydantic import ValidationError
from zigzag_core.course.text.numbers import in_digits
from zigzag_core.tracking import recorded12, recorded2004
from zigzag_core.tracking.recorded import RecordedAnswer
from zigzag_core.tracking.words import PackageWords

from zigzag_server.problems import Problem, not_found

from .models import Attempt, Launch, Mark, Package


def answers_of(package: Package, attempt: Attempt) -> list[dict[str, Any]]:
    """Return all answers of an attempt with their marks, in the order they were given.

    The attempt comes with its launches and their marks already fetched.
    """
    launches = sorted(attempt.launches.all(), key=lambda launch: launch.pk)
    return list(_answers(package, launches))


def waiting(packages: Iterable[Package]) -> dict[int, int]:
    """Return how many answers wait to be marked, by the keys of `packages`."""
    by_key = {package.pk: package for package in packages}
    found = dict.fromkeys(by_key, 0)
    launches = Launch.objects.filter(attempt__sco__package__in=by_key).exclude(interactions=[])
    for launch in launches.annotate(package=F("attempt__sco__package")).prefetch_related("marks"):
        key: int = launch.package
        found[key] += sum(
            1 for answer in _answers(by_key[key], [launch])
            if answer["to_mark"] and answer["mark"] is None)
    return found


def mark(launch: Launch, index: int, points: float | None, comment: str) -> None:
    """Give `points` for an answer, or take back with None what was given."""
    recorded = _recorded(launch.attempt.sco.package, launch)
    answer = next((a for a in recorded if a.index == index), None)
    if answer is None or not answer.to_mark:
        raise not_found("answer to mark")
    if points is None:
        launch.marks.filter(index=index).delete()
        return
    if not 0 <= points <= answer.out_of:
        raise Problem(
            422, "points",
            f"Points go from 0 to {in_digits(answer.out_of)} here. Nothing was changed."
        )
    Mark.objects.update_or_create(
        launch=launch, index=index, defaults={"points": points, "comment": comment.strip()}
    )


def _answers(package: Package, launches: Iterable[Launch]) -> Iterator[dict[str, Any]]:
    for launch in launches:
        marks = {given.index: given for given in launch.marks.all()}
        for answer in _recorded(package, launch):
            yield {**asdict(answer), "visit": launch.pk, "mark": marks.get(answer.index)}


def _recorded(package: Package, launch: Launch) -> list[RecordedAnswer]:
    try:
        questions = PackageWords.model_validate(package.about).questions
    except ValidationError:
        questions = {}
    if package.standard == "scorm12":
        return recorded12.recorded_answers(launch.interactions, questions)
    return recorded2004.recorded_answers(launch.interactions, questions)
