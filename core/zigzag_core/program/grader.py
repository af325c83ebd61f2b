"""How questions are judged, as both engines read it."""

from typing import Annotated, Literal

from zigzag_core.course.kinds import Is, Refers
from zigzag_core.course.model import Model
from zigzag_core.course.questions.descriptors import Form
from zigzag_core.course.questions.question import Accepts, Letters
from zigzag_core.course.questions.settings import Points
from zigzag_core.course.rules.expression import Node
from zigzag_core.course.text.rich_text import RichText

from .field_types import ElementName, PartName, ProgramId, SlideName, VariableName

Within = tuple[PartName, str, bool]


class GraderPart(Model):
    """Something that can be answered. What is `right` depends on the grader's form: for *choose*
    and *spots* ``("",)`` where it is to be given; for *pairs* the targets that it belongs on, one
    of them, or all where `endless`; for *texts* `accepts` says it; in an *order* a `level` one may
    stand before the one before it. The elements `also` stand for the same part."""

    id: Annotated[ProgramId, Is("part")]
    element: ElementName | None = None
    also: tuple[ElementName, ...] = ()
    words: str = ""
    right: tuple[Annotated[str, Refers(("part",), weak=True)], ...] = ()
    endless: bool = False
    level: bool = False
    points: float = 0
    accepts: Accepts | None = None
    how: Literal["typed", "list", "bank"] = "typed"
    options: tuple[str, ...] = ()


class GraderTarget(Model):
    """Where parts are placed; `takes` None is any number of them, `only` some of them if any."""

    id: Annotated[ProgramId, Is("part")]
    element: ElementName
    words: str
    takes: int | None = None
    only: tuple[PartName, ...] = ()


class GraderRow(Model):
    """A row of an answer table; the first that holds gives its points and words, if it has any.

    `asks` has a sign for each part of the grader: ``y`` it is given, ``n`` it is not, ``.`` any.
    `within` says of parts what is in them, or with False what is not.
    """

    asks: str = ""
    within: tuple[Within, ...] = ()
    at_least: int = 0
    points: float | None = None
    words: RichText | None = None


class GraderWords(Model):
    """Words of the feedback after one `result`, said where the `condition` holds.

    In place of the `row` words come those of the row of the answer table, if it has some.
    """

    result: Literal["right", "partly", "wrong", "neutral"]
    words: RichText
    condition: Node = True
    row: bool = False


class Grader(Model):
    """How one question is judged; its parts in the author's order, for *order* in the right one.

    `record` names the question in interaction records: letters, digits, ``-`` and ``_``.
    `at_most` limits what may be chosen, the marks of *spots*, the letters of *free* and of each of
    the *texts*; `needed` is how many right spots are enough; `found_at_once` and `clicks_spent` as
    in a hotspot. `counts` says what of an order counts. `time_limit` is in seconds, which learners
    may make longer where it is `extendable`; `returns` says when wrong items go back to where they
    were, `drops_count` whether a drop that went back counts as wrong. `attempt_points` are the most
    that the second, third … attempt gives. Where its quiz is finished without an answer, that costs
    `unanswered` points. Of questions of which one way asks only some, each adds its `most` to the
    points that can be reached (None: all of its `points`), and is not open any more once one of
    the variables in `closed_by` is true. `said` is the feedback to the final answer, for a review
    that shows it.
    """

    id: Annotated[ProgramId, Is("question")]
    slide: SlideName
    name: str
    record: str
    prompt: str
    kind: str
    form: Form
    purpose: Literal["scored", "practice", "survey"]
    parts: tuple[GraderPart, ...]
    targets: tuple[GraderTarget, ...] = ()
    rows: tuple[GraderRow, ...] = ()
    points: Points
    most: Points | None = None
    closed_by: tuple[VariableName, ...] = ()
    penalty: Points = 0
    floor: float = 0
    unanswered: Points = 0
    partial: Literal["none", "right_parts", "right_minus_wrong", "per_answer"] = "none"
    attempts: int | None
    attempt_loss: float = 0
    attempt_points: tuple[Points, ...] = ()
    at_least: int = 1
    at_most: int | None = None
    needed: int | None = None
    found_at_once: bool = False
    clicks_spent: bool = False
    counts: Literal["all", "pairs", "run"] = "all"
    arrange: Literal["snap", "stack", "tile", "line"] = "snap"
    time_limit: int | None = None
    extendable: bool = True
    returns: Literal["never", "at_once", "judged"] = "never"
    drops_count: bool = False
    at_once: bool = False
    on_leaving: bool = False
    show_right: bool = False
    shuffle: bool = False
    letters: Letters = "none"
    pinned: tuple[PartName, ...] = ()
    said: tuple[GraderWords, ...] = ()
