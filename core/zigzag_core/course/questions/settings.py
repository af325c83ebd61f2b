"""Settings of questions that a quiz has defaults for."""

from typing import Annotated, Literal

from pydantic import Field

from .feedback import FeedbackPlace, OutcomeWords, ShownAlong

Points = Annotated[float, Field(ge=0, le=10_000)]

Setting = Literal[
    "points", "penalty", "unanswered", "partial", "attempts", "loss", "time_limit", "shuffle",
    "submit_is", "required", "show_right", "right", "partly", "wrong", "last", "time_up",
    "nothing", "answered", "place", "tells", "shows", "submit_label", "reset_label",
]
"""What a question can follow. Some are several fields that go along: see `FIELDS`."""

FIELDS: dict[Setting, tuple[str, ...]] = {
    "points": ("points",), "penalty": ("penalty", "floor"), "unanswered": ("unanswered",),
    "partial": ("partial",), "attempts": ("attempts",), "loss": ("attempt_loss",),
    "time_limit": ("time_limit", "extendable"), "shuffle": ("shuffle",),
    "submit_is": ("submit_is",), "required": ("required",), "show_right": ("show_right",),
}
"""The fields of a question, named alike in the defaults, that each of these settings stands for."""

WORDS: tuple[Setting, ...] = ("right", "partly", "wrong", "last", "time_up", "nothing", "answered")
"""Words of the feedback. Where the default is empty, each question keeps its own."""

DESIGN: tuple[Setting, ...] = ("place", "tells", "shows")
"""Fields of the feedback that say how it is shown."""

LABELS: dict[Setting, str] = {"submit_label": "submit", "reset_label": "reset"}
"""The words on a question's buttons, by what the button does. None where the default is empty."""

SETTINGS: tuple[Setting, ...] = (*FIELDS, *WORDS, *DESIGN, *LABELS)

Label = Annotated[str, Field(max_length=80)]


class QuestionDefaults(OutcomeWords):
    """What the questions of a quiz take where they follow it. The fields are those of a question.
    """

    points: Points = 1
    penalty: Points = 0
    floor: Annotated[float, Field(ge=-10_000, le=0)] = 0
    unanswered: Points = 0
    partial: Literal["none", "right_parts", "right_minus_wrong"] = "none"
    attempts: Annotated[int, Field(ge=1, le=100)] | None = 1
    attempt_loss: Annotated[float, Field(ge=0, le=1)] = 0
    time_limit: Annotated[int, Field(ge=1, le=86_400)] | None = None
    extendable: bool = True
    shuffle: bool = True
    submit_is: Literal["disabled", "hidden", "ready"] = "disabled"
    required: bool = False
    show_right: bool = False
    place: FeedbackPlace | None = None
    tells: bool | None = None
    shows: Annotated[tuple[ShownAlong, ...], Field(max_length=7)] = ()
    submit_label: Label = ""
    reset_label: Label = ""
