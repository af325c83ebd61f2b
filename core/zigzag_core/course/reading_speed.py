"""Whether captions stay for long enough to be read.

Subtitlers keep to lines of at most 42 characters, two of them, and 17 characters a second.
"""

from collections.abc import Sequence

from .media import Caption

LINE, LINES, SPEED = 42, 2, 17
SLACK = 1.1
"""A caption that is read so much faster is still let pass: speech is not even."""


def too_fast(captions: Sequence[Caption]) -> tuple[Caption, ...]:
    """Return the captions that go faster than they can be read."""
    return tuple(one for one in captions if letters_a_second(one) > SPEED * SLACK)


def letters_a_second(caption: Caption) -> float:
    """Return how fast a caption is to be read, in characters a second."""
    return len(caption.text) * 1_000 / max(caption.until - caption.since, 1)
