"""Quizzes: sections whose questions are drawn, taken and scored as one."""

from math import prod
from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from .kinds import Is, MaybeQuestionSet, MaybeSlide, SlideRef
from .model import Id, Model, Name
from .posts import Post
from .questions.settings import QuestionDefaults
from .style.theme import Theme

Level = Literal["easy", "medium", "hard"]
"""How hard the questions of a slide are."""

LEVELS: tuple[Level, ...] = ("easy", "medium", "hard")

Tag = Annotated[str, Field(min_length=1, max_length=40)]
"""A word of the author's for what a slide is about."""

Count = Annotated[int, Field(ge=0, le=5_000)]

MOST_ATTEMPTS = 100

LONGEST_WAIT = 43_200
"""Minutes that can be asked for between two attempts: 30 days."""

MOST_COUNTED = 5_000
"""So many ways to count for the balances of one set there may be: the product of their limits."""


class Together(Model):
    """Slides of a set that come together, one right after the other, in this order."""

    slides: tuple[SlideRef, ...] = Field(max_length=10)


class Balance(Model):
    """Of the questions that are drawn, at `least` and at `most` so many have a `tag` or a level.

    With a tag it is the tag that counts; None at `most` is any number.
    """

    tag: Tag | None = None
    level: Level = "hard"
    least: Annotated[int, Field(ge=0, le=200)] = 0
    most: Annotated[int, Field(ge=0, le=200)] | None = None

    def fits(self, tags: tuple[str, ...], level: Level | None) -> bool:
        """Return whether a slide with these `tags` and this `level` counts."""
        return level == self.level if self.tag is None else self.tag in tags


class QuestionSet(Model):
    """A set of a quiz: `take` so many of its questions at random (None: all).

    Where it is `shuffled`, slides come in any order but for those kept `first`, `last` and
    `together`; else in that of the course.
    """

    id: Annotated[Id, Is("set")]
    name: Name
    slides: tuple[SlideRef, ...] = Field(default=(), max_length=500)
    take: Count | None = None
    shuffled: bool = True
    first: MaybeSlide = None
    last: MaybeSlide = None
    together: tuple[Together, ...] = Field(default=(), max_length=20)
    balances: tuple[Balance, ...] = Field(default=(), max_length=4)

    @model_validator(mode="after")
    def _limits_fit(self) -> Self:
        if len(set(self.slides)) != len(self.slides):
            raise ValueError(f"a slide stands twice in the set “{self.name}”")
        if self.first is not None and self.first == self.last:
            raise ValueError(f"in the set “{self.name}” a slide is kept first and last")
        grouped = [slide for group in self.together for slide in group.slides]
        if len(set(grouped)) != len(grouped):
            raise ValueError(f"in the set “{self.name}” a slide is kept together twice")
        inside = set(self.slides)
        if not inside.issuperset({*grouped, self.first or "", self.last or ""} - {""}):
            raise ValueError(f"the set “{self.name}” keeps a slide in place that is not in it")
        if prod((b.least if b.most is None else b.most) + 1 for b in self.balances) > MOST_COUNTED:
            raise ValueError(
                f"the balances of the set “{self.name}” are too many to count: lower their numbers"
            )
        return self


MOST_OF_BAND = 1_000_000
MOST_OUTCOMES = 5

Way = Literal["course", "free", "onward"]
"""How learners move among the questions of an attempt."""

Review = Literal["always", "passed", "last", "never"]
"""When the questions of a finished attempt can be looked at again."""

Shows = Literal["answer", "right", "points", "attempts", "feedback"]
"""What a review shows of each question: the learner's answer, what is right, its points, how many
attempts it took, and the feedback to the answer."""

Banded = Literal["percent", "points", "right"]
"""What the bands of a quiz are ranges of."""


class Band(Model):
    """A range of results with a name: from `least` up to the next band of the same.

    It is in per cent, points or right answers, as the quiz has it: of all its questions, or `of`
    those of one set.
    """

    id: Annotated[Id, Is("band")]
    name: Name
    of: MaybeQuestionSet = None
    least: Annotated[float, Field(ge=0, le=MOST_OF_BAND)] = 0


class Quiz(Model):
    """How a section is drawn, taken and scored as a quiz.

    What is in no set stands before the first set or after the last, as in the course. So many
    sets are taken at random (`take`; None: all). They follow each other as listed (*kept*), in any
    order (*shuffled*), or what is drawn of all of them is shuffled as one (*mixed*). A further
    attempt gets a *new* draw, one with what is still *unseen* first, the *same*, or only what was
    *wrong*. Answers are judged question by question (*each*), or when the quiz is finished
    (*end*): until then they can be changed.

    It can be taken `attempts` times (None: as often as wanted); `counts` says which result counts.
    Its own `pass_mark` (per cent; None: as the course) has to be reached to pass the course; where
    the course is scored by weight, it has a `weight`. A `time_limit` (s) begins with the first
    drawn slide; it is `extendable` as those of questions are, and shown where `time_shown`; while
    the learner is elsewhere it goes on where it counts `away`. Between two attempts so many minutes
    have to pass (`wait`). Whoever comes to one of the `outcomes` has finished the attempt. `bands`
    are named ranges of the result (`banded`: of what), from the lowest.

    Learners move among the questions as in the *course*, in any order (*free*; with a button to
    leave one for `later`), or only *onward*.
    With an `overview` they see all questions of the attempt, can flag some, and can finish from
    there. A finished attempt can be looked at again as its `review` says; that `shows` of each
    question what is named there.

    The slide `details` asks for the learner's details before the first attempt, and never again.
    What each attempt came to is reported as `post` says; with `review_sent` there is no review
    before that has arrived. Its questions follow its `defaults` in what they do not set themselves.
    Its slides have the course's colours and fonts, or those of a `theme` of its own.
    """

    sets: tuple[QuestionSet, ...] = Field(default=(), max_length=50)
    take: Annotated[int, Field(ge=0, le=50)] | None = None
    order: Literal["kept", "shuffled", "mixed"] = "kept"
    again: Literal["new", "unseen", "same", "wrong"] = "new"
    attempts: Annotated[int, Field(ge=1, le=MOST_ATTEMPTS)] | None = None
    judged: Literal["each", "end"] = "each"
    counts: Literal["best", "last", "first", "mean"] = "best"
    pass_mark: Annotated[float, Field(ge=0, le=100)] | None = None
    weight: Annotated[float, Field(ge=0, le=1_000)] = 1
    time_limit: Annotated[int, Field(ge=10, le=86_400)] | None = None
    extendable: bool = True
    time_shown: bool = True
    outcomes: tuple[SlideRef, ...] = Field(default=(), max_length=MOST_OUTCOMES)
    bands: tuple[Band, ...] = Field(default=(), max_length=10)
    banded: Banded = "percent"
    way: Way = "course"
    later: bool = True
    overview: bool = False
    review: Review = "always"
    shows: Annotated[tuple[Shows, ...], Field(max_length=5)] = ("answer",)
    away: bool = False
    wait: Annotated[int, Field(ge=1, le=LONGEST_WAIT)] | None = None
    details: MaybeSlide = None
    post: Post | None = None
    review_sent: bool = False
    defaults: QuestionDefaults | None = None
    theme: Theme | None = None

    @model_validator(mode="after")
    def _sets_are_apart(self) -> Self:
        ids = [one.id for one in self.sets]
        slides = [slide for one in self.sets for slide in one.slides]
        if len(set(ids)) != len(ids):
            raise ValueError("two sets of a quiz have the same id")
        if len(set(slides)) != len(slides):
            raise ValueError("a slide is in two sets of a quiz")
        if set(slides) & set(self.outcomes):
            raise ValueError("an outcome slide is in a set of its quiz")
        if self.details in {*slides, *self.outcomes}:
            raise ValueError("the details slide of a quiz is in no set, and shows no outcome")
        for of in {band.of for band in self.bands}:
            limits = [band.least for band in self.bands if band.of == of]
            if len(set(limits)) != len(limits) or limits != sorted(limits):
                raise ValueError("the bands of a quiz begin at different results, the lowest first")
        if self.banded == "percent" and any(band.least > 100 for band in self.bands):
            raise ValueError("a band of a quiz begins at more than 100 per cent")
        return self
