"""Checks of texts that are highlighted as they are spoken."""

from collections.abc import Iterator, Mapping

from zigzag_core.course import Audio, MediaFile, Slide, Text, Video, plain
from zigzag_core.course.text.splitting import place_in, words_of

from .finding import Finding


def spoken_findings(slide: Slide, media: Mapping[str, MediaFile]) -> Iterator[Finding]:
    """Yield texts on `slide` whose words nobody knows when to highlight.

    `media` are the files of the course by their ids.
    """
    speakers = {one.id: one for one in slide.elements if isinstance(one, Video | Audio)}
    for text in slide.elements:
        speaker = speakers.get(text.spoken_by or "") if isinstance(text, Text) else None
        if speaker is None or not isinstance(text, Text):
            continue
        file = media.get(speaker.media or "")
        why = _why_not(words_of(plain(text.text)), file)
        if why:
            yield Finding(
                level="warning", code="not_spoken", slide=slide.id, element=text.id,
                message=f"“{text.name}” is not highlighted as “{speaker.name}” is heard: {why}.")


def _why_not(words: tuple[str, ...], file: MediaFile | None) -> str:
    if file is None or file.speech is None:
        return "its words are not known"
    said = words_of(file.speech.words)
    if len(said) != len(file.speech.times):
        return "it is not known when its words are heard"
    if not words or place_in(words, said) is None:
        return "it says other words"
    return ""
