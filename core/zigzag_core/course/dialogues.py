"""Dialogues: people who talk, and what the learner may reply.

What is said stands in *beats*: lines, then the replies to them. A turn is beats under a name, to
which replies lead; other beats stand behind one reply. All beats of a dialogue are listed in one
place, in the order of its script (`zigzag_core.dialogue`), which turns and replies name them from.
"""

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from zigzag_core.dialogue.reading import MOST_REPLIES, MOST_SPEAKERS, MOST_TURNS
from zigzag_core.dialogue.script import DirectionKind, EndingKind
from zigzag_core.dialogue.settings import LONGEST_TIME, MOST_EFFECTS, SHORTEST

from .kinds import Is, MaybeMedia, Refers, SetVariableRef, Unset
from .model import Id, Model, Name
from .rules.expression import Expression
from .voices import SpeakerVoice

TurnRef = Annotated[Id, Refers(("turn",))]
BeatRef = Annotated[Id, Refers(("beat",))]
MaybeTurn = Annotated[TurnRef | None, Unset()]
MaybeSpeaker = Annotated[Annotated[Id, Refers(("speaker",))] | None, Unset()]

Words = Annotated[str, Field(max_length=1_000)]
Mood = Annotated[str, Field(max_length=40)]
TurnName = Annotated[str, Field(min_length=1, max_length=80)]
MOST_BEATS = 5_000
MOST_MOODS = 40
WIDE = 1.3
"""A box so many times as wide as high has the stage beside the words."""


class SaidLine(Model):
    """A line: its `speaker` says it in a mood; without one it is advice.

    It is said under a `condition`; `unread` is one as it was typed that cannot be read. `voice` is
    how it sounds, and `voiced` the words that are heard there; they were spoken `by_machine`.
    """

    kind: Literal["said"] = "said"
    id: Annotated[Id, Is("line")]
    speaker: MaybeSpeaker = None
    mood: Mood = ""
    text: Words
    condition: Expression = True
    unread: Words = ""
    voice: MaybeMedia = None
    voiced: Words = ""
    by_machine: bool = False


class StageDirection(Model):
    """A backdrop or a sound with these words for its name, or a pause of so many seconds.

    Without a `media` file of its own it takes that of the dialogue's scenery.
    """

    kind: DirectionKind
    id: Annotated[Id, Is("line")]
    words: Words = ""
    media: MaybeMedia = None


Line = Annotated[SaidLine | StageDirection, Field(discriminator="kind")]


class ValueChange(Model):
    """A variable is changed by a `number`, or `sets` to it."""

    variable: SetVariableRef
    number: Annotated[float, Field(ge=-1e9, le=1e9)]
    sets: bool = False


class DialogueReply(Model):
    """What the learner may say.

    It gives `points` (None: it is not judged) and `changes` variables; it is there under a
    `condition`, and only `once` or again and again. It is taken by itself `after` so many seconds
    in which nothing else was replied. It is followed by the beats `then`, else it
    `leads` to a turn. `missing` is the name of one that is not there, and `unread` a condition as
    it was typed that cannot be read.
    """

    id: Annotated[Id, Is("reply")]
    text: Words
    leads: MaybeTurn = None
    missing: Annotated[str, Field(max_length=80)] = ""
    points: Annotated[float, Field(ge=-10_000, le=10_000)] | None = None
    changes: tuple[ValueChange, ...] = Field(default=(), max_length=MOST_EFFECTS)
    condition: Expression = True
    unread: Words = ""
    once: bool = False
    after: Annotated[float, Field(ge=SHORTEST, le=LONGEST_TIME)] | None = None
    then: tuple[BeatRef, ...] = Field(default=(), max_length=MOST_BEATS)


class DialogueBeat(Model):
    """Lines, then replies to them; without replies it may lead to a turn.

    It leads there under the condition `leads_if`; `unread` is one that cannot be read.
    """

    id: Annotated[Id, Is("beat")]
    lines: tuple[Line, ...] = Field(default=(), max_length=MOST_BEATS)
    replies: tuple[DialogueReply, ...] = Field(default=(), max_length=MOST_REPLIES)
    leads: MaybeTurn = None
    missing: Annotated[str, Field(max_length=80)] = ""
    leads_if: Expression = True
    unread: Words = ""


class DialogueTurn(Model):
    """Beats under a name; with an `ending` the dialogue ends behind them."""

    id: Annotated[Id, Is("turn")]
    name: TurnName
    beats: tuple[BeatRef, ...] = Field(default=(), max_length=MOST_BEATS)
    ending: EndingKind | None = None


class MoodPicture(Model):
    """How a speaker looks in a mood."""

    mood: Mood
    picture: MaybeMedia = None


class Speaker(Model):
    """Somebody who speaks, with a picture for each mood; the first one stands for those that lack.

    The middle of the picture is `at` so many hundredths of the stage (None: it follows from how
    many there are), it takes `size` hundredths of its height, and looks the other way if `flipped`.
    """

    id: Annotated[Id, Is("speaker")]
    name: Annotated[str, Field(min_length=1, max_length=60)]
    moods: tuple[MoodPicture, ...] = Field(default=(), max_length=MOST_MOODS)
    at: Annotated[float, Field(ge=0, le=100)] | None = None
    size: Annotated[float, Field(ge=20, le=150)] = 85
    flipped: bool = False
    voice: SpeakerVoice = SpeakerVoice()


class Scenery(Model):
    """What a stage direction with these words shows or lets hear, whatever their case."""

    kind: Literal["backdrop", "sound"]
    words: Annotated[str, Field(min_length=1, max_length=1_000)]
    media: MaybeMedia = None


class ShownValue(Model):
    """A variable that learners see as a meter from `low` to `high`."""

    variable: Annotated[Id, Refers(("variable",))]
    low: Annotated[float, Field(ge=-1e9, le=1e9)] = 0
    high: Annotated[float, Field(ge=-1e9, le=1e9)] = 10


class Dialogue(Model):
    """A dialogue; it begins with its first turn. On its slide it has a box (px).

    It `starts` with its slide, or when a rule starts it. Advice behind a reply is given at once, or
    with the end. In `random_order` replies stand in another order for every learner. Learners may
    start it `again` when it has ended, or go `back` to the reply that they gave last. Each line
    `appears` as a whole, sentence by sentence, or word by word as it is spoken.
    """

    id: Annotated[Id, Is("dialogue")]
    name: Name
    x: Annotated[float, Field(ge=-4_000, le=8_000)] = 80
    y: Annotated[float, Field(ge=-4_000, le=8_000)] = 160
    w: Annotated[float, Field(ge=120, le=8_000)] = 1_120
    h: Annotated[float, Field(ge=120, le=8_000)] = 500
    purpose: Literal["scored", "practice"] = "scored"
    advice: Literal["at_once", "at_end"] = "at_once"
    random_order: bool = False
    again: bool = True
    back: bool = False
    starts: Literal["by_itself", "by_rule"] = "by_itself"
    appears: Literal["at_once", "by_sentence", "as_spoken"] = "at_once"
    shows: tuple[ShownValue, ...] = Field(default=(), max_length=5)
    scenery: tuple[Scenery, ...] = Field(default=(), max_length=200)
    speakers: tuple[Speaker, ...] = Field(default=(), max_length=MOST_SPEAKERS)
    turns: tuple[DialogueTurn, ...] = Field(default=(), max_length=MOST_TURNS)
    beats: tuple[DialogueBeat, ...] = Field(default=(), max_length=MOST_BEATS)

    @model_validator(mode="after")
    def _each_beat_has_one_place(self) -> Self:
        named = [beat for turn in self.turns for beat in turn.beats]
        named += [beat for one in self.beats for reply in one.replies for beat in reply.then]
        if sorted(named) != sorted(beat.id for beat in self.beats):
            raise ValueError("each beat of a dialogue stands in one turn, or behind one reply")
        names = [speaker.name.casefold() for speaker in self.speakers]
        if len(set(names)) != len(names):
            raise ValueError("two speakers of a dialogue have the same name")
        return self
