"""The practice LMS: packages, invented learners, results, and the log of every call."""

from datetime import datetime
from typing import Annotated, Any, Literal, get_args

from django.db.models import Count
from django.http import HttpRequest, HttpResponse
from ninja import File, Router, Schema, Status
from ninja.files import UploadedFile
from pydantic import Field
from zigzag_core.packaging.read_manifest import Standard
from zigzag_core.tracking.plain import explain
from zigzag_core.tracking.words import PackageWords

from zigzag_server import spreadsheets
from zigzag_server.accounts.auth import author
from zigzag_server.description import TYPE
from zigzag_server.jobs import uploads
from zigzag_server.jobs.api import JobOut
from zigzag_server.jobs.starting import start
from zigzag_server.origins import content_url
from zigzag_server.pages import Most, Start
from zigzag_server.problems import Problem, not_found
from zigzag_server.publishing.models import Publication

from . import answers, data2004, kept, runs, sheets
from .learners import LEARNERS
from .models import Attempt, Call, Launch, Package
from .overview import overview_of
from .packages import take_out

router = Router(tags=["practice"])

PAGE = 50
"""So many packages are listed at once, unless another number is asked for."""

LARGEST_PACKAGE = 300_000_000


class PracticePackage(Schema):
    """A package in the practice LMS, with how many learners took it."""

    id: int
    title: str
    standard: Standard
    created: datetime
    files: int
    size: int
    learners: int
    to_mark: int


class LearnerOut(Schema):
    """A made-up learner."""

    key: str
    name: str


class MarkOut(Schema):
    """What a trainer gave for an answer."""

    points: float
    comment: str
    changed: datetime


class MarkIn(Schema):
    """Points for the answer at `index` in a `visit`; None takes back what was given."""

    visit: int
    index: int
    points: float | None
    comment: Annotated[str, Field(max_length=4_000)] = ""


class Interaction(Schema):
    """One recorded answer. `answer` and `expected` in words where the package brings them.

    `visit` and `index` name it. One `to_mark` waits for points up to `out_of`, until it has a
    `mark`; `model` is an answer to compare with.
    """

    visit: int
    index: int
    question: str
    type: str
    answer: str
    expected: str
    result: str
    time: str
    latency: str
    to_mark: bool
    out_of: float
    model: str
    mark: MarkOut | None


class ObjectiveOut(Schema):
    """How an objective stands, in the words of SCORM 1.2; its `title` where the package says it."""

    id: str
    title: str
    status: str
    score: str


class AttemptOut(Schema):
    """One attempt at the SCO with this number. Times in ms; `status` as in SCORM 1.2.

    SCORM 2004 tells `completion` and `success` apart, and the `measure` of progress (0..1).
    """

    sco: int
    number: int
    status: str
    completion: str | None
    success: str | None
    measure: float | None
    score: float | None
    milliseconds: int
    visits: int
    location: str
    progress: int
    started: datetime
    changed: datetime
    interactions: list[Interaction]
    objectives: list[ObjectiveOut]


class LearnerResults(Schema):
    """All attempts of one learner at a package."""

    learner: LearnerOut
    attempts: list[AttemptOut]


class ScoOut(Schema):
    """What of a package is launched by itself: `number` from 1."""

    number: int
    title: str


class PackageResults(PracticePackage):
    """A package with what it launches, and the results of its learners.

    Rules that say when its parts are to be launched (`sequenced`) are not followed here.
    """

    sequenced: bool
    scos: list[ScoOut]
    results: list[LearnerResults]


class SeenAnswer(Schema):
    """How the last of so many answers of a learner to a question was judged."""

    question: str
    result: str
    attempts: int


class LearnerOverview(LearnerOut):
    """How a learner stands: the numbers (from 0) of the slides that were `seen`, and of the
    `place`, where that is known."""

    status: str
    score: float | None
    changed: datetime
    place: int | None
    seen: list[int]
    answers: list[SeenAnswer]


class SlideName(Schema):
    """A slide of a package."""

    id: str
    title: str


class QuestionName(Schema):
    """A question that was answered."""

    id: str
    words: str


class OverviewOut(Schema):
    """A course for its trainer: learners by slides and by questions."""

    slides: list[SlideName]
    questions: list[QuestionName]
    learners: list[LearnerOverview]


class CallOut(Schema):
    """One call: in plain words, and raw."""

    visit: int
    at: datetime
    words: str
    method: str
    arguments: list[str]
    result: str
    error: str


class FromPublication(Schema):
    """A publication to put into the practice LMS."""

    publication: int


class LaunchIn(Schema):
    """A package, which of its SCOs or units, the learner who opens it, and what it is opened for.

    Who browses or reviews changes nothing that is recorded.
    """

    package: int
    learner: str
    sco: int = 1
    mode: Literal["normal", "browse", "review"] = "normal"


class LaunchOut(Schema):
    """Where to show the package, in a frame of the content's origin. `resumed` after a suspend."""

    url: str
    standard: Standard
    attempt: int
    resumed: bool


def _package(request: HttpRequest, package_id: int) -> Package:
    found = Package.objects.filter(pk=package_id, owner=author(request)).first()
    if found is None:
        raise not_found("package in the practice LMS")
    return found


def _out(packages: list[Package]) -> list[dict[str, Any]]:
    learners = dict(Attempt.objects.filter(sco__package__in=packages).order_by().values_list(
        "sco__package").annotate(Count("learner", distinct=True)))
    to_mark = answers.waiting(packages)
    return [{
        "id": package.pk, "title": package.title, "standard": package.standard,
        "created": package.created,
        "files": package.files, "size": package.size, "learners": learners.get(package.pk, 0),
        "to_mark": to_mark[package.pk],
    } for package in packages]


@router.get("/learners", response=list[LearnerOut])
def list_learners(request: HttpRequest) -> list[dict[str, str]]:
    """List the invented learners."""
    return [{"key": learner.key, "name": learner.friendly} for learner in LEARNERS.values()]


@router.get("/packages", response=list[PracticePackage])
def list_practice_packages(
    request: HttpRequest, start: Start = 0, most: Most = PAGE,
) -> list[dict[str, Any]]:
    """List the packages in the practice LMS, `most` from number `start` on, the newest first."""
    rows = Package.objects.filter(owner=author(request)).order_by("-created", "-pk")
    return _out(list(rows[start:start + most]))


@router.post("/packages", response={202: JobOut})
def upload_package(
    request: HttpRequest, file: File[UploadedFile]
) -> Status[Any]:
    """Put in a package of SCORM or cmi5, made here or elsewhere: a job."""
    if (file.size or 0) > LARGEST_PACKAGE:
        raise Problem(413, "too_large", "The package is larger than 300 MB. Nothing was put in.")
    return Status(202, uploads.start(author(request), "put_in", file))


@router.post("/packages/from-publication", response={202: JobOut})
def put_in_publication(
    request: HttpRequest, data: FromPublication
) -> Status[Any]:
    """Put in a package that was published here: a job."""
    found = Publication.objects.filter(
        pk=data.publication, course__owner=author(request), kind__in=get_args(Standard)
    ).first()
    if found is None:
        raise not_found("package for an LMS")
    job = start(author(request), "put_in_published", {"publication": found.pk})
    return Status(202, job)


@router.delete("/packages/{package_id}", response={204: None})
def remove_package(request: HttpRequest, package_id: int) -> Status[Any]:
    """Take out a package and all that was done in it."""
    take_out(_package(request, package_id))
    return Status(204, None)


@router.post("/launches", response={201: LaunchOut})
def launch_package(request: HttpRequest, data: LaunchIn) -> Status[Any]:
    """Launch a package as a learner; goes on with the attempt that was suspended."""
    sco = _package(request, data.package).scos.filter(number=data.sco).first()
    if sco is None:
        raise not_found("part of the package")
    if data.learner not in LEARNERS:
        raise not_found("learner")
    visit = runs.launch(sco, data.learner, data.mode)
    return Status(201, {
        "url": content_url(f"/launch/{visit.token}/"), "attempt": visit.attempt.number,
        "standard": sco.package.standard, "resumed": bool(visit.attempt.core),
    })


@router.get("/packages/{package_id}", response=PackageResults)
def get_results(request: HttpRequest, package_id: int) -> dict[str, Any]:
    """Return what every learner has done in a package."""
    package = _package(request, package_id)
    return {**_out([package])[0], "results": _results(package), "sequenced": package.sequenced,
            "scos": package.scos.order_by("number")}


@router.get("/packages/{package_id}/overview", response=OverviewOut)
def get_overview(request: HttpRequest, package_id: int) -> dict[str, Any]:
    """Say which learner has seen which slides and answered what; slides only where the package
    was made here."""
    return overview_of(_package(request, package_id))


@router.get("/packages/{package_id}/results/{form}", response={200: bytes},
            openapi_extra={TYPE: tuple(spreadsheets.TYPES.values())})
def get_results_as_table(
    request: HttpRequest, package_id: int, form: spreadsheets.Form
) -> HttpResponse:
    """Return what every learner has done in a package as a table, a row for each answer."""
    package = _package(request, package_id)
    rows = sheets.rows_of(_results(package))
    return spreadsheets.download(rows, form, "Results", f"results-{package.pk}")


def _results(package: Package) -> list[dict[str, Any]]:
    attempts: dict[str, list[Attempt]] = {}
    found = Attempt.objects.filter(sco__package=package).select_related("sco")
    for attempt in found.prefetch_related("launches__marks").order_by("sco__number", "number"):
        attempts.setdefault(attempt.learner, []).append(attempt)
    return [
        {
            "learner": {"key": key, "name": LEARNERS[key].friendly},
            "attempts": [_attempt(package, attempt) for attempt in attempts[key]],
        }
        for key in LEARNERS if key in attempts
    ]


def _attempt(package: Package, attempt: Attempt) -> dict[str, Any]:
    launches = sorted(attempt.launches.all(), key=lambda launch: launch.pk)
    return {
        "sco": attempt.sco.number, "number": attempt.number, "status": attempt.status,
        "completion": attempt.core.get("completion_status"),
        "success": attempt.core.get("success_status"),
        "measure": kept.number(attempt.core.get("progress_measure")), "score": attempt.score,
        "milliseconds": sum(launch.milliseconds for launch in launches),
        "visits": len(launches), "location": attempt.location,
        "progress": len(attempt.core.get("suspend_data", "")),
        "started": attempt.started, "changed": attempt.changed,
        "interactions": answers.answers_of(package, attempt),
        "objectives": _objectives(package, attempt),
    }


def _objectives(package: Package, attempt: Attempt) -> list[dict[str, str]]:
    titles = PackageWords.model_validate(package.about).quizzes
    return [
        {"id": one["id"], "title": titles.get(one["id"], one.get("description") or one["id"]),
         "status": one.get("status") or data2004.in_one(
             one.get("completion_status", "unknown"), one.get("success_status", "unknown")),
         "score": one["score"].get("raw", "")}
        for one in attempt.core.get("objectives", ())]


@router.put("/packages/{package_id}/marks", response={204: None})
def mark_answer(request: HttpRequest, package_id: int, data: MarkIn) -> Status[Any]:
    """Give points and a comment for an answer that waits to be marked; without points, none."""
    launch = Launch.objects.select_related("attempt__sco__package").filter(
        pk=data.visit, attempt__sco__package=_package(request, package_id)
    ).first()
    if launch is None:
        raise not_found("answer to mark")
    answers.mark(launch, data.index, data.points, data.comment)
    return Status(204, None)


@router.get("/packages/{package_id}/learners/{learner}/calls", response=list[CallOut])
def list_calls(
    request: HttpRequest, package_id: int, learner: str, attempt: int, sco: int = 1,
    after: Annotated[int, Field(ge=0, le=10_000_000)] = 0,
    most: Annotated[int, Field(ge=1, le=5_000)] = 5_000,
) -> list[dict[str, Any]]:
    """Return the log of an attempt: `most` calls of the run-time API after so many, the oldest
    first."""
    package = _package(request, package_id)
    launches = Launch.objects.filter(
        attempt__sco__package=package, attempt__sco__number=sco,
        attempt__learner=learner, attempt__number=attempt)
    places = PackageWords.model_validate(package.about).places
    keys = launches.order_by("pk").values_list("pk", flat=True)
    visits = {key: n for n, key in enumerate(keys, 1)}
    calls = Call.objects.filter(launch__in=visits).order_by("launch", "index")
    return [
        {
            "visit": visits[call.launch_id], "at": call.at, "method": call.method,
            "words": explain(call.method, call.arguments, call.result, places),
            "arguments": call.arguments, "result": call.result, "error": call.error,
        }
        for call in calls[after:after + most]
    ]
