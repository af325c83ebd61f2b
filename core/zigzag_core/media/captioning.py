"""Captions made of words whose times are known."""

import re
from itertools import pairwise

from zigzag_core.course.media import Caption, MediaFile, Speech
from zigzag_core.course.reading_speed import LINE, LINES, SPEED
from zigzag_core.course.text.splitting import words_of

_PAUSE = 700
"""Words further apart than this (ms) are two captions."""
_SHORTEST = 1_000
"""What is heard for less than this (ms) goes with what follows."""
_SENTENCE = re.compile(r"[.!?…。？！]['\"”’»)\]]*$")
_CLAUSE = re.compile(r"[,;:–—]['\"”’»)\]]*$")


def captions_of(speech: Speech) -> tuple[Caption, ...]:
    """Return the captions of `speech`, each of whole words in at most two lines.

    A sentence begins a new one; a long sentence is split, where it can be behind a comma. Each
    stays until the next begins or the reading speed is kept. Without times there are none.
    """
    words = words_of(speech.words)
    if not words or len(words) != len(speech.times):
        return ()
    blocks: list[range] = []
    for sentence in _sentences(words, speech):
        if blocks and _is_short(blocks[-1], speech) and (
                len(_lines(words[blocks[-1].start:sentence.stop])) <= LINES):
            sentence = range(blocks.pop().start, sentence.stop)
        blocks += _fitting(words, sentence)
    found = []
    for block, following in pairwise([*blocks, None]):
        if block is None:
            continue
        text = "\n".join(_lines(words[block.start:block.stop]))[:500]
        since, heard = speech.times[block.start].since, speech.times[block.stop - 1].until
        wanted = max(heard, since + len(text) * 1_000 // SPEED)
        limit = speech.times[following.start].since if following else wanted
        until = max(min(wanted, limit), since + 1)
        found.append(Caption(since=since, until=until, text=text))
    return tuple(found)


def with_captions(file: MediaFile) -> MediaFile:
    """Return `file` with captions of what is said in it; those that it has stay as they are."""
    if file.captions or file.speech is None:
        return file
    return file.model_copy(update={"captions": captions_of(file.speech)})


def _is_short(block: range, speech: Speech) -> bool:
    """Whether something is heard for so short a time that nobody can read it in that."""
    return speech.times[block.stop - 1].until - speech.times[block.start].since < _SHORTEST


def _sentences(words: tuple[str, ...], speech: Speech) -> list[range]:
    """Stretches of words: sentences, and what stands between long pauses."""
    found, start = [], 0
    for n in range(len(words)):
        last = n == len(words) - 1
        if last or _SENTENCE.search(words[n]) or (
                speech.times[n + 1].since - speech.times[n].until > _PAUSE):
            found.append(range(start, n + 1))
            start = n + 1
    return found


def _fitting(words: tuple[str, ...], stretch: range) -> list[range]:
    """Parts of a stretch that fit into a caption each, of about the same length."""
    if len(_lines(words[stretch.start:stretch.stop])) <= LINES or len(stretch) == 1:
        return [stretch]
    lengths = [len(words[n]) + 1 for n in stretch]
    half = sum(lengths) / 2

    def apart(cut: int) -> float:
        """How far from the middle a cut is; behind a comma it is worth half a line."""
        off = abs(sum(lengths[:cut]) - half)
        return off - (LINE / 2 if _CLAUSE.search(words[stretch.start + cut - 1]) else 0)

    cut = stretch.start + min(range(1, len(stretch)), key=apart)
    return [*_fitting(words, range(stretch.start, cut)), *_fitting(words, range(cut, stretch.stop))]


def _lines(words: tuple[str, ...]) -> list[str]:
    """Words as lines of at most `LINE` characters, or of one word that is longer.

    Two lines are about as long as each other.
    """
    lines: list[str] = []
    for word in words:
        if lines and len(lines[-1]) + 1 + len(word) <= LINE:
            lines[-1] += f" {word}"
        else:
            lines.append(word)
    if len(lines) != LINES:
        return lines
    text = " ".join(words)
    cuts = [m.start() for m in re.finditer(" ", text)
            if m.start() <= LINE and len(text) - m.start() - 1 <= LINE]
    cut = min(cuts, key=lambda at: abs(2 * at - len(text)), default=len(lines[0]))
    return [text[:cut], text[cut + 1:]] if cuts else lines
