"""Rules as authors write them: *When* an event, *if* a condition holds, *do*, *otherwise* do.

Whatever a rule names, it names by id. An empty `of` stands for the rule's owner: the element,
overlay, slide or course that it was given to; the id ``this`` in an action stands for what the
event happened to, so that one rule can be given to many elements.
"""

from collections.abc import Mapping
from typing import Annotated, Literal

from pydantic import Field

from ..kinds import (
    CueRef,
    ElementRef,
    Is,
    Kind,
    MaybeDialogue,
    MediaRef,
    MoveRef,
    OverlayRef,
    QuestionRef,
    Refers,
    RefersBy,
    SetVariableRef,
    ShownRef,
    SlideRef,
    Unset,
)
from ..model import Id, Model, Name
from .expression import Expression

THIS = "this"
"""In an action, the element that the event happened to."""

Elements = Annotated[tuple[ElementRef, ...], Field(max_length=500)]
Seconds = Annotated[float, Field(ge=0, le=86_400)]


_NAMED: Mapping[str, Kind] = {
    "overlay_opened": "overlay", "overlay_closed": "overlay", "slide_entered": "slide",
    "slide_left": "slide", "all_seen": "pattern", "variable_changed": "variable",
    **dict.fromkeys((
        "answered_right", "answered_partly", "answered_wrong", "answered_last", "time_up",
        "answered", "answered_nothing", "judged"), "question"),
    **dict.fromkeys(("quiz_passed", "quiz_failed", "quiz_finished"), "section"),
    "turn_reached": "turn", "dialogue_ended": "turn", "reply_given": "reply",
}
"""What happens to something else than an element, and to what."""


def _happens_to(happens: "Happens") -> tuple[Kind, ...]:
    if happens.event == "timing_ended":
        return ("slide", "overlay")
    return (_NAMED.get(happens.event, "element"),)


class Happens(Model):
    """Something happens to one of `of`, or to the owner; *entered* is a new value in an input.

    *answered_wrong* is a wrong answer with tries left, *answered_last* one without; *judged* comes
    before any of them, *answered_nothing* where there is too little to submit. An attempt at a quiz
    is over: *quiz_passed* or *quiz_failed* where it is scored, then *quiz_finished*. Of a
    dialogue a *turn_reached*, a *reply_given*; *dialogue_ended* with one of these turns, or any.
    """

    event: Literal[
        "clicked", "double_clicked", "pointed_at", "pointed_away", "entered", "dropped_elsewhere",
        "timing_ended", "media_started", "media_paused", "media_ended", "overlay_opened",
        "overlay_closed", "slide_entered", "slide_left", "all_seen", "variable_changed",
        "answered_right", "answered_partly", "answered_wrong", "answered_last", "time_up",
        "answered", "answered_nothing", "judged", "quiz_passed", "quiz_failed", "quiz_finished",
        "turn_reached", "reply_given", "dialogue_ended",
    ] = "clicked"
    of: Annotated[
        tuple[Annotated[Id, RefersBy(_happens_to)], ...], Field(max_length=500)] = ()


class KeyPressed(Model):
    """A key, as the browser names it: ``a``, ``Enter``, ``ArrowLeft``."""

    event: Literal["key_pressed"] = "key_pressed"
    key: Annotated[str, Field(min_length=1, max_length=20)] = "Enter"


class Dropped(Model):
    """One of `of` (or the owner) is dropped `on` a target; None: on any of its targets."""

    event: Literal["dropped"] = "dropped"
    of: Elements = ()
    on: ElementRef | None = None


class CueReached(Model):
    """The timing of the owner reaches a cue."""

    event: Literal["cue_reached"] = "cue_reached"
    cue: CueRef


class MediaReached(Model):
    """A video or audio plays past `at` seconds."""

    event: Literal["media_reached"] = "media_reached"
    of: Elements = ()
    at: Seconds = 0


class Timer(Model):
    """`after` seconds on the slide, in the overlay or in the course; then `again` and again."""

    event: Literal["timer"] = "timer"
    after: Annotated[float, Field(ge=0.1, le=86_400)] = 5
    again: bool = False


When = Annotated[
    Happens | KeyPressed | Dropped | CueReached | MediaReached | Timer,
    Field(discriminator="event"),
]


class ToNext(Model):
    """To the next slide of the route."""

    to: Literal["next"] = "next"


class ToPrevious(Model):
    """To the slide visited before this one."""

    to: Literal["previous"] = "previous"


class ToSlide(Model):
    """To one slide."""

    to: Literal["slide"] = "slide"
    slide: SlideRef


class LeaveCourse(Model):
    """Out of the course; progress is kept."""

    to: Literal["leave"] = "leave"


Destination = Annotated[
    ToNext | ToPrevious | ToSlide | LeaveCourse, Field(discriminator="to")
]


class GoTo(Model):
    """Leave the slide for a destination."""

    action: Literal["go"] = "go"
    go: Destination = ToNext()


class ShowOrHide(Model):
    """Show, hide or toggle an element, a group or an overlay."""

    action: Literal["show", "hide", "toggle"] = "show"
    what: ShownRef


class EnableOrDisable(Model):
    """Let learners use an element or the members of a group, or not: they stay in sight."""

    action: Literal["enable", "disable"] = "disable"
    what: ElementRef


class GiveLook(Model):
    """Give an element a look; None gives it back the one that follows from its state."""

    action: Literal["look"] = "look"
    what: ElementRef
    look: Annotated[Annotated[Name, Refers(("look",))] | None, Unset()] = None


class Calculate(Model):
    """Set a variable to a value, add a value to it, or multiply it by one."""

    action: Literal["set", "add", "multiply"] = "set"
    variable: SetVariableRef
    value: Expression = 0


class Switch(Model):
    """Turn a yes into a no and a no into a yes."""

    action: Literal["switch"] = "switch"
    variable: SetVariableRef


class Pick(Model):
    """Set a variable at random: one of `texts`, or a whole number from `low` to `high`."""

    action: Literal["pick"] = "pick"
    variable: SetVariableRef
    low: Annotated[float, Field(ge=-1e6, le=1e6)] = 1
    high: Annotated[float, Field(ge=-1e6, le=1e6)] = 6
    texts: tuple[Annotated[str, Field(max_length=250)], ...] = Field(default=(), max_length=100)


class Take(Model):
    """Set a variable to what stands in an input."""

    action: Literal["take"] = "take"
    variable: SetVariableRef
    input: ElementRef


class PlayMedia(Model):
    """Play or pause a video or audio of the slide, or go to `at` seconds in it."""

    action: Literal["play", "pause", "seek"] = "play"
    what: ElementRef
    at: Seconds = 0


class MoveAlong(Model):
    """Start one of an element's moves."""

    action: Literal["move"] = "move"
    what: ElementRef
    move: MoveRef


class RunTiming(Model):
    """Start, stop or restart the timing of an overlay, or (None) of the slide."""

    action: Literal["start_timing", "stop_timing", "restart_timing"] = "start_timing"
    of: OverlayRef | None = None


class OfQuestion(Model):
    """Submit or reset a question, as its own button would."""

    action: Literal["submit", "reset"] = "reset"
    question: QuestionRef


class StartOver(Model):
    """Begin again, and go to the beginning of what is begun again.

    All of it is cleared: variables, answers, what was seen, shown, moved; but for what `keep`
    names. A `dialogue` is one of the slide (None: its first).
    """

    action: Literal["start_over"] = "start_over"
    what: Literal["slide", "section", "quiz", "course", "dialogue"] = "slide"
    keep: tuple[Literal["variables", "answers", "seen"], ...] = ()
    dialogue: MaybeDialogue = None


class Mark(Model):
    """Count the course as completed, passed or failed, whatever else it asks for."""

    action: Literal["mark"] = "mark"
    status: Literal["completed", "passed", "failed"] = "completed"


class OpenLink(Model):
    """Open a web page in a window of its own."""

    action: Literal["link"] = "link"
    address: Annotated[str, Field(max_length=2_000, pattern=r"^(https://[^\s\"'<>]+)?$")] = ""


class Print(Model):
    """Print this slide, without its buttons; browsers can save it as a PDF instead."""

    action: Literal["print"] = "print"


class Announce(Model):
    """Tell a text to a screen reader."""

    action: Literal["announce"] = "announce"
    text: Annotated[str, Field(max_length=1_000)] = ""


class PlaySound(Model):
    """Play a sound of the course once, wherever one is."""

    action: Literal["sound"] = "sound"
    media: MediaRef | None = None


class Wait(Model):
    """Go on with the actions that follow after some seconds, if the learner is still there."""

    action: Literal["wait"] = "wait"
    seconds: Annotated[float, Field(ge=0.1, le=3_600)] = 1


Action = Annotated[
    GoTo | ShowOrHide | EnableOrDisable | GiveLook | Calculate | Switch | Pick | Take | PlayMedia
    | MoveAlong | RunTiming | OfQuestion | StartOver | Mark | OpenLink | Print | Announce
    | PlaySound | Wait,
    Field(discriminator="action"),
]

Actions = Annotated[tuple[Action, ...], Field(max_length=50)]


class Rule(Model):
    """One sentence. Switched `off`, it stays in the document and never runs."""

    id: Annotated[Id, Is("rule")]
    when: When = Happens()
    condition: Expression = True
    do: Actions = ()
    otherwise: Actions = ()
    off: bool = False


Rules = Annotated[tuple[Rule, ...], Field(max_length=500)]
