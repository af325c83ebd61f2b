"""What is said after an answer, and how that looks throughout a course."""

from typing import Annotated, Literal

from pydantic import Field

from ..kinds import MaybeMedia, MaybeOverlay, MaybeSlide
from ..model import Model, Paint
from ..style.style import Style
from ..text.rich_text import RichText

Outcome = Literal["right", "partly", "wrong", "last", "time_up", "nothing", "answered"]
"""What an answer comes to: right, partly right or wrong with tries left, the last one that was
not right, no time left, nothing answered yet, or answered where nothing is judged."""

FeedbackPlace = Literal["below", "beside", "over"]


class ShownAlong(Model):
    """What comes with the words after an outcome: a picture, a sound."""

    after: Outcome
    picture: MaybeMedia = None
    alt: Annotated[str, Field(max_length=1_000)] = ""
    sound: MaybeMedia = None


class Shown(ShownAlong):
    """What comes with the words; or an `overlay` of the slide opens instead of them."""

    overlay: MaybeOverlay = None


class OutcomeWords(Model):
    """What is said after each `Outcome`."""

    right: RichText = RichText()
    partly: RichText = RichText()
    wrong: RichText = RichText()
    last: RichText = RichText()
    time_up: RichText = RichText()
    nothing: RichText = RichText()
    answered: RichText = RichText()


class Feedback(OutcomeWords):
    """What is said after each `Outcome`, and what is shown with it.

    `hints` are said besides, one after each try that was not the last and not right.
    `read_again` is the slide that explains it; a button leads there, and another one back.
    `place` and `tells` (how it was judged) None are those of the course's design.
    """

    hints: Annotated[tuple[RichText, ...], Field(max_length=10)] = ()
    read_again: MaybeSlide = None
    place: FeedbackPlace | None = None
    tells: bool | None = None
    shows: Annotated[tuple[Shown, ...], Field(max_length=7)] = ()


Title = Annotated[str, Field(max_length=80)]


class ToneDesign(Model):
    """How feedback of one tone begins: its title, who says it (a picture), its sound and colour.

    An empty title is the usual one.
    """

    title: Title = ""
    speaker: MaybeMedia = None
    sound: MaybeMedia = None
    colour: Paint | None = None


class FeedbackDesign(Model):
    """How feedback looks throughout the course: where it stands, how wide (px), in what style.

    With `tells` it says how the answer was judged, in points where it is scored.
    """

    place: FeedbackPlace = "below"
    w: Annotated[float, Field(ge=280, le=4_000)] = 720
    dims: bool = True
    tells: bool = False
    style: Style = Style(size=24)
    right: ToneDesign = ToneDesign()
    partly: ToneDesign = ToneDesign()
    wrong: ToneDesign = ToneDesign()
    plain: ToneDesign = ToneDesign()
