"""Words of a text, for those that ask when each is heard."""

import re
from collections.abc import Sequence

_SPACE = re.compile(r"[ \t\r\n]+")


def words_of(text: str) -> tuple[str, ...]:
    """Return the words of `text` with their punctuation: what stands between spaces and ends of
    lines. So they are the same in every language that splits them.
    """
    return tuple(word for word in _SPACE.split(text) if word)


def place_in(words: Sequence[str], said: Sequence[str]) -> int | None:
    """Return where in `said` all of `words` stand together; None where they do not.

    Punctuation and capitals do not matter. The player does the same (`spoken/timedWords.ts`).
    """
    wanted, heard = [*map(_bare, words)], [*map(_bare, said)]
    return next((at for at in range(len(heard) - len(wanted) + 1)
                 if heard[at:at + len(wanted)] == wanted), None)


def _bare(word: str) -> str:
    return "".join(letter for letter in word.lower() if letter.isalnum())
