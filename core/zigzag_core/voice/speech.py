"""What is asked of a synthesiser, and what it gives."""

from collections.abc import Callable
from dataclasses import dataclass

LONGEST_SPOKEN = 20_000
"""So many characters are spoken at once."""
SLOWEST, FASTEST = 80, 400
"""Words in a minute."""


@dataclass(frozen=True)
class Manner:
    """How words are spoken: in a `language` (BCP 47), by one of its voices.

    `voice` is one of `VOICES`; the `speed` is in words a minute, the `pitch` from 0 to 99. Words
    are `pronounced` as if they were written in another way: pairs of both ways.
    """

    language: str
    voice: str = ""
    speed: int = 150
    pitch: int = 50
    pronounced: tuple[tuple[str, str], ...] = ()


@dataclass(frozen=True)
class Speech:
    """Spoken words: `samples` are 16-bit mono, in the machine's order, at `rate` a second.

    `times` are when each of the words (`course.text.splitting`) is heard: from when until when, in
    ms. A synthesiser that does not know them gives none.
    """

    samples: bytes
    rate: int
    times: tuple[tuple[int, int], ...] = ()

    @property
    def duration(self) -> int:
        """How long it is, in ms."""
        return len(self.samples) // 2 * 1_000 // self.rate


Synthesiser = Callable[[str, Manner], Speech]
"""Speaks a text. Raises `CannotSpeak` for a language that it does not know."""

VOICES = ("", *(f"low{n}" for n in range(1, 8)), *(f"high{n}" for n in range(1, 6)))
"""The voices that every language has: its own, and lower and higher ones."""
