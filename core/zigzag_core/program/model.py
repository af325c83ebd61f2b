"""A program: slides with elements, overlays and rules over few primitives, as JSON.

Everything an author makes from a block (a question, its feedback) is here already taken apart
into elements, overlays, rules, expressions and graders. Both engines read exactly this.
"""

from collections.abc import Mapping
from typing import Annotated, Any, Literal

from pydantic import Field

from zigzag_core.course import (
    Background,
    Caption,
    Chapter,
    Completion,
    Element,
    Navigation,
    NavigationHere,
    Onward,
    Remembered,
    SlideSize,
    Theme,
    ToNext,
    Variable,
)
from zigzag_core.course.document import Scoring
from zigzag_core.course.kinds import Is, Refers
from zigzag_core.course.model import Id, Model, Paint
from zigzag_core.course.questions.feedback import FeedbackPlace
from zigzag_core.course.rules.expression import Expression
from zigzag_core.course.rules.timing import Effect
from zigzag_core.course.style.style import LookId, Share, Style

from .field_types import (
    ClockName,
    Detail,
    ElementName,
    HappensTo,
    MediaName,
    MoveName,
    OverlayName,
    PartName,
    ProgramId,
    QuestionName,
    QuizName,
    SetVariableName,
    ShownName,
    SlideName,
    TargetName,
    VariableName,
)
from .grader import Grader
from .quiz import ProgramQuiz


class Go(Model):
    """Go to a slide; with `back` the learner is offered the way back to the present one."""

    do: Literal["go"] = "go"
    to: Literal["next", "previous", "slide", "leave"]
    slide: SlideName | None = None
    back: bool = False


class Stay(Model):
    """Do not leave the slide after all, where an answer was judged on leaving."""

    do: Literal["stay"] = "stay"


class Show(Model):
    """Show an element or group."""

    do: Literal["show"] = "show"
    element: ShownName


class Hide(Model):
    """Hide an element or group."""

    do: Literal["hide"] = "hide"
    element: ShownName


class Toggle(Model):
    """Hide what is shown and show what is hidden."""

    do: Literal["toggle"] = "toggle"
    element: ShownName


class Enable(Model):
    """Let the learner use an element, or the members of a group, again."""

    do: Literal["enable"] = "enable"
    element: ElementName


class Disable(Model):
    """Let an element, or the members of a group, be of no use, but in sight."""

    do: Literal["disable"] = "disable"
    element: ElementName


class SetLook(Model):
    """Give an element a look; None gives it back the one that follows from its state."""

    do: Literal["look"] = "look"
    element: ElementName
    look: Annotated[LookId | None, Refers(("look",), weak=True)]


class SetVariable(Model):
    """Set a variable to the value of an expression."""

    do: Literal["set"] = "set"
    variable: SetVariableName
    value: Expression


class PickNumber(Model):
    """Set a variable to a whole number from `low` to `high`, at random."""

    do: Literal["pick"] = "pick"
    variable: SetVariableName
    low: float
    high: float
    texts: tuple[str, ...] = ()


class OpenOverlay(Model):
    """Open an overlay on top of those that are open."""

    do: Literal["open"] = "open"
    overlay: OverlayName


class CloseOverlay(Model):
    """Close an overlay."""

    do: Literal["close"] = "close"
    overlay: OverlayName


class Choose(Model):
    """Choose a part of a question, or take the choice back."""

    do: Literal["choose"] = "choose"
    question: QuestionName
    part: PartName


class Submit(Model):
    """Judge the answer that is given now."""

    do: Literal["submit"] = "submit"
    question: QuestionName


class Reset(Model):
    """Clear a question: answer, attempts, points and lock; or the `answer_only`, while it is open.
    """

    do: Literal["reset"] = "reset"
    question: QuestionName
    answer_only: bool = False


class Clear(Model):
    """Bring things back to how the course begins; `slides` forget that they were seen."""

    do: Literal["clear"] = "clear"
    slides: tuple[SlideName, ...] = ()
    elements: tuple[ElementName, ...] = ()
    questions: tuple[QuestionName, ...] = ()
    variables: tuple[SetVariableName, ...] = ()


class DrawAgain(Model):
    """Draw a quiz anew, for the next attempt.

    Where no attempt is left, it `stops` the actions after it; else they leave the quiz as it is.
    """

    do: Literal["draw"] = "draw"
    quiz: QuizName
    stops: bool = True


class Enter(Model):
    """Go to a slide as if for the first time, even if it is the one that is shown."""

    do: Literal["enter"] = "enter"
    slide: SlideName


class MoveElement(Model):
    """Run one of an element's moves from its start."""

    do: Literal["move"] = "move"
    element: ElementName
    move: MoveName


class RunClock(Model):
    """Start, stop or restart the timing of a slide or overlay."""

    do: Literal["clock"] = "clock"
    of: ClockName
    run: Literal["start", "stop", "restart"]


class PlayMedia(Model):
    """Play or pause a video or audio, or jump to `at` ms in it."""

    do: Literal["media"] = "media"
    element: ElementName
    run: Literal["play", "pause", "seek"]
    at: int = 0


class PlaySound(Model):
    """Play a sound once, without an element."""

    do: Literal["sound"] = "sound"
    media: MediaName


class OpenLink(Model):
    """Open an address in a new window."""

    do: Literal["link"] = "link"
    address: str


class Print(Model):
    """Print the slide that is shown."""

    do: Literal["print"] = "print"


class Mark(Model):
    """Tell the LMS that the course is completed, passed or failed."""

    do: Literal["mark"] = "mark"
    status: Literal["completed", "passed", "failed"]


class Wait(Model):
    """Go on with the actions after this one in `ms`, unless the slide was left."""

    do: Literal["wait"] = "wait"
    ms: int


class Announce(Model):
    """Tell it to a screen reader."""

    do: Literal["announce"] = "announce"
    text: str


Action = Annotated[
    Go | Stay | Enter | Show | Hide | Toggle | Enable | Disable | SetLook | SetVariable
    | PickNumber | OpenOverlay | CloseOverlay | Choose | Submit | Reset | Clear | DrawAgain
    | MoveElement | RunClock | PlayMedia | PlaySound | OpenLink | Print | Mark | Announce
    | Wait,
    Field(discriminator="do"),
]

Event = Literal[
    "clicked", "double_clicked", "pointed_at", "pointed_away", "key_pressed", "entered",
    "dropped", "dropped_elsewhere", "cue_reached", "timing_ended", "timer",
    "media_started", "media_paused", "media_ended", "media_reached",
    "slide_entered", "slide_left", "overlay_opened", "overlay_closed", "all_seen",
    "variable_changed", "answered_right", "answered_partly", "answered_wrong", "answered_last",
    "time_up", "answered", "answered_nothing",
    "judged", "quiz_passed", "quiz_failed", "quiz_finished",
]
"""What a rule may wait for; *entered* when an input got a new value. A question raises
*answered_right*; or *answered_partly* or *answered_wrong* while tries are left, *answered_last*
when none is, *time_up* when there is no more time; or *answered* where nothing is judged;
before each of them *judged*. Where there is too little to submit it raises *answered_nothing*.
An attempt at a quiz that is over raises *quiz_passed* or *quiz_failed*, then *quiz_finished*."""

COURSE = "course"
"""Owner of the timers that run throughout the course."""


class ProgramRule(Model):
    """When `on` happens to `target` (None: anything): `then` if `condition`, else `otherwise`.

    `detail` narrows it down: the key, the drop target, the cue, the ms reached in a video. A
    *timer* has its owner as target, and goes off `after` ms, or every so many.
    """

    id: Annotated[ProgramId, Is("rule")]
    on: Event
    target: HappensTo = None
    detail: Detail = None
    after: int = 0
    again: bool = False
    block: bool = False
    condition: Expression = True
    then: tuple[Action, ...] = ()
    otherwise: tuple[Action, ...] = ()


AUTHORS_OWN: Mapping[str, Any] = {
    "rules": (), "own": (), "named_style": None, "slot": None, "locked": False,
    "hidden_while_editing": False, "overlay": None, "shown": True,
}
"""What only the author of an element needs: in a program these fields have these values."""


class Span(Model):
    """From when until when (ms of its clock; None: to the end) a cue shows an element."""

    at: int
    until: int | None = None
    enters: Effect = "none"
    leaves: Effect = "none"


class ProgramElement(Model):
    """An element as drawn (`draw`, without its authors' rules) and what it takes part in.

    `selected` gives it the look of that name, and tells screen readers; what it opens or closes
    is `reveals`. `words` are said instead of its own; of the question `row_of` those of the row
    of its answer table that was taken, where it has some. With `spans` it is there only then, by
    the clock of its slide or overlay. A *wiper* is cut off at the share (0..100) in `variable`.
    """

    draw: Element
    control: Literal[
        "none", "button", "choice", "input", "check", "wiper", "field", "blanks", "item", "target",
        "ranked", "spot", "ground",
    ] = "none"
    question: QuestionName | None = None
    part: TargetName | None = None
    variable: VariableName | None = None
    reveals: OverlayName | None = None
    visible: Expression = True
    enabled: Expression = True
    selected: Expression = False
    words: Expression | None = None
    row_of: QuestionName | None = None
    spans: tuple[Span, ...] = ()
    rules: tuple[ProgramRule, ...] = ()


class ClockCue(Model):
    """At `at` ms of its clock: rules may wait for it; it may start a move, or a video or audio.

    `uncovers` names an element that appears or leaves now, whatever rules have said before.
    """

    id: Annotated[ProgramId, Is("cue")]
    at: int
    uncovers: ElementName | None = None
    element: ElementName | None = None
    move: MoveName | None = None
    plays: bool = False


class Clock(Model):
    """A time axis of `length` ms; its cues in the order of time.

    It *follows* a video or audio, where it names one: then it is where that is.
    """

    length: int = 0
    follows: ElementName | None = None
    starts: bool = True
    repeats: bool = False
    cues: tuple[ClockCue, ...] = ()


class ProgramOverlay(Model):
    """Elements that open over the slide, under a title.

    As a `panel` they stand under each other, `w` px wide, at the `place` on the slide, and take
    the height they need; else they stand where they were put on the slide. The picture of who
    is the `speaker` stands beside them. It opens when `opens` comes to hold, and closes when that
    holds no longer; rules open and close it besides.
    """

    id: Annotated[ProgramId, Is("overlay")]
    title: str
    panel: bool = True
    tone: Literal["plain", "right", "partly", "wrong"] = "plain"
    place: FeedbackPlace = "below"
    w: float = 720
    style: Style | None = None
    colour: Paint | None = None
    speaker: MediaName | None = None
    blocks: bool = True
    dims: bool = True
    pauses: bool = False
    closes_others: bool = False
    on_escape: bool = True
    on_outside: bool = False
    resets: bool = True
    opens: Expression = False
    clock: Clock | None = None
    elements: tuple[ProgramElement, ...] = ()
    rules: tuple[ProgramRule, ...] = ()


class GateField(Model):
    """An input that has to be filled in, and when it is."""

    label: str
    condition: Expression


class GateMedia(Model):
    """A video or audio of which a `share` (0..1) must have been played."""

    element: ElementName
    share: Share


class ProgramGate(Model):
    """What must hold to go forward; with `for_good` it stays open once it was.

    The condition holds only when those of all `fields` do. `watched` is what has to be played.
    """

    condition: Expression
    fields: tuple[GateField, ...] = ()
    watched: tuple[GateMedia, ...] = ()
    meanwhile: Literal["hidden", "disabled", "message"] = "message"
    message: str = ""
    for_good: bool = True


class Fork(Model):
    """A way onward that is taken when its condition holds; the first that does."""

    condition: Expression
    slide: SlideName


class PersonOnStage(Model):
    """Where a person stands: the middle at so many % of the stage, `size` % of its height high.

    Without a place of their own people stand side by side.
    """

    name: str
    at: float | None
    size: float
    flipped: bool = False


class SaidEntry(Model):
    """What can be said or happen in a dialogue.

    The words of a *line*, a *reply* or *advice* are those of an element. A line has the number of
    its person, who shows a `picture`; advice that comes `later` is given with the end. A
    *backdrop* is a picture, a *sound* a file, a *pause* some ms; after so many a reply is taken by
    itself, where it has any.
    """

    kind: Literal["line", "reply", "advice", "backdrop", "sound", "pause"]
    element: ElementName | None = None
    person: int | None = None
    mood: str = ""
    picture: MediaName | None = None
    sound: MediaName | None = None
    ms: int = 0
    later: bool = False


class ShownMeter(Model):
    """A variable that is seen beside a dialogue, from `low` to `high`."""

    variable: VariableName
    low: float
    high: float


class ProgramDialogue(Model):
    """Elements of a slide that are seen as people who talk, in a box of the slide (px).

    What was said stands in the text variable `said`, the newest first: a character for each of
    `entries`, from `LIMITS.first_said` on. `buttons` are the replies and what leads on. At its end
    it may be started `again`, or gone `back` in. How each line `appears` is told by the document.
    """

    id: Annotated[ProgramId, Is("dialogue")]
    title: str
    x: float
    y: float
    w: float
    h: float
    said: VariableName
    entries: tuple[SaidEntry, ...]
    people: tuple[PersonOnStage, ...] = ()
    buttons: tuple[ElementName, ...] = ()
    again: ElementName | None = None
    back: ElementName | None = None
    appears: Literal["at_once", "by_sentence", "as_spoken"] = "at_once"
    meters: tuple[ShownMeter, ...] = ()


class ProgramSlide(Model):
    """A slide with what its layout and the named styles give it. `onward`: where *next* leads."""

    id: Annotated[Id, Is("slide")]
    title: str
    onward: Onward = ToNext()
    forks: tuple[Fork, ...] = ()
    transcript: str = ""
    background: Background
    elements: tuple[ProgramElement, ...] = ()
    overlays: tuple[ProgramOverlay, ...] = ()
    clock: Clock | None = None
    gate: ProgramGate | None = None
    navigation: NavigationHere = NavigationHere()
    rules: tuple[ProgramRule, ...] = ()
    dialogues: tuple[ProgramDialogue, ...] = ()


class SeenSet(Model):
    """Elements of a slide that count as seen once they were clicked."""

    id: Annotated[ProgramId, Is("pattern")]
    slide: SlideName
    of: tuple[ElementName, ...]


class ProgramObjective(Model):
    """An objective of which an LMS is told beside the quizzes, under the name `record`.

    It is *passed*, *failed* or *completed* under conditions, asked in this order. Its `questions`
    give at `most` so many points together; with 0 it has no score.
    """

    record: str
    title: str = ""
    questions: tuple[QuestionName, ...] = ()
    most: float = 0
    passed: Expression = False
    failed: Expression = False
    completed: Expression = False


class ProgramSpeech(Model):
    """The words that are said in a file, and the ms from which on each of them is heard."""

    words: str
    since: tuple[int, ...]


class ProgramMedia(Model):
    """Where a media file is (a relative URL in a package), its size in px, its length in ms.

    The `speech` is there where something goes by its words.
    """

    src: str
    type: str = "image/png"
    w: int = 0
    h: int = 0
    duration: int = 0
    soundless: bool = False
    captions: tuple[Caption, ...] = ()
    chapters: tuple[Chapter, ...] = ()
    speech: ProgramSpeech | None = None


class ProgramSound(Model):
    """A sound that plays in the background of `slides`, lowered while something else is heard."""

    media: MediaName
    volume: float
    lowered: float
    slides: tuple[SlideName, ...]


class Program(Model):
    """A compiled course: all that the player needs, and nothing of the author's own.

    `words` are the player's, where they are not the English ones. Of the videos and audio in
    `watched` something asks how much was played: of narration nothing else is kept.
    """

    format: Literal[5] = 5
    course: Id
    title: str
    language: str
    words: dict[str, str] = {}
    size: SlideSize
    theme: Theme = Theme()
    slides: tuple[ProgramSlide, ...]
    variables: tuple[Variable, ...] = ()
    questions: tuple[Grader, ...] = ()
    sets: tuple[SeenSet, ...] = ()
    quizzes: tuple[ProgramQuiz, ...] = ()
    objectives: tuple[ProgramObjective, ...] = ()
    watched: tuple[ElementName, ...] = ()
    rules: tuple[ProgramRule, ...] = ()
    navigation: Navigation = Navigation()
    media: dict[Annotated[Id, Is("medium")], ProgramMedia] = {}
    sounds: tuple[ProgramSound, ...] = ()
    completion: Completion
    pass_mark: float
    scoring: Scoring = "points"
    remembered: Remembered


