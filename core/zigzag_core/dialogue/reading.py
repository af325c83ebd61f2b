"""From a text to a script. Whatever the text is, a script comes of it, and what is wrong is told.

A line begins with ``##`` (the name of a turn), with ``>`` (a reply), or with who speaks and a
colon; any other line is advice. What is further in than a reply belongs to it. What comes after
replies and is not further in follows them all. ``->`` says which turn comes next.
"""

import re
from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from difflib import get_close_matches
from typing import Literal

from zigzag_core.errors import TooLong

from .marks import bracketed, parted, places, unmarked
from .script import (
    ADVICE,
    DIRECTIONS,
    Beat,
    Direction,
    EndingKind,
    Part,
    Reply,
    Script,
    Spoken,
    Turn,
)
from .settings import conditional, read_ending, read_settings

LONGEST = 500_000
"""So many characters a script may have."""
MOST_TURNS = 500
MOST_LINES = 5_000
MOST_REPLIES = 20
"""So many replies there may be to one line, and so many different people may speak."""
MOST_SPEAKERS = 60
LONGEST_LINE = 1_000
LONGEST_NAME = 80
MOST_MEANT = 60
"""For so many names of turns that are not there it is told which may be meant: it takes time."""
DEEPEST = 12
"""So far replies may stand within what follows replies."""
FIRST = "Beginning"
"""The name of a first turn that has none."""

_HEADING = re.compile(r"#{1,6}\s*(.*)")
_REPLY = re.compile(r"[>›]\s*(.*)")
_SPEAKER = re.compile(r"([^\W\d_][^:()\[\]]{0,59}?)\s*(?:\(([^()\[\]]{1,40})\))?\s*")
_ARROW = re.compile(r"(?:->|→)\s*(.*)")
_TAB = 4


@dataclass(frozen=True)
class Mistake:
    """What is wrong at a `line` (from 1) of the text, and words that may be meant instead."""

    line: int
    code: str
    words: str
    meant: tuple[str, ...] = ()


LineKind = Literal["line", "advice", "reply", "backdrop", "sound", "pause", "leads"]
"""What a line of a script is; *leads* stands alone and names a turn."""


@dataclass(frozen=True)
class ReadLine:
    """What the `line` (from 1) of a text was understood as. A turn is told apart by its number."""

    line: int
    kind: LineKind
    turn: int
    words: str
    speaker: str = ""
    mood: str = ""


@dataclass(frozen=True)
class ReadScript:
    """What a text was understood as.

    `lines` gives the line of each turn, in their order; `read` what each line within them is.
    """

    script: Script
    mistakes: tuple[Mistake, ...]
    lines: tuple[int, ...]
    read: tuple[ReadLine, ...] = ()


@dataclass
class _Beat:
    """A beat that is still being read."""

    parts: list[Part] = field(default_factory=list)
    replies: list["_Reply"] = field(default_factory=list)
    leads: str = ""
    leads_if: str = ""

    def made(self) -> Beat:
        return Beat(tuple(self.parts), tuple(one.made() for one in self.replies), self.leads,
                    self.leads_if)


@dataclass
class _Passage:
    """Beats that are still being read: those of a turn, or behind a reply."""

    beats: list[_Beat] = field(default_factory=list)

    def open(self, for_reply: bool = False) -> _Beat:
        """Return where the next line goes, or the next reply, which others may stand before.

        What leads on under a condition goes on behind it where that does not hold.
        """
        last = self.beats[-1] if self.beats else None
        if last is None or last.leads or (last.replies and not for_reply):
            last = _Beat()
            self.beats.append(last)
        return last

    def made(self) -> tuple[Beat, ...]:
        return tuple(beat.made() for beat in self.beats)


@dataclass
class _Reply:
    """A reply that is still being read, and what follows it."""

    indent: int
    reply: Reply
    then: _Passage = field(default_factory=_Passage)

    def made(self) -> Reply:
        reply = self.reply
        if self.then.beats and reply.leads:
            # What is said to the reply comes before the turn that it leads to.
            self.then.open().leads = reply.leads
            reply = replace(reply, leads="")
        return replace(reply, then=self.then.made())


@dataclass
class _Turn:
    name: str
    line: int
    ending: EndingKind | None = None
    passage: _Passage = field(default_factory=_Passage)


def read_script(text: str) -> ReadScript:
    """Return what `text` says, and what is wrong in it.

    Raises `TooLong` for a text of more than `LONGEST` characters or `MOST_LINES` lines, and for
    more turns, speakers, or replies to one line than there may be.
    """
    lines = text.split("\n")
    if len(text) > LONGEST or len(lines) > MOST_LINES:
        raise TooLong(f"A script has at most {LONGEST:,} characters and {MOST_LINES:,} lines.")
    reader = _Reader()
    for number, line in enumerate(lines, 1):
        plain = line.replace("\u00a0", " ").expandtabs(_TAB).rstrip()
        if plain:
            reader.read(number, len(plain) - len(plain.lstrip()), plain.strip())
    return reader.result()


class _Reader:
    """Reads line by line."""

    def __init__(self) -> None:
        self.turns: list[_Turn] = []
        self.names: set[str] = set()
        self.around: list[_Reply] = []
        """The replies that the line stands within, the outermost first."""
        self.led: list[tuple[int, str]] = []
        self.mistakes: list[Mistake] = []
        self.speakers: set[str] = set()
        self.lines: list[ReadLine] = []

    def read(self, number: int, indent: int, line: str) -> None:
        """Read one line that is not empty."""
        if len(line) > LONGEST_LINE:
            self.mistakes.append(Mistake(
                number, "long_line", f"A line has at most {LONGEST_LINE:,} characters."))
            line = line[:LONGEST_LINE]
        if heading := _HEADING.fullmatch(line):
            self._heading(number, heading[1])
            return
        if not self.turns:
            self.turns.append(_Turn(FIRST, number))
            self.names.add(FIRST.casefold())
        while self.around and self.around[-1].indent >= indent:
            self.around.pop()
        passage = self.around[-1].then if self.around else self.turns[-1].passage
        if reply := _REPLY.fullmatch(line):
            self._reply(number, indent, reply[1], passage)
        elif arrow := _ARROW.fullmatch(line):
            before, condition = conditional(arrow[1])
            self._understood(number, "leads", unmarked(before))
            self._goes_on(number, unmarked(before), passage, condition)
        else:
            self._said(number, line, passage)

    def _heading(self, number: int, text: str) -> None:
        self.around = []
        before, inside = bracketed(text)
        ending = None if inside is None else read_ending(unmarked(inside))
        if inside is not None and ending is None:
            self.mistakes.append(Mistake(
                number, "setting", f"“[{unmarked(inside)}]” is not understood.",
                ("[ending]", "[ending good]", "[ending bad]")))
            before = text
        name = unmarked(before)[:LONGEST_NAME].strip()
        if not name:
            self.mistakes.append(Mistake(number, "no_name", "The turn has no name."))
            name = f"Turn {len(self.turns) + 1}"
        if name.casefold() in self.names:
            self.mistakes.append(Mistake(
                number, "same_name",
                f"There is a turn “{name}” already: nothing leads to this one."))
        self.turns.append(_Turn(name, number, ending))
        self.names.add(name.casefold())

    def _reply(self, number: int, indent: int, text: str, passage: _Passage) -> None:
        before, inside = bracketed(text)
        reply = Reply("")
        if inside is not None:
            read = read_settings(reply, inside)
            if read is None:
                self.mistakes.append(Mistake(
                    number, "setting", f"“[{unmarked(inside)}]” is not understood.",
                    ("[once]", "[points 1]", "[trust +1]", "[if trust >= 2]")))
                before = text
            reply = read or reply
        words, leads = parted(before)
        said = unmarked(words)
        if not said:
            self.mistakes.append(Mistake(number, "no_words", "The reply has no words."))
        if len(self.around) >= DEEPEST:
            self.mistakes.append(Mistake(
                number, "deep",
                "Replies stand too far within each other: begin a turn of its own."))
        self._understood(number, "reply", said)
        made = _Reply(indent, replace(reply, text=said, leads=self._led(number, leads)))
        replies = passage.open(for_reply=True).replies
        if len(replies) == MOST_REPLIES:
            raise TooLong(f"Line {number}: there are at most {MOST_REPLIES} replies to one line.")
        replies.append(made)
        if len(self.around) < DEEPEST:
            self.around.append(made)

    def _said(self, number: int, line: str, passage: _Passage) -> None:
        line, condition = conditional(line)
        colon = next((at for at, _ in places(line, ":")), None)
        who = _SPEAKER.fullmatch(line[:colon]) if colon is not None else None
        words, leads = parted(line if who is None or colon is None else line[colon + 1:])
        text = unmarked(words)
        speaker, mood = (who[1].strip(), (who[2] or "").strip()) if who else (ADVICE, "")
        kind = next((one for one in DIRECTIONS if one == speaker.casefold() and not mood), None)
        if condition and (kind is not None or leads):
            self.mistakes.append(Mistake(
                number, "condition", "A condition stands behind what somebody says, or behind an "
                "arrow on a line of its own: it is not asked here."))
        if kind is not None:
            self._understood(number, kind, text)
            passage.open().parts.append(Direction(kind, text))
        elif text:
            if speaker.casefold() == ADVICE.casefold():
                speaker, mood = "", ""
            elif len(self.speakers | {speaker.casefold()}) > MOST_SPEAKERS:
                raise TooLong(f"Line {number}: at most {MOST_SPEAKERS} people speak in a script.")
            else:
                self.speakers.add(speaker.casefold())
            self._understood(number, "line" if speaker else "advice", text, speaker, mood)
            passage.open().parts.append(Spoken(speaker, mood, text, "" if leads else condition))
        else:
            self.mistakes.append(Mistake(number, "no_words", "Nothing is said in this line."))
        if leads:
            self._goes_on(number, leads, passage)

    def _understood(
        self, number: int, kind: LineKind, words: str, speaker: str = "", mood: str = ""
    ) -> None:
        self.lines.append(ReadLine(number, kind, len(self.turns) - 1, words, speaker, mood))

    def _goes_on(
        self, number: int, name: str, passage: _Passage, condition: str = ""
    ) -> None:
        name = self._led(number, name)
        if name:
            beat = passage.open()
            beat.leads, beat.leads_if = name, condition

    def _led(self, number: int, name: str) -> str:
        name = name[:LONGEST_NAME].strip()
        if name:
            self.led.append((number, name))
        return name

    def result(self) -> ReadScript:
        """The script, with what can only be told when all of it is read."""
        names = {turn.name.casefold(): turn.name for turn in reversed(self.turns)}
        meant: dict[str, list[str]] = {}
        for number, name in self.led:
            key = name.casefold()
            if key not in names:
                if key not in meant and len(meant) < MOST_MEANT:
                    meant[key] = get_close_matches(key, names, n=3, cutoff=0.5)
                close = meant.get(key, [])
                self.mistakes.append(Mistake(
                    number, "no_turn", f"There is no turn “{name}”.",
                    tuple(names[one] for one in close)))
        self.mistakes += _mistyped(self.lines)
        if len(self.turns) > MOST_TURNS:
            raise TooLong(f"A script has at most {MOST_TURNS} turns.")
        turns = tuple(
            Turn(turn.name, turn.passage.made(), turn.ending) for turn in self.turns)
        mistakes = sorted(self.mistakes, key=lambda one: one.line)
        return ReadScript(
            Script(turns), tuple(mistakes), tuple(turn.line for turn in self.turns),
            tuple(self.lines))


def _mistyped(lines: Sequence[ReadLine]) -> Iterator[Mistake]:
    """Yield who speaks once, under a name that is nearly that of somebody who speaks more often."""
    said = Counter(line.speaker.casefold() for line in lines if line.speaker)
    names = {line.speaker.casefold(): line.speaker for line in reversed(lines)}
    often = [name for name, count in said.items() if count > 1]
    for line in lines:
        key = line.speaker.casefold()
        close = get_close_matches(key, often, n=1, cutoff=0.8) if said[key] == 1 else []
        if close and close[0][:1] == key[:1]:
            other = names[close[0]]
            yield Mistake(line.line, "speaker",
                          f"“{line.speaker}” speaks only here; is “{other}” meant?", (other,))
