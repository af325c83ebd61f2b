"""What happens to a run from outside, and what the outside must do: JSON of a few fixed forms.

``web/api/events.ts`` is made from this file.
"""

from typing import Literal, NotRequired, TypedDict

Value = bool | float | str
"""What a variable, an input or an answer holds."""


class Start(TypedDict):
    """The course begins: at the slide `target`, or at the first.

    It is `now` (s since 1970, UTC) and so many minutes more where the learner is (`zone`).
    """

    event: Literal["start"]
    target: NotRequired[str | None]
    now: NotRequired[float]
    zone: NotRequired[float]


class Resume(TypedDict):
    """The learner goes on after having been away; `now` and `zone` as at the start."""

    event: Literal["resume"]
    now: NotRequired[float]
    zone: NotRequired[float]


class Flagged(TypedDict):
    """A slide of a quiz gets the learner's flag, or loses it."""

    event: Literal["flagged"]
    target: str
    on: bool


class On(TypedDict):
    """Something is done to one thing: an element, a slide to go to, an overlay to close."""

    event: Literal["clicked", "double_clicked", "slide", "close"]
    target: str


class Pointed(TypedDict):
    """The pointer comes onto an element, or goes `away` from it."""

    event: Literal["pointed"]
    target: str
    away: bool


class Key(TypedDict):
    """A key is pressed; `key` as in `KeyboardEvent.key` of the DOM."""

    event: Literal["key"]
    key: str


class Entered(TypedDict):
    """A value is entered into an input, or (from a rehearsal) a variable is *set* to one."""

    event: Literal["entered", "set"]
    target: str
    value: Value


class Answered(TypedDict):
    """A part of a question gets a value."""

    event: Literal["answered"]
    question: str
    part: str
    value: Value


class Dropped(TypedDict):
    """An element is dropped at an offset (px) from its place, on another one or on none."""

    event: Literal["dropped"]
    target: str
    on: str | None
    x: float
    y: float


class Media(TypedDict):
    """A video or sound started, paused or came to its end."""

    event: Literal["media"]
    target: str
    what: Literal["started", "paused", "ended", "failed"]


class Played(TypedDict):
    """A stretch (ms) of a video or sound was really played."""

    event: Literal["played"]
    target: str
    since: float
    until: float


class Pause(TypedDict):
    """What moves by itself is to pause, or to go `on`."""

    event: Literal["pause"]
    on: bool


class MoreTime(TypedDict):
    """Time limits are `factor` times as long; 0: there are none."""

    event: Literal["more_time"]
    factor: float


class Speed(TypedDict):
    """Clocks, moves, videos and audio run at so many per cent of their speed."""

    event: Literal["speed"]
    percent: float


class Sent(TypedDict):
    """The report of an attempt at a quiz has arrived everywhere."""

    event: Literal["sent"]
    quiz: str
    attempt: int


class Plain(TypedDict):
    """Something that says all by its name."""

    event: Literal["next", "previous", "leave", "postpone", "finish"]


class Tick(TypedDict):
    """So many ms have passed."""

    event: Literal["tick"]
    ms: float


Event = (Start | Resume | Flagged | On | Pointed | Key | Entered | Answered | Dropped | Media
         | Played | Pause | MoreTime | Speed | Sent | Plain | Tick)


class Moved(TypedDict):
    """Another slide is shown."""

    effect: Literal["moved"]
    slide: str


class Left(TypedDict):
    """The course is to be left."""

    effect: Literal["leave"]


class Announced(TypedDict):
    """Words are to be told to a screen reader."""

    effect: Literal["announce"]
    text: str


class Closed(TypedDict):
    """The way on was tried while the gate of a slide is closed."""

    effect: Literal["closed"]
    slide: str
    message: str


class PlayMedia(TypedDict):
    """A video or sound is to play, to pause, or to go to `at` (seconds)."""

    effect: Literal["media"]
    element: str
    run: Literal["play", "pause", "seek"]
    at: int


class PlaySound(TypedDict):
    """A sound is to be heard once."""

    effect: Literal["sound"]
    media: str


class OpenLink(TypedDict):
    """A web address is to be opened."""

    effect: Literal["link"]
    address: str


class PrintSlide(TypedDict):
    """The slide that is shown is to be printed."""

    effect: Literal["print"]


class Report(TypedDict):
    """What an attempt at a quiz came to is to be sent; one `id` is sent once.

    Its `fields` are pairs of a name and a text.
    """

    effect: Literal["report"]
    quiz: str
    attempt: int
    id: str
    fields: list[tuple[str, str]]


class Loop(TypedDict):
    """Rules that set each other off were stopped."""

    effect: Literal["loop"]
    rules: list[str]


class StatusChanged(TypedDict):
    """Whether the course is completed, and how it went, is otherwise than before."""

    effect: Literal["status"]
    completed: bool
    success: Literal["unknown", "passed", "failed"]


class AnswerJudged(TypedDict):
    """An attempt at a question was judged. `latency` in ms."""

    effect: Literal["answered"]
    question: str
    attempt: int
    given: list[tuple[str, str]]
    result: Literal["right", "partly", "wrong", "neutral"]
    points: float
    latency: int


Effect = (Moved | Left | Announced | Closed | PlayMedia | PlaySound | OpenLink | PrintSlide
          | Report | Loop | StatusChanged | AnswerJudged)


class Ran(TypedDict):
    """A rule that ran: on what event of what thing, and whether its condition held."""

    event: str
    target: str
    rule: str
    held: bool
