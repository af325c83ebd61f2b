"""What is said, changed in the script."""

from zigzag_core.course import Audio, IdSource, Slide, rich
from zigzag_core.course.rules.timing import Timing
from zigzag_core.editing.names import free_name

from .changing import with_feedback, with_line
from .script import ScriptPlace
from .word_cues import with_words_moved

_SIDE, _MARGIN = 48, 12


def with_words(
    slide: Slide, place: ScriptPlace, words: str, fresh: IdSource, height: int
) -> Slide:
    """Return `slide` with `words` said at `place`; the voice stays, and is told to be of before.

    Where nothing is said yet, a narration is made at the lower edge of a slide of `height` px. The
    timing goes with it, if nothing else leads that and no cue is set. Where there is no such place
    the slide is as it was.
    """
    if place.part in ("slide", "overlay"):
        if not place.thing:
            return _narrated(slide, place, words, fresh, height) if words.strip() else slide
        return _retold(slide, place.thing, words)
    if place.part == "dialogue":
        return with_line(slide, place.within, place.thing, lambda _: {"text": words})
    return with_feedback(slide, place.thing, lambda _: {place.within: rich(words)})


def _narrated(
    slide: Slide, place: ScriptPlace, words: str, fresh: IdSource, height: int
) -> Slide:
    made = Audio(
        id=fresh(), name=free_name("Narration", {e.name for e in slide.elements}),
        x=_MARGIN, y=height - _SIDE - _MARGIN, w=_SIDE, h=_SIDE, overlay=place.within or None,
        start="auto", controls=False, narration=True, words=words)
    slide = slide.model_copy(update={"elements": (*slide.elements, made)})
    if place.within:
        return slide.model_copy(update={"overlays": tuple(
            overlay.model_copy(update={"timing": overlay.timing.model_copy(
                update={"follows": made.id})})
            if overlay.id == place.within and not _is_led(overlay.timing) else overlay
            for overlay in slide.overlays)})
    if _is_led(slide.timing):
        return slide
    return slide.model_copy(update={
        "timing": slide.timing.model_copy(update={"follows": made.id})})


def _is_led(timing: Timing) -> bool:
    """Whether a timing goes by something already, or by itself."""
    return timing.follows is not None or bool(timing.cues)


def _retold(slide: Slide, name: str, words: str) -> Slide:
    element = next((e for e in slide.elements if e.id == name), None)
    if not isinstance(element, Audio):
        return slide
    changed = element.model_copy(update={"words": words})
    slide = slide.model_copy(update={
        "elements": tuple(changed if e.id == name else e for e in slide.elements)})
    return with_words_moved(slide, name, element.words, words)
