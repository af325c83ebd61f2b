"""When each word is heard: marks between the words, which the synthesiser tells on its way.

Source: Speech Synthesis Markup Language 1.1 (W3C), 3.3.2 (mark); espeak-ng, ``speak_lib.h`` (kinds
of events).
"""

import html
import re
from bisect import bisect_right
from dataclasses import dataclass, field

_WORD, _MARK, _END = 1, 3, 5
_EDGES = re.compile(r"^(\W*)(.*?)(\W*)$", re.DOTALL)


@dataclass(frozen=True)
class MarkedText:
    """A text with a mark before each word; `starts` are the places (from 1) where words begin."""

    text: str
    starts: tuple[int, ...]


def marked_text(words: tuple[str, ...], pronounced: tuple[tuple[str, str], ...]) -> MarkedText:
    """Return `words` with a mark before each, named by its number."""
    said = {written.casefold(): spoken for written, spoken in pronounced}
    text, starts = "<speak>", []
    for number, word in enumerate(words):
        text += f'<mark name="{number}"/>'
        starts.append(len(text) + 1)
        text += html.escape(_plain(_pronounced(word, said)), quote=False) + " "
    return MarkedText(text + "</speak>", tuple(starts))


def _pronounced(word: str, said: dict[str, str]) -> str:
    """A word as it is to be said; its punctuation stays, since it makes the melody."""
    found = _EDGES.match(word)
    if not found or found[2].casefold() not in said:
        return word
    return f"{found[1]}{said[found[2].casefold()]}{found[3]}"


def _plain(word: str) -> str:
    return "".join(one if one.isprintable() else " " for one in word)


@dataclass
class WordTimes:
    """The times of words, put together from what a synthesiser tells."""

    marked: MarkedText
    _marks: dict[int, int] = field(default_factory=dict)
    _begun: dict[int, int] = field(default_factory=dict)
    _ends: list[int] = field(default_factory=list)

    def note(self, kind: int, place: int, at: int, name: bytes | None) -> None:
        """Note an event of this kind, at a place in the text, `at` ms."""
        if kind == _MARK and name is not None and name.isdigit():
            self._marks.setdefault(int(name), at)
        elif kind == _WORD:
            # At the beginning of a sentence no mark is told: then the word itself tells it.
            number = bisect_right(self.marked.starts, place) - 1
            if number >= 0:
                self._begun.setdefault(number, at)
        elif kind == _END:
            self._ends.append(at)

    def until(self, duration: int) -> tuple[tuple[int, int], ...]:
        """Return from when until when (ms) each word is heard, in speech of this `duration`.

        A word that is not heard on its own, such as a dash, has no length, or goes with its
        neighbour.
        """
        starts: list[int] = []
        last = 0
        for number in range(len(self.marked.starts)):
            at = self._marks.get(number, self._begun.get(number, last))
            last = min(max(at, last), duration)
            starts.append(last)
        ends = sorted(self._ends)
        found = []
        for start, following in zip(starts, [*starts[1:], duration], strict=False):
            place = bisect_right(ends, start)
            end = ends[place] if place < len(ends) else following
            found.append((start, min(end, following)))
        return tuple(found)
