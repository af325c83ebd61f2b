"""Words of a text, for those that ask when each is heard."""

import re

_SPACE = re.compile(r"[ \t\r\n]+")


def words_of(text: str) -> tuple[str, ...]:
    """Return the words of `text` with their punctuation: what stands between spaces and ends of
    lines. So they are the same in every language that splits them.
    """
    return tuple(word for word in _SPACE.split(text) if word)
