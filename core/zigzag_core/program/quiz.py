"""What a quiz is compiled to: slides that are drawn for each learner, and put in order."""

from typing import Annotated, Literal

from pydantic import Field

from zigzag_core.course.kinds import Is, Refers
from zigzag_core.course.model import Model
from zigzag_core.course.posts import PostForm
from zigzag_core.course.quizzes import Banded, Review, Shows, Way
from zigzag_core.course.style.theme import Theme

from .field_types import MediaName, ProgramId, SlideName, VariableOrLive


class DrawnUnit(Model):
    """Slides that come together, in this order.

    So many of them are `questions`; one without any always comes. For each limit of its set,
    `counts` says how many of its questions count there. When it comes, a `pin` keeps it first or
    last.
    """

    slides: tuple[SlideName, ...]
    questions: int = 1
    counts: tuple[int, ...] = ()
    pin: Literal["none", "first", "last"] = "none"


class DrawLimit(Model):
    """Of what counts there are at `least` and at `most` so many (None: any number)."""

    least: int = 0
    most: int | None = None


class DrawnSet(Model):
    """A set: so many questions to `take` (None: all), within `limits`, and whether it is shuffled.
    """

    id: Annotated[ProgramId, Is("set")]
    units: tuple[DrawnUnit, ...]
    take: Annotated[int, Field(ge=0)] | None = None
    shuffled: bool = True
    limits: tuple[DrawLimit, ...] = ()


Again = Literal["new", "unseen", "same", "wrong"]

Counts = Literal["best", "last", "first", "mean"]

SetOrder = Literal["kept", "shuffled", "mixed"]
"""Sets follow each other as listed or in any order; or what is drawn of all is shuffled as one."""


class ProgramBand(Model):
    """A named range of results, from `least` up to the next band of the same set, or of all."""

    id: Annotated[ProgramId, Is("band")]
    name: str
    of: Annotated[ProgramId, Refers(("set",))] | None = None
    least: float


class ProgramTag(Model):
    """A tag, and the slides of a quiz that have it."""

    name: str
    slides: tuple[SlideName, ...]


class ProgramPostField(Model):
    """A field of a report, and the variable or value of the course that stands in it."""

    name: str
    of: VariableOrLive


class ProgramPost(Model):
    """What a report has in it, and where it goes: to the package's `receiver`, a `web` address."""

    fields: tuple[ProgramPostField, ...] = ()
    answers: bool = True
    receiver: bool = True
    web: str = ""
    form: PostForm = "json"


class ProgramQuiz(Model):
    """A quiz: what opens it, sets of which so many are taken (`take`; None: all), what closes it.

    `slides` are all that it has, in the order of the course. A further attempt is drawn anew, with
    what is still *unseen* first, is the *same*, or has only what was *wrong*.

    It can be taken so many `attempts` (None: any number), of which one `counts`. With a
    `pass_mark` of its own (per cent) it has to be passed to pass the course. Its name in the
    records of an LMS is `record`. The `time_limit` is in seconds, and goes on `away` from the
    questions; `wait` is in minutes. Who comes to one of the `outcomes` has finished. `bands`
    stand from the lowest; they are `banded` by something. The slide `details` comes before the
    first attempt only. With a `theme` (in whose colours it has some `drawings`, by their URLs)
    its slides have that. A quiz with a `post` has a `title`. What a review `shows` of each
    question is as in the document.
    """

    id: Annotated[ProgramId, Is("section")]
    slides: tuple[SlideName, ...]
    opening: tuple[SlideName, ...] = ()
    sets: tuple[DrawnSet, ...] = ()
    tags: tuple[ProgramTag, ...] = ()
    closing: tuple[SlideName, ...] = ()
    take: Annotated[int, Field(ge=0)] | None = None
    order: SetOrder = "kept"
    again: Again = "new"
    attempts: int | None = None
    counts: Counts = "best"
    pass_mark: float | None = None
    weight: float = 1
    record: str = ""
    time_limit: int | None = None
    extendable: bool = True
    time_shown: bool = True
    outcomes: tuple[SlideName, ...] = ()
    bands: tuple[ProgramBand, ...] = ()
    banded: Banded = "percent"
    way: Way = "course"
    later: bool = True
    overview: bool = False
    review: Review = "always"
    shows: tuple[Shows, ...] = ("answer",)
    away: bool = False
    wait: int | None = None
    details: SlideName | None = None
    theme: Theme | None = None
    drawings: dict[MediaName, str] = {}
    title: str = ""
    post: ProgramPost | None = None
    review_sent: bool = False
