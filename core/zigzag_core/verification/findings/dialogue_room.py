"""Lines of a dialogue that are too long for its place: learners would have to scroll.

The measures are those of the player (`web/player/render/dialogue/dialogue.css`), where the slide is
drawn at its own size. Letters are taken to be half as wide as high, those of East Asia as wide.
"""

import math
import unicodedata
from collections.abc import Iterator
from dataclasses import dataclass

from zigzag_core.course.dialogues import WIDE, Dialogue, DialogueBeat, SaidLine

STAGE_BESIDE, STAGE_ABOVE = 0.52, 0.46
ACROSS, DOWN = 48, 38
"""The px around the words in their part of the box."""
SIZE, HEIGHT = 22, 1.4
NEWEST = 1.1
"""How much larger than the rest the newest line is."""
NAME = 0.8
GAP, REPLY_GAP, REPLY_AROUND, REPLY_LEAST = 14, 10, 20, 48
HEAR = 54
"""The px beside a line that has a voice."""
REPLIES_MOST = 0.62
"""The share of the height that replies take at most; behind it they scroll."""
LETTER = 0.5


@dataclass(frozen=True)
class LongLine:
    """A line that `needs` so many lines of text where there is `room` for fewer."""

    words: str
    needs: int
    room: int


def long_lines(dialogue: Dialogue) -> Iterator[LongLine]:
    """Yield the lines of `dialogue` that do not fit above the replies that stand below them."""
    width, height = _words_of(dialogue)
    for beat in dialogue.beats:
        said = [line for line in beat.lines if isinstance(line, SaidLine)]
        for line in said:
            below = _replies(beat, width, height) if line is said[-1] else REPLY_LEAST + REPLY_GAP
            left = height - below - GAP - SIZE * NAME * HEIGHT
            room = max(math.floor(left / (SIZE * NEWEST * HEIGHT)), 0)
            needs = lines_of(line.text, width - (HEAR if line.voice else 0), SIZE * NEWEST)
            if needs > room:
                yield LongLine(line.text, needs, room)


def lines_of(text: str, width: float, size: float) -> int:
    """Return about how many lines `text` takes in letters of `size` px, in so much `width` (px)."""
    across = max(width / size, 1)
    count, used = 1, 0.0
    for word in text.split():
        wide = sum(map(_letter, word))
        if used and used + LETTER + wide > across:
            count, used = count + 1, 0.0
        used += wide + (LETTER if used else 0)
        # A word that is longer than a line is broken.
        over = max(math.ceil(used / across) - 1, 0)
        count, used = count + over, used - over * across
    return count


def _words_of(dialogue: Dialogue) -> tuple[float, float]:
    """The width and height (px) that a dialogue has for its words."""
    staged = any(mood.picture for speaker in dialogue.speakers for mood in speaker.moods) or any(
        one.kind == "backdrop" and one.media for one in dialogue.scenery)
    width, height = float(dialogue.w), float(dialogue.h)
    if staged and width >= height * WIDE:
        width *= 1 - STAGE_BESIDE
    elif staged:
        height *= 1 - STAGE_ABOVE
    meters = len(dialogue.shows) * (SIZE * NAME * HEIGHT + GAP)
    return width - ACROSS, height - DOWN - meters


def _replies(beat: DialogueBeat, width: float, height: float) -> float:
    """The height (px) of all that can be replied to a beat."""
    replies = [max(lines_of(reply.text, width - 2 * REPLY_AROUND, SIZE) * SIZE * HEIGHT
                   + REPLY_AROUND, REPLY_LEAST) + REPLY_GAP for reply in beat.replies]
    return min(sum(replies), height * REPLIES_MOST) if replies else REPLY_LEAST + REPLY_GAP


def _letter(letter: str) -> float:
    """How wide a letter is, in its size."""
    if unicodedata.combining(letter):
        return 0
    return 1 if unicodedata.east_asian_width(letter) in "WF" else LETTER
