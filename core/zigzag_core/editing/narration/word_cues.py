"""Cues that are set to words: they go where the words go, in the text and in time."""

from collections.abc import Callable, Sequence
from difflib import SequenceMatcher

from zigzag_core.course import Cue, MediaFile, Slide
from zigzag_core.course.rules.timing import SpokenWord, Timing
from zigzag_core.course.text.splitting import words_of


def with_words_moved(slide: Slide, element: str, before: str, after: str) -> Slide:
    """Return `slide` with cues at the same words of the narration `element`, whose text changed.

    A cue whose word is gone goes to the one that stands in its place, or to the next.
    """
    new = words_of(after)
    places = _places(words_of(before), new)

    def moved(cue: Cue) -> Cue:
        if cue.word is None:
            return cue
        if not new:
            return cue.model_copy(update={"word": None})
        number = places[min(cue.word.number, len(places) - 1)] if places else 0
        number = min(number, len(new) - 1)
        return cue.model_copy(update={"word": SpokenWord(number=number, word=new[number][:200])})

    return _changed(slide, element, moved)


def with_words_timed(slide: Slide, element: str, file: MediaFile) -> Slide:
    """Return `slide` with its cues at the times at which `file` says their words.

    A cue keeps its length. Where the times are not known all stays as it is.
    """
    times = file.speech.times if file.speech else ()

    def timed(cue: Cue) -> Cue:
        if cue.word is None or cue.word.number >= len(times):
            return cue
        at = times[cue.word.number].since
        until = None if cue.until is None else cue.until - cue.at + at
        return cue.model_copy(update={"at": at, "until": until})

    return _changed(slide, element, timed)


def _places(before: Sequence[str], after: Sequence[str]) -> list[int]:
    """For each word of `before` its place in `after`."""
    places: list[int] = []
    for kind, i1, i2, j1, j2 in SequenceMatcher(None, before, after, False).get_opcodes():
        for n in range(i1, i2):
            inside = j1 + (n - i1)
            places.append(inside if kind == "equal" else min(inside, max(j2 - 1, j1)))
    return places


def _changed(slide: Slide, element: str, change: Callable[[Cue], Cue]) -> Slide:
    """The slide with changed cues in each timing that follows `element`."""
    def timing(one: Timing) -> Timing:
        if one.follows != element:
            return one
        return one.model_copy(update={"cues": tuple(map(change, one.cues))})

    return slide.model_copy(update={
        "timing": timing(slide.timing),
        "overlays": tuple(overlay.model_copy(update={"timing": timing(overlay.timing)})
                          for overlay in slide.overlays)})
