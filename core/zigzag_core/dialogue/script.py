"""A dialogue as a script: turns, what is said in them, and the replies that lead on.

Turns, speakers, moods and values stand here by their names, as in the text. `reading` makes a
script of a text, `writing` a text of a script, and `ways` says what ways lead through it.
"""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from typing import Literal, get_args

DirectionKind = Literal["backdrop", "sound", "pause"]
"""What a stage direction sets: where it is, what is heard, how long nobody speaks (s)."""

DIRECTIONS: tuple[DirectionKind, ...] = get_args(DirectionKind)

EndingKind = Literal["good", "bad", "open"]
"""How a dialogue can end."""

ENDINGS: tuple[EndingKind, ...] = get_args(EndingKind)

ADVICE = "Advice"
"""What stands in place of a speaker before a line that nobody says."""

POINTS = "points"
"""What stands in place of a value's name before the points that a reply gives."""


@dataclass(frozen=True)
class Spoken:
    """A line: who says it, and in which mood. Without a speaker it is advice.

    It is said only under a `condition`, as it is typed; empty: always.
    """

    speaker: str
    mood: str
    text: str
    condition: str = ""


@dataclass(frozen=True)
class Direction:
    """A stage direction: the `words` name a backdrop or a sound, or are a number of seconds."""

    kind: DirectionKind
    words: str


Part = Spoken | Direction


@dataclass(frozen=True)
class Effect:
    """A value is changed by a `number`, or `sets` to it."""

    value: str
    number: float
    sets: bool = False


@dataclass(frozen=True)
class Reply:
    """What the learner may say.

    It gives `points` (None: it is not judged) and has `effects`. It is there under a `condition`
    (as it is typed; empty: always), and only `once` or again and again. It is taken `after` so many
    seconds in which nothing else was replied. It is followed by the beats `then`; without them it
    leads to the turn that `leads` names, if it names one.
    """

    text: str
    leads: str = ""
    points: float | None = None
    effects: tuple[Effect, ...] = ()
    condition: str = ""
    once: bool = False
    after: float | None = None
    then: "tuple[Beat, ...]" = ()


@dataclass(frozen=True)
class Beat:
    """Lines and directions, then the replies to them.

    Without replies it leads to the turn that `leads` names, or only under the condition
    `leads_if` (as it is typed). Where it leads nowhere, and behind replies that lead nowhere
    themselves, the beat that stands next follows; behind the last one what follows all of them.
    """

    parts: tuple[Part, ...] = ()
    replies: tuple[Reply, ...] = ()
    leads: str = ""
    leads_if: str = ""


@dataclass(frozen=True)
class Turn:
    """Beats that can be led to by a name; with an `ending` the dialogue ends behind the last."""

    name: str
    beats: tuple[Beat, ...] = ()
    ending: EndingKind | None = None


@dataclass(frozen=True)
class Script:
    """A dialogue; it begins with its first turn."""

    turns: tuple[Turn, ...] = ()


def all_beats(beats: Iterable[Beat]) -> Iterator[Beat]:
    """Yield `beats` and all that stand behind their replies, in the order of the text."""
    for beat in beats:
        yield beat
        for reply in beat.replies:
            yield from all_beats(reply.then)
