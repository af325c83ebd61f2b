"""Questions: which elements ask, which answer, and how it is judged.

A question names its parts: the elements that are its answers, items, targets, spots, rows or
fields. Any element can be one; what is written in them stays the elements' own.
"""

from collections.abc import Iterator
from typing import Annotated, Literal

from annotated_types import MaxLen
from pydantic import Field

from ..kinds import ElementRef, Is, MaybeElement, MaybeSlide, PartRef
from ..model import Id, Model, Name
from ..text.rich_text import RichText
from .answer_row import AnswerRow, Count, PartPoints
from .feedback import Feedback
from .settings import Points, Setting

Number = Annotated[float, Field(ge=-1e15, le=1e15)]


class QuestionBase(Model):
    """What all kinds have in common: how an answer counts, and what comes after it.

    `points` for all right; `partial` says how parts count: not at all, by right ones, by right
    minus wrong, or by the points of each answer; `penalty` points are taken for a wrong answer,
    down to `floor`. `attempts` None is without end; each one costs `attempt_loss` (0..1) of the
    points, or gives at most the `attempt_points` of the second, third and so on. `time_limit` in
    seconds; where it is `extendable` learners can give themselves more (WCAG 2.2.1). It is judged
    on submit, at once when there is an answer, or on leaving the slide. With nothing to submit the
    button is disabled, hidden, or *ready*: then it says so. With `keeps` an unfinished answer is
    there again on coming back. One that is `required` must be answered to its end before the slide
    is left forward. Where a quiz is finished without an answer, that costs `unanswered` points.

    In a quiz that has defaults it `follows` these in the settings that it names, whatever it has
    there itself.
    """

    id: Annotated[Id, Is("question")]
    name: Name
    purpose: Literal["scored", "practice", "survey"] = "scored"
    prompt: MaybeElement = None
    submit: MaybeElement = None
    reset: MaybeElement = None
    points: Points = 1
    penalty: Points = 0
    floor: Annotated[float, Field(ge=-10_000, le=0)] = 0
    unanswered: Points = 0
    partial: Literal["none", "right_parts", "right_minus_wrong", "per_answer"] = "none"
    attempts: Annotated[int, Field(ge=1, le=100)] | None = 1
    attempt_loss: Annotated[float, Field(ge=0, le=1)] = 0
    attempt_points: Annotated[tuple[Points, ...], Field(max_length=10)] = ()
    time_limit: Annotated[int, Field(ge=1, le=86_400)] | None = None
    extendable: bool = True
    judged: Literal["submit", "at_once", "leaving"] = "submit"
    submit_is: Literal["disabled", "hidden", "ready"] = "disabled"
    required: bool = False
    keeps: bool = True
    show_right: bool = False
    after: Literal["stay", "next", "again"] = "stay"
    again_from: MaybeSlide = None
    feedback: Feedback = Feedback()
    table: Annotated[tuple[AnswerRow, ...], Field(max_length=4_096)] = ()
    follows: Annotated[tuple[Setting, ...], Field(max_length=40)] = ()


class Choice(Model):
    """One answer: an element, whether it is right, its own points and words.

    A `pinned` one keeps its place when the others are shuffled.
    """

    id: Annotated[Id, Is("part")]
    element: ElementRef
    right: bool = False
    pinned: bool = False
    points: PartPoints = 0
    says: RichText = RichText()


Choices = Annotated[tuple[Choice, ...], Field(max_length=26)]
Letters = Literal["none", "capital", "small", "number"]
"""What stands at the answers, in the order in which they are seen."""


class SingleChoice(QuestionBase):
    """Choose one of several."""

    kind: Literal["single_choice"] = "single_choice"
    choices: Choices = ()
    shuffle: bool = False
    letters: Letters = "none"


class MultipleResponse(QuestionBase):
    """Choose several, at least and at most so many; `at_most` None is all."""

    kind: Literal["multiple_response"] = "multiple_response"
    choices: Choices = ()
    shuffle: bool = False
    letters: Letters = "none"
    at_least: Count = 1
    at_most: Count | None = None


class TrueFalse(QuestionBase):
    """Whether a statement is true; the first choice says so."""

    kind: Literal["true_false"] = "true_false"
    choices: Annotated[tuple[Choice, ...], Field(max_length=2)] = ()


class NumberRange(Model):
    """An interval of accepted numbers, its ends among them."""

    low: Number
    high: Number


class Near(Model):
    """Numbers that are off from `value` by no more than `off`, or than so many per cent of it."""

    value: Number
    off: Annotated[float, Field(ge=0, le=1e15)] = 0
    per_cent: bool = False


class Accepts(Model):
    """Which words or numbers are right, and what may differ from them.

    With `typos` words of four letters and more may have one slip, from eight on two; a slip is
    a letter too many, missing, wrong, or swapped with the next one. `units` may follow a number.
    """

    words: Annotated[tuple[Annotated[str, Field(max_length=500)], ...], Field(max_length=100)] = ()
    ranges: Annotated[tuple[NumberRange, ...], Field(max_length=20)] = ()
    near: Annotated[tuple[Near, ...], Field(max_length=20)] = ()
    units: Annotated[tuple[Annotated[str, Field(max_length=20)], ...], Field(max_length=20)] = ()
    any_case: bool = True
    any_accents: bool = True
    any_spaces: bool = True
    any_punctuation: bool = True
    typos: bool = False


class Blank(Model):
    """A gap in a running text: typed, chosen from a list, or filled from the word bank.

    `others` are the wrong words of its list or of the bank.
    """

    id: Annotated[Id, Is("part")]
    points: PartPoints = 0
    how: Literal["typed", "list", "bank"] = "typed"
    accepts: Accepts = Accepts()
    others: Annotated[tuple[Annotated[str, Field(max_length=200)], ...], Field(max_length=50)] = ()


class FillBlanks(QuestionBase):
    """Words into the blanks of the element `text`."""

    kind: Literal["blanks"] = "blanks"
    text: MaybeElement = None
    blanks: Annotated[tuple[Blank, ...], Field(max_length=60)] = ()


class ShortText(QuestionBase):
    """A few words into the input `field`."""

    kind: Literal["short_text"] = "short_text"
    field: MaybeElement = None
    accepts: Accepts = Accepts()


class Numeric(QuestionBase):
    """A number into the input `field`."""

    kind: Literal["numeric"] = "numeric"
    field: MaybeElement = None
    accepts: Accepts = Accepts()


class OpenAnswer(QuestionBase):
    """Words of one's own, so many letters; a `model` answer may be shown afterwards."""

    kind: Literal["open_answer"] = "open_answer"
    field: MaybeElement = None
    at_least: Annotated[int, Field(ge=0, le=1_000)] = 0
    at_most: Annotated[int, Field(ge=1, le=1_000)] = 500
    model: RichText = RichText()


class Item(Model):
    """Something to place: right on any of the targets `to`, or on none. `endless` ones can be
    placed on several targets, and then belong on all of `to`."""

    id: Annotated[Id, Is("part")]
    element: ElementRef
    to: Annotated[tuple[PartRef, ...], Field(max_length=60)] = ()
    endless: bool = False
    points: PartPoints = 0
    says: RichText = RichText()


class Target(Model):
    """Where items are placed, and how many it takes; None is any number.

    With `only` it takes no others than those items.
    """

    id: Annotated[Id, Is("part")]
    element: ElementRef
    takes: Annotated[int, Field(ge=1, le=200)] | None = 1
    only: Annotated[tuple[PartRef, ...], Field(max_length=60)] = ()


Items = Annotated[tuple[Item, ...], Field(max_length=60)]
Targets = Annotated[tuple[Target, ...], Field(max_length=60)]


class Matching(QuestionBase):
    """Connect items with targets."""

    kind: Literal["matching"] = "matching"
    items: Items = ()
    targets: Targets = ()


class DragToTarget(QuestionBase):
    """Bring items onto targets, where they snap to the middle, stack or stand side by side.

    Items on a wrong target stay there, return at once, or return when it is judged and there is
    another try. Where they return at once and `drops_count`, each such drop counts as wrong.
    """

    kind: Literal["drag_to_target"] = "drag_to_target"
    items: Items = ()
    targets: Targets = ()
    arrange: Literal["snap", "stack", "tile"] = "tile"
    wrong_items: Literal["stay", "return_at_once", "return_when_judged"] = "stay"
    drops_count: bool = False


class InOrder(Model):
    """Something to be put in order; one with a `level` place may change it with the one before."""

    id: Annotated[Id, Is("part")]
    element: ElementRef
    level: bool = False


class Ordering(QuestionBase):
    """Put things in order; `items` stand in the right one.

    Judged by all of it, by the neighbours that are right, or by the longest run of them.
    """

    kind: Literal["ordering"] = "ordering"
    items: Annotated[tuple[InOrder, ...], Field(max_length=30)] = ()
    counts: Literal["all", "pairs", "run"] = "all"


class Spot(Model):
    """A place to click: an area, and those that are the same place `also`, on other pictures.

    One that is not `right` is a decoy.
    """

    id: Annotated[Id, Is("part")]
    element: ElementRef
    also: Annotated[tuple[ElementRef, ...], Field(max_length=10)] = ()
    right: bool = True
    points: PartPoints = 0
    says: RichText = RichText()


class Hotspot(QuestionBase):
    """Click the right places, on the picture or video `on`, or anywhere on the slide.

    `clicks` limits how many marks there can be; `needed` says how many right places are enough.
    What is `found_at_once` shows that it is right when it is clicked, and stays. Where
    `clicks_spent`, no mark can be taken back; where they are limited, too, a wrong one costs no
    more than the click.
    """

    kind: Literal["hotspot"] = "hotspot"
    on: MaybeElement = None
    spots: Annotated[tuple[Spot, ...], Field(max_length=60)] = ()
    clicks: Annotated[int, Field(ge=1, le=100)] | None = None
    needed: Annotated[int, Field(ge=1, le=60)] | None = None
    found_at_once: bool = False
    clicks_spent: bool = False


class Row(Model):
    """A statement to be rated: an input of scale points."""

    id: Annotated[Id, Is("part")]
    element: ElementRef


class RatingScale(QuestionBase):
    """How far one agrees, for each row; nothing is right or wrong."""

    kind: Literal["rating_scale"] = "rating_scale"
    purpose: Literal["scored", "practice", "survey"] = "survey"
    rows: Annotated[tuple[Row, ...], Field(max_length=30)] = ()


Question = Annotated[
    SingleChoice | MultipleResponse | TrueFalse | FillBlanks | ShortText | Numeric | Matching
    | Ordering | DragToTarget | Hotspot | OpenAnswer | RatingScale,
    Field(discriminator="kind"),
]

Part = Choice | Item | Target | InOrder | Spot | Row
"""A part of a question that is an element: what learners choose, move, put in order or rate."""

PART_LISTS = ("choices", "items", "targets", "spots", "rows")
"""Where questions keep the parts that are elements."""

SINGLE_PARTS = ("prompt", "submit", "reset", "field", "text", "on")


def most_parts(kind: type[QuestionBase], name: str) -> int:
    """Return how many parts the list `name` of a question of this `kind` holds at the most."""
    return next(rule.max_length for rule in kind.model_fields[name].metadata
                if isinstance(rule, MaxLen))


def part_elements(question: Question) -> Iterator[str]:
    """Yield the ids of the elements that `question` is made of."""
    for name in PART_LISTS:
        for part in getattr(question, name, ()):
            yield from elements_of(part)
    for name in SINGLE_PARTS:
        element = getattr(question, name, None)
        if element:
            yield element


def elements_of(part: Part) -> Iterator[str]:
    """Yield the elements that are one part of a question: mostly one."""
    yield part.element
    yield from part.held.get("also", ())


def answer_elements(question: QuestionBase) -> Iterator[str]:
    """Yield the elements without which the question asks nothing: all but its buttons and words."""
    for name in PART_LISTS:
        for part in getattr(question, name, ()):
            yield from elements_of(part)
    for name in ("field", "text"):
        element = getattr(question, name, None)
        if element:
            yield element


def part_ids(question: QuestionBase) -> Iterator[str]:
    """Yield the ids of the question's parts, rows of its table, and blanks; not its own."""
    for name in (*PART_LISTS, "blanks", "table"):
        yield from (part.id for part in getattr(question, name, ()))


def with_enough_clicks(question: Question) -> Question:
    """Return a hotspot with no fewer clicks than there are places to find; others as they are."""
    if not isinstance(question, Hotspot) or question.clicks is None:
        return question
    right = sum(spot.right for spot in question.spots)
    clicks = max(question.clicks, min(question.needed or right, right))
    return question.model_copy(update={"clicks": clicks})
